import { seeded } from '../shared/seeded.ts'
import { chanceBeyond, forecastDrift, spreadFrom, type DriftPair } from './forecast.ts'

/** Two independent normal numbers [Box and Muller 1958]. */
function normalPair(random: () => number): { x: number; y: number } {
  const radius = Math.sqrt(-2 * Math.log(1 - random()))
  const angle = 2 * Math.PI * random()
  return { x: radius * Math.cos(angle), y: radius * Math.sin(angle) }
}

const centre = { x: 0, y: 0 }
const known = (sigmaMm: number) => ({ sigmaMm, weight: 1e7 })
const chance = (input: Parameters<typeof forecastDrift>[0]) => forecastDrift(input).chanceBeyondLimit

describe('a spread that is known', () => {
  // Rayleigh's quantiles: r = σ·√(−2·ln p) [standard tables: 1.1774 for 50 %, 2.1460 for 10 %, 3.0349 for 1 %].
  it.each([
    [1.1774, 0.5],
    [2.146, 0.1],
    [3.0349, 0.01],
  ])('passes %d σ with chance %d', (limitMm, expected) => {
    const now = { asLeftMm: centre, loansSince: 0 }
    expect(chance({ history: [], now, limitMm, prior: known(1) })).toBeCloseTo(expected, 4)
    // Three loans more spread as one of √3 times the width.
    const later = { asLeftMm: centre, loansSince: 2 }
    expect(chance({ history: [], now: later, limitMm: limitMm * Math.sqrt(3), prior: known(1) })).toBeCloseTo(
      expected,
      4,
    )
  })
  it('begun off the middle is Rice’s distribution', () => {
    // Marcum Q1(1, 2) = 0.26901206, Q1(2, 1) = 0.91810770, worked out here by the series of Bessel functions.
    const marcum = (a: number, b: number) => {
      let sum = 0
      for (let k = 0; k < 60; k++) {
        let inner = 0
        let term = 1
        for (let j = 0; j <= k; j++) {
          inner += term
          term *= b ** 2 / 2 / (j + 1)
        }
        let weight = 1
        for (let j = 1; j <= k; j++) weight *= a ** 2 / 2 / j
        sum += weight * inner
      }
      return Math.exp(-(a ** 2 + b ** 2) / 2) * sum
    }
    for (const [m, limitMm] of [
      [1, 2],
      [2, 1],
      [0.3, 1.5],
    ] as const)
      expect(
        chance({ history: [], now: { asLeftMm: { x: 0, y: m }, loansSince: 0 }, limitMm, prior: known(1) }),
      ).toBeCloseTo(marcum(m, limitMm), 4)
  })
})

it('what it says happens as often as it says', () => {
  const random = seeded(11)
  const cases = 10_000
  const tenths = Array.from({ length: 10 }, () => ({ said: 0, happened: 0, cases: 0 }))
  for (let index = 0; index < cases; index++) {
    // A kit of a model whose spreads are inverse gamma: the truth is drawn from the prior itself.
    const weight = 4
    const sigma0 = 0.4
    let gamma = 0
    for (let k = 0; k < weight; k++) gamma -= Math.log(1 - random())
    const sigma = Math.sqrt((weight * sigma0 ** 2) / gamma)
    const step = (from: { x: number; y: number }, loans: number) => {
      const { x, y } = normalPair(random)
      const spread = sigma * Math.sqrt(loans)
      return { x: from.x + x * spread, y: from.y + y * spread }
    }
    const history = Array.from({ length: Math.floor(random() * 6) }, (): DriftPair => {
      const loans = 1 + Math.floor(random() * 3)
      const left = { x: random() * 0.3, y: random() * 0.3 }
      return { asLeftMm: left, asFoundMm: step(left, loans), loans }
    })
    const left = { x: random() * 0.4, y: 0 }
    const loansSince = Math.floor(random() * 3)
    const limitMm = 0.3 + random() * 1.2
    const { shape, scale } = spreadFrom(history, { sigmaMm: sigma0, weight })
    const said = chanceBeyond(left.x, limitMm, { shape, scale: scale * (loansSince + 1) })
    const { x, y } = step(left, loansSince + 1)
    const tenth = tenths[Math.min(9, Math.floor(said * 10))]
    if (!tenth) throw new Error('no such tenth')
    tenth.said += said
    tenth.happened += Number(Math.hypot(x, y) > limitMm)
    tenth.cases++
  }
  for (const { said, happened, cases: n } of tenths) {
    expect(n).toBeGreaterThan(100)
    // Three spreads of a share, and two of a hundred at least: 20 % stated happen 18 to 22 % of the time.
    const share = said / n
    const doubt = Math.max(0.02, 3 * Math.sqrt((share * (1 - share)) / n))
    expect(Math.abs(happened / n - share)).toBeLessThan(doubt)
  }
})

describe('a kit’s own history', () => {
  const now = { asLeftMm: { x: 0.1, y: 0 }, loansSince: 0 }
  const pair = (size: number): DriftPair => ({ asLeftMm: centre, asFoundMm: { x: size, y: 0 } })
  it('takes the model’s over as it grows', () => {
    const prior = { sigmaMm: 0.2, weight: 4 }
    const after = (n: number) =>
      forecastDrift({ history: Array.from({ length: n }, () => pair(1)), now, limitMm: 0.7, prior })
    const sigmas = [0, 1, 4, 16, 400].map((n) => after(n).sigmaPerLoanMm ?? 0)
    expect(sigmas).toEqual([...sigmas].sort((a, b) => a - b))
    expect(sigmas[0]).toBeCloseTo(0.2)
    expect(sigmas[4]).toBeCloseTo(Math.SQRT1_2, 1)
    expect([0, 1].map((n) => after(n).basis.kind)).toEqual(['model', 'both'])
  })
  it('that isn’t there says nothing', () => {
    expect(forecastDrift({ history: [], now, limitMm: 0.7 })).toMatchObject({
      ...{ chanceBeyondLimit: null, expectedMm: null, sigmaPerLoanMm: null, loansUntilDue: null },
      basis: { kind: 'none', pairs: 0 },
    })
  })
  it('of one pair alone says little: it may be anything', () => {
    const one = forecastDrift({ history: [pair(0.4)], now, limitMm: 1.5 })
    const many = forecastDrift({ history: Array.from({ length: 30 }, () => pair(0.4)), now, limitMm: 1.5 })
    expect(one.chanceBeyondLimit).toBeGreaterThan((many.chanceBeyondLimit ?? 1) * 5)
  })
  it('of lengths alone takes the change as it is on average', () => {
    const lengths = { asLeftMm: { lengthMm: 0.3 }, asFoundMm: { lengthMm: 0.4 } }
    const square = { asLeftMm: { x: 0, y: 0.3 }, asFoundMm: { x: 0.4, y: 0 } }
    const of = (each: DriftPair) => forecastDrift({ history: [each, each], now, limitMm: 1 })
    expect(of(lengths).sigmaPerLoanMm).toBeCloseTo(of(square).sigmaPerLoanMm ?? 0)
    expect(of(lengths).basis.lengthsOnly).toBe(2)
  })
  it('says after how many loans a look is due', () => {
    const at = (dueChance?: number) =>
      forecastDrift({
        history: [],
        now: { asLeftMm: centre, loansSince: 0 },
        limitMm: 1,
        prior: known(0.5),
        dueChance,
      })
    // exp(−1/(2·n·0.25)) reaches a third at n = 2/ln 3 = 1.8.
    expect(at().loansUntilDue).toBe(2)
    expect(at(0.1).loansUntilDue).toBe(1)
    expect(at(0.99).loansUntilDue).toBeNull()
  })
  it('expects more the longer nobody looks', () => {
    const after = (loansSince: number) =>
      forecastDrift({ history: [], now: { asLeftMm: centre, loansSince }, limitMm: 1, prior: known(0.4) }).expectedMm
    // The mean of a Rayleigh distribution is σ·√(π/2).
    expect(after(0)).toBeCloseTo(0.4 * Math.sqrt(Math.PI / 2), 2)
    expect(after(3)).toBeCloseTo(0.8 * Math.sqrt(Math.PI / 2), 2)
  })
})

it.each([
  ['no limit', { limitMm: 0 }],
  ['a pair without a loan', { history: [{ asLeftMm: centre, asFoundMm: centre, loans: 0 }] }],
  ['half a loan since', { now: { asLeftMm: centre, loansSince: 0.5 } }],
  ['a prior without spread', { prior: { sigmaMm: 0, weight: 2 } }],
  ['a chance of one', { dueChance: 1 }],
])('refuses %s', (_words, part) => {
  expect(() => forecastDrift({ history: [], now: { asLeftMm: centre, loansSince: 0 }, limitMm: 1, ...part })).toThrow(
    RangeError,
  )
})
