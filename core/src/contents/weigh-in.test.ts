import { explainWeight } from './explain-weight.ts'
import { firstGuessOfLoss, lossChance } from './loss-chance.ts'
import {
  correctedMasses,
  smallestLossSeenG,
  tooLightToTell,
  weighInInput,
  weightVerdict,
  type WeighedLine,
} from './weigh-in.ts'
import { weightSentence } from '../words/weigh-in.ts'

const line = (id: string, massG: number | null, rest: Partial<WeighedLine> = {}): WeighedLine => ({
  id,
  name: id,
  massG,
  toleranceG: massG === null ? null : Math.max(1, massG * 0.02),
  count: 1,
  group: 'whole',
  mark: 'unseen',
  presentCount: 0,
  lossChanceFraction: 0.02,
  ...rest,
})
const lines = [
  line('slow-motion rods', 62, { count: 2 }),
  line('phone holder', 131),
  line('slug', 9),
  line('manual', null),
  line('eyepiece 10 mm', 92),
]
const FULL_G = 62 * 2 + 131 + 9 + 92
const ask = (measuredG: number, given: readonly WeighedLine[] = lines) =>
  explainWeight(weighInInput({ lines: given, weighings: [{ measuredG, scaleResolutionG: 1 }], foreign: [] }))
const nameOf = (id: string) => id

it('what is ticked as present is looked for last', () => {
  const light = FULL_G - 126
  expect(ask(light).explanations[0]?.missing).toEqual([{ id: 'slow-motion rods', count: 2 }])
  const ticked = lines.map((each) =>
    each.name === 'slow-motion rods' ? { ...each, mark: 'present' as const, presentCount: 2 } : each,
  )
  expect(ask(light, ticked).explanations[0]?.missing).toEqual([{ id: 'phone holder', count: 1 }])
})

it('what is marked missing is allowed for', () => {
  const marked = lines.map((each) => (each.name === 'slug' ? { ...each, mark: 'missing' as const } : each))
  const explained = ask(FULL_G - 9, marked)
  expect(explained.differenceG).toBe(0)
  expect(weightVerdict(explained)).toMatchObject({ code: 'ALL_THERE' })
})

it.each([
  ['complete', FULL_G, 'ALL_THERE', /nothing heavier than \d+ g is missing/],
  ['both rods', FULL_G - 124, 'LIKELY', /2 × slow-motion rods missing \(\d+ %\)/],
  ['nothing like it', FULL_G + 900, 'NOTHING_FITS', /900 g too heavy/],
] as const)('%s is said in one sentence', (_name, measuredG, code, words) => {
  const verdict = weightVerdict(ask(measuredG))
  expect(verdict.code).toBe(code)
  expect(weightSentence(verdict, nameOf)).toMatch(words)
})

it('“weight can’t tell” is an honest answer: a slug beside a heavy weight', () => {
  const heavy = [line('counterweight', 1980, { toleranceG: 15 }), line('slug', 9, { toleranceG: 1 })]
  const explained = ask(1982, heavy)
  expect(tooLightToTell(heavy, explained)).toEqual(['slug'])
  const before = [{ measuredG: 1980, scaleResolutionG: 1, baselineG: 1989 }]
  const compared = explainWeight(weighInInput({ lines: heavy, weighings: before, foreign: [] }))
  expect(tooLightToTell(heavy, compared)).toEqual([])
  expect(compared.explanations[0]?.missing).toEqual([{ id: 'slug', count: 1 }])
})

describe('the smallest loss that shows', () => {
  // The pouch of the design's pictures: four parts of ±1 g on a kitchen scale show 2 g.
  const pouch = [11, 38, 18, 9].map((massG) => ({ massG, toleranceG: 1, count: 1 }))
  it('from declared masses', () =>
    expect(smallestLossSeenG(pouch, { stepG: 1, weighedBefore: false })).toBeCloseTo(2.17, 2))
  it('falls to the scale’s own doubt once it was weighed complete', () => {
    const heavy = [
      { massG: 1980, toleranceG: 15, count: 1 },
      { massG: 9, toleranceG: 1, count: 1 },
    ]
    expect(smallestLossSeenG(heavy, { stepG: 1, weighedBefore: false })).toBeCloseTo(15.06, 1)
    expect(smallestLossSeenG(heavy, { stepG: 1, weighedBefore: true })).toBeLessThan(1.2)
  })
})

describe('weighing complete corrects the masses', () => {
  const parts = [
    { id: 'head', massG: 2350, toleranceG: 10, count: 1 },
    { id: 'rods', massG: 62, toleranceG: 2, count: 2 },
  ]
  it('the less sure a mass, the more it takes of the difference, and the sum comes close to what was read', () => {
    const corrected = correctedMasses(parts, { measuredG: 2482, scaleResolutionG: 1 })
    const [head, rods] = corrected
    expect(head?.massG).toBeGreaterThan(2350)
    expect((head?.massG ?? 0) - 2350).toBeGreaterThan(10 * ((rods?.massG ?? 0) - 62))
    expect((head?.massG ?? 0) + 2 * (rods?.massG ?? 0)).toBeCloseTo(2482, 0)
    expect(head?.toleranceG).toBeLessThan(10)
  })
  it('a reading that fits changes nothing but the doubt', () => {
    const corrected = correctedMasses(parts, { measuredG: 2474, scaleResolutionG: 1 })
    expect(corrected.map(({ massG }) => massG)).toEqual([2350, 62])
  })
})

describe('how often a part goes missing', () => {
  it('starts from the role and moves to what really happened', () => {
    const guess = firstGuessOfLoss('weight-slug')
    expect(lossChance('weight-slug', { losses: 0, pieceLoans: 0 })).toBe(guess)
    expect(lossChance('weight-slug', { losses: 30, pieceLoans: 100 })).toBeGreaterThan(0.2)
    expect(lossChance('tube', { losses: 0, pieceLoans: 1000 })).toBeLessThan(0.001)
  })
})
