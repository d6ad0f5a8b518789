import { likeness, matchRole, MATCHED_FROM } from './similarity.ts'

// Free words as a club's hand-kept sheet has them (e2e/samples/club-inventory.csv), and what each is.
it.each([
  ['tube 108/470 w. mirror', 'tube'],
  ['base, one side arm', 'base'],
  ['redot finder', 'finder'],
  ['ocular 18mm', 'eyepiece'],
  ['2.5x barlow', 'barlow'],
  ['lid of tube', 'front-cap'],
  ['cap focusser', 'focuser-cap'],
  ['refractor tube 76/430', 'tube'],
  ['tripod, foto type', 'tripod-legs'],
  ['pan handle', 'pan-handle'],
  ['zenith mirror 90°', 'diagonal'],
  ['erect. prism 45', 'erecting-diagonal'],
  ['18mm EP', 'eyepiece'],
  ['spreader plate', 'tray'],
  ['RDF', 'finder'],
  ['OTA 140/680', 'tube'],
  ['tube clamps', 'tube-rings'],
  ['EQ head grey', 'mount-head'],
  ['wooden legs', 'tripod-legs'],
  ['wing screw M8', 'spare-screws'],
  ['counterwt.', 'counterweight'],
  ['bar for weight', 'weight-shaft'],
  ['flex cable RA', 'slow-motion-rod'],
  ['finder 7x35', 'finder'],
  ['ring seal of finder', 'finder-o-ring'],
  ['moon filter', 'moon-filter'],
  ['sun filter (screw in)', 'screw-in-sun-filter'],
  ['hexkey + spanner', 'hex-key'],
  ['28mm eypiece', 'eyepiece'],
  ['round bubble w. needle', 'bubble-level'],
  ['power box 12V', 'power-pack'],
  ['key pad', 'controller'],
  ['hard case', 'case'],
  ['8.5mm', 'eyepiece'],
  ['mak 84 on driven arm', 'tube'],
] as const)('“%s” is a %s', (words, role) => {
  expect(matchRole(words).role).toBe(role)
})

it.each([
  ['felt cloth'],
  ['thing from the drawer'],
  ['bench for eyepieces'],
  ['spare nut for the tray'],
  ['Mutter für die Ablageplatte'],
  ['tuerca de la bandeja'],
])('“%s” is asked about', (words) => {
  const match = matchRole(words)
  expect(match.confidence).toBeLessThan(MATCHED_FROM)
  expect(match.others.length).toBeGreaterThan(0)
  // As many as a person looks through.
  expect(match.others.length).toBeLessThanOrEqual(3)
})

it('a spare nut is never silently the leg tray', () => {
  for (const words of [
    'nut for tray',
    'tray wing nut, spare',
    'washers of spreader',
    'screw tripod tray',
    'écrou de la tablette',
    'tornillo de la bandeja',
  ])
    expect([words, matchRole(words).role === 'tray' && matchRole(words).confidence >= MATCHED_FROM]).toEqual([
      words,
      false,
    ])
})

it.each([
  ['finder', 'finder'],
  ['solar finder', 'finder'],
  ['finder (not for sun)', 'finder'],
  ['solar filter', 'screw-in-sun-filter'],
  ['full aperture solar filter', 'front-filter'],
] as const)('solar words never stand above a plain thing: “%s”', (words, role) => {
  const match = matchRole(words)
  expect(match.role).toBe(role)
  if (role === 'finder') expect(match.others).not.toContain('screw-in-sun-filter')
})

// Free words of foreign clubs' lists: invented, as such lists are written. Common practice, no source.
it.each([
  ['Tubus 110/480', 'tube'],
  ['Okular 24mm', 'eyepiece'],
  ['Leuchtpunktsucher', 'finder'],
  ['Gegengewichtsstange', 'weight-shaft'],
  ['Gegengewicht 2 kg', 'counterweight'],
  ['Rohrschellen', 'tube-rings'],
  ['Zenitspiegel', 'diagonal'],
  ['Staubschutzdeckel', 'front-cap'],
  ['Knopfzelle', 'coin-cell'],
  ['Ablageplatte', 'tray'],
  ['Reduzierhülse 2" auf 1,25"', 'barrel-adapter'],
  ['Sonnenfilter', 'screw-in-sun-filter'],
  ['ocular de 24 mm', 'eyepiece'],
  ['buscador de punto rojo', 'finder'],
  ['contrapeso', 'counterweight'],
  ['barra del contrapeso', 'weight-shaft'],
  ['trípode', 'tripod-legs'],
  ['bandeja', 'tray'],
  ['lente de Barlow 2x', 'barlow'],
  ['filtro solar', 'screw-in-sun-filter'],
  ['oculaire 24 mm', 'eyepiece'],
  ['chercheur point rouge', 'finder'],
  ['contrepoids', 'counterweight'],
  ['tige du contrepoids', 'weight-shaft'],
  ['trépied', 'tripod-legs'],
  ['renvoi coudé', 'diagonal'],
  ['filtre solaire', 'screw-in-sun-filter'],
] as const)('“%s” is a %s, without asking', (words, role) => {
  const match = matchRole(words)
  expect([match.role, match.confidence >= MATCHED_FROM]).toEqual([role, true])
})

it('likeness is 1 for the same words in any order, 0 for nothing in common, and symmetric', () => {
  expect(likeness('red dot finder', 'finder, red dot')).toBe(1)
  expect(likeness('tube', 'mask')).toBe(0)
  expect(likeness('barlow', 'barlov')).toBe(likeness('barlov', 'barlow'))
})
