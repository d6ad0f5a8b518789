import compress from '@fastify/compress'
import rateLimit from '@fastify/rate-limit'
import fastify from 'fastify'
import fastifyPlugin from 'fastify-plugin'
import { serializerCompiler, validatorCompiler } from 'fastify-type-provider-zod'
import { features } from './features.ts'
import { Sessions } from './features/people/service.ts'
import { accessRules } from './platform/access.ts'
import type { App } from './platform/app-type.ts'
import { endIdle } from './platform/bounded-worker.ts'
import type { Database } from './platform/database.ts'
import { errorHandling, refuseUrl } from './platform/errors.ts'
import type { Drivers } from './platform/feature.ts'
import { heavyRoutes } from './platform/heavy.ts'
import { House } from './platform/house.ts'
import { Jobs } from './platform/jobs.ts'
import { Live } from './platform/live.ts'
import { logSettings } from './platform/log.ts'
import type { CardDirectory } from './platform/card-directory.ts'
import type { MailDriver } from './platform/mail.ts'
import { beingWatched } from './platform/metrics.ts'
import { pages, securityHeaders } from './platform/pages.ts'
import { jsonBodies } from './platform/read-json.ts'
import { sessionCookie } from './platform/session.ts'

export interface AppOptions {
  readonly database: Database
  readonly clock: () => Date
  readonly demo: boolean
  /** Address under which people reach this server; https turns secure cookies on. */
  readonly publicUrl: string | null
  /** Folder of the built screens; without it only the interface for programs is served. */
  readonly webFolder: string
  /** Warnings and worse to standard error, or wherever a test reads them; false for none. */
  readonly log: boolean | { write(line: string): void }
  /** Where letters go; else the stand-in that ships with this program. */
  readonly mail?: MailDriver
  readonly mailFrom?: string
  /** Where cards are known: null for nowhere; left out, the stand-in is. */
  readonly cards?: CardDirectory | null
  /** Of one address. */
  readonly requestsAMinute?: number
  /** With it the server's figures may be read from other machines than its own. */
  readonly metricsToken?: string | null
  /** Does what the clock asks for as well, looking for it this often. */
  readonly jobsEverySeconds?: number
}

const standIns: Partial<Drivers> = Object.assign({}, ...features.map((feature) => feature.standIns ?? {}))

/** The whole server apart from listening. */
export async function buildApp(options: AppOptions): Promise<App> {
  const secure = options.publicUrl?.startsWith('https:') ?? false
  const { database, clock, demo, mail = standIns.mail, mailFrom = 'lending@binoculum.invalid' } = options
  const cards = options.cards === undefined ? (standIns.cards ?? null) : options.cards
  if (!mail) throw new Error('Nothing takes letters: no feature has a stand-in for mail')
  const context = { database, clock, secure, demo, mail, mailFrom, cards }
  const app = fastify({
    logger: logSettings(options.log),
    frameworkErrors: refuseUrl,
    bodyLimit: 1_000_000,
    // With an address for others there is a proxy on this machine; without it limits would count all as one.
    trustProxy: options.publicUrl ? 'loopback' : false,
    routerOptions: { maxParamLength: 200 },
  })
  app.setValidatorCompiler(validatorCompiler)
  app.setSerializerCompiler(serializerCompiler)
  const live = new Live(database.url)
  await live.open()
  app.addHook('onClose', () => live.close())
  app.addHook('onClose', () => endIdle())
  const house = new House(context, live, options.webFolder)
  app.decorate('house', house)
  for (const { open } of features) open?.(house)
  const sessions = house.use(Sessions)
  if (options.jobsEverySeconds) {
    const jobs = new Jobs(
      database.url,
      features.flatMap((feature) => feature.jobs ?? []),
      (error) => app.log.error(error),
      options.jobsEverySeconds,
    )
    await jobs.start(house)
    app.addHook('onClose', () => jobs.stop())
  }

  await app.register(errorHandling)
  await app.register(securityHeaders, { secure })
  await app.register(jsonBodies)
  // A shelf of a thousand kits is mostly the same words; streams that are read line by line stay as they are.
  // What comes in is never unpacked: nobody sends a small body that fills the memory.
  await app.register(compress, {
    encodings: ['gzip'],
    threshold: 4096,
    customTypes: /^application\/json/,
    globalDecompression: false,
  })
  await app.register(rateLimit, { max: options.requestsAMinute ?? 1200, timeWindow: '1 minute' })
  await app.register(sessionCookie, {
    secure,
    ownOrigin: options.publicUrl,
    clock: options.clock,
    find: (tokenHash, now) => sessions.find(tokenHash, now),
    isOpen: (tokenHash, now) => sessions.isOpen(tokenHash, now),
  })
  await app.register(accessRules)
  await app.register(heavyRoutes, {})
  await app.register(beingWatched, { database, metricsToken: options.metricsToken ?? null })
  // Nothing of what the interface answers is kept by a browser or on the way, unless a route says otherwise.
  app.addHook('onSend', async (request, reply) => {
    if (request.url.startsWith('/api/') && !reply.hasHeader('cache-control'))
      reply.header('cache-control', 'no-store')
  })
  await app.register(pages, { folder: options.webFolder })
  const typed = app as unknown as App
  // With its name: for one without, every file that was ever loaded is looked through.
  for (const { name, routes } of features)
    if (routes)
      await app.register(
        fastifyPlugin((scope) => routes(scope as unknown as App, house), { name, encapsulate: true }),
      )
  await app.ready()
  return typed
}
