import type { FastifyInstance } from 'fastify'
import fastifyPlugin from 'fastify-plugin'
import { Problem } from './errors.ts'

/** Nothing that this program sends is nested deeper. */
const DEEPEST = 32

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

/** How many brackets stand open at once, in one walk over the text. */
export function depthOf(text: string): number {
  let depth = 0
  let deepest = 0
  let inText = false
  for (let at = 0; at < text.length; at++) {
    const sign = text[at]
    if (inText) {
      if (sign === '\\') at++
      else if (sign === '"') inText = false
    } else if (sign === '"') inText = true
    else if (sign === '{' || sign === '[') deepest = Math.max(deepest, ++depth)
    else if (sign === '}' || sign === ']') depth--
  }
  return deepest
}

/** Half of a letter that UTF-16 writes in two. */
const LONE_HALF = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/
const isStorable = (text: string) => !text.includes('\0') && !LONE_HALF.test(text)

/** Where a text stands that PostgreSQL keeps neither as text nor as JSON; null where there is none. */
export function unstorableIn(value: unknown, path = ''): string | null {
  if (typeof value === 'string') return isStorable(value) ? null : path
  if (typeof value !== 'object' || value === null) return null
  for (const [key, each] of Object.entries(value)) {
    const own = path === '' ? key : `${path}.${key}`
    if (!isStorable(key)) return path
    const found = unstorableIn(each, own)
    if (found !== null) return found
  }
  return null
}
