import { alignmentResult, type Landing, type LandingPattern } from './alignment-result.ts'

const landed = (place: Landing['place'], asideDeg: number | null = null): Landing => ({
  object: 'Vega',
  place,
  asideDeg,
})
const result = (landings: readonly Landing[], pattern: LandingPattern = 'none') =>
  alignmentResult({ fieldDeg: 2, landings, pattern })

it.each([
  ['middle', 'good'],
  ['middle-half', 'good'],
  ['edge', 'usable'],
  ['outside', 'off'],
] as const)('%s of the lowest field: %s', (place, verdict) => {
  expect(result([landed(place)])).toMatchObject({ verdict, goodDeg: 0.5, limitDeg: 1 })
})
it('the worst of several counts', () => {
  expect(result([landed('middle'), landed('edge'), landed('middle-half')])).toMatchObject({
    worstDeg: 1,
    verdict: 'usable',
  })
})
it.each([
  [15, 'none', 'daylight-saving'],
  [14, 'none', 'daylight-saving'],
  [30, 'none', 'zone-or-hour'],
  [17.4, 'none', 'daylight-saving'],
  [17.6, 'none', null],
  [42.6, 'none', 'zone-or-hour'],
  [42.4, 'none', null],
  [22, 'none', null],
  [4, 'none', null],
  [40, 'mirrored', 'hemisphere'],
  [4, 'grows-west', 'axis'],
] as const)('%d° aside, %s: %s', (asideDeg, pattern, hint) => {
  expect(result([landed('outside', asideDeg)], pattern).hint).toBe(hint)
})
it('what lands well has no wrong entry, whatever it looks like', () => {
  expect(result([landed('middle')], 'mirrored').hint).toBeNull()
})
it('nothing gone to, or no field, is refused', () => {
  expect(() => result([])).toThrow('one object')
  expect(() => alignmentResult({ fieldDeg: 0, landings: [landed('middle')] })).toThrow(RangeError)
})
