import { execFileSync, spawnSync } from 'node:child_process'
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, dirname, join } from 'node:path'
import { mistakesIn, rightsIn } from './lib/mistakes.mjs'
import { startCluster } from './lib/postgres.mjs'
import { Explained, runMain, say } from './lib/say.mjs'
import { ensurePackages, ensurePostgres, rootFolder } from './lib/setup.mjs'

/** Makes one mistake after the other in a copy, and asks the tests whether they notice:
 *
 *     npm run test:mutants                     the list in perf/mutants.json: each was once missed by every test
 *     npm run test:mutants -- random 200 7     so many of core, chosen by a seed; 85 of 100 must be noticed
 *     npm run test:mutants -- rights           every statement of the server that asks for a right, left out
 */
const LEAST_NOTICED = 0.85
/** Far more than all of them take, so that a slow machine notices nothing by its slowness. */
const LONGEST_TEST_MS = 400_000

await runMain(async () => {
  await ensurePackages()
  const [mode = 'list', count = '200', seed = '1'] = process.argv.slice(2)
  const copy = makeCopy()
  try {
    if (mode === 'list') return checkList(copy)
    if (mode === 'random') return checkRandom(copy, Number(count), Number(seed))
    if (mode === 'rights') return await checkRights(copy)
    throw new Explained(`“${mode}” is none of list, random, rights.`, 2)
  } finally {
    rmSync(copy, { recursive: true })
  }
})

function makeCopy() {
  const copy = mkdtempSync(join(tmpdir(), 'binoculum-mutants-'))
  const files = ['package.json', 'jest.config.mjs', 'tsconfig.json', 'tsconfig.base.json']
  const read = [join('e2e', 'dumps'), join('e2e', 'samples'), 'docs']
  for (const name of ['core', 'contract', 'server', 'web', 'scripts', ...read, ...files])
    cpSync(join(rootFolder, name), join(copy, name), {
      recursive: true,
      filter: (path) => !['node_modules', 'dist', 'public'].includes(basename(path)),
    })
  symlinkSync(join(rootFolder, 'node_modules'), join(copy, 'node_modules'))
  for (const room of ['core', 'server'])
    spawnSync('ln', ['-s', join(rootFolder, room, 'node_modules'), join(copy, room, 'node_modules')])
  return copy
}

/** Tests that fail anyway would notice everything. */
function requireGreen(copy, options) {
  const run = runTests(copy, options)
  if (run.status !== 0) throw new Explained(`The tests fail without any mistake; mend that first.\n${run.stderr}`)
}

function checkList(copy) {
  const mutants = JSON.parse(readFileSync(join(rootFolder, 'perf', 'mutants.json'), 'utf8'))
  requireGreen(copy, { patterns: [...new Set(mutants.map(({ tests }) => tests))].join('|') })
  const survivors = mutants.filter(({ file, from, to, tests }) => {
    const right = readFileSync(join(copy, file), 'utf8')
    if (right.split(from).length !== 2) throw new Explained(`perf/mutants.json: “${from}” must stand once in ${file}`)
    return isMissed(copy, { file, wrong: right.replace(from, to), what: to }, [{ patterns: tests }])
  })
  conclude(mutants.length, survivors, 1)
}

function checkRandom(copy, count, seed) {
  // Where things stand on a drawing or a sheet is looked at, not reckoned; how a picture is searched is held against
  // ray-traced ones by the minute, too slow for hundreds of runs.
  const looked =
    /[.]test[.]ts$|\/(testing|languages|drawings|printing|picture)\/|showpieces|templates|patterns|stars|index[.]ts$/
  const files = tracked('core/src/*.ts').filter((file) => !looked.test(file))
  const places = files.flatMap((file) => {
    const source = readFileSync(join(rootFolder, file), 'utf8')
    return mistakesIn(source).map((mistake) => ({ file, source, mistake }))
  })
  let state = seed
  const next = () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647
  const chosen = Array.from({ length: count }, () => places.splice(Math.floor(next() * places.length), 1)[0])
  const survivors = chosen.filter(({ file, source, mistake }) => {
    const what = describe(source, mistake)
    // The quickest to notice come first: its own tests, those beside it, then all that use it.
    const wrong = withMistake(source, mistake)
    const asked = [
      { patterns: `${file.replace(/[.]ts$/, '')}[.]test` },
      { patterns: `${dirname(file)}/[^/]+[.]test` },
      { related: join(copy, file) },
      ...elsewhere(file),
    ]
    return isMissed(copy, { file, wrong, what }, asked)
  })
  conclude(
    count,
    survivors.map(({ file, source, mistake }) => ({ file, to: describe(source, mistake) })),
    LEAST_NOTICED,
  )
}

/** Pictures are opened by the server: what is seen in them is held against rendered ones there. */
function elsewhere(file) {
  return file.includes('/open-case/') ? [{ patterns: 'features/calculators/case-pictures[.]test' }] : []
}

async function checkRights(copy) {
  const binFolder = await ensurePostgres()
  const folder = join(mkdtempSync('/var/tmp/binoculum-mutants-'), 'postgres')
  const cluster = await startCluster({ binFolder, folder, throwAway: true })
  try {
    const options = (file) => {
      const room = file.split('/')[3]
      const own =
        { loans: 'loans|outcomes|desk-truth', contents: 'contents|set-up|lists', guides: 'guide' }[room] ?? room
      return {
        project: 'integration',
        patterns: `test/(rights|${own})`,
        env: cluster.testEnv,
      }
    }
    const places = tracked('server/src/features/*.ts').flatMap((file) => {
      const source = readFileSync(join(rootFolder, file), 'utf8')
      return rightsIn(source).map((mistake) => ({ file, source, mistake }))
    })
    requireGreen(copy, { ...options('server/src/features/loans/x'), patterns: 'test/(rights|loans|contents|guide)' })
    const survivors = places.filter(({ file, source, mistake }) => {
      const what = describe(source, mistake)
      return isMissed(copy, { file, wrong: withMistake(source, mistake), what }, [options(file)])
    })
    conclude(
      places.length,
      survivors.map(({ file, source, mistake }) => ({ file, to: describe(source, mistake) })),
      1,
    )
  } finally {
    await cluster.stop()
  }
}

function tracked(pattern) {
  return execFileSync('git', ['ls-files', pattern], { cwd: rootFolder, encoding: 'utf8' }).trim().split('\n')
}

function withMistake(source, { start, end, to }) {
  return source.slice(0, start) + to + source.slice(end)
}

function describe(source, { start, end, to }) {
  const line = source.slice(0, start).split('\n').length
  const text = source.slice(source.lastIndexOf('\n', start) + 1, source.indexOf('\n', end)).trim()
  return `line ${line}: ${source.slice(start, end)} → ${to} in “${text.slice(0, 100)}”`
}

/** Asks one group of tests after the other, until one notices. */
function isMissed(copy, { file, wrong, what }, asked) {
  const path = join(copy, file)
  const right = readFileSync(path, 'utf8')
  writeFileSync(path, wrong)
  const noticed = asked.some((tests) => {
    const { status, stdout, stderr } = runTests(copy, tests)
    return status !== 0 && !(tests.patterns && /No tests found/.test(stdout + stderr))
  })
  writeFileSync(path, right)
  say(`${noticed ? 'noticed ' : 'MISSED  '} ${file}: ${what.trim().slice(0, 160)}`)
  return !noticed
}

function runTests(copy, { project = 'unit', patterns, related, env = {} }) {
  const jest = join(rootFolder, 'node_modules', 'jest', 'bin', 'jest.js')
  const which = related ? ['--findRelatedTests', related] : ['--testPathPatterns', patterns]
  const options = ['--selectProjects', project, '--bail', '--passWithNoTests', ...which]
  const node = ['--experimental-vm-modules', '--no-warnings', jest, ...options]
  // What never ends is noticed as well; `timeout` ends its workers with it, which would go on for ever otherwise.
  const longestS = ((project === 'unit' ? 1 : 10) * LONGEST_TEST_MS) / 1000
  const command = ['--kill-after=5', String(longestS), process.execPath, ...node]
  return spawnSync('timeout', command, { cwd: copy, encoding: 'utf8', env: { ...process.env, ...env } })
}

function conclude(count, survivors, least) {
  const noticed = count - survivors.length
  say(`${noticed} of ${count} mistakes noticed.`)
  const missed = survivors.map(({ file, to }) => `  ${file}: ${to}`).join('\n')
  if (noticed / count < least) throw new Explained(`Nobody noticed:\n${missed}`)
  if (missed) say(`Not noticed:\n${missed}`)
}
