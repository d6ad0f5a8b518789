import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ensureBuild } from './lib/build.mjs'
import { runMain, say } from './lib/say.mjs'
import { ensurePackages, rootFolder } from './lib/setup.mjs'

/** Makes the pages that come from the code. */
await runMain(async () => {
  await ensurePackages()
  await ensureBuild({ web: false })
  const { calculatorsPage } = await import('../contract/dist/index.js')
  const path = join(rootFolder, 'docs', 'calculators.md')
  writeFileSync(path, calculatorsPage())
  say(`Made ${path}`)
})
