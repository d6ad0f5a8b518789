import { fork, spawnSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { Agent, request } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ensureBuild } from './lib/build.mjs'
import { startCluster } from './lib/postgres.mjs'
import { freePort, stopProcess } from './lib/processes.mjs'
import { Explained, runMain, say } from './lib/say.mjs'
import { soak } from './lib/soak.mjs'
import { startServer } from './lib/server.mjs'
import { ensurePackages, ensurePostgres, rootFolder } from './lib/setup.mjs'

/** `npm run perf -- load`: what the whole server manages beside a bare one that asks the same of the database, beside the database
 * alone, with heavy requests running, and over minutes (`npm run perf -- load 600` for ten). */
const AT_ONCE = 24
const SECONDS = 3
const ROUNDS = 5
/** Until the machine's own compiler has seen the way of a request, in the one server as in the other. */
const WARM_UP_S = 4
const LEAST = { read: 0.8, write: 0.7 }
const MOST_SLOWED = 3

const agent = new Agent({ keepAlive: true, maxSockets: 400 })

/** @returns milliseconds and status of one request */
function ask(url, { method = 'GET', cookie, body } = {}) {
  const startedAt = performance.now()
  const headers = {
    ...(cookie ? { cookie } : {}),
    ...(body ? { 'content-type': 'application/json' } : {}),
    'accept-encoding': 'identity',
  }
  return new Promise((resolve, reject) => {
    const sent = request(url, { method, agent, headers }, (reply) => {
      const chunks = []
      reply.on('data', (chunk) => chunks.push(chunk))
      reply.on('end', () =>
        resolve({
          status: reply.statusCode,
          ms: performance.now() - startedAt,
          text: () => Buffer.concat(chunks).toString('utf8'),
        }),
      )
    })
    sent.on('error', reject)
    sent.end(body ? JSON.stringify(body) : undefined)
  })
}

const quantile = (times, share) => [...times].sort((a, b) => a - b)[Math.max(0, Math.ceil(times.length * share) - 1)]

/** Requests a second, so many at once, for some seconds. */
async function pound(make, { atOnce = AT_ONCE, seconds = SECONDS } = {}) {
  const until = performance.now() + seconds * 1000
  let done = 0
  const one = async (at) => {
    while (performance.now() < until) {
      await make(at)
      done++
    }
  }
  const startedAt = performance.now()
  await Promise.all(Array.from({ length: atOnce }, (_, at) => one(at)))
  return done / ((performance.now() - startedAt) / 1000)
}

/** What each route asks of the database, with its values, from the server's own code in this process. */
async function capture(databaseUrl, password) {
  const dist = (path) => import(join(rootFolder, 'server', 'dist', path))
  const [{ buildApp }, { makeDataSource }, { Database }] = await Promise.all(
    ['app.js', 'data-source.js', 'platform/database.js'].map(dist),
  )
  const source = await makeDataSource(databaseUrl).initialize()
  const statements = []
  const seen = new WeakSet()
  source.driver.master.on('acquire', (client) => {
    if (seen.has(client)) return
    seen.add(client)
    const query = client.query.bind(client)
    client.query = (...given) => {
      const [sql, values] = typeof given[0] === 'string' ? given : [given[0].text, given[0].values]
      statements.push({ sql, values: Array.isArray(values) ? values : [] })
      return query(...given)
    }
  })
  const database = new Database(source)
  const app = await buildApp({
    ...{ database, clock: () => new Date(), demo: true, publicUrl: null, webFolder: 'none', log: false },
  })
  const signIn = { email: 'ines@marrowdale.example', password }
  const session = await app.inject({ method: 'POST', url: '/api/session', payload: signIn })
  const cookie = session.headers['set-cookie'].split(';')[0]
  const get = async (url) => (await app.inject({ url, headers: { cookie } })).json()
  const { kits } = await get('/api/kits')
  const out = kits.find(({ loan, code }) => loan && code.startsWith('F-'))
  const kit = await get('/api/kits/M-04')
  const [part] = kit.parts
  const branchId = session.json().memberships[0].branchId
  const routes = [
    { name: 'shelf', kind: 'read', url: '/api/kits' },
    { name: 'desk', kind: 'read', url: '/api/desk' },
    { name: 'bench', kind: 'read', url: '/api/bench' },
    { name: 'kit-sheet', kind: 'read', url: '/api/kits/M-04' },
    { name: 'take-back-form', kind: 'read', url: `/api/loans/${out.loan.id}/take-back` },
    { name: 'borrowers', kind: 'read', url: `/api/borrowers?branchId=${branchId}&text=an` },
    { name: 'guide', kind: 'read', url: `/api/loans/${out.loan.id}/guide` },
    {
      ...{ name: 'draft', kind: 'write', method: 'POST', url: `/api/loans/${out.loan.id}/draft` },
      body: (at, count) => ({ entries: { [`desk-${at}`]: { value: 'present', atMs: Date.now() + count, by: 'x' } } }),
    },
    {
      ...{ name: 'mark', kind: 'write', method: 'POST', url: `/api/kits/${kit.id}/parts/${part.id}/mark` },
      body: () => ({ kitVersion: kit.version, mark: 'damaged', note: 'torn' }),
    },
  ]
  for (const route of routes) {
    const { method = 'GET', url, body } = route
    // A second time, when what is kept in memory is there.
    const times = method === 'GET' ? 2 : 1
    for (let time = 0; time < times; time++) {
      statements.length = 0
      const payload = body?.(0, time)
      const reply = await app.inject({ method, url, headers: { cookie }, ...(payload ? { payload } : {}) })
      if (reply.statusCode !== 200) throw new Explained(`${route.name} answered ${reply.statusCode}: ${reply.body}`)
      route.answer = reply.json()
    }
    route.statements = structuredClone(statements)
  }
  await app.close()
  await source.destroy()
  return { routes, kitId: kit.id, partIds: kits.filter(({ loan }) => !loan).map(({ id }) => id), branchId, out }
}

const startBare = async (databaseUrl, routes) => {
  const file = join(mkdtempSync(join(tmpdir(), 'binoculum-bare-')), 'routes.json')
  const plain = routes.map(({ name, statements, answer }) => ({ name, statements, answer }))
  writeFileSync(file, JSON.stringify({ databaseUrl, routes: plain }))
  const child = fork(join(rootFolder, 'perf', 'bare.mjs'), [file])
  const { address } = await new Promise((resolve) => child.on('message', resolve))
  return { base: address, stop: () => child.kill() }
}

await runMain(async () => {
  await ensurePackages()
  const binFolder = await ensurePostgres()
  await ensureBuild()
  const soakS = Number(process.argv[3] ?? 60)
  const folder = join(mkdtempSync('/var/tmp/binoculum-load-'), 'postgres')
  const cluster = await startCluster({ binFolder, folder, throwAway: true })
  let server, bare
  try {
    const password = 'only for this benchmark'
    const env = { ...process.env, DATABASE_URL: cluster.url, PERF_PASSWORD: password, PERF_KITS: '500' }
    const filled = spawnSync(process.execPath, [join(rootFolder, 'perf', 'fill.mjs')], {
      env,
      stdio: ['ignore', 2, 2],
    })
    if (filled.status !== 0) throw new Explained('perf/fill.mjs failed; see above.')
    const { routes, branchId } = await capture(cluster.url, password)
    bare = await startBare(cluster.url, routes)
    const port = await freePort()
    // Many desks at one address: the limit of requests a minute is for strangers.
    server = await startServer({
      env: { DATABASE_URL: cluster.url, PORT: String(port), REQUESTS_A_MINUTE: '10000000' },
    })
    const base = `http://127.0.0.1:${port}`
    const signIn = await fetch(`${base}/api/session`, {
      ...{ method: 'POST', headers: { 'content-type': 'application/json' } },
      body: JSON.stringify({ email: 'ines@marrowdale.example', password }),
    })
    const cookie = signIn.headers.get('set-cookie').split(';')[0]

    const pg = (await import('pg')).default
    const pool = new pg.Pool({ connectionString: cluster.url, max: 20 })
    const rows = []
    for (const route of routes) {
      const { name, kind, url, method = 'GET', body, statements } = route
      // One writer a kit at a time is what desks do: marks of one kit wait for each other, so they are sent one by one.
      const atOnce = name === 'mark' ? 1 : AT_ONCE
      let count = 0
      let version = null
      const whole = async (at) => {
        const sent = body?.(at, count++)
        if (name === 'mark') {
          version ??= JSON.parse((await ask(`${base}/api/kits/M-04`, { cookie })).text()).version
          sent.kitVersion = version++
        }
        const { status, text } = await ask(base + url, { method, cookie, body: sent })
        if (status !== 200) throw new Explained(`${name} answered ${status}: ${text().slice(0, 200)}`)
      }
      const plain = () => ask(`${bare.base}/${name}`, { method, body: body ? {} : undefined })
      const alone = async () => {
        const client = await pool.connect()
        for (const { sql, values } of statements) await client.query(sql, values)
        client.release()
      }
      await pound(whole, { atOnce, seconds: WARM_UP_S })
      await pound(plain, { atOnce, seconds: WARM_UP_S })
      const rounds = []
      for (let round = 0; round < ROUNDS; round++) {
        const [ours, theirs, sql] = [
          await pound(whole, { atOnce }),
          await pound(plain, { atOnce }),
          await pound(alone, { atOnce }),
        ]
        rounds.push({ ours, theirs, sql, ratio: ours / theirs })
      }
      const median = rounds.sort((a, b) => b.ratio - a.ratio)[(ROUNDS - 1) / 2]
      rows.push({ name, kind, statements: statements.length, ...median })
      say(
        `  ${name.padEnd(16)} ${String(statements.length).padStart(3)} statements  ${median.ours.toFixed(0).padStart(6)} /s   bare ${median.theirs.toFixed(0).padStart(6)} /s   SQL alone ${median.sql.toFixed(0).padStart(6)} /s   ${median.ratio.toFixed(2)}`,
      )
    }
    await pool.end()

    const shelfP95 = async () => {
      const times = []
      for (let count = 0; count < 60; count++) times.push((await ask(`${base}/api/kits`, { cookie })).ms)
      return quantile(times, 0.95)
    }
    const restMs = await shelfP95()
    let isOver = false
    const heavy = Array.from({ length: 30 }, async (_, at) => {
      const path = at % 2 === 0 ? `/api/borrowers?branchId=${branchId}&text=an` : '/api/prints?kind=kits&codes=M-04'
      while (!isOver) await ask(base + path, { cookie })
    })
    const busyMs = await shelfP95()
    isOver = true
    await Promise.all(heavy)
    say(
      `  Shelf p95 at rest ${restMs.toFixed(1)} ms, with 30 heavy requests running ${busyMs.toFixed(1)} ms: ${(busyMs / restMs).toFixed(1)} ×`,
    )

    await stopProcess(server.pid, 'SIGTERM')
    server = null
    bare.stop()
    const own = new pg.Client({ connectionString: cluster.url })
    await own.connect()
    await own.query('CREATE DATABASE soak')
    await own.end()
    say(`  40 branches with 5 desks each and 1,000 kits, for ${soakS} s:`)
    const soaked = await soak({ url: cluster.url.replace(/\/[^/]*$/, '/soak'), ask, password, seconds: soakS })
    const refused = Object.values(soaked.refusals).reduce((sum, count) => sum + count, 0)
    say(
      `  ${soaked.desks} desks, ${soaked.requests} requests, ${refused} not answered with 200 ${JSON.stringify(soaked.refusals)}, p50 ${soaked.p50Ms.toFixed(0)} ms, p95 ${soaked.p95Ms.toFixed(0)} ms, memory ${soaked.memoryMb.toFixed(0)} MB, ${soaked.memoryGrowth.toFixed(2)} × the middle third`,
    )
    for (const [kind, [p50, p95]] of Object.entries(soaked.byKind))
      say(`    ${kind.padEnd(16)} p50 ${p50} ms, p95 ${p95} ms`)
    const results = {
      routes: rows.map(({ name, ratio, ours, theirs, sql }) => ({ name, ratio, ours, theirs, sql })),
      restMs,
      busyMs,
      soak: soaked,
    }
    writeFileSync(join(rootFolder, 'perf', 'load-results.json'), `${JSON.stringify(results, null, 2)}\n`)
    const slow = rows
      .filter(({ kind, ratio }) => ratio < LEAST[kind])
      .map(({ name, ratio }) => `${name} ${ratio.toFixed(2)}`)
    if (slow.length > 0) say(`Below ${LEAST.read} for reads or ${LEAST.write} for writes: ${slow.join(', ')}`)
    if (refused > 0) throw new Explained(`${refused} requests of desks were refused.`)
    if (busyMs / restMs > MOST_SLOWED) throw new Explained('Heavy requests slow the Shelf down.')
    if (soaked.memoryGrowth > 1.3) throw new Explained('Memory grows.')
  } finally {
    bare?.stop()
    if (server) await stopProcess(server.pid, 'SIGTERM')
    await cluster.stop()
  }
})
process.exit()
