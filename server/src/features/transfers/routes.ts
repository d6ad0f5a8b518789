import { idSchema, planTransferSchema, settleTransferSchema, transfersSchema } from '@binoculum/contract'
import { z } from 'zod'
import { deskRoles, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Transfers } from './service.ts'

const response = { 200: transfersSchema }

export async function transferRoutes(app: App, transfers: Transfers) {
  app.get('/api/transfers', { config: { access: deskRoles }, schema: { response } }, async (request) =>
    transfers.list(signedIn(request)),
  )
  app.post(
    '/api/transfers',
    { config: { access: deskRoles }, schema: { body: planTransferSchema, response } },
    async (request) => transfers.plan(signedIn(request), request.body),
  )
  app.post(
    '/api/transfers/:id/settle',
    {
      config: { access: deskRoles },
      schema: { params: z.object({ id: idSchema }), body: settleTransferSchema, response },
    },
    async (request) => transfers.settle(signedIn(request), request.params.id, request.body),
  )
}
