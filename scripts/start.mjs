import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { ensureBuild } from './lib/build.mjs'
import { startCluster } from './lib/postgres.mjs'
import { commandLineOf, isAlive, isPortFree, stopProcess } from './lib/processes.mjs'
import { Explained, runMain, say } from './lib/say.mjs'
import { startServer } from './lib/server.mjs'
import { dataFolder, ensurePackages, ensurePostgres } from './lib/setup.mjs'

const loopbackHosts = ['127.0.0.1', '::1', 'localhost']
/** Ended more often than this, the database is not started again: something is wrong that a start doesn’t mend. */
const MOST_ENDS_A_MINUTE = 5
const ownPidPath = join(dataFolder, 'start.pid')

const { values: options } = parseArgs({ options: { empty: { type: 'boolean', default: false } } })
const host = process.env.HOST ?? '127.0.0.1'
const port = Number(process.env.PORT ?? 8460)

/** Stops whatever was started, last first. Called once, however the end comes. */
const toStop = []
let stopping = null
function stopAll() {
  stopping ??= (async () => {
    for (const stop of toStop.reverse()) await stop()
  })()
  return stopping
}

function refuseSecondStart() {
  if (!existsSync(ownPidPath)) return
  const pid = Number(readFileSync(ownPidPath, 'utf8'))
  if (pid !== process.pid && isAlive(pid) && commandLineOf(pid).includes('scripts/start.mjs'))
    throw new Explained(
      `Binoculum already runs from this folder (process ${pid}). Stop it there with Ctrl-C first.`,
      6,
    )
}

async function main() {
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new Explained(`PORT must be a whole number from 1 to 65535; it is “${process.env.PORT}”.`, 2)
  if (!options.empty && !process.env.DATABASE_URL && !loopbackHosts.includes(host))
    throw new Explained(
      `Demo data has demo passwords, so it is served on this machine only and HOST=${host} is refused.\n` +
        'For others to reach it, start with real data: npm start -- --empty',
      2,
    )
  mkdirSync(dataFolder, { recursive: true })
  refuseSecondStart()
  writeFileSync(ownPidPath, String(process.pid))
  toStop.push(async () => rmSync(ownPidPath, { force: true }))
  if (!(await isPortFree(port, host)))
    throw new Explained(
      `Port ${port} on ${host} is in use by another program. Stop that one, or choose another: PORT=8461 npm start`,
      6,
    )
  await ensurePackages()
  let databaseUrl = process.env.DATABASE_URL
  let ownerUrl = process.env.DATABASE_OWNER_URL
  let cluster = null
  let restart = null
  if (!databaseUrl) {
    const binFolder = await ensurePostgres()
    const folder = join(dataFolder, options.empty ? 'postgres-empty' : 'postgres')
    cluster = await startCluster({ binFolder, folder })
    databaseUrl = cluster.dailyUrl
    ownerUrl = cluster.url
    toStop.push(() => cluster.stop())
    restart = async () => (cluster = await startCluster({ binFolder, folder, port: cluster.port }))
  }
  await ensureBuild()
  const server = await startServer({
    args: options.empty ? ['--empty'] : ['--demo'],
    env: {
      DATABASE_URL: databaseUrl,
      ...(ownerUrl ? { DATABASE_OWNER_URL: ownerUrl } : {}),
      HOST: host,
      PORT: String(port),
      BINOCULUM_DATA: dataFolder,
    },
  })
  toStop.push(() => stopProcess(server.pid, 'SIGTERM'))
  say(`\nBinoculum is ready: http://${host}:${port}   (Ctrl-C stops it)\n`)
  return new Promise((resolve) => {
    server.on('exit', (code) => {
      if (!stopping) say('The server ended by itself; its reason stands above.')
      resolve(stopping ? 0 : (code ?? 1))
    })
    const endedAtMs = []
    const ended = async () => {
      if (stopping) return
      endedAtMs.push(Date.now())
      if (endedAtMs.filter((at) => Date.now() - at < 60_000).length > MOST_ENDS_A_MINUTE) {
        say('The database ended by itself again and again. What was written is kept; look at its disk and memory.')
        return resolve(7)
      }
      say('The database ended by itself. It is started again, and recovers what was written.')
      try {
        await restart()
        say('The database is back.')
        watch()
      } catch (error) {
        say(error.message)
        resolve(7)
      }
    }
    /** One that ended before anybody watched is noticed as well. */
    const watch = () => {
      if (!cluster) return
      const { child } = cluster
      if (child.exitCode !== null || child.signalCode !== null) void ended()
      else child.on('exit', ended)
    }
    watch()
  })
}

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
  process.on(signal, async () => {
    say('\nStopping …')
    await stopAll()
    process.exit(0)
  })
}
await runMain(async () => {
  try {
    return await main()
  } finally {
    await stopAll()
  }
})
process.exit()
