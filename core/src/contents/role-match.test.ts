import { familyFromParts, opticsFromName, roleFromName, tubeFromName } from './role-match.ts'
import type { Role } from './roles.ts'

const words: readonly (readonly [string, Role])[] = [
  ['ocular 20mm', 'eyepiece'],
  ['6mm EP', 'eyepiece'],
  ['25 mm', 'eyepiece'],
  ['OTA 140/680', 'tube'],
  ['tube 110/480 w. mirror', 'tube'],
  ['zenith mirror 90°', 'diagonal'],
  ['amici prism 45°', 'erecting-diagonal'],
  ['RDF', 'finder'],
  ['redot finder', 'finder'],
  ['cap focusser', 'focuser-cap'],
  ['dust cap big', 'front-cap'],
  ['solar filter, screw in', 'screw-in-sun-filter'],
  ['Sun warning sticker', 'sun-label'],
  ['C/W 2kg', 'counterweight'],
  ['counterweight bar', 'weight-shaft'],
  ['toe saver', 'shaft-end-stop'],
  ['CR2032', 'coin-cell'],
  ['allen key 4', 'hex-key'],
  ['straps metal', 'tube-rings'],
  ['EQ head black', 'mount-head'],
  ['rucksack', 'case'],
  ['something nobody knows', 'other'],
]
it.each(words)('“%s” is a %s', (name, role) => expect(roleFromName(name)).toBe(role))

it('an eyepiece’s cap is no eyepiece, a Barlow’s cap no Barlow, the finder’s cap no finder', () => {
  expect([roleFromName('Eyepiece cap'), roleFromName('Barlow end cap'), roleFromName('Finder caps')]).toEqual([
    'eyepiece-cap',
    'barlow-cap',
    'finder-cap',
  ])
})

it('figures in names: focal length of eyepieces, factor of a Barlow, aperture and focal length of a tube', () => {
  expect(opticsFromName('ocular 12,5 mm', 'eyepiece')).toEqual({ focalLengthMm: 12.5 })
  expect(opticsFromName('3x barlow', 'barlow')).toEqual({ barlow: 3 })
  expect(opticsFromName('Barlow ×2.25', 'barlow')).toEqual({ barlow: 2.25 })
  expect(opticsFromName('Hex key 4 mm', 'hex-key')).toEqual({})
  expect(opticsFromName('eyepiece, old', 'eyepiece')).toEqual({})
  expect(tubeFromName('refractor tube 70 / 400')).toEqual({ apertureMm: 70, focalLengthMm: 400 })
  expect(tubeFromName('tube')).toBeNull()
})

it('what is no telescope’s size is no tube', () => {
  expect(tubeFromName('tube 600 / 6000')).toEqual({ apertureMm: 600, focalLengthMm: 6000 })
  for (const name of ['tube 601 / 900', 'tube 19 / 900', 'tube 130 / 6001']) expect(tubeFromName(name)).toBeNull()
  expect(tubeFromName('D=76 f=100')).toEqual({ apertureMm: 76, focalLengthMm: 100 })
})

it('the family follows from what stands under the tube', () => {
  const of = (...list: readonly (readonly [Role, string])[]) =>
    familyFromParts(list.map(([role, name]) => ({ role, name })))
  expect(of(['controller', 'hand box'], ['tripod-legs', 'legs'])).toBe('computer-driven')
  expect(of(['counterweight', '2 kg'])).toBe('equatorial-reflector')
  expect(of(['counterweight', '2 kg'], ['tube', 'Mak 102'])).toBe('equatorial-maksutov')
  expect(of(['diagonal', '90°'], ['tripod-legs', 'tripod'])).toBe('tripod-refractor')
  expect(of(['base', 'rocker box'])).toBe('floor-reflector')
  expect(of(['tripod-legs', 'tripod'])).toBe('altazimuth-reflector')
  expect(of(['base', 'one-arm base'])).toBe('tabletop-reflector')
})
