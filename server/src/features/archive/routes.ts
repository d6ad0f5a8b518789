import { archiveResultSchema, archiveSchema, idSchema, type Archive } from '@binoculum/contract'
import { z } from 'zod'
import { coordinatorOnly, requireRole, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import { runBounded, workerBeside } from '../../platform/bounded-worker.ts'
import type { Archives } from './service.ts'

/** A branch's pictures come along. */
const BODY_LIMIT = 60_000_000
const READ_BOUNDS = { timeoutMs: 30_000, memoryMb: 768 }
const worker = workerBeside(import.meta.url, 'archive')
const querystring = z.object({ branchId: idSchema })

export async function archiveRoutes(app: App, { archives }: { archives: Archives }) {
  // Read in a thread of its own: sixty megabytes of brackets would keep every desk waiting.
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
    async (request) => {
      const session = signedIn(request)
      requireRole(session, request.query.branchId, coordinatorOnly)
      const archive = await runBounded<Archive>(worker, request.body, READ_BOUNDS)
      return archives.import(session, request.query.branchId, archive)
    },
  )
}
