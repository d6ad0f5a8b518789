import { likeness, matchRole, MATCHED_FROM } from './similarity.ts'

// Free words as a club's hand-kept sheet has them (e2e/samples/club-inventory.csv), and what each is.
it.each([
  ['tube 114/450 w. mirror', 'tube'],
  ['onearm base', 'base'],
  ['redot finder', 'finder'],
  ['ocular 20mm', 'eyepiece'],
  ['3x barlow', 'barlow'],
  ['dust cap big', 'front-cap'],
  ['cap focusser', 'focuser-cap'],
  ['refractor tube 70/400', 'tube'],
  ['photo tripod', 'tripod-legs'],
  ['pan handle', 'pan-handle'],
  ['zenith mirror 90°', 'diagonal'],
  ['amici prism 45', 'erecting-diagonal'],
  ['20mm EP', 'eyepiece'],
  ['RDF', 'finder'],
  ['rucksack', 'case'],
  ['OTA 150/750', 'tube'],
  ['straps metal', 'tube-rings'],
  ['EQ head black', 'mount-head'],
  ['acc. tray + brackets', 'tray'],
  ['counter weight', 'counterweight'],
  ['c/w rod', 'weight-shaft'],
  ['flex cable RA', 'slow-motion-rod'],
  ['finder 6x30', 'finder'],
  ['O ring for finder', 'finder-o-ring'],
  ['moon filter', 'moon-filter'],
  ['sun filter (screw in)', 'screw-in-sun-filter'],
  ['hexkey + spanner', 'hex-key'],
  ['26mm eypiece', 'eyepiece'],
  ['bubble level compass', 'bubble-level'],
  ['hard case', 'case'],
  ['6.5mm', 'eyepiece'],
  ['mak 90 with fork', 'tube'],
] as const)('“%s” is a %s', (words, role) => {
  expect(matchRole(words).role).toBe(role)
})

it.each([['long butterfly nut'], ['thing from the drawer'], ['micro fibre cloth']])(
  '“%s” is asked about',
  (words) => {
    const match = matchRole(words)
    expect(match.confidence).toBeLessThan(MATCHED_FROM)
    expect(match.others.length).toBeGreaterThan(0)
  },
)

it('likeness is 1 for the same words in any order, 0 for nothing in common, and symmetric', () => {
  expect(likeness('red dot finder', 'finder, red dot')).toBe(1)
  expect(likeness('tube', 'mask')).toBe(0)
  expect(likeness('barlow', 'barlov')).toBe(likeness('barlov', 'barlow'))
})
