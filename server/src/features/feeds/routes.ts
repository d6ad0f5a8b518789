import {
  closingsFileSchema,
  closingsReadSchema,
  feedMadeSchema,
  feedsSchema,
  idSchema,
  makeFeedSchema,
} from '@binoculum/contract'
import { z } from 'zod'
import { coordinatorOnly, deskRoles, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Feeds } from './service.ts'

const params = z.object({ id: idSchema })

export async function feedRoutes(app: App, feeds: Feeds) {
  app.get(
    '/api/branches/:id/feeds',
    { config: { access: deskRoles }, schema: { params, response: { 200: feedsSchema } } },
    async (request) => feeds.list(signedIn(request), request.params.id),
  )
  app.post(
    '/api/branches/:id/feeds',
    {
      config: { access: coordinatorOnly },
      schema: { params, body: makeFeedSchema, response: { 200: feedMadeSchema } },
    },
    async (request) => feeds.make(signedIn(request), request.params.id, request.body),
  )
  app.delete(
    '/api/branches/:id/feeds/:feedId',
    {
      config: { access: coordinatorOnly },
      schema: { params: params.extend({ feedId: z.string().min(6).max(64) }), response: { 200: feedsSchema } },
    },
    async (request) => feeds.end(signedIn(request), request.params.id, request.params.feedId),
  )
  app.post(
    '/api/branches/:id/closings/read',
    {
      bodyLimit: 1_200_000,
      config: { access: coordinatorOnly },
      schema: { params, body: closingsFileSchema, response: { 200: closingsReadSchema } },
    },
    async (request) => feeds.read(signedIn(request), request.params.id, request.body.text),
  )
  app.get(
    '/feeds/:file',
    {
      config: { access: 'public' },
      schema: { params: z.object({ file: z.string().regex(/^[\w-]{20,100}\.ics$/) }) },
    },
    async (request, reply) => {
      const text = await feeds.file(request.params.file.replace(/\.ics$/, ''))
      return reply
        .type('text/calendar; charset=utf-8')
        .header('x-robots-tag', 'noindex')
        .header('cache-control', 'private, max-age=300')
        .send(text)
    },
  )
}
