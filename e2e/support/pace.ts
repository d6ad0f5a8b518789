import { expect, type Page } from '@playwright/test'

/** A plain sum that takes part of a millisecond: others at work on the machine slow it down as much as what is timed. */
declare global {
  interface Window {
    plainSumMs: () => number
  }
}

/** Puts the yardstick on the page: call it between what is timed, once for each time. */
export const bringYardstick = (page: Page): Promise<void> =>
  page.evaluate(() => {
    window.plainSumMs = () => {
      const fromMs = performance.now()
      let sum = 0
      for (let step = 0; step < 1_000_000; step++) sum += step % 7
      return sum > 0 ? performance.now() - fromMs : NaN
    }
  })

/** Time of the plain sum on this page now, ms: the middle of eleven. */
export async function yardstickMs(page: Page): Promise<number> {
  await bringYardstick(page)
  const times = await page.evaluate(() => Array.from({ length: 11 }, () => window.plainSumMs()))
  return middle(times)
}

export const middle = (times: readonly number[]): number =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? NaN
export const p95 = (times: readonly number[]): number =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length * 0.95)] ?? NaN

/** Room for what differs between two machines, and for what others do on one. */
const ROOM = 2

/** Prints a time beside its limit on a quiet machine; what fails is only its ratio to a yardstick of the same minute.
 * @param usual the ratio on a quiet machine; twice as much is allowed */
export function expectPace(given: {
  readonly what: string
  readonly ms: number
  readonly limitMs: number
  readonly yardstickMs: number
  readonly usual: number
}): void {
  const { what, ms, limitMs, usual } = given
  const ratio = ms / given.yardstickMs
  const times = `${ratio.toFixed(1)} times the yardstick of ${given.yardstickMs.toFixed(1)} ms`
  console.log(`${what}: ${ms.toFixed(1)} ms (${limitMs} ms on a quiet machine); ${times}, at most ${usual * ROOM}`)
  expect(ratio, `${what}: ${times}`).toBeLessThan(usual * ROOM)
}
