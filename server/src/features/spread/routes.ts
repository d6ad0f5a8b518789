import { idSchema, spreadAskedSchema, spreadFileSchema, spreadsSchema } from '@binoculum/contract'
import { z } from 'zod'
import { coordinatorOnly, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Spreads } from './service.ts'

const params = z.object({ id: idSchema })
const response = { 200: spreadsSchema }
const config = { access: coordinatorOnly }

export async function spreadRoutes(app: App, spreads: Spreads) {
  app.get('/api/branches/:id/spreads', { config, schema: { params, response } }, async (request) =>
    spreads.list(signedIn(request), request.params.id),
  )
  app.get(
    '/api/branches/:id/spread',
    { config: { ...config, heavy: true }, schema: { params, querystring: spreadAskedSchema } },
    async (request, reply) => {
      const file = await spreads.write(signedIn(request), request.params.id, request.query.origin)
      return reply
        .type('application/json; charset=utf-8')
        .header('content-disposition', 'attachment; filename="losses-and-drift.json"')
        .send(`${JSON.stringify(file, null, 1)}\n`)
    },
  )
  app.post(
    '/api/branches/:id/spreads',
    { config, schema: { params, body: spreadFileSchema, response } },
    async (request) => spreads.read(signedIn(request), request.params.id, request.body),
  )
  app.delete(
    '/api/branches/:id/spreads/:spreadId',
    { config, schema: { params: params.extend({ spreadId: idSchema }), response } },
    async (request) => spreads.forget(signedIn(request), request.params.id, request.params.spreadId),
  )
}
