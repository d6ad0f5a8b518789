import { spawnSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import pg from 'pg'
import { ensureBuild } from './lib/build.mjs'
import { startCluster } from './lib/postgres.mjs'
import { freePort, stopProcess } from './lib/processes.mjs'
import { Explained, runMain, say } from './lib/say.mjs'
import { startServer } from './lib/server.mjs'
import { ensurePackages, ensurePostgres, rootFolder } from './lib/setup.mjs'

/** Longer than this times the demo's own no read may take where only history and neighbours grew. */
const MOST_GROWTH = 1.5
/** Below this many milliseconds of difference a ratio says more of the clock than of the route. */
const LEAST_DIFFERENCE_MS = 2
const ROUNDS = 40

async function client(base, password) {
  const headers = { 'content-type': 'application/json' }
  const body = JSON.stringify({ email: 'ines@marrowdale.example', password })
  const reply = await fetch(`${base}/api/session`, { method: 'POST', headers, body })
  headers.cookie = reply.headers.get('set-cookie').split(';')[0]
  const ask = async (method, path, sent) => {
    const answer = await fetch(base + path, { method, headers, ...(sent ? { body: JSON.stringify(sent) } : {}) })
    const text = await answer.text()
    if (!answer.ok) throw new Explained(`${method} ${path} answered ${answer.status}: ${text.slice(0, 300)}`)
    return text === '' ? null : JSON.parse(text)
  }
  const { memberships } = await reply.json()
  return { ask, headers, branchId: memberships[0].branchId }
}

const day = (ahead) => new Date(Date.now() + ahead * 86_400_000).toISOString().slice(0, 10)

/** Reads of every room, of the demo's own branches, and the three acts of a desk's day. */
const routes = {
  shelf: ({ ask }) => ask('GET', '/api/kits'),
  'kit sheet': ({ ask }) => ask('GET', '/api/kits/M-02'),
  desk: ({ ask }) => ask('GET', '/api/desk'),
  bench: ({ ask }) => ask('GET', '/api/bench'),
  'find a kit': ({ ask }) => ask('GET', '/api/find?text=Bracken'),
  'find a person': ({ ask }) => ask('GET', '/api/find?text=Teag'),
  'find a part': ({ ask }) => ask('GET', '/api/find?text=slug'),
  borrowers: ({ ask, branchId }) => ask('GET', `/api/borrowers?branchId=${branchId}&text=an`),
  'hand-out form': ({ ask }) => ask('GET', '/api/kits/F-05/hand-out'),
  'take-back form': ({ ask, outId }) => ask('GET', `/api/loans/${outId}/take-back`),
  'loan sheet': ({ ask, outId }) => ask('GET', `/api/loans/${outId}`),
  'follow-up': ({ ask }) => ask('GET', '/api/jobs'),
  guides: ({ ask }) => ask('GET', '/api/guides'),
  'a guide': ({ ask, outId }) => ask('GET', `/api/loans/${outId}/guide`),
  'guide texts': ({ ask }) => ask('GET', '/api/guide-texts?kit=M-02'),
  letters: ({ ask }) => ask('GET', '/api/messages'),
  models: ({ ask }) => ask('GET', '/api/models'),
  places: ({ ask }) => ask('GET', '/api/sites'),
  drawer: ({ ask }) => ask('GET', '/api/spares'),
  'calendar, ten weeks': ({ ask, branchId }) =>
    ask('GET', `/api/branches/${branchId}/calendar?from=${day(0)}&days=70`),
  'free days': ({ ask, branchId }) =>
    ask('GET', `/api/branches/${branchId}/slots?wish=faint&from=${day(0)}&until=${day(84)}&lengthDays=14`),
  'bench plan': ({ ask }) => ask('GET', '/api/bench-plan'),
  van: ({ ask }) => ask('GET', '/api/transfers'),
  'waiting list': ({ ask, branchId }) => ask('GET', `/api/branches/${branchId}/waiting`),
  logbook: ({ ask }) => ask('GET', '/api/logbook'),
  people: ({ ask }) => ask('GET', '/api/people'),
  mark: async (side) => {
    const [part] = side.kit.parts
    const body = { kitVersion: side.kit.version, mark: 'damaged', note: 'torn' }
    const { head } = await side.ask('POST', `/api/kits/${side.kit.id}/parts/${part.id}/mark`, body)
    side.kit.version = head.version
  },
}

const handOut = async ({ ask }, code) => {
  const form = await ask('GET', `/api/kits/${code}/hand-out`)
  const body = {
    idempotencyKey: randomUUID(),
    kitVersion: form.kit.version,
    promisedLoanId: form.promised?.loanId ?? null,
    borrower: form.promised ? { id: form.promised.borrower.id } : { name: 'Nell Teague', contact: 'by post' },
    adultSeen: true,
    sunAcknowledged: true,
    agreementId: form.agreement.id,
    acceptance: 'screen',
    contentsAgreed: true,
    dueOn: form.dueOn,
  }
  const startedAt = performance.now()
  const { loanId } = await ask('POST', `/api/kits/${form.kit.id}/hand-out`, body)
  return { loanId, tookMs: performance.now() - startedAt }
}

const takeBack = async ({ ask }, loanId) => {
  const form = await ask('GET', `/api/loans/${loanId}/take-back`)
  const marks = form.kit.parts.map((part) => ({
    ...{ partId: part.id, mark: 'present', presentCount: part.count, note: '', wrongItem: '', pictureIds: [] },
  }))
  const answers = {
    ...{
      whatDidNotWork: '',
      dropped: false,
      wet: false,
      glassWhole: true,
      batteryDoorShut: true,
      sunFilterFound: false,
    },
  }
  const body = { idempotencyKey: randomUUID(), loanVersion: form.loan.version, marks, answers }
  const startedAt = performance.now()
  await ask('POST', `/api/loans/${loanId}/take-back`, { ...body, outcome: 'shelf', outcomeReason: '' })
  return performance.now() - startedAt
}

/** On a quiet machine, of a branch that ran for years: printed beside what was measured. */
const quietLimits = { viewP95Ms: 300, findP95Ms: 50, archiveMbPerS: 20 }
/** What fails: memory that grows with the file. */
const MOST_ARCHIVE_GROWTH_MB = 250

/** Logbook and archive of one of the grown branches, as its coordinator sees them. */
async function measureGrownBranch(url, base, pid, password) {
  const database = new pg.Client({ connectionString: url })
  await database.connect()
  const { rows } = await database.query(
    `INSERT INTO membership (staff_id, branch_id, role)
     SELECT s.id, k.branch_id, 'coordinator' FROM staff s CROSS JOIN LATERAL (
       SELECT branch_id FROM kit WHERE branch_id NOT IN (SELECT branch_id FROM membership WHERE staff_id = s.id) GROUP BY 1 ORDER BY count(*) DESC, 1 LIMIT 1
     ) k WHERE s.email LIKE 'ines%' RETURNING branch_id AS "branchId", (SELECT code FROM kit WHERE kit.branch_id = membership.branch_id ORDER BY code LIMIT 1) AS code`,
  )
  await database.end()
  const [{ branchId, code }] = rows
  // What was asked before counts for a minute towards how often one address may ask.
  await new Promise((done) => setTimeout(done, 61_000))
  const { ask, headers } = await client(base, password)
  const views = {
    logbook: '/api/logbook',
    'a kit’s story': `/api/kits/${code}/story`,
    'what if': `/api/branches/${branchId}/what-if`,
    buying: `/api/branches/${branchId}/buying`,
    find: '/api/find?text=eyepiece',
    'find, misspelt': '/api/find?text=eyepeice',
  }
  say('')
  say(
    `  A branch that ran for years (views: ${quietLimits.viewP95Ms} ms on a quiet machine, find: ${quietLimits.findP95Ms} ms)`,
  )
  for (const [name, path] of Object.entries(views)) {
    const times = []
    for (let round = 0; round < ROUNDS; round++) {
      const startedAt = performance.now()
      await ask('GET', path)
      times.push(performance.now() - startedAt)
    }
    say(`  ${name.padEnd(20)} ${middle(times).toFixed(1).padStart(6)} ms, p95 ${ofSorted(times, 0.95).toFixed(1)} ms`)
  }
  const memoryMb = () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1024
  const before = memoryMb()
  let most = before
  let bytes = 0
  const startedAt = performance.now()
  const answer = await fetch(`${base}/api/branches/${branchId}/archive?borrowers=with`, { headers })
  for await (const chunk of answer.body) {
    bytes += chunk.length
    most = Math.max(most, memoryMb())
  }
  const seconds = (performance.now() - startedAt) / 1000
  const megabytes = bytes / 1_000_000
  say(
    `  archive: ${megabytes.toFixed(0)} MB in ${seconds.toFixed(1)} s, ${(megabytes / seconds).toFixed(1)} MB/s (${quietLimits.archiveMbPerS} on a quiet machine), memory ${before.toFixed(0)} to ${most.toFixed(0)} MB`,
  )
  if (most - before > MOST_ARCHIVE_GROWTH_MB)
    throw new Explained('The server’s memory grows with the archive it writes.')
}

const ofSorted = (times, share) => [...times].sort((a, b) => a - b)[Math.floor(times.length * share)]
const middle = (times) => ofSorted(times, 0.5)

/** Both sides in turn, so that whatever else this machine does falls on both. */
async function measure(sides) {
  const times = sides.map(() => ({}))
  const keep = (index, name, ms) => (times[index][name] ??= []).push(ms)
  for (let round = 0; round < ROUNDS; round++) {
    for (const [index, side] of sides.entries()) {
      for (const [name, ask] of Object.entries(routes)) {
        const startedAt = performance.now()
        await ask(side)
        keep(index, name, performance.now() - startedAt)
      }
      if (round % 4 !== 0) continue
      const { loanId, tookMs } = await handOut(side, 'F-05')
      keep(index, 'hand-out', tookMs)
      keep(index, 'take-back', await takeBack(side, loanId))
    }
  }
  return Object.keys(times[0]).map((name) => {
    const [demoMs, largeMs] = times.map((of) => middle(of[name]))
    return { name, demoMs, largeMs, largeP95Ms: ofSorted(times[1][name], 0.95), growth: largeMs / demoMs }
  })
}

await runMain(async () => {
  await ensurePackages()
  const binFolder = await ensurePostgres()
  await ensureBuild()
  const folder = join(mkdtempSync('/var/tmp/binoculum-large-'), 'postgres')
  const cluster = await startCluster({ binFolder, folder, throwAway: true })
  const servers = []
  try {
    const password = 'only for this benchmark'
    const run = (script, url) => {
      const env = { ...process.env, DATABASE_URL: url, PERF_PASSWORD: password, PERF_KITS: '18' }
      const filled = spawnSync(process.execPath, [join(rootFolder, 'perf', script)], { env, stdio: ['ignore', 2, 2] })
      if (filled.status !== 0) throw new Explained(`perf/${script} failed; see above.`)
    }
    run('fill.mjs', cluster.url)
    say('Growing the demo to a large programme:')
    run('grow.mjs', cluster.url)
    const sides = []
    for (const url of [cluster.url, cluster.url.replace(/\/[^/]*$/, '/large')]) {
      const port = await freePort()
      servers.push(await startServer({ env: { DATABASE_URL: url, PORT: String(port) } }))
      const base = `http://127.0.0.1:${port}`
      const side = { ...(await client(base, password)), base }
      const { kits } = await side.ask('GET', '/api/kits')
      const out = kits.find(({ loan, code }) => loan && code.startsWith('F-'))
      sides.push({ ...side, outId: out.loan.id, kit: await side.ask('GET', '/api/kits/M-04') })
    }
    const rows = await measure(sides)
    const largeUrl = cluster.url.replace(/\/[^/]*$/, '/large')
    await measureGrownBranch(largeUrl, sides[1].base, servers[1].pid, password)
    writeFileSync(join(rootFolder, 'perf', 'large-results.json'), `${JSON.stringify(rows, null, 2)}\n`)
    say('')
    say(`  ${''.padEnd(20)} ${'demo'.padStart(9)} ${'large'.padStart(9)}   growth  large, p95`)
    for (const { name, demoMs, largeMs, largeP95Ms, growth } of rows)
      say(
        `  ${name.padEnd(20)} ${demoMs.toFixed(1).padStart(6)} ms ${largeMs.toFixed(1).padStart(6)} ms   ${growth.toFixed(2)} ×   ${largeP95Ms.toFixed(1).padStart(6)} ms`,
      )
    const grown = rows.filter(
      ({ demoMs, largeMs, growth }) => growth > MOST_GROWTH && largeMs - demoMs > LEAST_DIFFERENCE_MS,
    )
    if (grown.length > 0) throw new Explained(`Grow with history: ${grown.map(({ name }) => name).join(', ')}`)
  } finally {
    for (const server of servers) await stopProcess(server.pid, 'SIGTERM')
    await cluster.stop()
  }
})
