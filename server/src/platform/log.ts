import type { FastifyServerOptions } from 'fastify'

/** What may be said of a failure: never a parameter, a name, an address, what was searched for, or a token. */
interface Said {
  readonly type: string
  readonly code: string | undefined
  readonly table: string | undefined
  readonly constraint: string | undefined
  readonly routine: string | undefined
  readonly stack: string | undefined
}

type FromDatabase = Error & {
  code?: string
  driverError?: { code?: string; table?: string; constraint?: string; routine?: string }
}

/** A database says values in its messages (`Key (email)=(…)`): of its failures only where and which are kept. Others keep the
 * lines of their stack, without the message above them. */
export function sayError(error: FromDatabase): Said {
  const { driverError = error as NonNullable<FromDatabase['driverError']> } = error
  const stack = error.stack
    ?.split('\n')
    .filter((line) => /^\s+at /.test(line))
    .join('\n')
  const { code, table, constraint, routine } = driverError
  return { type: error.name, code, table, constraint, routine, stack }
}

/** Addresses carry borrowers' tokens and what somebody looked for: a log keeps the route's own name. */
export const logSettings = (log: boolean | { write(line: string): void }): FastifyServerOptions['logger'] =>
  log === false
    ? false
    : {
        level: process.env.LOG_LEVEL ?? 'warn',
        ...(log === true ? {} : { stream: log }),
        serializers: {
          err: sayError as never,
          req: (request) => ({ method: request.method, route: request.routeOptions?.url ?? 'none' }),
          res: (reply) => ({ statusCode: reply.statusCode }),
        },
      }
