import { expect, signIn, test } from '../support/people.ts'

test.use({ viewport: { width: 390, height: 844 }, trace: 'off', serviceWorkers: 'block' })

/** 1.6 Mbit/s and 150 ms there and back. */
const SLOW = { offline: false, latency: 150, downloadThroughput: 200_000, uploadThroughput: 94_000 }

test('at 1.6 Mbit/s and 150 ms the first words are painted within 1.5 s, with under 150 kB of script', async ({
  browser,
  context,
}) => {
  await signIn(context, 'ines')
  const base = process.env.BASE_URL ?? ''
  const { loan } = (await (await context.request.get(`${base}/api/kits/M-11`)).json()) as { loan: { id: string } }
  const renewed = await context.request.post(`${base}/api/loans/${loan.id}/link`, { data: {} })
  const { guidePath } = (await renewed.json()) as { guidePath: string }
  const painted: number[] = []
  let scriptBytes = 0
  for (let tries = 0; tries < 3; tries++) {
    const cold = await browser.newContext({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' })
    const phone = await cold.newPage()
    const line = await cold.newCDPSession(phone)
    await line.send('Network.enable')
    await line.send('Network.emulateNetworkConditions', SLOW)
    await phone.goto(`${base}${guidePath}`)
    await expect(phone.locator('main.guide.lives')).toBeVisible()
    const { paint, scripts } = await phone.evaluate(() => ({
      paint: performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? Infinity,
      // Each file once: a preload and its use are two entries.
      scripts: [
        ...new Map(
          (performance.getEntriesByType('resource') as PerformanceResourceTiming[])
            .filter(({ name }) => name.endsWith('.js'))
            .map(({ name, encodedBodySize }) => [name, encodedBodySize] as const),
        ),
      ].reduce((sum, [, bytes]) => sum + bytes, 0),
    }))
    painted.push(paint)
    scriptBytes = scripts
    await cold.close()
  }
  expect(Math.min(...painted)).toBeLessThan(1500)
  expect(scriptBytes).toBeGreaterThan(20_000)
  expect(scriptBytes).toBeLessThan(150_000)
})

test('a guide’s page is rendered in under 300 ms', async ({ context }) => {
  await signIn(context, 'ines')
  const base = process.env.BASE_URL ?? ''
  const { loan } = (await (await context.request.get(`${base}/api/kits/M-11`)).json()) as { loan: { id: string } }
  const renewed = await context.request.post(`${base}/api/loans/${loan.id}/link`, { data: {} })
  const { guidePath } = (await renewed.json()) as { guidePath: string }
  const times: number[] = []
  for (let tries = 0; tries < 4; tries++) {
    const from = performance.now()
    expect((await context.request.get(`${base}${guidePath}`)).status()).toBe(200)
    times.push(performance.now() - from)
  }
  expect(Math.min(...times)).toBeLessThan(300)
})
