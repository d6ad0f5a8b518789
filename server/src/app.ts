import rateLimit from '@fastify/rate-limit'
import fastify from 'fastify'
import { serializerCompiler, validatorCompiler } from 'fastify-type-provider-zod'
import { calculatorRoutes } from './features/calculators/routes.ts'
import { checkRoutes } from './features/checks/routes.ts'
import { Checks } from './features/checks/service.ts'
import { contentsRoutes } from './features/contents/routes.ts'
import { Contents } from './features/contents/service.ts'
import { guideRoutes } from './features/guides/routes.ts'
import { Guides } from './features/guides/service.ts'
import { kitRoutes } from './features/kits/routes.ts'
import { Kits } from './features/kits/service.ts'
import { loanRoutes } from './features/loans/routes.ts'
import { Loans } from './features/loans/service.ts'
import { peopleRoutes } from './features/people/routes.ts'
import { People } from './features/people/service.ts'
import { accessRules } from './platform/access.ts'
import type { App } from './platform/app-type.ts'
import type { Database } from './platform/database.ts'
import { errorHandling, Problem } from './platform/errors.ts'
import { pages } from './platform/pages.ts'
import { sessionCookie } from './platform/session.ts'

export interface AppOptions {
  readonly database: Database
  readonly clock: () => Date
  readonly demo: boolean
  /** Address under which people reach this server; https turns secure cookies on. */
  readonly publicUrl: string | null
  /** Folder of the built screens; without it only the interface for programs is served. */
  readonly webFolder: string
  readonly log: boolean
}

/** The whole server apart from listening. */
export async function buildApp(options: AppOptions): Promise<App> {
  const secure = options.publicUrl?.startsWith('https:') ?? false
  const context = { database: options.database, clock: options.clock, secure, demo: options.demo }
  const app = fastify({
    logger: options.log ? { level: 'warn' } : false,
    bodyLimit: 1_000_000,
    // With an address for others there is a proxy on this machine; without it limits would count all as one.
    trustProxy: options.publicUrl ? 'loopback' : false,
    routerOptions: { maxParamLength: 200 },
  })
  const parseJson = app.getDefaultJsonParser('error', 'error')
  app.addContentTypeParser('application/json', { parseAs: 'string' }, (request, body, done) => {
    // PostgreSQL stores no zero bytes, and nobody types one.
    if (body.includes('\\u0000')) return done(new Problem('BAD_INPUT'))
    return parseJson(request, String(body), done)
  })
  app.setValidatorCompiler(validatorCompiler)
  app.setSerializerCompiler(serializerCompiler)
  const people = new People(context)
  const kits = new Kits(context)
  const guides = new Guides(context)

  await app.register(errorHandling)
  await app.register(rateLimit, { max: 1200, timeWindow: '1 minute' })
  await app.register(sessionCookie, {
    secure,
    ownOrigin: options.publicUrl,
    clock: options.clock,
    find: (tokenHash, now) => people.findSession(tokenHash, now),
  })
  await app.register(accessRules)
  await app.register(pages, { folder: options.webFolder, secure })
  const typed = app as unknown as App
  await typed.register(peopleRoutes, { ...context, people })
  await typed.register(kitRoutes, { kits })
  await typed.register(loanRoutes, { loans: new Loans(context, kits, guides) })
  await typed.register(checkRoutes, { checks: new Checks(context, kits) })
  await typed.register(guideRoutes, { guides })
  await typed.register(contentsRoutes, { contents: new Contents(context) })
  await typed.register(calculatorRoutes)
  await app.ready()
  return typed
}
