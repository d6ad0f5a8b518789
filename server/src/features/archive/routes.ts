import { archiveResultSchema, archiveSchema, idSchema } from '@binoculum/contract'
import { z } from 'zod'
import { coordinatorOnly, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Archives } from './service.ts'

/** A branch's pictures come along. */
const BODY_LIMIT = 60_000_000
const querystring = z.object({ branchId: idSchema })

export async function archiveRoutes(app: App, { archives }: { archives: Archives }) {
  // The service has it read in a thread of its own.
  app.removeContentTypeParser('application/json')
  app.addContentTypeParser('application/json', { parseAs: 'buffer' }, (_request, body, done) => done(null, body))
  app.get(
    '/api/archive',
    { config: { heavy: true, access: coordinatorOnly }, schema: { querystring, response: { 200: archiveSchema } } },
    async (request, reply) => {
      reply.header('content-disposition', 'attachment; filename="contents.json"')
      return archives.export(signedIn(request), request.query.branchId)
    },
  )
  app.post(
    '/api/archive',
    {
      config: { heavy: true, access: coordinatorOnly },
      bodyLimit: BODY_LIMIT,
      schema: { querystring, body: z.unknown(), response: { 200: archiveResultSchema } },
    },
    async (request) => archives.import(signedIn(request), request.query.branchId, request.body),
  )
}
