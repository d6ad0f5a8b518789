import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { ensureBuild } from './lib/build.mjs'
import { runMain } from './lib/say.mjs'
import { ensurePackages, rootFolder } from './lib/setup.mjs'

await runMain(async () => {
  await ensurePackages()
  await ensureBuild({ web: false })
  const script = join(rootFolder, 'server', 'dist', 'calc.js')
  return spawnSync(process.execPath, [script, ...process.argv.slice(2)], { stdio: 'inherit' }).status
})
