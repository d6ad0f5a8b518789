import { errorCatalogue, type ErrorCode } from '@binoculum/contract'
import type { FastifyInstance } from 'fastify'
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

/** The one place where failures become answers: no stack, no inner detail. */
export const errorHandling = fastifyPlugin(async (app: FastifyInstance) => {
  app.setErrorHandler((error: Error & { statusCode?: number; code?: string }, request, answer) => {
    if (error instanceof Problem)
      return answer.code(errorCatalogue[error.code].status).send(reply(error.code, error.rest))
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
