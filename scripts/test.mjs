import { mkdtempSync } from 'node:fs'
import { join } from 'node:path'
import { ensureBuild } from './lib/build.mjs'
import { startCluster } from './lib/postgres.mjs'
import { busy, run } from './lib/processes.mjs'
import { Explained, runMain, say } from './lib/say.mjs'
import { ensureChromium, ensurePackages, ensurePostgres, rootFolder } from './lib/setup.mjs'

const stages = ['format', 'lint', 'types', 'unit', 'component', 'integration', 'perf', 'e2e']
/** Sweeps over many more cases, for a night or a release. */
const extra = ['slow']
const words = process.argv.slice(2)
const wanted = words.includes('all') ? stages : words.filter((word) => [...stages, ...extra].includes(word))
const passedOn = words.filter((word) => ![...stages, ...extra, 'all'].includes(word))
/** Asked for nothing by name: what a person waits for while they work, without sweeps, and without times, which are taken alone. */
const isQuick = wanted.length === 0
const has = (stage) => (isQuick ? stages.includes(stage) && stage !== 'perf' : wanted.includes(stage))

const binary = (path) => join(rootFolder, 'node_modules', path)
const node = (args, env = {}) => run(process.execPath, args, { cwd: rootFolder, env: { ...process.env, ...env } })
const npmRun = (script) => run('npm', ['run', '--silent', script], { cwd: rootFolder })
const jest = (projects, env) =>
  node(
    [
      '--experimental-vm-modules',
      '--no-warnings',
      binary('jest/bin/jest.js'),
      '--selectProjects',
      ...projects.split(' '),
      ...passedOn,
    ],
    { ...(isQuick ? { TEST_QUICK: '1' } : {}), ...env },
  )

async function stage(name, work) {
  if (!name.split(' ').some(has)) return
  const startedAt = Date.now()
  say(`\n── ${name}`)
  await work()
  say(`── ${name}: passed in ${((Date.now() - startedAt) / 1000).toFixed(0)} s`)
}

async function withDatabase(work) {
  const binFolder = await ensurePostgres()
  const folder = join(mkdtempSync('/var/tmp/binoculum-test-'), 'postgres')
  const cluster = await startCluster({ binFolder, folder, throwAway: true })
  const stopOnSignal = async () => {
    await cluster.stop()
    process.exit(1)
  }
  process.once('SIGINT', stopOnSignal)
  process.once('SIGTERM', stopOnSignal)
  try {
    await work(cluster.testEnv)
  } finally {
    await cluster.stop()
  }
}

await runMain(async () => {
  if (words.length > 0 && isQuick)
    throw new Explained(`Unknown stage “${words[0]}”. There are: all, ${[...stages, ...extra].join(', ')}.`, 2)
  await ensurePackages()
  if (has('lint') || has('types') || has('e2e')) await ensureBuild()
  // What only reads the code needs one processor each.
  await Promise.all([
    stage('format', () => npmRun('format:check')).then(() => stage('lint', () => npmRun('lint'))),
    stage('types', () => npmRun('types')),
  ])
  if (isQuick) {
    // Together neither waits for the other's last file.
    await stage('unit component', () => jest('unit isolated component'))
  } else {
    await stage('unit', () => jest('unit isolated'))
    await stage('component', () => jest('component'))
  }
  await stage('integration', () => withDatabase((env) => jest('integration', { ...env, ...busy })))
  await stage('slow', async () => {
    const slow = { TEST_SLOW: '1' }
    await jest('unit', slow)
    await withDatabase((env) => jest('integration', { ...env, ...busy, ...slow }))
  })
  await stage('perf', () => npmRun('perf'))
  await stage('e2e', async () => {
    const chromium = await ensureChromium()
    const which = [...(isQuick ? ['--grep-invert', '@long'] : []), ...passedOn]
    await withDatabase((env) =>
      node([binary('@playwright/test/cli.js'), 'test', '--config', 'e2e/playwright.config.ts', ...which], {
        ...env,
        ...busy,
        CHROMIUM_PATH: chromium,
      }),
    )
  })
})
