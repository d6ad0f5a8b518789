import { explainWeight } from './explain-weight.ts'
import type { ExplainWeightInput } from './weighing.ts'

const weigh = (measuredG: number, rest: Partial<ExplainWeightInput> = {}) =>
  explainWeight({
    parts: [
      { id: 'rods', massG: 62, toleranceG: 3, count: 2 },
      { id: 'holder', massG: 131, toleranceG: 3, count: 1 },
      { id: 'slug', massG: 9, toleranceG: 1, count: 1 },
      { id: 'ten', massG: 92, toleranceG: 2, count: 1 },
    ],
    foreign: [{ id: 'twelve', massG: 106, toleranceG: 2, replaces: ['ten'] }],
    weighings: [{ measuredG, scaleResolutionG: 1 }],
    ...rest,
  })
const FULL_G = 2 * 62 + 131 + 9 + 92

describe('one kit by hand', () => {
  it('nothing missing is an explanation, and the first one when the weight fits', () => {
    const { explanations, consistent, differenceG, expectedG } = weigh(FULL_G)
    expect({ expectedG, differenceG, consistent }).toEqual({ expectedG: FULL_G, differenceG: 0, consistent: true })
    expect(explanations[0]).toMatchObject({ missing: [], swapped: [], extra: [] })
  })
  it('counts pieces of one part', () => {
    expect(weigh(FULL_G - 124).explanations[0]?.missing).toEqual([{ id: 'rods', count: 2 }])
    expect(weigh(FULL_G - 62).explanations[0]?.missing).toEqual([{ id: 'rods', count: 1 }])
  })
  it('sees a thing of another kit in the place of its look-alike', () => {
    const best = weigh(FULL_G + 14).explanations[0]
    expect(best).toMatchObject({ missing: [], swapped: [{ id: 'ten', by: 'twelve' }], extra: [] })
  })
  it('sees a thing too many', () => {
    expect(weigh(FULL_G + 106).explanations[0]).toMatchObject({ missing: [], extra: ['twelve'] })
  })
  it('what is known is allowed for and not named again', () => {
    const known = { missing: [{ id: 'slug', count: 1 }], swapped: [{ id: 'ten', by: 'twelve' }] }
    const { expectedG, explanations } = weigh(FULL_G - 9 + 14 - 131, { known })
    expect(expectedG).toBe(FULL_G - 9 + 14)
    expect(explanations[0]).toMatchObject({ missing: [{ id: 'holder', count: 1 }], swapped: [] })
  })
  it('a container is taken off', () => {
    const weighings = [{ measuredG: FULL_G + 350, scaleResolutionG: 1, containerG: 350 }]
    expect(weigh(0, { weighings }).differenceG).toBe(0)
  })
  it('with the own last complete weighing only the scale’s doubt is left', () => {
    const declared = weigh(FULL_G).smallestVisibleG
    const weighings = [{ measuredG: FULL_G + 3, scaleResolutionG: 1, baselineG: FULL_G + 3 }]
    const compared = weigh(0, { weighings })
    expect(declared).toBeGreaterThan(5)
    // Two readings of a 1 g scale: 2·√(2·0.173) = 1.18 g, a little less since the declared sum helps.
    expect(compared.smallestVisibleG).toBeLessThan(1.19)
    expect(compared.explanations[0]?.missing).toEqual([])
  })
  it('a set that goes missing as one counts as one loss, however many pieces it has', () => {
    const caps = ['front', 'focuser', 'finder', 'diagonal', 'barlow', 'spare'].map((id, at) => ({
      id,
      massG: 4 + at,
      toleranceG: 0.5,
      count: 1,
      together: 'end caps',
    }))
    const parts = [...caps, { id: 'nut', massG: 39, toleranceG: 0.5, count: 1 }]
    const all = 4 + 5 + 6 + 7 + 8 + 9
    const weighings = [{ measuredG: 39, scaleResolutionG: 1 }]
    const [best] = explainWeight({ parts, weighings }).explanations
    expect(all).toBe(39)
    expect(best?.missing.length === 6 || best?.missing[0]?.id === 'nut').toBe(true)
    const apart = parts.map(({ id, massG, toleranceG, count }) => ({ id, massG, toleranceG, count }))
    const found = (given: ExplainWeightInput['parts']) =>
      explainWeight({ parts: given, weighings, limit: 500 }).explanations.some(({ missing }) => missing.length === 6)
    expect([found(parts), found(apart)]).toEqual([true, false])
  })
  it('of a set whose one piece is known to be gone only the rest is named', () => {
    const parts = ['left', 'right'].map((id) => ({ id, massG: 14, toleranceG: 1, count: 1, together: 'screws' }))
    const known = { missing: [{ id: 'left', count: 1 }], swapped: [] }
    const weighings = [{ measuredG: 0, scaleResolutionG: 1 }]
    expect(explainWeight({ parts, weighings, known }).explanations[0]?.missing).toEqual([{ id: 'right', count: 1 }])
  })
  it('each group names only its own parts', () => {
    const parts = [
      { id: 'rod', massG: 61, toleranceG: 1, count: 2, group: 'tray' },
      { id: 'cap', massG: 20, toleranceG: 1, count: 1, group: 'pouch' },
    ]
    const weighings = [
      { group: 'tray', measuredG: 61, scaleResolutionG: 1 },
      { group: 'pouch', measuredG: 20, scaleResolutionG: 1 },
    ]
    const { groups } = explainWeight({ parts, weighings })
    const [tray, pouch] = groups
    expect(tray?.explanations[0]?.missing).toEqual([{ id: 'rod', count: 1 }])
    expect(pouch?.explanations.flatMap(({ missing }) => missing.map(({ id }) => id))).toEqual(['cap'])
    expect(pouch?.explanations[0]?.missing).toEqual([])
  })
  it('groups weighed apart are taken off the whole kit', () => {
    const parts = [
      { id: 'a', massG: 100, toleranceG: 2, count: 1, group: 'tray' },
      { id: 'b', massG: 500, toleranceG: 2, count: 1, group: 'rest' },
      { id: 'c', massG: 300, toleranceG: 2, count: 1, group: 'rest' },
    ]
    const weighings = [
      { group: 'tray', measuredG: 100, scaleResolutionG: 1 },
      { measuredG: 600, scaleResolutionG: 1 },
    ]
    const { explanations, groups } = explainWeight({ parts, weighings })
    expect(explanations[0]?.missing).toEqual([{ id: 'c', count: 1 }])
    expect(groups.map(({ group, measuredG }) => [group, measuredG])).toEqual([
      ['tray', 100],
      ['', 500],
    ])
  })
})

describe('a caller’s mistakes name the field', () => {
  const parts = [{ id: 'a', massG: 10, toleranceG: 1, count: 1, group: 'tray' }]
  const weighings = [{ measuredG: 10, scaleResolutionG: 1 }]
  it.each([
    ['negative mass', { parts: [{ ...parts[0]!, massG: -1 }], weighings }, /massG/],
    ['no step', { parts, weighings: [{ measuredG: 1, scaleResolutionG: 0 }] }, /scaleResolutionG/],
    ['unknown group', { parts, weighings: [{ ...weighings[0]!, group: 'pouch' }] }, /pouch/],
    ['no weighing', { parts, weighings: [] }, /weighings/],
    ['same id twice', { parts: [...parts, ...parts], weighings }, /every id/],
    ['chance of one', { parts: [{ ...parts[0]!, lossChanceFraction: 1 }], weighings }, /lossChanceFraction/],
    [
      'more missing than there are',
      { parts, weighings, known: { missing: [{ id: 'a', count: 2 }], swapped: [] } },
      /2 of a/,
    ],
    [
      'a set that is always gone',
      { parts: [{ ...parts[0]!, together: 'bag', togetherChanceFraction: 1 }], weighings },
      /togetherChance/,
    ],
    ['not a number', { parts, weighings: [{ measuredG: NaN, scaleResolutionG: 1 }] }, /measuredG/],
  ])('%s', (_name, input, message) => {
    expect(() => explainWeight(input as ExplainWeightInput)).toThrow(message)
  })
  it('refuses what can’t be tried in time, instead of hanging', () => {
    const many = Array.from({ length: 200 }, (_, at) => ({ id: String(at), massG: at + 1, toleranceG: 1, count: 2 }))
    expect(() => explainWeight({ parts: many, weighings, maxMissing: 6 })).toThrow(/too many to try/)
  })
})
