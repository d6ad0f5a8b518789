import fc from 'fast-check'
import { headMomentGmm, mountBalance, type BalanceInput } from './balance.ts'

const set = (rest: Partial<BalanceInput> = {}): BalanceInput => ({
  counterweights: [{ massG: 2000 }],
  shaft: { minMm: 80, maxMm: 300 },
  tubeSide: [{ massG: 3000, distanceMm: 160 }],
  ...rest,
})

describe('lever law, worked by hand', () => {
  it.each([
    // 3000·160 ÷ 2000 = 240.
    { what: 'tube alone', input: set(), positionMm: 240 },
    // (3000·160 + 100·300) ÷ 2000 = 255.
    {
      what: 'an eyepiece further out',
      input: set({
        tubeSide: [
          { massG: 3000, distanceMm: 160 },
          { massG: 100, distanceMm: 300 },
        ],
      }),
      positionMm: 255,
    },
    // Two weights in one stack: 480,000 ÷ 3000 = 160.
    { what: 'two weights', input: set({ counterweights: [{ massG: 2000 }, { massG: 1000 }] }), positionMm: 160 },
    // The shaft holds up 400·200 = 80,000 of 480,000: 400,000 ÷ 2000 = 200.
    {
      what: 'a heavy shaft',
      input: set({ shaft: { minMm: 80, maxMm: 300, massG: 400, centreMm: 200 } }),
      positionMm: 200,
    },
    // The middle of 80…300 is 190: (480,000 − 400·190) ÷ 2000 = 202.
    {
      what: 'a shaft of unknown middle',
      input: set({ shaft: { minMm: 80, maxMm: 300, massG: 400 } }),
      positionMm: 202,
    },
    // The head pulls on the weight's side: (480,000 − 60,000) ÷ 2000 = 210.
    { what: 'the head’s own moment', input: set({ headMomentGmm: -60_000 }), positionMm: 210 },
  ])('$what', ({ input, positionMm }) => {
    expect(mountBalance(input)).toMatchObject({ possible: true, reason: 'balanced', extraMassG: 0 })
    expect(mountBalance(input).positionMm).toBeCloseTo(positionMm, 9)
  })

  it('says how much is missing at the end of the shaft', () => {
    // 4500·160 = 720,000 needs 2400 g at 300 mm; 2000 are there.
    const answer = mountBalance(set({ tubeSide: [{ massG: 4500, distanceMm: 160 }] }))
    expect(answer).toMatchObject({ possible: false, reason: 'too-light', positionMm: null, tubeSideExtraMassG: 0 })
    expect(answer.extraMassG).toBeCloseTo(400, 9)
  })

  it('says what the tube lacks where the weight is too heavy', () => {
    // 2000·80 = 160,000; the tube gives 750·160 = 120,000: 40,000 ÷ 160 = 250 g.
    const answer = mountBalance(set({ tubeSide: [{ massG: 750, distanceMm: 160 }] }))
    expect(answer).toMatchObject({ possible: false, reason: 'too-heavy', extraMassG: 0, distanceMm: 160 })
    expect(answer.tubeSideExtraMassG).toBeCloseTo(250, 9)
  })

  it('slack: independent uncertainties over the stack', () => {
    // √((50·160)² + (10·300)²) ÷ 2000 = 8544 ÷ 2000.
    const tubeSide = [
      { massG: 3000, distanceMm: 160, massUncertaintyG: 50 },
      { massG: 100, distanceMm: 300, massUncertaintyG: 10 },
    ]
    expect(mountBalance(set({ tubeSide })).slackMm).toBeCloseTo(8544.0037 / 2000, 6)
  })
})

const mass = fc.double({ min: 50, max: 8000, noNaN: true })
const distance = fc.double({ min: 10, max: 400, noNaN: true })
const anySet = fc.record({
  counterweights: fc.array(fc.record({ massG: mass }), { minLength: 1, maxLength: 3 }),
  shaft: fc.constant({ minMm: 0.001, maxMm: 1e9, massG: 300, centreMm: 150 }),
  tubeSide: fc.array(fc.record({ massG: mass, distanceMm: distance }), { minLength: 1, maxLength: 5 }),
  headMomentGmm: fc.double({ min: -50_000, max: 50_000, noNaN: true }),
})

it('adding mass to the tube moves the weight outwards', () => {
  fc.assert(
    fc.property(anySet, mass, distance, (input, massG, distanceMm) => {
      const before = mountBalance(input)
      const after = mountBalance({ ...input, tubeSide: [...input.tubeSide, { massG, distanceMm }] })
      fc.pre(before.positionMm !== null)
      expect(after.positionMm ?? Infinity).toBeGreaterThan(before.positionMm ?? 0)
    }),
  )
})

it('a balanced set stays balanced when every mass is scaled', () => {
  fc.assert(
    fc.property(anySet, fc.double({ min: 0.2, max: 5, noNaN: true }), (input, by) => {
      const scaled = {
        counterweights: input.counterweights.map(({ massG }) => ({ massG: massG * by })),
        shaft: { ...input.shaft, massG: input.shaft.massG * by },
        tubeSide: input.tubeSide.map((each) => ({ ...each, massG: each.massG * by })),
        headMomentGmm: input.headMomentGmm * by,
      }
      const [one, other] = [mountBalance(input), mountBalance(scaled)]
      fc.pre(one.positionMm !== null)
      expect(Math.abs((other.positionMm ?? 0) / (one.positionMm ?? 1) - 1)).toBeLessThan(1e-9)
    }),
  )
})

it('the moment learnt from a balanced position gives that position again', () => {
  fc.assert(
    fc.property(anySet, (input) => {
      const { positionMm } = mountBalance(input)
      fc.pre(positionMm !== null)
      const learnt = headMomentGmm({ ...input, positionMm: positionMm ?? 0 })
      expect(Math.abs(learnt - input.headMomentGmm)).toBeLessThan(1e-3)
    }),
  )
})

it('with what it calls missing, it balances at the very end', () => {
  const short = set({ tubeSide: [{ massG: 5000, distanceMm: 170 }] })
  const { extraMassG } = mountBalance(short)
  const helped = mountBalance({ ...short, counterweights: [...short.counterweights, { massG: extraMassG + 1e-6 }] })
  expect(helped.positionMm).toBeCloseTo(300, 3)
})

it.each([
  { what: 'no weight', input: set({ counterweights: [] }), names: 'counterweights' },
  { what: 'a weight of 0 g', input: set({ counterweights: [{ massG: 0 }] }), names: 'counterweights.0.massG' },
  { what: 'min above max', input: set({ shaft: { minMm: 310, maxMm: 300 } }), names: 'shaft.minMm' },
  {
    what: 'a negative distance',
    input: set({ tubeSide: [{ massG: 1, distanceMm: -1 }] }),
    names: 'tubeSide.0.distanceMm',
  },
  { what: 'no number', input: set({ headMomentGmm: NaN }), names: 'headMomentGmm' },
])('refuses $what by name', ({ input, names }) => {
  expect(() => mountBalance(input)).toThrow(names)
  expect(() => mountBalance(input)).toThrow(RangeError)
})
