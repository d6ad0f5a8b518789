import { existsSync, readFileSync } from 'node:fs'
import { IncomingMessage, ServerResponse } from 'node:http'
import { Socket } from 'node:net'
import { join } from 'node:path'
import staticFiles from '@fastify/static'
import type { FastifyInstance } from 'fastify'
import fastifyPlugin from 'fastify-plugin'
import helmet, { type HelmetOptions } from 'helmet'
import { Problem } from './errors.ts'

const nothing = ["'none'"]
const self = ["'self'"]

/** The two style texts that the charts' library puts into a page, apexcharts 4.7.0: its sheet and its legend's. */
export const chartStyles = [
  "'sha256-TBymqJXQvXKxe+z+3ydUYBErlkFFu110c5FjiVB8p+M='",
  "'sha256-aSysLrDECVdJ6L+jLf8CC5QKLmwRuk/OZiZk9mYky8A='",
]

/** Content policy: everything from this server, nothing inline but style attributes. */
const contentSecurityPolicy = {
  useDefaults: false,
  directives: {
    defaultSrc: nothing,
    // Reading a code from the camera's picture runs as WebAssembly, which this allows and nothing else.
    scriptSrc: [...self, "'wasm-unsafe-eval'"],
    styleSrc: [...self, ...chartStyles],
    styleSrcAttr: ["'unsafe-inline'"],
    imgSrc: [...self, 'data:', 'blob:'],
    // A video of a star is looked at on the device alone.
    mediaSrc: [...self, 'blob:'],
    fontSrc: self,
    connectSrc: self,
    workerSrc: self,
    manifestSrc: self,
    baseUri: nothing,
    formAction: self,
    frameAncestors: nothing,
    objectSrc: nothing,
  },
}

/** They are the same for every answer: made once, they cost a small answer nothing. */
function headersOf(options: HelmetOptions) {
  const asked = new IncomingMessage(new Socket())
  const answered = new ServerResponse(asked)
  helmet(options)(asked, answered, (error) => {
    if (error) throw error
  })
  return answered.getHeaders()
}

/** Headers of every answer, refusals too: so this comes before every rule that refuses. */
export const securityHeaders = fastifyPlugin(async (app: FastifyInstance, options: { secure: boolean }) => {
  const headers = headersOf({
    contentSecurityPolicy,
    referrerPolicy: { policy: 'no-referrer' },
    strictTransportSecurity: options.secure ? { maxAge: 31_536_000 } : false,
    crossOriginEmbedderPolicy: false,
  })
  app.addHook('onRequest', async (_request, reply) => void reply.headers(headers))
})

/** Serves the built screens. Every path that isn't a file is a screen's own and gets the same page. */
export const pages = fastifyPlugin(async (app: FastifyInstance, options: { folder: string }) => {
  const indexPath = join(options.folder, 'index.html')
  const index = existsSync(indexPath) ? readFileSync(indexPath) : null
  if (index) {
    // The files are sent by a route of ours, so that it declares who may call it like every other one.
    await app.register(staticFiles, { root: join(options.folder, 'assets'), serve: false, preCompressed: true })
    app.get<{ Params: { '*': string } }>(
      '/assets/*',
      { config: { access: 'public', rateLimit: false } },
      async (request, reply) => reply.sendFile(request.params['*'], { maxAge: '365d', immutable: true }),
    )
  }
  for (const url of ['/', '/*']) {
    app.route({
      method: 'GET',
      url,
      config: { access: 'public', rateLimit: false },
      handler: async (request, reply) => {
        if (request.url.startsWith('/api/') || !index) throw new Problem('NOT_FOUND')
        // Nothing here is for search engines, least of all a borrower's link.
        reply.header('x-robots-tag', 'noindex, nofollow').header('cache-control', 'no-cache')
        return reply.type('text/html; charset=utf-8').send(index)
      },
    })
  }
  app.setNotFoundHandler(async () => {
    throw new Problem('NOT_FOUND')
  })
})
