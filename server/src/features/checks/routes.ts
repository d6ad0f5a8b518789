import { benchSchema, checkResultSchema, finishCheckSchema, glassLooksSchema, idSchema } from '@binoculum/contract'
import { z } from 'zod'
import { anyRole, deskRoles, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import { asMade } from '../../platform/as-made.ts'
import type { Checks } from './service.ts'

export async function checkRoutes(app: App, { checks }: { checks: Checks }) {
  app.get(
    '/api/bench',
    { config: { access: anyRole }, schema: { response: { 200: benchSchema } }, serializerCompiler: asMade },
    async (request) => checks.bench(signedIn(request)),
  )
  app.get(
    '/api/kits/:code/glass-looks',
    {
      config: { access: anyRole },
      schema: { params: z.object({ code: z.string().max(40) }), response: { 200: glassLooksSchema } },
    },
    async (request) => checks.glassLooks(signedIn(request), request.params.code),
  )
  app.post(
    '/api/kits/:id/checks',
    {
      config: { access: deskRoles },
      schema: { params: z.object({ id: idSchema }), body: finishCheckSchema, response: { 200: checkResultSchema } },
    },
    async (request) => checks.finish(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/kits/:id/cell/forget',
    {
      config: { access: deskRoles },
      schema: {
        params: z.object({ id: idSchema }),
        body: z.object({ kitVersion: z.number().int() }),
        response: { 200: checkResultSchema },
      },
    },
    async (request) => checks.forgetCell(signedIn(request), request.params.id, request.body.kitVersion),
  )
}
