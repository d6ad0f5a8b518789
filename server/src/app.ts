import rateLimit from '@fastify/rate-limit'
import fastify from 'fastify'
import { serializerCompiler, validatorCompiler } from 'fastify-type-provider-zod'
import { archiveRoutes } from './features/archive/routes.ts'
import { Archives } from './features/archive/service.ts'
import { calculatorRoutes } from './features/calculators/routes.ts'
import { checkRoutes } from './features/checks/routes.ts'
import { Checks } from './features/checks/service.ts'
import { contentsRoutes } from './features/contents/routes.ts'
import { Lists, Models, Pictures, Spares, Weighings } from './features/contents/service.ts'
import { draftRoutes } from './features/drafts/routes.ts'
import { Drafts } from './features/drafts/service.ts'
import { followUpRoutes } from './features/follow-up/routes.ts'
import { FollowUps, Letters } from './features/follow-up/service.ts'
import { guideRoutes } from './features/guides/routes.ts'
import { GuidePages } from './features/guides/page.ts'
import { Guides, GuideTextsDesk } from './features/guides/service.ts'
import { kitRoutes } from './features/kits/routes.ts'
import { Kits } from './features/kits/service.ts'
import { loanRoutes } from './features/loans/routes.ts'
import { Corrections } from './features/loans/corrections.ts'
import { KitSetUp } from './features/kits/kit-set-up.ts'
import { Loans } from './features/loans/service.ts'
import { printingRoutes } from './features/printing/routes.ts'
import { Practice } from './features/practice/service.ts'
import { practiceRoutes } from './features/practice/routes.ts'
import { Printing } from './features/printing/service.ts'
import { peopleRoutes } from './features/people/routes.ts'
import { People } from './features/people/service.ts'
import { siteRoutes } from './features/sites/routes.ts'
import { Landmarks } from './features/sites/landmarks.ts'
import { Sites } from './features/sites/service.ts'
import { accessRules } from './platform/access.ts'
import type { App } from './platform/app-type.ts'
import type { Database } from './platform/database.ts'
import { errorHandling, Problem } from './platform/errors.ts'
import { Live } from './platform/live.ts'
import type { MailDriver } from './platform/mail.ts'
import { pages } from './platform/pages.ts'
import { sessionCookie } from './platform/session.ts'
import { outboxDriver } from './standins/outbox.ts'

export interface AppOptions {
  readonly database: Database
  readonly clock: () => Date
  readonly demo: boolean
  /** Address under which people reach this server; https turns secure cookies on. */
  readonly publicUrl: string | null
  /** Folder of the built screens; without it only the interface for programs is served. */
  readonly webFolder: string
  readonly log: boolean
  /** Where letters go; by default into the outbox of this program. */
  readonly mail?: MailDriver
  readonly mailFrom?: string
}

/** The whole server apart from listening. */
export async function buildApp(options: AppOptions): Promise<App> {
  const secure = options.publicUrl?.startsWith('https:') ?? false
  const { database, clock, demo, mail = outboxDriver, mailFrom = 'lending@binoculum.invalid' } = options
  const context = { database, clock, secure, demo, mail, mailFrom }
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
  const weighings = new Weighings(context, kits)
  const loans = new Loans(context, kits, guides, weighings)
  const live = new Live(database.url)
  await live.open()
  app.addHook('onClose', () => live.close())

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
  await typed.register(kitRoutes, { kits, setUp: new KitSetUp(context, kits) })
  await typed.register(loanRoutes, { loans, corrections: new Corrections(context, loans) })
  await typed.register(checkRoutes, { checks: new Checks(context, kits) })
  await typed.register(guideRoutes, {
    guides,
    pages: new GuidePages(options.webFolder),
    texts: new GuideTextsDesk(context, kits),
  })
  await typed.register(contentsRoutes, {
    lists: new Lists(context),
    models: new Models(context),
    spares: new Spares(context, kits),
    weighings,
    pictures: new Pictures(context),
  })
  await typed.register(archiveRoutes, { archives: new Archives(context) })
  await typed.register(draftRoutes, { drafts: new Drafts(context, loans), live })
  await typed.register(followUpRoutes, { followUps: new FollowUps(context, kits), letters: new Letters(context) })
  await typed.register(printingRoutes, { printing: new Printing(context, kits) })
  await typed.register(practiceRoutes, { practice: new Practice(context) })
  await typed.register(siteRoutes, { sites: new Sites(context), landmarks: new Landmarks(context) })
  await typed.register(calculatorRoutes)
  await app.ready()
  return typed
}
