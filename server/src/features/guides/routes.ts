import {
  borrowerMessageSchema,
  firstNightsSchema,
  guideListSchema,
  guideSchema,
  guideTextFormSchema,
  guideTextsSchema,
  idSchema,
  nightToldSchema,
  receivedMessagesSchema,
} from '@binoculum/contract'
import { z } from 'zod'
import { anyRole, coordinatorOnly, deskRoles, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import { asMade } from '../../platform/as-made.ts'
import { gunzipSync } from 'node:zlib'
import { Problem, problemOfDatabase } from '../../platform/errors.ts'
import { AWAY_PAGE, LINK_OVER_PAGE } from './over-pages.ts'
import type { FirstNights } from './first-nights.ts'
import type { GuidePages } from './page.ts'
import type { Guides, GuideTextsDesk } from './service.ts'

const tokenSchema = z.object({ token: z.string().min(20).max(64) })

export async function guideRoutes(
  app: App,
  { guides, nights, pages, texts }: { guides: Guides; nights: FirstNights; pages: GuidePages; texts: GuideTextsDesk },
) {
  app.get(
    '/api/guides/:token',
    {
      config: { access: 'public', rateLimit: { max: 60, timeWindow: '1 minute' } },
      schema: { params: tokenSchema, response: { 200: guideSchema } },
      serializerCompiler: asMade,
    },
    async (request, reply) => {
      const guide = await guides.byToken(request.params.token)
      reply.header('x-robots-tag', 'noindex, nofollow').header('cache-control', 'private, no-store')
      return guide
    },
  )
  app.get(
    '/api/loans/:id/guide',
    {
      config: { access: anyRole },
      schema: { params: z.object({ id: idSchema }), response: { 200: guideSchema } },
    },
    async (request, reply) =>
      // The very text that is kept: nothing of it is read on its way.
      reply.type('application/json').send((await guides.ofLoan(signedIn(request), request.params.id)) as never),
  )
  app.get(
    '/api/guides',
    { config: { access: anyRole }, schema: { response: { 200: guideListSchema } } },
    async (request) => guides.list(signedIn(request)),
  )
  app.post(
    '/api/guides/:token/messages',
    {
      // A stranger may send this: a small body, few of them, the picture decoded apart.
      bodyLimit: 1_400_000,
      config: { access: 'public', rateLimit: { max: 12, timeWindow: '1 minute' } },
      schema: { params: tokenSchema, body: borrowerMessageSchema, response: { 204: z.null() } },
    },
    async (request, reply) => {
      await guides.receive(request.params.token, request.body)
      return reply.code(204).send(null)
    },
  )
  app.post(
    '/api/guides/:token/nights',
    {
      config: { access: 'public', rateLimit: { max: 12, timeWindow: '1 minute' } },
      schema: { params: tokenSchema, body: nightToldSchema, response: { 204: z.null() } },
    },
    async (request, reply) => {
      await nights.tell(request.params.token, request.body)
      return reply.code(204).send(null)
    },
  )
  app.get(
    '/api/kits/:code/first-nights',
    {
      config: { access: anyRole },
      schema: { params: z.object({ code: z.string().max(40) }), response: { 200: firstNightsSchema } },
    },
    async (request) => nights.ofKit(signedIn(request), request.params.code),
  )
  app.get(
    '/api/borrower-messages',
    { config: { access: anyRole }, schema: { response: { 200: receivedMessagesSchema } } },
    async (request) => guides.messages(signedIn(request)),
  )
  app.post(
    '/api/borrower-messages/:id/seen',
    { config: { access: deskRoles }, schema: { params: z.object({ id: idSchema }), response: { 204: z.null() } } },
    async (request, reply) => {
      await guides.seen(signedIn(request), request.params.id)
      return reply.code(204).send(null)
    },
  )
  app.get(
    '/api/guide-texts',
    {
      config: { access: anyRole },
      schema: {
        querystring: z.object({ kit: z.string().max(40), language: z.string().max(5).default('en') }),
        response: { 200: guideTextsSchema },
      },
    },
    async (request) => texts.texts(signedIn(request), request.query.kit, request.query.language),
  )
  app.post(
    '/api/guide-texts/preview',
    { config: { access: anyRole }, schema: { body: guideTextFormSchema, response: { 200: guideSchema } } },
    async (request) => texts.preview(signedIn(request), request.body),
  )
  app.post(
    '/api/guide-texts',
    { config: { access: coordinatorOnly }, schema: { body: guideTextFormSchema, response: { 204: z.null() } } },
    async (request, reply) => {
      await texts.keep(signedIn(request), request.body)
      return reply.code(204).send(null)
    },
  )
  app.get(
    '/g/:token',
    {
      config: { access: 'public', rateLimit: { max: 60, timeWindow: '1 minute' } },
      schema: {
        params: z.object({ token: z.string().max(200) }),
        querystring: z.object({ lang: z.string().max(8).optional() }),
      },
    },
    async (request, reply) => {
      const { token } = request.params
      reply.header('x-robots-tag', 'noindex, nofollow').header('cache-control', 'private, no-cache')
      const guideId = await guides.idByToken(token).catch((error: Error) => {
        if (problemOfDatabase(error)?.code === 'DATABASE_AWAY') return 'away' as const
        throw error
      })
      if (guideId === 'away')
        return reply.code(503).header('retry-after', '30').type('text/html; charset=utf-8').send(AWAY_PAGE)
      if (!guideId) return reply.code(404).type('text/html; charset=utf-8').send(LINK_OVER_PAGE)
      const asked = { token, language: request.query.lang }
      const page = await pages.compressed(guideId, asked, () => guides.byToken(token))
      if (page === null) throw new Problem('NOT_FOUND')
      reply.type('text/html; charset=utf-8').header('vary', 'accept-encoding')
      if (!/\bgzip\b/.test(request.headers['accept-encoding'] ?? '')) return reply.send(gunzipSync(page))
      return reply.header('content-encoding', 'gzip').send(page)
    },
  )
  app.get(
    '/g/:token/manifest.webmanifest',
    { config: { access: 'public', rateLimit: { max: 60, timeWindow: '1 minute' } }, schema: { params: tokenSchema } },
    async (request, reply) => {
      const { token } = request.params
      return reply.type('application/manifest+json').send(pages.manifest(await guides.byToken(token), token))
    },
  )
  app.get(
    '/g/:token/pictures/:id',
    {
      config: { access: 'public', rateLimit: { max: 120, timeWindow: '1 minute' } },
      schema: { params: tokenSchema.extend({ id: idSchema }) },
    },
    async (request, reply) => {
      const { token, id } = request.params
      return reply
        .type('image/jpeg')
        .header('x-robots-tag', 'noindex, nofollow')
        .header('cache-control', 'private, max-age=86400')
        .send(await guides.pictureByToken(token, id))
    },
  )
  for (const [name, type] of [
    ['guide-worker.js', 'text/javascript; charset=utf-8'],
    ['guide-icon.svg', 'image/svg+xml'],
  ] as const)
    app.get(`/${name}`, { config: { access: 'public', rateLimit: false } }, async (_request, reply) => {
      const file = pages.file(name)
      if (!file) throw new Problem('NOT_FOUND')
      return reply.type(type).header('cache-control', 'no-cache').send(file)
    })
}
