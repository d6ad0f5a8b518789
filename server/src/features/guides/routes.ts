import { guideListSchema, guideSchema, idSchema } from '@binoculum/contract'
import { z } from 'zod'
import { anyRole, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Guides } from './service.ts'

export async function guideRoutes(app: App, { guides }: { guides: Guides }) {
  app.get(
    '/api/guides/:token',
    {
      config: { access: 'public', rateLimit: { max: 60, timeWindow: '1 minute' } },
      schema: { params: z.object({ token: z.string().min(20).max(64) }), response: { 200: guideSchema } },
    },
    async (request, reply) => {
      const guide = await guides.byToken(request.params.token)
      reply.header('x-robots-tag', 'noindex, nofollow').header('cache-control', 'private, no-store')
      return guide
    },
  )
  app.get(
    '/api/loans/:id/guide',
    { config: { access: anyRole }, schema: { params: z.object({ id: idSchema }), response: { 200: guideSchema } } },
    async (request) => guides.ofLoan(signedIn(request), request.params.id),
  )
  app.get(
    '/api/guides',
    { config: { access: anyRole }, schema: { response: { 200: guideListSchema } } },
    async (request) => guides.list(signedIn(request)),
  )
}
