import { seeded } from '../../shared/seeded.ts'
import { fitCircle } from './circle-fit.ts'
import { fitEllipse } from './ellipse-fit.ts'

/** Points of an exact ellipse, from its equation: half axes a and b, turned by an angle, from one angle to another. */
function ellipse(given: {
  a: number
  b: number
  turnDeg: number
  fromDeg?: number
  toDeg?: number
  noisePx?: number
}) {
  const { a, b, turnDeg, fromDeg = 0, toDeg = 360, noisePx = 0 } = given
  const next = seeded(4)
  const turn = (turnDeg * Math.PI) / 180
  return Array.from({ length: 240 }, (_, i) => {
    const t = ((fromDeg + ((toDeg - fromDeg) * i) / 240) * Math.PI) / 180
    const grown = 1 + (noisePx * (next() + next() + next() - 1.5) * 2) / a
    const [u, v] = [a * grown * Math.cos(t), b * grown * Math.sin(t)]
    return {
      x: 500 + u * Math.cos(turn) - v * Math.sin(turn),
      y: 400 + u * Math.sin(turn) + v * Math.cos(turn),
      weight: 1,
    }
  })
}

it.each([0, 30, 75, 120])('finds the centre and half axes of a disc seen 8° askew, turned %d°', (turnDeg) => {
  const [a, b] = [300, 300 * Math.cos((8 * Math.PI) / 180)]
  const fit = fitEllipse(ellipse({ a, b, turnDeg }), { x: 502, y: 398, r: 301 }, 5)
  expect(fit).not.toBeNull()
  expect(Math.hypot((fit?.x ?? 0) - 500, (fit?.y ?? 0) - 400)).toBeLessThan(0.05)
  expect(fit?.r).toBeCloseTo((a + b) / 2, 0)
  expect(Math.hypot(fit?.along ?? 0, fit?.across ?? 0)).toBeCloseTo((a - b) / 2, 0)
  const widestDeg = (Math.atan2(fit?.across ?? 0, fit?.along ?? 0) / 2) * (180 / Math.PI)
  expect(Math.abs(((widestDeg - turnDeg + 270) % 180) - 90)).toBeLessThan(1)
})

it('with a quarter hidden its centre is nearer than a circle’s', () => {
  const points = ellipse({ a: 300, b: 290, turnDeg: 20, fromDeg: 40, toDeg: 310, noisePx: 0.5 })
  const start = { x: 500, y: 400, r: 296 }
  const off = (fit: { x: number; y: number } | null) => Math.hypot((fit?.x ?? 0) - 500, (fit?.y ?? 0) - 400)
  const round = off(fitCircle(points, start, { tolerancePx: 12 }))
  const flattened = off(fitEllipse(points, start, 12))
  expect(round).toBeGreaterThan(1)
  expect(flattened).toBeLessThan(round / 3)
})

it('a short arc stays round, and says how little it knows of its centre', () => {
  const short = fitEllipse(
    ellipse({ a: 300, b: 300, turnDeg: 0, fromDeg: 0, toDeg: 60, noisePx: 0.5 }),
    { x: 500, y: 400, r: 300 },
    5,
  )
  const whole = fitEllipse(ellipse({ a: 300, b: 300, turnDeg: 0, noisePx: 0.5 }), { x: 500, y: 400, r: 300 }, 5)
  expect(Math.hypot(short?.along ?? 9, short?.across ?? 9)).toBeLessThan(3.6)
  expect(short?.centreSigma).toBeGreaterThan(8 * (whole?.centreSigma ?? 1))
})

it('specks on the rim are left out; too few points give nothing', () => {
  const clean = ellipse({ a: 200, b: 198, turnDeg: 45 })
  const specks = Array.from({ length: 60 }, (_, i) => ({ x: 500 + 170 + (i % 9), y: 400 + i - 30, weight: 1 }))
  const fit = fitEllipse([...clean, ...specks], { x: 501, y: 401, r: 199 }, 6)
  expect(Math.hypot((fit?.x ?? 0) - 500, (fit?.y ?? 0) - 400)).toBeLessThan(0.3)
  expect(fitEllipse(clean.slice(0, 5), { x: 500, y: 400, r: 199 }, 6)).toBeNull()
})
