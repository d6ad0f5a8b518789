import { ensureBuild } from './lib/build.mjs'
import { runMain } from './lib/say.mjs'
import { ensurePackages } from './lib/setup.mjs'

await runMain(async () => {
  await ensurePackages()
  await ensureBuild()
})
