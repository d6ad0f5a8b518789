import { finished } from 'node:stream'
import type { FastifyInstance } from 'fastify'
import fastifyPlugin from 'fastify-plugin'
import PQueue from 'p-queue'
import { Problem } from './errors.ts'

declare module 'fastify' {
  interface FastifyContextConfig {
    /** Searches, lists, prints and archives: a few run at once, the others wait for each other and for nobody else. */
    heavy?: boolean
  }
  interface FastifyRequest {
    leaveHeavy: (() => void) | null
  }
}

const AT_ONCE = 4
const MOST_WAITING = 60

/** Keeps heavy requests off the database's connections that marks and pages need: these never wait for them. */
export const heavyRoutes = fastifyPlugin(
  async (
    app: FastifyInstance,
    { atOnce = AT_ONCE, mostWaiting = MOST_WAITING }: { atOnce?: number; mostWaiting?: number },
  ) => {
    const queue = new PQueue({ concurrency: atOnce })
    app.decorateRequest('leaveHeavy', null)
    app.addHook('preHandler', async (request) => {
      if (!request.routeOptions.config.heavy) return
      if (queue.size >= mostWaiting) throw new Problem('BUSY')
      await new Promise<void>((enter) => {
        void queue.add(() => {
          enter()
          return new Promise<void>((leave) => (request.leaveHeavy = leave))
        })
      })
    })
    // A whole answer is done with its work. What streams out still works until it has left, or nobody is there to take it:
    // whoever goes away takes no place along.
    app.addHook('onSend', async (request, reply, payload) => {
      const { leaveHeavy } = request
      if (!leaveHeavy) return
      if (typeof payload === 'string' || Buffer.isBuffer(payload)) leaveHeavy()
      else finished(reply.raw, () => leaveHeavy())
    })
  },
)
