import { printedSchema, printQuerySchema } from '@binoculum/contract'
import { anyRole, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Printing } from './service.ts'

export async function printingRoutes(app: App, { printing }: { printing: Printing }) {
  app.get(
    '/api/prints',
    {
      config: { heavy: true, access: anyRole },
      schema: { querystring: printQuerySchema, response: { 200: printedSchema } },
    },
    async (request) => ({
      pages: [...(await printing.pages(signedIn(request), request.query))].map((page) => ({
        ...page,
        items: [...page.items],
      })),
    }),
  )
  app.get(
    '/api/prints/pdf',
    { config: { heavy: true, access: anyRole }, schema: { querystring: printQuerySchema } },
    async (request, reply) => {
      const bytes = await printing.pdf(signedIn(request), request.query)
      return reply
        .type('application/pdf')
        .header('content-disposition', `inline; filename="${request.query.kind}.pdf"`)
        .send(bytes)
    },
  )
}
