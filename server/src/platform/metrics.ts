import type { FastifyInstance } from 'fastify'
import fastifyPlugin from 'fastify-plugin'
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client'
import type { Database } from './database.ts'
import { Problem } from './errors.ts'

/** What a statement may take before it is counted as slow, ms. */
export const SLOW_STATEMENT_MS = 500

/** What a server counts of itself: nothing of it says who asked for what. */
export class Metrics {
  readonly registry = new Registry()
  private readonly requests = new Histogram({
    name: 'binoculum_request_seconds',
    help: 'Time from a request to its answer, by route and status.',
    labelNames: ['method', 'route', 'status'],
    buckets: [0.005, 0.02, 0.05, 0.1, 0.3, 1, 3, 10],
    registers: [this.registry],
  })

  constructor(database: Database) {
    collectDefaultMetrics({ register: this.registry })
    const pool = () => database.pool
    const gauge = (name: string, help: string, read: () => number) =>
      new Gauge({
        ...{ name, help, registers: [this.registry] },
        collect() {
          this.set(read())
        },
      })
    gauge('binoculum_connections', 'Connections to the database.', () => pool().totalCount)
    gauge('binoculum_connections_idle', 'Of them, those that nobody uses now.', () => pool().idleCount)
    gauge('binoculum_connections_waited_for', 'Requests that wait for one.', () => pool().waitingCount)
    gauge(
      'binoculum_slow_statements',
      `Statements over ${SLOW_STATEMENT_MS} ms since the start.`,
      () => database.slowStatements,
    )
  }

  answered(method: string, route: string, status: number, seconds: number): void {
    this.requests.observe({ method, route, status: `${Math.floor(status / 100)}xx` }, seconds)
  }
}

const isOwnMachine = (address: string) => /^(127\.|::1$|::ffff:127\.)/.test(address)

/** `/healthz`: the process runs. `/readyz`: it can also work. `/metrics`: what it counts, for this machine or with a token. */
export const beingWatched = fastifyPlugin(
  async (app: FastifyInstance, { database, metricsToken }: { database: Database; metricsToken: string | null }) => {
    const metrics = new Metrics(database)
    app.addHook('onResponse', async (request, reply) => {
      const route = request.routeOptions.url ?? 'none'
      metrics.answered(request.method, route, reply.statusCode, reply.elapsedTime / 1000)
    })
    const config = { access: 'public', rateLimit: false } as const
    app.get('/healthz', { config }, async (_request, reply) =>
      reply.header('cache-control', 'no-store').send({ runs: true }),
    )
    app.get('/readyz', { config }, async (_request, reply) => {
      reply.header('cache-control', 'no-store')
      await database.reader.query('SELECT 1')
      return reply.send({ ready: true })
    })
    app.get('/metrics', { config }, async (request, reply) => {
      const isKnown = metricsToken !== null && request.headers.authorization === `Bearer ${metricsToken}`
      if (!isKnown && !isOwnMachine(request.ip)) throw new Problem('NOT_FOUND')
      return reply.type(metrics.registry.contentType).send(await metrics.registry.metrics())
    })
  },
)
