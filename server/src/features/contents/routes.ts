import { confirmListSchema, listPreviewSchema, listResultSchema, previewListSchema } from '@binoculum/contract'
import { coordinatorOnly, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Contents } from './service.ts'

const BODY_LIMIT = 5_000_000

export async function contentsRoutes(app: App, { contents }: { contents: Contents }) {
  app.post(
    '/api/lists/preview',
    {
      config: { access: coordinatorOnly },
      bodyLimit: BODY_LIMIT,
      schema: { body: previewListSchema, response: { 200: listPreviewSchema } },
    },
    async (request) => contents.preview(request.body),
  )
  app.post(
    '/api/lists/confirm',
    {
      config: { access: coordinatorOnly },
      bodyLimit: BODY_LIMIT,
      schema: { body: confirmListSchema, response: { 200: listResultSchema } },
    },
    async (request) => contents.confirm(signedIn(request), request.body),
  )
}
