import { execFileSync, spawn, spawnSync } from 'node:child_process'
import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, join } from 'node:path'
import { mistakesIn, rightsIn } from './lib/mistakes.mjs'
import { startCluster } from './lib/postgres.mjs'
import { busy } from './lib/processes.mjs'
import { Explained, runMain, say } from './lib/say.mjs'
import { ensurePackages, ensurePostgres, rootFolder } from './lib/setup.mjs'

/** Makes one mistake after the other in a copy, and asks the tests whether they notice:
 *
 *     npm run test:mutants                     the list in perf/mutants.json: each was once missed by every test
 *     npm run test:mutants -- random 200 7     so many of core, chosen by a seed; 85 of 100 must be noticed
 *     npm run test:mutants -- rights           every statement of the server that asks for a right, left out
 *     npm run test:mutants -- rights loans/    those of files whose path has this in it
 */
const LEAST_NOTICED = 0.85
/** Far more than all of them take, so that a slow machine notices nothing by its slowness. */
const LONGEST_TEST_MS = 400_000
/** What `timeout` says when the time is over. */
const ENDED_BY_FORCE = 124

/** Each in a copy of its own, with one processor. */
const AT_ONCE = 2

/** Projects of Jest. */
const UNITS = ['unit', 'isolated']

/** What uses core by its name, which Jest doesn't follow when it looks for related tests. */
const IN_OTHER_ROOMS = '/(contract|web)/src/'

/** Tests of a room under other names than its own. */
const ownTestsOf = {
  kits: 'kits|set-up',
  loans: 'loans|outcomes|desk-truth|follow-up',
  people: 'people|set-up',
  contents: 'contents|set-up|lists',
  guides: 'guide',
  archive: 'kit-archive',
  calendar: 'promises',
  checks: 'checks|collimation|finders',
  judgement: 'kits',
  sheet: 'kits',
}

await runMain(async () => {
  await ensurePackages()
  const [mode = 'list', second, seed = '1'] = process.argv.slice(2)
  const copies = Array.from({ length: AT_ONCE }, makeCopy)
  try {
    if (mode === 'list') return await checkList(copies)
    if (mode === 'random') return await checkRandom(copies, Number(second ?? 200), Number(seed))
    if (mode === 'rights') return await checkRights(copies, second ?? '')
    throw new Explained(`“${mode}” is none of list, random, rights.`, 2)
  } finally {
    for (const copy of copies) rmSync(copy, { recursive: true })
  }
})

function makeCopy() {
  const copy = mkdtempSync(join(tmpdir(), 'binoculum-mutants-'))
  const files = ['package.json', 'jest.config.mjs', 'tsconfig.json', 'tsconfig.base.json']
  const read = [...['dumps', 'samples', 'support'].map((name) => join('e2e', name)), 'docs']
  for (const name of ['core', 'contract', 'server', 'web', 'scripts', ...read, ...files])
    cpSync(join(rootFolder, name), join(copy, name), {
      recursive: true,
      filter: (path) => !['node_modules', 'dist'].includes(basename(path)),
    })
  linkPackages(copy)
  for (const room of ['core', 'server'])
    spawnSync('ln', ['-s', join(rootFolder, room, 'node_modules'), join(copy, room, 'node_modules')])
  return copy
}

/** All packages are the tree's but our own rooms: those are the copy's, with the mistake in them. */
function linkPackages(copy) {
  const [from, to] = [join(rootFolder, 'node_modules'), join(copy, 'node_modules')]
  mkdirSync(join(to, '@binoculum'), { recursive: true })
  for (const name of readdirSync(from)) if (name !== '@binoculum') symlinkSync(join(from, name), join(to, name))
  for (const room of readdirSync(join(from, '@binoculum')))
    symlinkSync(join(copy, room), join(to, '@binoculum', room))
}

/** Tests that fail anyway would notice everything. */
async function requireGreen([copy], tests) {
  const { status, output } = await runTests(copy, tests)
  if (status !== 0) throw new Explained(`The tests fail without any mistake; mend that first.\n${output}`)
}

async function checkList(copies) {
  const mutants = JSON.parse(readFileSync(join(rootFolder, 'perf', 'mutants.json'), 'utf8'))
  await requireGreen(copies, { patterns: [...new Set(mutants.map(({ tests }) => tests))].join('|') })
  const mistakes = mutants.map(({ file, from, to, tests }) => {
    const right = readFileSync(join(rootFolder, file), 'utf8')
    if (right.split(from).length !== 2) throw new Explained(`perf/mutants.json: “${from}” must stand once in ${file}`)
    return { file, wrong: right.replace(from, to), what: to, asked: [{ patterns: tests }] }
  })
  await judge(copies, mistakes, 1)
}

async function checkRandom(copies, count, seed) {
  await requireGreen(copies, { patterns: '.', workers: AT_ONCE })
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
  const mistakes = chosen.map(({ file, source, mistake }) => ({
    file,
    wrong: withMistake(source, mistake),
    what: describe(source, mistake),
    asked: [{ related: file }, { patterns: IN_OTHER_ROOMS }, ...elsewhere(file)],
  }))
  await judge(copies, mistakes, LEAST_NOTICED)
}

/** Pictures are opened by the server: what is seen in them is held against rendered ones there. */
function elsewhere(file) {
  return file.includes('/open-case/') ? [{ patterns: 'features/calculators/case-pictures[.]test' }] : []
}

async function checkRights(copies, only) {
  const binFolder = await ensurePostgres()
  const folder = join(mkdtempSync('/var/tmp/binoculum-mutants-'), 'postgres')
  const cluster = await startCluster({ binFolder, folder, throwAway: true })
  try {
    // What fills a database asks for no right: one filled without a mistake does for all.
    const env = { ...cluster.testEnv, ...busy, TEMPLATES_OF: String(process.pid) }
    const testsOf = (patterns) => ({ projects: ['integration'], patterns, env })
    const files = tracked('server/src/features/*.ts').filter((file) => file.includes(only))
    const places = files.flatMap((file) => {
      const source = readFileSync(join(rootFolder, file), 'utf8')
      return rightsIn(source).map((mistake) => ({ file, source, mistake }))
    })
    const own = (file) => `server/test/(${ownTestsOf[file.split('/')[3]] ?? file.split('/')[3]})`
    const ofAll = ['server/test/(rights|refusals|sent-once)']
    const asked = [...new Set([...places.map(({ file }) => own(file)), ...ofAll])].join('|')
    await requireGreen(copies, { ...testsOf(asked), workers: AT_ONCE })
    const mistakes = places.map(({ file, source, mistake }) => ({
      file,
      wrong: withMistake(source, mistake),
      what: describe(source, mistake),
      asked: [own(file), ...ofAll].map(testsOf),
    }))
    await judge(copies, mistakes, 1)
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

/** Makes each mistake in whichever copy is free; ends with how many were noticed. */
async function judge(copies, mistakes, least) {
  const waiting = [...mistakes]
  const survivors = []
  await Promise.all(
    copies.map(async (copy) => {
      for (let mistake = waiting.shift(); mistake; mistake = waiting.shift())
        if (await isMissed(copy, mistake)) survivors.push(mistake)
    }),
  )
  const noticed = mistakes.length - survivors.length
  say(`${noticed} of ${mistakes.length} mistakes noticed.`)
  const missed = survivors.map(({ file, what }) => `  ${file}: ${what}`).join('\n')
  if (noticed / mistakes.length < least) throw new Explained(`Nobody noticed:\n${missed}`)
  if (missed) say(`Not noticed:\n${missed}`)
}

/** Asks one group of tests after the other, until one notices. */
async function isMissed(copy, { file, wrong, what, asked }) {
  const path = join(copy, file)
  const right = readFileSync(path, 'utf8')
  const startedAt = Date.now()
  writeFileSync(path, wrong)
  let noticed = false
  let endless = false
  for (const tests of asked) {
    if (noticed) break
    const { status } = await runTests(copy, tests)
    noticed = status !== 0
    endless = status === ENDED_BY_FORCE
  }
  writeFileSync(path, right)
  const seconds = ((Date.now() - startedAt) / 1000).toFixed(0)
  const outcome = endless ? 'endless' : noticed ? 'noticed' : 'MISSED '
  say(`${outcome} ${seconds.padStart(3)} s  ${file}: ${what.trim().slice(0, 160)}`)
  return !noticed
}

/** @returns {Promise<{ status: number, output: string }>} */
function runTests(copy, { projects = UNITS, patterns, related, workers = 1, env = {} }) {
  const jest = join(rootFolder, 'node_modules', 'jest', 'bin', 'jest.js')
  const nearest = ['--testSequencer', join(copy, 'scripts', 'jest', 'nearest-first.mjs')]
  const which = related ? ['--findRelatedTests', related, ...nearest] : ['--testPathPatterns', patterns]
  const options = [
    '--selectProjects',
    ...projects,
    '--bail',
    `--maxWorkers=${workers}`,
    '--passWithNoTests',
    ...which,
  ]
  const node = ['--experimental-vm-modules', '--no-warnings', jest, ...options]
  // What never ends is noticed as well; `timeout` ends its workers with it, which would go on for ever otherwise.
  const longestS = ((projects === UNITS ? 1 : 10) * LONGEST_TEST_MS) / 1000
  const command = ['--kill-after=5', String(longestS), process.execPath, ...node]
  const nearestTo = related ? { NEAREST_TO: join(copy, related) } : {}
  const child = spawn('timeout', command, { cwd: copy, env: { ...process.env, ...nearestTo, ...env } })
  let output = ''
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (output += text))
  return new Promise((resolve, reject) => {
    child.on('error', reject)
    child.on('close', (code) => resolve({ status: code ?? 1, output }))
  })
}
