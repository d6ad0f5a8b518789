import { dotBattery } from './battery.ts'

/** 220 mAh at 2 mA are 110 hours; a loan burns six of them. */
const after = (loans: number) => dotBattery({ cell: 'CR2032', brightness: 'middling', loans })

it('a cell lasts as long as its charge, and each loan burns some hours', () => {
  expect(after(0)).toEqual({ hoursInAll: 110, hoursLeft: 110, change: false })
  expect(after(5).hoursLeft).toBe(80)
  expect(after(40).hoursLeft).toBe(0)
})
it('is changed when less than a quarter is left, not before', () => {
  // 27.5 hours are a quarter.
  const left = (hours: number) =>
    dotBattery({ cell: 'CR2032', brightness: 'middling', loans: 1, hoursPerLoan: 110 - hours })
  expect(left(27.5).change).toBe(false)
  expect(left(27.4).change).toBe(true)
  expect([after(13).change, after(14).change]).toEqual([false, true])
})
it('a bright dot eats faster, a small cell holds less, an unknown one a usual charge', () => {
  expect(dotBattery({ cell: 'cr2016', brightness: 'bright', loans: 0 }).hoursInAll).toBe(18)
  expect(dotBattery({ cell: 'XY', brightness: 'bright', loans: 0 }).hoursInAll).toBe(40)
  expect(() => after(-1)).toThrow('loans')
})
