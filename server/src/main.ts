import 'reflect-metadata'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { buildApp } from './app.ts'
import { loadDemo } from './demo/load.ts'
import { People } from './features/people/service.ts'
import { httpDirectory } from './platform/card-directory.ts'
import { readConfig } from './platform/config.ts'
import { smtpDriver } from './platform/smtp.ts'
import { makeDataSource } from './data-source.ts'
import { Database } from './platform/database.ts'
import { Replica } from './platform/replica.ts'
import type { SlowStatement } from './platform/slow-statements.ts'
import { prepareDatabase } from './prepare-database.ts'

const say = (text: string) => process.stderr.write(`${text}\n`)

async function main(): Promise<void> {
  const config = readConfig(process.env, process.argv.slice(2))
  await prepareDatabase(config)
  // Filling a demo takes long statements; what matters is what makes a desk wait.
  let serves = false
  const saySlow = (slow: SlowStatement) => void (serves && say(JSON.stringify({ slow })))
  const source = await makeDataSource(config.databaseUrl, saySlow).initialize()
  const { replicaUrl } = config
  const replica = replicaUrl ? new Replica(source, await makeDataSource(replicaUrl).initialize()) : null
  await replica?.look()
  const database = new Database(source, replica)
  const clock = () => new Date()
  if (config.mode === 'demo') say(await loadDemo({ database, now: clock(), dataFolder: config.dataFolder }))

  const webFolder = join(dirname(fileURLToPath(import.meta.url)), '..', '..', 'web', 'dist')
  const demo = config.mode === 'demo'
  const { publicUrl, mailFrom, smtpUrl, metricsToken, requestsAMinute } = config
  const { cardDirectory } = config
  const ownDirectory = cardDirectory === 'none' ? null : httpDirectory(cardDirectory)
  const cards = cardDirectory === 'simulated' ? undefined : ownDirectory
  const mail = smtpUrl ? smtpDriver(smtpUrl) : undefined
  const app = await buildApp({
    ...{ database, clock, demo, publicUrl, webFolder, mail, mailFrom, cards, metricsToken, requestsAMinute },
    log: true,
    jobsEverySeconds: 30,
  })
  await app.listen({ host: config.host, port: config.port })
  if (config.mode === 'empty') await sayFirstLink(app.house.use(People), config)
  serves = true
  process.send?.('ready')

  let stopping = false
  const stop = async () => {
    if (stopping) return
    stopping = true
    await app.close()
    await replica?.close()
    await source.destroy()
    process.exit(0)
  }
  process.on('SIGTERM', stop)
  process.on('SIGINT', stop)
  // The channel to the command that started us ends when it ends, even if it was killed.
  process.on('disconnect', stop)
}

async function sayFirstLink(people: People, config: { publicUrl: string | null; host: string; port: number }) {
  const path = await people.firstCoordinatorLink()
  if (!path) return
  const base = config.publicUrl ?? `http://${config.host}:${config.port}`
  say(`\nNobody is here yet. The first coordinator opens this link once, within seven days:\n\n    ${base}${path}\n`)
}

main().catch((error: unknown) => {
  say(`Binoculum could not start: ${error instanceof Error ? error.message : String(error)}`)
  process.exit(1)
})
