import { draftSchema, idSchema, sendDraftSchema } from '@binoculum/contract'
import type { FastifyReply } from 'fastify'
import { z } from 'zod'
import { anyRole, branchIdsOf, deskRoles, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Live } from '../../platform/live.ts'
import type { Drafts } from './service.ts'

const idParams = z.object({ id: idSchema })
const HEARTBEAT_MS = 20_000
/** A page has one, and a browser rarely more than a few pages. */
const MOST_STREAMS = 6

export async function draftRoutes(
  app: App,
  { drafts, live, heartbeatMs = HEARTBEAT_MS }: { drafts: Drafts; live: Live; heartbeatMs?: number },
) {
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

  const streams = new Map<FastifyReply, string>()
  app.addHook('preClose', async () => {
    for (const stream of streams.keys()) stream.raw.end()
  })
  /** What changed in the caller's branches, as server-sent events: keys and versions, no content. It ends with its session,
   * and a session has a few at most: the oldest gives way. */
  app.get('/api/live', { config: { access: anyRole, rateLimit: false } }, async (request, reply) => {
    const branchIds = branchIdsOf(signedIn(request))
    const hash = request.sessionHash ?? ''
    const own = [...streams].filter(([, each]) => each === hash)
    for (const [oldest] of own.slice(0, Math.max(0, own.length + 1 - MOST_STREAMS))) oldest.raw.end()
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
    const beat = async () => {
      const isOpen = await app.sessionIsOpen(hash).catch(() => true)
      if (isOpen) reply.raw.write(': here\n\n')
      else reply.raw.end()
    }
    const heartbeat = setInterval(() => void beat(), heartbeatMs)
    streams.set(reply, hash)
    reply.raw.on('close', () => {
      stop()
      clearInterval(heartbeat)
      streams.delete(reply)
    })
  })
}
