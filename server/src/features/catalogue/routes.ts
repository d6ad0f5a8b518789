import { idSchema } from '@binoculum/contract'
import { z } from 'zod'
import { anyRole, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Catalogue } from './service.ts'

export async function catalogueRoutes(app: App, catalogue: Catalogue) {
  app.get(
    '/api/branches/:id/catalogue',
    { config: { heavy: true, access: anyRole }, schema: { params: z.object({ id: idSchema }) } },
    async (request, reply) => {
      const xml = await catalogue.write(signedIn(request), request.params.id)
      return reply
        .type('application/marcxml+xml')
        .header('content-disposition', 'attachment; filename="catalogue.xml"')
        .send(xml)
    },
  )
}
