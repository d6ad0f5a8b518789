import { answerOfferSchema, askForKitSchema, idSchema, offerKitSchema, waitingListSchema } from '@binoculum/contract'
import { z } from 'zod'
import { deskRoles, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Waiting } from './service.ts'

const params = z.object({ id: idSchema })
const response = { 200: waitingListSchema }
const config = { access: deskRoles }

export async function waitingRoutes(app: App, waiting: Waiting) {
  app.get('/api/branches/:id/waiting', { config, schema: { params, response } }, async (request) =>
    waiting.list(signedIn(request), request.params.id),
  )
  app.post(
    '/api/branches/:id/waiting',
    { config, schema: { params, body: askForKitSchema, response } },
    async (request) => waiting.ask(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/waiting/:id/offer',
    { config, schema: { params, body: offerKitSchema, response } },
    async (request) => waiting.offer(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/waiting/:id/answer',
    { config, schema: { params, body: answerOfferSchema, response } },
    async (request) => waiting.answer(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/waiting/:id/leave',
    { config, schema: { params, body: z.object({ version: z.number().int() }), response } },
    async (request) => waiting.leave(signedIn(request), request.params.id, request.body.version),
  )
}
