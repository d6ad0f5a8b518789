import { closingFieldsSchema, idSchema, openingFieldsSchema, openingsSchema } from '@binoculum/contract'
import { z } from 'zod'
import { anyRole, coordinatorOnly, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Opening } from './service.ts'

const params = z.object({ id: idSchema })
const response = { 200: openingsSchema }

export async function openingRoutes(app: App, opening: Opening) {
  app.get('/api/opening', { config: { access: anyRole }, schema: { response } }, async (request) =>
    opening.list(signedIn(request)),
  )
  app.put(
    '/api/branches/:id/opening',
    { config: { access: coordinatorOnly }, schema: { params, body: openingFieldsSchema, response } },
    async (request) => opening.change(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/branches/:id/closings',
    { config: { access: coordinatorOnly }, schema: { params, body: closingFieldsSchema, response } },
    async (request) => opening.close(signedIn(request), request.params.id, [request.body]),
  )
  app.delete(
    '/api/branches/:id/closings/:closingId',
    { config: { access: coordinatorOnly }, schema: { params: params.extend({ closingId: idSchema }), response } },
    async (request) => opening.reopen(signedIn(request), request.params.id, request.params.closingId),
  )
}
