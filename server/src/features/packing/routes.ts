import { idSchema, keepPackingSchema, packingSchema } from '@binoculum/contract'
import { z } from 'zod'
import { anyRole, deskRoles, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { PackingPictures } from './service.ts'

export async function packingRoutes(app: App, packing: PackingPictures) {
  app.get(
    '/api/kits/:code/packing',
    {
      config: { access: anyRole },
      schema: { params: z.object({ code: z.string().min(1).max(40) }), response: { 200: packingSchema } },
    },
    async (request) => packing.ofKit(signedIn(request), request.params.code),
  )
  app.put(
    '/api/kits/:id/packing',
    {
      config: { access: deskRoles },
      schema: { params: z.object({ id: idSchema }), body: keepPackingSchema, response: { 200: packingSchema } },
    },
    async (request) => packing.keep(signedIn(request), request.params.id, request.body),
  )
}
