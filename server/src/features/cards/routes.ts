import { cardAnswerSchema, cardNumberSchema, idSchema } from '@binoculum/contract'
import { z } from 'zod'
import { deskRoles, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Cards } from './service.ts'

export async function cardRoutes(app: App, cards: Cards) {
  // The number goes in the body: addresses stand in logs.
  app.post(
    '/api/branches/:id/card',
    {
      config: { access: deskRoles },
      schema: {
        params: z.object({ id: idSchema }),
        body: z.object({ cardNumber: cardNumberSchema }),
        response: { 200: cardAnswerSchema },
      },
    },
    async (request) => cards.lookUp(signedIn(request), request.params.id, request.body.cardNumber),
  )
}
