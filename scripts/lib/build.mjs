import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { run } from './processes.mjs'
import { rootFolder } from './setup.mjs'
import { say } from './say.mjs'

/** What was built belongs to this folder, wherever the data stands. */
const stampFolder = join(rootFolder, '.data')
const rooms = ['core', 'contract', 'server', 'web']
const publicFolder = join(rootFolder, 'web', 'public')
const alsoWatched = [
  'package-lock.json',
  'tsconfig.base.json',
  'web/index.html',
  'web/vite.config.ts',
  'web/uno.config.ts',
]

function* filesBelow(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name)
    if (entry.isDirectory()) yield* filesBelow(path)
    else if (!entry.name.endsWith('.test.ts')) yield path
  }
}

/** Changes whenever anything that goes into the build changes. */
function sourceHash() {
  const hash = createHash('sha256')
  const paths = rooms.flatMap((room) => [...filesBelow(join(rootFolder, room, 'src'))])
  for (const path of [
    ...paths,
    ...filesBelow(publicFolder),
    ...alsoWatched.map((name) => join(rootFolder, name)),
  ].sort()) {
    hash.update(path.slice(rootFolder.length)).update(readFileSync(path))
  }
  return hash.digest('hex')
}

const node = (script, args) =>
  run(process.execPath, [join(rootFolder, 'node_modules', script), ...args], { cwd: rootFolder })

/** The server sends these to browsers that take them, which are all of today's. */
function compressAssets() {
  const folder = join(rootFolder, 'web', 'dist', 'assets')
  for (const path of filesBelow(folder)) {
    if (/\.(js|css)$/.test(path)) writeFileSync(`${path}.gz`, gzipSync(readFileSync(path), { level: 9 }))
  }
}

/** Builds what changed. `web: false` leaves the screens out, for the command line. */
export async function ensureBuild({ web = true } = {}) {
  const stampPath = join(stampFolder, web ? 'build-hash' : 'build-hash-no-web')
  const wanted = sourceHash()
  const built =
    existsSync(join(rootFolder, 'server', 'dist')) && (!web || existsSync(join(rootFolder, 'web', 'dist')))
  if (built && existsSync(stampPath) && readFileSync(stampPath, 'utf8') === wanted) return
  say('Building …')
  // tsc -b leaves output of deleted sources behind, so the folders go first.
  for (const room of ['core', 'contract', 'server']) {
    rmSync(join(rootFolder, room, 'dist'), { recursive: true, force: true })
    rmSync(join(rootFolder, room, 'tsconfig.tsbuildinfo'), { force: true })
  }
  await node('typescript-7/bin/tsc', ['-b'])
  if (web) {
    const vite = (...rest) =>
      node('vite/bin/vite.js', ['build', 'web', '--config', 'web/vite.config.ts', '--logLevel', 'warn', ...rest])
    await vite()
    // The borrower's page is also rendered by the server, so that its words come before its scripts.
    await vite('--ssr', 'src/borrower/entry-server.ts')
    compressAssets()
  }
  mkdirSync(stampFolder, { recursive: true })
  writeFileSync(stampPath, wanted)
}
