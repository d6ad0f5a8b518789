import { explainWeight } from './explain-weight.ts'
import { firstGuessOfLoss, lossChance } from './loss-chance.ts'
import {
  correctedMasses,
  smallestLossSeenG,
  tooLightToTell,
  weighInInput,
  weighingOf,
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
  ['both rods', FULL_G - 124, 'LIKELY', /2 × slow-motion rods missing \((over )?\d+ %\)/],
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

describe('explanations between which the weight can’t choose', () => {
  const like = [line('barlow', 105), line('eyepiece 6 mm', 104), line('tube', 2900, { lossChanceFraction: 0.001 })]
  it('are one of these, with what to look at, however much likelier the one is', () => {
    const uneven = like.map((each) => (each.id === 'barlow' ? { ...each, lossChanceFraction: 0.08 } : each))
    const verdict = weightVerdict(ask(105 + 104 + 2900 - 105, uneven))
    expect(verdict.code).toBe('ONE_OF_SEVERAL')
    if (verdict.code !== 'ONE_OF_SEVERAL') return
    expect([...verdict.lookAt].sort()).toEqual(['barlow', 'eyepiece 6 mm'])
    expect(weightSentence(verdict, nameOf)).toMatch(/^One of these: .*barlow missing.*; .*Look at .*to tell\.$/)
  })
  it('one that was ticked is not worth naming beside one that was not', () => {
    const ticked = like.map((each) =>
      each.id === 'barlow' ? { ...each, mark: 'present' as const, presentCount: 1, lossChanceFraction: 0.005 } : each,
    )
    expect(weightVerdict(ask(105 + 104 + 2900 - 105, ticked))).toMatchObject({
      code: 'LIKELY',
      explanation: { missing: [{ id: 'eyepiece 6 mm', count: 1 }] },
    })
  })
})

it('a set of which one part was ticked is hardly gone as a whole', () => {
  const bag = [line('screw', 14, { together: 'bag' }), line('knob', 15, { together: 'bag' }), line('plate', 29)]
  const chanceOf = (given: readonly WeighedLine[]) =>
    weighInInput({ lines: given, weighings: [], foreign: [] }).parts.map(
      ({ togetherChanceFraction }) => togetherChanceFraction,
    )
  expect(chanceOf(bag)).toEqual([0.02, 0.02, undefined])
  const ticked = bag.map((each) => (each.id === 'knob' ? { ...each, mark: 'present' as const } : each))
  expect(chanceOf(ticked)[0]).toBeLessThan(0.003)
})

describe('a weighing of the whole kit', () => {
  const taken = { group: '', measuredG: 10_000, containerG: 0, scaleStepG: 10 }
  const parts = [{ group: 'tray' }, { group: 'tripod' }]
  const baselines = [
    { group: 'tray', measuredG: 4001 },
    { group: 'tripod', measuredG: 5998 },
  ]
  it('is compared with its groups’ own complete weighings, if every part lies in one', () => {
    expect(weighingOf(taken, baselines, parts).baselineG).toBe(9999)
    expect(weighingOf(taken, baselines.slice(1), parts).baselineG).toBeUndefined()
    expect(weighingOf(taken, baselines, [...parts, { group: '' }]).baselineG).toBeUndefined()
  })
  it('and with its own before those', () => {
    expect(weighingOf(taken, [...baselines, { group: '', measuredG: 9990 }], parts).baselineG).toBe(9990)
  })
  it('shows a rod of 61 g that declared masses would hide', () => {
    const heavy = [
      line('rod', 61, { group: 'tray' }),
      line('counterweights', 3940, { group: 'tray', toleranceG: 60, lossChanceFraction: 0.001 }),
      line('tripod', 5998, { group: 'tripod', toleranceG: 80, lossChanceFraction: 0.001 }),
    ]
    const weighed = (known: typeof baselines) =>
      explainWeight(
        weighInInput({
          lines: heavy,
          weighings: [weighingOf({ ...taken, measuredG: 9940 }, known, heavy)],
          foreign: [],
        }),
      )
    expect(weightVerdict(weighed(baselines))).toMatchObject({
      code: 'LIKELY',
      explanation: { missing: [{ id: 'rod', count: 1 }] },
    })
    expect(weightVerdict(weighed([])).code).not.toBe('LIKELY')
  })
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
