import type { Session } from '@binoculum/contract'
import cookie from '@fastify/cookie'
import type { FastifyInstance, FastifyReply } from 'fastify'
import fastifyPlugin from 'fastify-plugin'
import { Problem } from './errors.ts'
import { hashToken } from './secrets.ts'

export interface SessionOptions {
  /** https: `Secure` and the `__Host-` prefix, which browsers then enforce. */
  readonly secure: boolean
  readonly ownOrigin: string | null
  readonly find: (tokenHash: string, now: Date) => Promise<Session | null>
  /** Without counting as a use of it: an open page alone keeps nobody signed in. */
  readonly isOpen: (tokenHash: string, now: Date) => Promise<boolean>
  readonly clock: () => Date
}

declare module 'fastify' {
  interface FastifyRequest {
    /** Which of a person's sessions asks. */
    sessionHash: string | null
  }
  interface FastifyInstance {
    sessionIsOpen(hash: string): Promise<boolean>
  }
}

const cookieName = (secure: boolean) => (secure ? '__Host-binoculum' : 'binoculum')

/** Reads the session cookie of every request to the interface. */
export const sessionCookie = fastifyPlugin(async (app: FastifyInstance, options: SessionOptions) => {
  await app.register(cookie)
  app.decorateRequest('session', null)
  app.decorateRequest('sessionHash', null)
  app.decorate('sessionIsOpen', (hash: string) => options.isOpen(hash, options.clock()))
  app.addHook('onRequest', async (request) => {
    refuseOtherOrigins(request.method, request.headers, options.ownOrigin)
    if (!request.url.startsWith('/api/')) return
    const token = request.cookies[cookieName(options.secure)]
    if (!token) return
    const hash = hashToken(token)
    request.session = await options.find(hash, options.clock())
    request.sessionHash = request.session && hash
  })
})

/** SameSite=Strict keeps other sites out of the session; this keeps other ports of the same site out as well. */
function refuseOtherOrigins(method: string, headers: { origin?: string; host?: string }, ownOrigin: string | null) {
  if (method === 'GET' || method === 'HEAD' || !headers.origin) return
  const own = ownOrigin ? new URL(ownOrigin).host : headers.host
  if (!URL.canParse(headers.origin) || new URL(headers.origin).host !== own) throw new Problem('NOT_ALLOWED')
}

export const giveSession = (reply: FastifyReply, secure: boolean, token: string, expiresAt: Date): FastifyReply =>
  reply.setCookie(cookieName(secure), token, {
    httpOnly: true,
    sameSite: 'strict',
    secure,
    path: '/',
    expires: expiresAt,
  })

export const takeSession = (reply: FastifyReply, secure: boolean): FastifyReply =>
  reply.clearCookie(cookieName(secure), { path: '/', secure, sameSite: 'strict', httpOnly: true })
