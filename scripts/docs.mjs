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
  const { guideSentencesPage } = await import('../core/dist/index.js')
  for (const [name, page] of [
    ['calculators.md', calculatorsPage()],
    ['guide-sentences.md', guideSentencesPage()],
  ]) {
    const path = join(rootFolder, 'docs', name)
    writeFileSync(path, page)
    say(`Made ${path}`)
  }
})
