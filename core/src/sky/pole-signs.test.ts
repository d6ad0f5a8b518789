import { separationDeg } from './horizontal.ts'
import { brightStars, polaris } from './stars.ts'

/** On the sphere as on the horizon: the same arc between two places. */
const angularDistanceDeg = (a: Place, b: Place) => separationDeg(onSphere(a), onSphere(b))
interface Place {
  readonly raJ2000Deg: number
  readonly decJ2000Deg: number
}
const onSphere = ({ raJ2000Deg, decJ2000Deg }: Place) => ({ azimuthDeg: raJ2000Deg, altitudeDeg: decJ2000Deg })

/** What guides say of the signs that lead to a pole, against the catalogue's places. */
const named = (name: string) => {
  const found = brightStars.find((star) => star.name === name)
  if (!found) throw new Error(`no ${name}`)
  return found
}

test('the Plough’s two last stars point to the pole star, about five times their own gap away', () => {
  const [merak, dubhe] = [named('Merak'), named('Dubhe')]
  const gap = angularDistanceDeg(merak, dubhe)
  const far = angularDistanceDeg(dubhe, polaris)
  expect(far / gap).toBeGreaterThan(4.8)
  expect(far / gap).toBeLessThan(5.6)
  // In line: the way over Dubhe is hardly longer than the straight one.
  expect(gap + far - angularDistanceDeg(merak, polaris)).toBeLessThan(0.4)
})

test('the Southern Cross’s long bar points to the pole, four and a half times its own length on', () => {
  const [gacrux, acrux] = [named('Gacrux'), named('Acrux')]
  const pole = { raJ2000Deg: 0, decJ2000Deg: -90 }
  const bar = angularDistanceDeg(gacrux, acrux)
  const far = angularDistanceDeg(acrux, pole)
  expect(far / bar).toBeGreaterThan(4.2)
  expect(far / bar).toBeLessThan(4.8)
  expect(bar + far - angularDistanceDeg(gacrux, pole)).toBeLessThan(0.4)
})
