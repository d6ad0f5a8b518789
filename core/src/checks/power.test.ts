import { chargeLeft, chemistries, powerVerdict, usualPower } from './power.ts'

const volts = (each: number, chemistry: (typeof chemistries)[number] = 'alkaline', cellCount = 8) =>
  chargeLeft({ way: 'volts', volts: each * cellCount }, { chemistry, cellCount })

describe('what is left', () => {
  it('a gauge says it in its own steps', () => {
    const of = { chemistry: 'lead', cellCount: 6 } as const
    expect(chargeLeft({ way: 'gauge', step: 3, of: 4 }, of)).toBe(0.75)
    expect(() => chargeLeft({ way: 'gauge', step: 5, of: 4 }, of)).toThrow(RangeError)
  })
  it.each(chemistries)('%s: less volts never mean more charge, full is 1 and empty is 0', (chemistry) => {
    const { cellCount } = usualPower[chemistry]
    const range = {
      alkaline: [0.6, 1.68],
      'nickel-metal-hydride': [0.6, 1.5],
      lead: [1.5, 2.45],
      'lithium-iron': [2, 3.65],
    }
    const [least = 0, most = 0] = range[chemistry]
    const shares = Array.from({ length: 101 }, (_each, index) =>
      volts(Math.min(most - 1e-9, least + 1e-9 + (index * (most - least)) / 100), chemistry, cellCount),
    )
    expect(shares[0]).toBe(0)
    expect(shares.at(-1)).toBe(1)
    shares.slice(1).forEach((share, index) => expect(share).toBeGreaterThanOrEqual(shares[index] ?? 0))
  })
  it('a 12 V lead pack at 12.1 V has two fifths left, near half', () => {
    expect(chargeLeft({ way: 'volts', volts: 12.1 }, { chemistry: 'lead', cellCount: 6 })).toBeCloseTo(0.43, 1)
  })
  // Ends of charge and of discharge that makers give for such cells: common practice, no source.
  it.each([
    { chemistry: 'alkaline', least: 0.6, most: 1.68 },
    { chemistry: 'lithium-iron', least: 2, most: 3.65 },
    { chemistry: 'lead', least: 1.5, most: 2.45 },
  ] as const)('a cell of $chemistry has $least to $most volts', ({ chemistry, least, most }) => {
    for (const each of [least, most]) expect(() => volts(each, chemistry, 1)).not.toThrow()
    for (const each of [least - 0.01, most + 0.01]) expect(() => volts(each, chemistry, 1)).toThrow('kind of cells')
  })
  it('volts of another kind of cell, or of another number, are refused by what to look at', () => {
    expect(() => volts(2.1, 'alkaline')).toThrow('kind of cells and how many')
    expect(() => chargeLeft({ way: 'volts', volts: 12.6 }, { chemistry: 'lithium-iron', cellCount: 8 })).toThrow(
      'no lithium-iron cell',
    )
  })
})

describe('how long it runs', () => {
  const need = { capacityAh: 7, drawA: 0.35, neededHours: 6 }
  it('a full pack of 7 Ah at 0.35 A runs 16 h, by four fifths of its label', () => {
    expect(powerVerdict(1, need).hours).toBeCloseTo(16, 9)
    expect(powerVerdict(1, need)).toMatchObject({ isEnough: true, lackHours: 0 })
  })
  it('a quarter of it lacks two hours', () => {
    const { hours, isEnough, lackHours } = powerVerdict(0.25, need)
    expect(hours).toBeCloseTo(4, 9)
    expect(isEnough).toBe(false)
    expect(lackHours).toBeCloseTo(2, 9)
  })
  it('refuses figures that can’t be', () => {
    expect(() => powerVerdict(1, { ...need, drawA: 0 })).toThrow(RangeError)
    expect(() => powerVerdict(1.2, need)).toThrow(RangeError)
  })
})
