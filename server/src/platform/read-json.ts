import type { FastifyInstance } from 'fastify'
import fastifyPlugin from 'fastify-plugin'
import { Problem } from './errors.ts'
import { DEEPEST, depthOf, unstorableIn } from './json-rules.ts'

/** Bodies as JSON, refused where they hold what no table can: zero bytes, halves of letters, and no end of brackets. */
export const jsonBodies = fastifyPlugin(async (app: FastifyInstance) => {
  app.addHook('onRequest', async (request) => {
    if (/%00/.test(request.url)) throw new Problem('BAD_INPUT')
  })
  const parse = app.getDefaultJsonParser('error', 'error')
  app.addContentTypeParser('application/json', { parseAs: 'string' }, (request, body, done) => {
    const text = String(body)
    if (depthOf(text) > DEEPEST) return done(new Problem('BAD_INPUT'))
    return parse(request, text, (error, value) => {
      if (error) return done(error)
      const path = unstorableIn(value)
      if (path === null) return done(null, value)
      return done(
        new Problem('BAD_INPUT', { issues: [{ path, message: 'holds a sign that can’t be kept; type it again' }] }),
      )
    })
  })
})
