import { errorCatalogue, type ErrorCode } from '@binoculum/contract'
import type { FastifyError, FastifyInstance, FastifyReply, FastifyRequest } from 'fastify'
import fastifyPlugin from 'fastify-plugin'
import { hasZodFastifySchemaValidationErrors } from 'fastify-type-provider-zod'

interface ProblemRest {
  readonly issues?: readonly { readonly path: string; readonly message: string }[]
  readonly details?: unknown
}

/** An expected failure from the catalogue. Thrown inside a transaction it rolls back. */
export class Problem extends Error {
  readonly code: ErrorCode
  readonly rest: ProblemRest
  constructor(code: ErrorCode, rest: ProblemRest = {}) {
    super(errorCatalogue[code].message)
    this.code = code
    this.rest = rest
  }
}

const reply = (code: ErrorCode, rest: ProblemRest & { requestId?: string } = {}) => ({
  error: { code, message: errorCatalogue[code].message, ...rest },
})

/** An address that can't be read: answered before any of our own rules run, so it brings its headers itself. */
export function refuseUrl(_error: FastifyError, _request: FastifyRequest, answer: FastifyReply): void {
  void answer
    .code(400)
    .header('x-content-type-options', 'nosniff')
    .header('content-security-policy', "default-src 'none'")
    .header('cache-control', 'no-store')
    .send(reply('BAD_INPUT', { issues: [{ path: 'address', message: 'can’t be read' }] }))
}

/** What a database's refusal says to whoever asked, by its SQLSTATE [PostgreSQL 15, appendix A]; null where it is our own
 * fault. */
export function problemOfDatabase(error: {
  driverError?: { code?: string }
  code?: string
  message: string
}): Problem | null {
  const code = error.driverError?.code ?? error.code ?? ''
  // Too large a number, a day that is none, a sign that can't be kept: the contract should have said so first.
  if (/^22/.test(code)) return new Problem('BAD_INPUT')
  if (code === '23505') return new Problem('CHANGED_MEANWHILE')
  if (code === '23P01') return new Problem('KIT_TAKEN')
  if (code === '23503' || code === '23514') return new Problem('BAD_INPUT')
  if (code === '40001' || code === '40P01') return new Problem('CHANGED_MEANWHILE')
  // Full, shutting down or starting, no line, or closed to connections.
  if (/^(53|57P|08|55000)/.test(code)) return new Problem('DATABASE_AWAY')
  if (/^(ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT|ENOTFOUND)$/.test(code)) return new Problem('DATABASE_AWAY')
  return /Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error/.test(
    error.message,
  )
    ? new Problem('DATABASE_AWAY')
    : null
}

/** The one place where failures become answers: no stack, no inner detail. */
export const errorHandling = fastifyPlugin(async (app: FastifyInstance) => {
  app.setErrorHandler((error: Error & { statusCode?: number; code?: string }, request, answer) => {
    const problem = error instanceof Problem ? error : problemOfDatabase(error)
    if (problem) {
      if (problem !== error) request.log.warn({ err: error, answered: problem.code }, 'the database refused')
      const { status } = errorCatalogue[problem.code]
      if (status === 503) answer.header('retry-after', '5')
      if (problem.code === 'BUSY') answer.header('retry-after', '2')
      // A brake's line too: it is hit as often as its limit lets through, never as often as somebody tries.
      if (status === 403 || problem.code === 'TOO_MANY')
        request.log.warn(
          { req: request, staffId: request.session?.staffId ?? null, refused: problem.code },
          'refused',
        )
      return answer.code(status).send(reply(problem.code, problem.rest))
    }
    if (hasZodFastifySchemaValidationErrors(error)) {
      const issues = error.validation.map((problem) => ({
        path: problem.instancePath.replace(/^\//, '').replaceAll('/', '.'),
        message: problem.message ?? 'can’t be used',
      }))
      return answer.code(400).send(reply('BAD_INPUT', { issues }))
    }
    if (error.statusCode === 429) return answer.code(429).send(reply('TOO_MANY'))
    if (error.statusCode === 413) return answer.code(413).send(reply('TOO_LARGE'))
    if (error instanceof SyntaxError || error.code?.startsWith('FST_ERR_CTP_'))
      return answer.code(400).send(reply('NOT_JSON'))
    if (error.statusCode && error.statusCode < 500) return answer.code(error.statusCode).send(reply('BAD_INPUT'))
    request.log.error({ err: error, requestId: request.id }, 'unexpected failure')
    return answer.code(500).send(reply('OUR_FAULT', { requestId: String(request.id) }))
  })
})
