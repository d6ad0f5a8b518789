import { mkdtempSync } from 'node:fs'
import { join } from 'node:path'
import { ensureBuild } from './lib/build.mjs'
import { startCluster } from './lib/postgres.mjs'
import { run } from './lib/processes.mjs'
import { runMain } from './lib/say.mjs'
import { ensureChromium, ensurePackages, ensurePostgres, rootFolder } from './lib/setup.mjs'

/** Takes the pictures in docs/screenshots anew, from the demo. */
await runMain(async () => {
  await ensurePackages()
  const chromium = await ensureChromium()
  const folder = join(mkdtempSync('/var/tmp/binoculum-pictures-'), 'postgres')
  const cluster = await startCluster({ binFolder: await ensurePostgres(), folder, throwAway: true })
  try {
    await ensureBuild()
    const env = { ...process.env, ...cluster.testEnv, CHROMIUM_PATH: chromium, SCREENSHOTS: '1' }
    const script = join(rootFolder, 'node_modules', '@playwright', 'test', 'cli.js')
    await run(process.execPath, [script, 'test', '--config', 'e2e/playwright.config.ts'], { cwd: rootFolder, env })
  } finally {
    await cluster.stop()
  }
})
