import {
  buyingQuerySchema,
  buyingSchema,
  daySchema,
  idSchema,
  kitStorySchema,
  storyLinesSchema,
  trendsSchema,
  whatIfKitsSchema,
} from '@binoculum/contract'
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
    '/api/branches/:id/buying',
    {
      config: { access: anyRole },
      schema: { params: z.object({ id: idSchema }), querystring: buyingQuerySchema, response: { 200: buyingSchema } },
    },
    async (request) => logbook.buying(signedIn(request), request.params.id, request.query),
  )
  app.get(
    '/api/branches/:id/buying/pdf',
    {
      config: { heavy: true, access: anyRole },
      schema: { params: z.object({ id: idSchema }), querystring: buyingQuerySchema },
    },
    async (request, reply) => {
      const pdf = await logbook.buyingPdf(signedIn(request), request.params.id, request.query)
      return reply
        .type('application/pdf')
        .header('content-disposition', 'attachment; filename="buying and mending.pdf"')
        .send(pdf)
    },
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
    '/api/kits/:code/story/lines',
    {
      config: { access: anyRole },
      schema: {
        params: z.object({ code: z.string().min(1).max(40) }),
        querystring: z.object({
          from: daySchema,
          before: z
            .string()
            .regex(/^\d{1,18}$/)
            .optional(),
        }),
        response: { 200: storyLinesSchema },
      },
    },
    async (request) =>
      logbook.lines(signedIn(request), request.params.code, request.query.from, request.query.before),
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
