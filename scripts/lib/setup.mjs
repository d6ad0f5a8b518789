import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { run } from './processes.mjs'
import { Explained, say } from './say.mjs'

export const rootFolder = dirname(dirname(dirname(fileURLToPath(import.meta.url))))
/** Where the database and the demo's sign-ins stand. */
export const dataFolder = process.env.BINOCULUM_DATA ?? join(rootFolder, '.data')

const isRoot = () => process.getuid?.() === 0

const readIfThere = (path) => (existsSync(path) ? readFileSync(path, 'utf8') : '')

/** Installs the npm packages when the lock file has changed since the last time, or when they are missing. */
export async function ensurePackages() {
  const lock = readFileSync(join(rootFolder, 'package-lock.json'))
  const wanted = createHash('sha256').update(lock).digest('hex')
  const stampPath = join(rootFolder, 'node_modules', '.binoculum-lock-hash')
  if (readIfThere(stampPath) === wanted) return
  say('Installing packages (a minute or two, only when they changed) …')
  // NODE_ENV=production would leave the build tools out.
  const env = { ...process.env, NODE_ENV: 'development' }
  await run('npm', ['ci', '--no-audit', '--no-fund'], { cwd: rootFolder, env })
  writeFileSync(stampPath, wanted)
}

/** Folder of PostgreSQL's programs; the newest installed version of 15 or later. */
export function postgresFolder() {
  const base = '/usr/lib/postgresql'
  const versions = existsSync(base)
    ? readdirSync(base)
        .map(Number)
        .filter((v) => v >= 15)
    : []
  const folders = versions.sort((a, b) => b - a).map((version) => join(base, String(version), 'bin'))
  return folders.find((folder) => existsSync(join(folder, 'postgres'))) ?? null
}

/** Debian's Chromium without windows does the same by two thirds of the work; the whole one does where there is no other. */
const chromiumPaths = { 'chromium-headless-shell': '/usr/bin/chromium-headless-shell', chromium: '/usr/bin/chromium' }

export async function ensurePostgres() {
  if (!postgresFolder()) await installDebianPackages(['postgresql'])
  const folder = postgresFolder()
  if (!folder) throw new Explained('PostgreSQL 15 or later is not in /usr/lib/postgresql after installing it.', 3)
  return folder
}

export async function ensureChromium() {
  const { chromium, 'chromium-headless-shell': withoutWindows } = chromiumPaths
  if (existsSync(withoutWindows)) return withoutWindows
  try {
    await installDebianPackages(['chromium-headless-shell'])
    return withoutWindows
  } catch (error) {
    if (!(error instanceof Explained)) throw error
  }
  if (!existsSync(chromium)) await installDebianPackages(['chromium'])
  return chromium
}

async function installDebianPackages(names) {
  const byHand = `Please install it and run this again:\n\n    sudo apt-get update && sudo apt-get install --no-install-recommends ${names.join(' ')}\n`
  const missing = `Needed and not installed: ${names.join(', ')} (Debian's package).`
  const hasApt = spawnSync('apt-get', ['--version'], { stdio: 'ignore' }).status === 0
  if (!hasApt) throw new Explained(`${missing} This machine has no apt-get. Install it in this system's way.`, 3)
  if (!isRoot()) throw new Explained(`${missing} Only root may install packages.\n${byHand}`, 3)
  say(`Installing Debian's ${names.join(', ')} …`)
  if (names.includes('postgresql')) preventSystemCluster()
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  const wait = ['-o', 'DPkg::Lock::Timeout=300', '-o', 'Acquire::Retries=3', '-q']
  try {
    await run('apt-get', [...wait, 'update'], { env })
    await run('apt-get', [...wait, 'install', '-y', '--no-install-recommends', ...names], { env })
  } catch (error) {
    throw new Explained(`${missing} Installing it failed: ${error.message}\n${byHand}`, 3)
  }
}

/** Debian's package would otherwise start a cluster of its own, which nobody asked for. */
function preventSystemCluster() {
  const path = '/etc/postgresql-common/createcluster.conf'
  if (existsSync(path)) return
  mkdirSync(dirname(path), { recursive: true })
  writeFileSync(path, 'create_main_cluster = false\n')
}
