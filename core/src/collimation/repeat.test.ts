import { seeded } from '../shared/seeded.ts'
import { collimationRepeat } from './repeat.ts'

const normals = (seed: number) => {
  const next = seeded(seed)
  return () => Math.sqrt(-2 * Math.log(next() + 1e-12)) * Math.cos(2 * Math.PI * next())
}

describe('the interval is honest', () => {
  it('holds the true spread in about 90 of 100 made-up tests of five openings', () => {
    const draw = normals(3)
    let held = 0
    for (let i = 0; i < 600; i++) {
      const readings = Array.from({ length: 5 }, () => ({ x: 0.3 + 0.4 * draw(), y: 0.4 * draw() }))
      const { low, high } = collimationRepeat({ readings }).spreadMm
      if (low <= 0.4 && 0.4 <= high) held++
    }
    expect(held / 600).toBeGreaterThan(0.87)
    expect(held / 600).toBeLessThan(0.93)
  })

  // χ² with 8 degrees of freedom: 5 % point 2.733, 95 % point 15.507 [Abramowitz & Stegun, table 26.8].
  it('five readings: the table’s quantiles', () => {
    const readings = [-2, -1, 0, 1, 2].map((x) => ({ x, y: 0 }))
    const { value, low, high } = collimationRepeat({ readings }).spreadMm
    expect(value ** 2).toBeCloseTo(10 / 8, 9)
    expect(10 / low ** 2).toBeCloseTo(15.507, 2)
    expect(10 / high ** 2).toBeCloseTo(2.733, 2)
  })

  it('nine of ten openings of a tube without a mean stay within 2.146 spreads (Rayleigh)', () => {
    const readings = [
      { x: 1, y: 0 },
      { x: -1, y: 0 },
      { x: 0, y: 1 },
      { x: 0, y: -1 },
    ]
    const { nineOfTenMm, spreadMm } = collimationRepeat({ readings })
    expect(nineOfTenMm / spreadMm.value).toBeCloseTo(Math.sqrt(-2 * Math.log(0.1)), 2)
  })
})

describe('nine of ten openings about a mean', () => {
  /** Chance that a point, normal about (a, 0) with a spread of one, lies within r: its density summed over a fine grid of rings
   *  and directions, without Bessel's functions. */
  const chanceWithin = (r: number, a: number) => {
    const [rings, directions] = [400, 180]
    let sum = 0
    for (let i = 0; i < rings; i++)
      for (let k = 0; k < directions; k++) {
        const rho = ((i + 0.5) * r) / rings
        const [x, y] = [
          rho * Math.cos(((k + 0.5) * Math.PI) / directions),
          rho * Math.sin(((k + 0.5) * Math.PI) / directions),
        ]
        sum += (Math.exp(-((x - a) ** 2 + y ** 2) / 2) / Math.PI) * rho * (r / rings) * (Math.PI / directions)
      }
    return sum
  }
  it.each([0.5, 1, 1.5, 2, 2.5, 3, 4, 6])('a mean of %d spreads', (mean) => {
    const spread = Math.sqrt(4 / 6)
    const readings = [1, -1].flatMap((by) => [
      { x: mean * spread + by, y: 0 },
      { x: mean * spread, y: by },
    ])
    const { nineOfTenMm, spreadMm } = collimationRepeat({ readings })
    expect(spreadMm.value).toBeCloseTo(spread, 9)
    expect(chanceWithin(nineOfTenMm / spread, mean)).toBeCloseTo(0.9, 5)
  })
})

describe('verdicts', () => {
  const spreadOut = (by: number, count = 8) => {
    const draw = normals(11)
    return Array.from({ length: count }, () => ({ x: by * draw(), y: by * draw() }))
  }
  it.each([
    { what: 'a tenth of the limit', readings: spreadOut(0.13), verdict: 'holds' },
    { what: 'half the limit', readings: spreadOut(0.65), verdict: 'check-each-time' },
    { what: 'three times the limit', readings: spreadOut(4), verdict: 'mend' },
    {
      what: 'two readings that happen to agree well enough',
      readings: spreadOut(0.2, 2),
      verdict: 'check-each-time',
    },
  ])('$what: $verdict', ({ readings, verdict }) => {
    expect(collimationRepeat({ readings, limitMm: 1.33 }).verdict).toBe(verdict)
  })
  it('two openings never hold, however well they agree; three may', () => {
    const same = (count: number) => Array.from({ length: count }, () => ({ x: 0.1, y: 0 }))
    expect(collimationRepeat({ readings: same(2) }).verdict).toBe('check-each-time')
    expect(collimationRepeat({ readings: same(3) }).verdict).toBe('holds')
  })
  it('readings that are all the same spread by nothing', () => {
    const readings = [1, 2, 3].map(() => ({ x: 0.4, y: 0.3 }))
    const answer = collimationRepeat({ readings })
    expect(answer.spreadMm).toEqual({ value: 0, low: 0, high: 0 })
    expect(answer.nineOfTenMm).toBeCloseTo(0.5, 9)
  })
  it('one opening tells nothing', () =>
    expect(() => collimationRepeat({ readings: [{ x: 1, y: 1 }] })).toThrow('two'))
})
