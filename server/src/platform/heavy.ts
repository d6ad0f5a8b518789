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
    // When the work is done and its answer has left, or nobody is there to take it: whoever goes away takes no place along.
    app.addHook('onSend', async (request, reply) => {
      const { leaveHeavy } = request
      if (leaveHeavy) finished(reply.raw, () => leaveHeavy())
    })
  },
)
