import { jest } from '@jest/globals'
import { effectScope } from 'vue'
import { alongOneAxis, useShake } from './use-shake.ts'

/** A window whose motion sensor says what a test wants. */
class FakeTablet extends EventTarget {
  constructor(readonly DeviceMotionEvent: unknown) {
    super()
  }
  moves(y: number, gravity = false) {
    const vector = { x: 0.01, y, z: 0 }
    const motion = gravity
      ? { acceleration: { x: null, y: null, z: null }, accelerationIncludingGravity: { ...vector, z: 9.81 } }
      : { acceleration: vector, accelerationIncludingGravity: null }
    this.dispatchEvent(Object.assign(new Event('devicemotion'), motion))
  }
}
const shaking = (tablet: FakeTablet) => {
  const made = effectScope().run(() => useShake(tablet as unknown as Window))
  if (!made) throw new Error('no scope')
  return made
}
beforeEach(() => jest.useFakeTimers({ doNotFake: ['queueMicrotask', 'nextTick'] }))
afterEach(() => jest.useRealTimers())

/** Sixty readings a second of a swing of 3 Hz that is still after some two seconds. */
function tap(tablet: FakeTablet, { seconds = 5, gravity = false } = {}) {
  for (let i = 0; i < seconds * 60; i++) {
    const t = i / 60 - 0.4
    tablet.moves(t < 0 ? 0.002 : 1.2 * Math.exp(-1.5 * t) * Math.cos(2 * Math.PI * 3 * t), gravity)
    jest.advanceTimersByTime(1000 / 60)
  }
}

it.each([false, true])('a tap is told by itself once the tube is still; gravity in it: %s', async (gravity) => {
  const tablet = new FakeTablet({})
  const { told, listening, start } = shaking(tablet)
  await start()
  tap(tablet, { gravity })
  expect(listening.value).toBe(false)
  expect(told.value?.refused).toBeNull()
  expect(told.value?.frequencyHz).toBeCloseTo(3, 1)
  expect(told.value?.settleS).toBeCloseTo(Math.log(20) / 1.5, 0)
})

it('a tablet that nobody taps says so in the end', async () => {
  const tablet = new FakeTablet({})
  const { told, start } = shaking(tablet)
  await start()
  for (let i = 0; i < 9 * 60; i++) {
    tablet.moves(0.004 * Math.sin(i))
    jest.advanceTimersByTime(1000 / 60)
  }
  expect(told.value?.refused).toBe('no-tap')
})

it('without a sensor there is the stopwatch; a sensor that may not be read says so', async () => {
  expect(shaking(new FakeTablet(undefined)).available).toBe(false)
  const { refused, listening, start } = shaking(new FakeTablet({ requestPermission: async () => 'denied' }))
  await start()
  expect([refused.value, listening.value]).toEqual([true, false])
})

it('the axis that moves most speaks, about its own mean', () => {
  const samples = [0, 1, 2, 3].map((i) => ({ tS: i, axes: [0.1 * (i % 2), 5 + (i % 2), 9.8] as const }))
  expect(alongOneAxis(samples).map(({ accelMps2 }) => accelMps2)).toEqual([-0.5, 0.5, -0.5, 0.5])
})
