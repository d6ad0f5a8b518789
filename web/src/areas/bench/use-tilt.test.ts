import { effectScope } from 'vue'
import { useTilt } from './use-tilt.ts'

/** A window whose sensors say what a test wants. */
class FakeTablet extends EventTarget {
  constructor(readonly DeviceOrientationEvent: unknown) {
    super()
  }
  lies(beta: number | null, gamma: number | null) {
    this.dispatchEvent(Object.assign(new Event('deviceorientation'), { beta, gamma }))
  }
}
const inScope = <T>(make: () => T): T => {
  const made = effectScope().run(make)
  if (made === undefined) throw new Error('no scope')
  return made
}
const tilting = (tablet: FakeTablet) => inScope(() => useTilt(tablet as unknown as Window))

it('reads nothing before it is asked to, and the tilt afterwards', async () => {
  const tablet = new FakeTablet({})
  const { available, tilt, start } = tilting(tablet)
  tablet.lies(3, 0)
  expect([available, tilt.value]).toEqual([true, null])
  await start()
  tablet.lies(0, -0.4)
  expect(tilt.value).toBeCloseTo(0.4, 9)
  // A sensor that has nothing to say changes nothing.
  tablet.lies(null, null)
  expect(tilt.value).toBeCloseTo(0.4, 9)
})

it.each([
  { what: 'refused', ask: () => Promise.resolve('denied') },
  { what: 'broken off', ask: () => Promise.reject(new Error('no gesture')) },
])('permission $what: it says so and reads nothing', async ({ ask }) => {
  const tablet = new FakeTablet({ requestPermission: ask })
  const { tilt, refused, running, start } = tilting(tablet)
  await start()
  tablet.lies(5, 0)
  expect([refused.value, running.value, tilt.value]).toEqual([true, false, null])
})

it('without sensors it isn’t offered', () => {
  expect(tilting(new FakeTablet(undefined)).available).toBe(false)
})
