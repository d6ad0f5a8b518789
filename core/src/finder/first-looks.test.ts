import { seeded } from '../shared/seeded.ts'
import { shareOfFirstLooks } from './first-looks.ts'

it.each([6, 15, 30])('a finder that is right, a hand of %d′: 1 − exp(−R²/2σ²) (Rayleigh)', (handArcmin) => {
  const share = shareOfFirstLooks({ misalignmentArcmin: 0, trueFieldDeg: 1, handArcmin })
  expect(share).toBeCloseTo(1 - Math.exp(-(30 ** 2) / (2 * handArcmin ** 2)), 2)
})

it.each([
  { misalignmentArcmin: 15, handArcmin: 6 },
  { misalignmentArcmin: 30, handArcmin: 6 },
  { misalignmentArcmin: 45, handArcmin: 20 },
  { misalignmentArcmin: 3, handArcmin: 40 },
])('off by $misalignmentArcmin′ with a hand of $handArcmin′, against 40,000 thrown looks', (given) => {
  const next = seeded(7)
  const gauss = () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next())
  let seen = 0
  for (let i = 0; i < 40_000; i++) {
    const [x, y] = [given.misalignmentArcmin + given.handArcmin * gauss(), given.handArcmin * gauss()]
    if (Math.hypot(x, y) < 30) seen++
  }
  expect(Math.abs(shareOfFirstLooks({ ...given, trueFieldDeg: 1 }) - seen / 40_000)).toBeLessThan(0.01)
})

it('the farther off, the fewer; never below nothing', () => {
  const at = (misalignmentArcmin: number) => shareOfFirstLooks({ misalignmentArcmin, trueFieldDeg: 1 })
  expect(at(10)).toBeGreaterThan(0.99)
  expect(at(30)).toBeGreaterThan(0.4)
  expect(at(30)).toBeLessThan(0.5)
  expect(at(90)).toBe(0)
  expect(() => at(-1)).toThrow('misalignmentArcmin')
})
