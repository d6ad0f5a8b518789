import { randomUUID } from 'node:crypto'
import { defineConfig } from '@playwright/test'

/** Workers inherit it: one run has one filled database that its servers' are copied from. */
process.env.E2E_RUN ??= randomUUID()

/** The network is closed and nothing but this machine is asked. */
const quietChromium = [
  '--no-sandbox',
  '--disable-dev-shm-usage',
  '--disable-gpu',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--no-first-run',
  '--host-resolver-rules=MAP * ~NOTFOUND , EXCLUDE 127.0.0.1',
]

export default defineConfig({
  testDir: process.env.SCREENSHOTS ? './screenshots' : process.env.PERF ? './perf' : './tests',
  // What fills a server first is asked for by name: `npm run perf -- shelf`.
  testIgnore: process.env.PERF === 'shelf' ? [] : ['**/perf/shelf.spec.ts'],
  outputDir: './results',
  // Each worker has a server and a database of its own; what takes time is measured alone.
  workers: process.env.SCREENSHOTS || process.env.PERF ? 1 : 2,
  fullyParallel: false,
  retries: 0,
  timeout: 240_000,
  expect: { timeout: 20_000 },
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    actionTimeout: 20_000,
    locale: 'en-GB',
    timezoneId: 'Europe/Dublin',
    // What slides and fades is drawn frame by frame without a graphics card: a twelfth of the time.
    contextOptions: { reducedMotion: 'reduce' },
    // Keeping every step for a fault that seldom comes costs an eighth of the time, and a picture at each end as well:
    // `TRACE=1` keeps both.
    trace: process.env.TRACE ? 'retain-on-failure' : 'off',
    screenshot: process.env.TRACE ? 'only-on-failure' : 'off',
    launchOptions: { executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium', args: quietChromium },
  },
})
