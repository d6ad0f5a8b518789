import { draftSchema, idSchema, sendDraftSchema } from '@binoculum/contract'
import type { FastifyReply } from 'fastify'
import { z } from 'zod'
import { anyRole, branchIdsOf, deskRoles, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Live } from '../../platform/live.ts'
import type { Drafts } from './service.ts'

const idParams = z.object({ id: idSchema })
const HEARTBEAT_MS = 20_000

export async function draftRoutes(app: App, { drafts, live }: { drafts: Drafts; live: Live }) {
  app.get(
    '/api/loans/:id/draft',
    { config: { access: deskRoles }, schema: { params: idParams, response: { 200: draftSchema } } },
    async (request) => drafts.read(signedIn(request), request.params.id),
  )
  app.post(
    '/api/loans/:id/draft',
    {
      config: { access: deskRoles },
      schema: { params: idParams, body: sendDraftSchema, response: { 200: draftSchema } },
    },
    async (request) => drafts.send(signedIn(request), request.params.id, request.body.entries),
  )

  const streams = new Set<FastifyReply>()
  app.addHook('preClose', async () => {
    for (const stream of streams) stream.raw.end()
  })
  /** What changed in the caller's branches, as server-sent events: keys and versions, no content. */
  app.get('/api/live', { config: { access: anyRole, rateLimit: false } }, async (request, reply) => {
    const branchIds = branchIdsOf(signedIn(request))
    reply.hijack()
    reply.raw.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store',
      'x-accel-buffering': 'no',
    })
    reply.raw.write('retry: 1000\n\n')
    const stop = live.listen((event) => {
      if (branchIds.includes(event.branchId)) reply.raw.write(`data: ${JSON.stringify(event)}\n\n`)
    })
    const heartbeat = setInterval(() => reply.raw.write(': here\n\n'), HEARTBEAT_MS)
    streams.add(reply)
    reply.raw.on('close', () => {
      stop()
      clearInterval(heartbeat)
      streams.delete(reply)
    })
  })
}
