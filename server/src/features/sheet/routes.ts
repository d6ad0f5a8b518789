import { kitSheetSchema } from '@binoculum/contract'
import { z } from 'zod'
import { anyRole, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import { asMade } from '../../platform/as-made.ts'
import type { Sheets } from './service.ts'

const codeParams = z.object({ code: z.string().min(1).max(40) })

export async function sheetRoutes(app: App, sheets: Sheets) {
  app.get(
    '/api/kits/:code',
    {
      config: { access: anyRole },
      schema: { params: codeParams, response: { 200: kitSheetSchema } },
      serializerCompiler: asMade,
    },
    async (request) => sheets.sheet(signedIn(request), request.params.code),
  )
}
