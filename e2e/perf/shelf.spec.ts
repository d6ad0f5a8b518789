import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import type { Browser } from '@playwright/test'
import { bringYardstick, expectPace, middle } from '../support/pace.ts'
import { expect, test } from '../support/people.ts'
import { makeDemo, startOn, type RunningServer } from '../support/server.ts'

const KITS = 1000
const OPENINGS = 5
const STEPS = 20
/** A shelf of a thousand may take so many times as long as the demo's. */
const MOST_GROWTH = 1.5

test.use({ trace: 'off' })

/** A page of somebody who opens the Shelf for the first time, with the time until its rows were on the screen. */
async function opened(browser: Browser, { base, signInsPath }: RunningServer) {
  const context = await browser.newContext({ baseURL: base })
  const people = JSON.parse(readFileSync(signInsPath, 'utf8')) as { email: string; password: string }[]
  const data = people.find(({ email }) => email.startsWith('ines'))
  expect((await context.request.post('/api/session', { data })).ok()).toBe(true)
  const page = await context.newPage()
  await page.addInitScript(() => {
    const look = () => {
      if (!document.querySelector('[data-code]')) return requestAnimationFrame(look)
      // The frame after the one in which the rows are there: they are on the screen now.
      requestAnimationFrame(() => Object.assign(window, { rowsMs: performance.now() }))
    }
    requestAnimationFrame(look)
  })
  await page.goto('/shelf')
  await page.waitForFunction(() => 'rowsMs' in window)
  const ms = await page.evaluate(() => (window as unknown as { rowsMs: number }).rowsMs)
  return { context, page, ms }
}

test('a shelf of a thousand kits is there as soon as the demo’s, and the arrow keys go through it', async ({
  browser,
}) => {
  test.slow()
  const small = await startOn(await makeDemo())
  const other = await makeDemo()
  execFileSync(process.execPath, [fileURLToPath(new URL('../../perf/add-kits.mjs', import.meta.url))], {
    env: { ...process.env, DATABASE_URL: other.ownerUrl, PERF_KITS: String(KITS) },
  })
  const large = await startOn(other)
  try {
    // One after the other in turn: what else the machine does meets both.
    const times: Record<'small' | 'large', number[]> = { small: [], large: [] }
    for (let opening = 0; opening <= OPENINGS; opening++)
      for (const [name, server] of [
        ['small', small],
        ['large', large],
      ] as const) {
        const { context, ms } = await opened(browser, server)
        // The first is the server's own beginning.
        if (opening > 0) times[name].push(ms)
        await context.close()
      }
    const [ofSmall, ofLarge] = [middle(times.small), middle(times.large)]
    const growth = ofLarge / ofSmall
    console.log(
      `shelf of ${KITS} kits: rows after ${ofLarge.toFixed(0)} ms, the demo’s after ${ofSmall.toFixed(0)} ms; ${growth.toFixed(2)} times, at most ${MOST_GROWTH}`,
    )
    expect(growth).toBeLessThan(MOST_GROWTH)

    const { context, page } = await opened(browser, large)
    await bringYardstick(page)
    await page.evaluate(() => {
      const [stepMs, sumMs]: [number[], number[]] = [[], []]
      Object.assign(window, { stepMs, sumMs })
      document.addEventListener(
        'keydown',
        () => {
          sumMs.push(window.plainSumMs())
          const began = performance.now()
          const watch = new MutationObserver(() => {
            watch.disconnect()
            stepMs.push(performance.now() - began)
          })
          watch.observe(document.querySelector('main')!, {
            subtree: true,
            attributes: true,
            attributeFilter: ['class'],
          })
        },
        { capture: true },
      )
    })
    for (let step = 0; step < STEPS; step++) {
      await page.keyboard.press('ArrowDown')
      await page.waitForTimeout(80)
    }
    const { stepMs, sumMs } = await page.evaluate(() => {
      const { stepMs, sumMs } = window as unknown as { stepMs: number[]; sumMs: number[] }
      return { stepMs, sumMs }
    })
    expect(stepMs).toHaveLength(STEPS)
    expectPace({
      what: `arrow down on a shelf of ${KITS} kits`,
      ms: middle(stepMs),
      limitMs: 50,
      yardstickMs: middle(sumMs),
      usual: 10,
    })
    await context.close()
  } finally {
    await small.stop()
    await large.stop()
  }
})
