import {
  remoteLookAnswerSchema,
  remoteLookOffersSchema,
  remoteLookSchema,
  remoteLooksSchema,
} from '@binoculum/contract'
import { z } from 'zod'
import { anyRole, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { RemoteLooks } from './service.ts'

const params = z.object({ token: z.string().min(20).max(64) })
const kitParams = z.object({ code: z.string().max(40) })
/** Two small pictures as base64. */
const BODY_LIMIT = 2_800_000

export async function remoteLookRoutes(app: App, looks: RemoteLooks) {
  app.get(
    '/api/guides/:token/looks',
    {
      config: { access: 'public', rateLimit: { max: 60, timeWindow: '1 minute' } },
      schema: { params, response: { 200: remoteLookOffersSchema } },
    },
    async (request, reply) => {
      reply.header('cache-control', 'private, no-store')
      return looks.offers(request.params.token)
    },
  )
  app.post(
    '/api/guides/:token/looks',
    {
      // A stranger may send this: few of them, and measured in a thread with bounds of its own.
      bodyLimit: BODY_LIMIT,
      config: { access: 'public', rateLimit: { max: 6, timeWindow: '1 minute' } },
      schema: { params, body: remoteLookSchema, response: { 200: remoteLookAnswerSchema } },
    },
    async (request) => looks.take(request.params.token, request.body),
  )
  app.get(
    '/api/kits/:code/remote-looks',
    { config: { access: anyRole }, schema: { params: kitParams, response: { 200: remoteLooksSchema } } },
    async (request) => looks.ofKit(signedIn(request), request.params.code),
  )
}
