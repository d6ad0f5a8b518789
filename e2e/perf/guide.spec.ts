import type { BrowserContext } from '@playwright/test'
import { expectPace, middle } from '../support/pace.ts'
import { expect, signIn, test } from '../support/people.ts'

test.use({ viewport: { width: 390, height: 844 }, trace: 'off', serviceWorkers: 'block' })

/** 1.6 Mbit/s and 150 ms there and back. */
const SLOW = { offline: false, latency: 150, downloadThroughput: 200_000, uploadThroughput: 94_000 }
const base = () => process.env.BASE_URL ?? ''

async function guidePathOf(context: BrowserContext): Promise<string> {
  await signIn(context, 'ines')
  const { loan } = (await (await context.request.get(`${base()}/api/kits/M-11`)).json()) as { loan: { id: string } }
  const renewed = await context.request.post(`${base()}/api/loans/${loan.id}/link`, { data: {} })
  return ((await renewed.json()) as { guidePath: string }).guidePath
}

test('on a slow line the first words of a guide are painted soon after any page’s, with little script', async ({
  browser,
  context,
}) => {
  const guidePath = await guidePathOf(context)
  const paintOf = async (path: string) => {
    const cold = await browser.newContext({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' })
    const phone = await cold.newPage()
    const line = await cold.newCDPSession(phone)
    await line.send('Network.enable')
    await line.send('Network.emulateNetworkConditions', SLOW)
    await phone.goto(base() + path)
    await phone.waitForFunction(() => performance.getEntriesByName('first-contentful-paint').length > 0)
    const seen = await phone.evaluate(() => ({
      paintMs: performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? Infinity,
      // Each file once: a preload and its use are two entries.
      scriptBytes: [
        ...new Map(
          (performance.getEntriesByType('resource') as PerformanceResourceTiming[])
            .filter(({ name }) => name.endsWith('.js'))
            .map(({ name, encodedBodySize }) => [name, encodedBodySize] as const),
        ),
      ].reduce((sum, [, bytes]) => sum + bytes, 0),
    }))
    await cold.close()
    return seen
  }
  const [guides, plain] = [[], []] as { paintMs: number; scriptBytes: number }[][]
  for (let tries = 0; tries < 3; tries++) {
    guides?.push(await paintOf(guidePath))
    // A few words as JSON, without style or script: what the line alone costs.
    plain?.push(await paintOf('/api/session'))
  }
  const best = (tries: { paintMs: number }[] = []) => Math.min(...tries.map(({ paintMs }) => paintMs))
  expectPace({
    what: 'first words of a guide at 1.6 Mbit/s',
    ms: best(guides),
    limitMs: 1500,
    yardstickMs: best(plain),
    usual: 3,
  })
  const scriptBytes = guides?.[0]?.scriptBytes ?? 0
  expect(scriptBytes).toBeGreaterThan(20_000)
  expect(scriptBytes).toBeLessThan(150_000)
})

test('a guide’s page is rendered at once', async ({ context }) => {
  const guidePath = await guidePathOf(context)
  const timeOf = async (path: string) => {
    const from = performance.now()
    expect((await context.request.get(base() + path)).status()).toBe(200)
    return performance.now() - from
  }
  const [guide, session]: [number[], number[]] = [[], []]
  for (let tries = 0; tries < 7; tries++) {
    guide.push(await timeOf(guidePath))
    session.push(await timeOf('/api/session'))
  }
  expectPace({
    what: 'a guide’s page rendered',
    ms: middle(guide),
    limitMs: 300,
    yardstickMs: middle(session),
    usual: 8,
  })
})
