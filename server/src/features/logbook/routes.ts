import { daySchema, idSchema, kitStorySchema, trendsSchema, whatIfKitsSchema } from '@binoculum/contract'
import { z } from 'zod'
import { anyRole, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Logbook } from './service.ts'

export async function logbookRoutes(app: App, logbook: Logbook) {
  app.get(
    '/api/logbook',
    { config: { access: anyRole }, schema: { response: { 200: trendsSchema } } },
    async (request) => logbook.trends(signedIn(request)),
  )
  app.get(
    '/api/branches/:id/what-if',
    {
      config: { access: anyRole },
      schema: { params: z.object({ id: idSchema }), response: { 200: whatIfKitsSchema } },
    },
    async (request) => logbook.whatIfKits(signedIn(request), request.params.id),
  )
  app.get(
    '/api/kits/:code/story',
    {
      config: { access: anyRole },
      schema: {
        params: z.object({ code: z.string().min(1).max(40) }),
        querystring: z.object({ from: daySchema.optional() }),
        response: { 200: kitStorySchema },
      },
    },
    async (request) => logbook.story(signedIn(request), request.params.code, request.query.from),
  )
}
