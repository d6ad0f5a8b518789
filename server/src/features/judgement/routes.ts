import { shelfSchema } from '@binoculum/contract'
import { anyRole, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import { asMade } from '../../platform/as-made.ts'
import type { Shelf } from './service.ts'

export async function judgementRoutes(app: App, shelf: Shelf) {
  app.get(
    '/api/kits',
    {
      config: { access: anyRole },
      schema: { response: { 200: shelfSchema } },
      serializerCompiler: asMade,
    },
    async (request) => shelf.kits(signedIn(request)),
  )
}
