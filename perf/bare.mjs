import { readFileSync } from 'node:fs'
import fastify from 'fastify'
import pg from 'pg'

/** The yardstick of `npm run perf -- load`: the same statements with the same values through the plain driver, and an answer of
 * the same bytes; no rights, no judgement, no checking of what goes in and out. */
const { databaseUrl, routes } = JSON.parse(readFileSync(process.argv[2], 'utf8'))
const pool = new pg.Pool({ connectionString: databaseUrl, max: 20 })
const app = fastify()
for (const { name, statements, answer } of routes) {
  const body = JSON.stringify(answer)
  app.all(`/${name}`, async (_request, reply) => {
    const client = await pool.connect()
    try {
      for (const { sql, values } of statements) await client.query(sql, values)
    } finally {
      client.release()
    }
    return reply.type('application/json').send(body)
  })
}
const address = await app.listen({ host: '127.0.0.1', port: 0 })
process.send?.({ address })
process.on('disconnect', () => process.exit(0))
