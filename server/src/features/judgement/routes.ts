import { shelfSchema } from '@binoculum/contract'
import { anyRole, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Shelf } from './service.ts'

export async function judgementRoutes(app: App, shelf: Shelf) {
  app.get(
    '/api/kits',
    {
      config: { access: anyRole },
      schema: { response: { 200: shelfSchema } },
      // Copying hundreds of kits through their schema took as long as judging them; a test holds the shape instead.
      serializerCompiler: () => (kits) => JSON.stringify(kits),
    },
    async (request) => shelf.kits(signedIn(request)),
  )
}
