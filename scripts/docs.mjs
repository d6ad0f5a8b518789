import { spawnSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ensureBuild } from './lib/build.mjs'
import { Explained, runMain, say } from './lib/say.mjs'
import { ensurePackages, rootFolder } from './lib/setup.mjs'

/** One box for each room, an arrow for each way of importing. */
const rooms =
  '^(core/src/[^/.]+|contract/src|server/src/features/[^/.]+|server/src/[^/.]+|web/src/areas/[^/.]+|web/src/[^/.]+)'

function picture() {
  const script = join(rootFolder, 'node_modules', 'dependency-cruiser', 'bin', 'dependency-cruise.mjs')
  const folders = ['core/src', 'contract/src', 'server/src', 'web/src']
  const left = [
    '--exclude',
    '[.]test[.]ts$|/testing/|/demo/|/migrations/',
    '--include-only',
    '^(core|contract|server|web)/src',
  ]
  const args = [
    script,
    ...folders,
    '--config',
    '.dependency-cruiser.cjs',
    ...left,
    '--collapse',
    rooms,
    '-T',
    'mermaid',
  ]
  const made = spawnSync(process.execPath, args, { cwd: rootFolder, encoding: 'utf8', maxBuffer: 20_000_000 })
  if (made.status !== 0) throw new Explained(`The picture of the house could not be made:\n${made.stderr}`)
  return `<!-- picture -->\n\n\`\`\`mermaid\n${made.stdout.trim()}\n\`\`\`\n\n<!-- end of picture -->`
}

/** Makes the pages that come from the code. */
await runMain(async () => {
  await ensurePackages()
  await ensureBuild({ web: false })
  const { branchArchiveJsonSchema, calculatorsPage } = await import('../contract/dist/index.js')
  const { guideSentencesPage } = await import('../core/dist/index.js')
  for (const [name, page] of [
    ['calculators.md', calculatorsPage()],
    ['guide-sentences.md', guideSentencesPage()],
    ['formats/branch-archive.schema.json', `${JSON.stringify(branchArchiveJsonSchema(), null, 2)}\n`],
  ]) {
    const path = join(rootFolder, 'docs', name)
    writeFileSync(path, page)
    say(`Made ${path}`)
  }
  const path = join(rootFolder, 'docs', 'architecture.md')
  const page = readFileSync(path, 'utf8')
  writeFileSync(path, page.replace(/<!-- picture -->[^]*<!-- end of picture -->/, picture))
  say(`Made ${path}`)
})
