import { calculate, calculators, errorCatalogue, type ErrorCode } from '@binoculum/contract'
import { z } from 'zod'
import { anyRole } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import { Problem } from '../../platform/errors.ts'
import { calculateBounded } from './service.ts'

/** A phone's picture as base64, and its other side. */
const PICTURE_BODY_LIMIT = 40_000_000
const isErrorCode = (code: string): code is ErrorCode => Object.hasOwn(errorCatalogue, code)

/** The register over HTTP: one route for all, names and shapes from the contract. */
export async function calculatorRoutes(app: App) {
  app.get('/api/calculators', { config: { access: anyRole } }, async () => ({
    calculators: [...calculators.values()].map(({ name, summary, sources }) => ({ name, summary, sources })),
  }))
  const answerOf = async (name: string, input: unknown) => {
    if (calculators.get(name)?.heavy) return calculateBounded(name, input)
    const answer = calculate(name, input)
    if (answer.ok) return answer.output
    const { code, issues } = answer.error
    throw new Problem(isErrorCode(code) ? code : 'BAD_INPUT', { issues })
  }
  app.post(
    '/api/calculators/:name',
    {
      config: { access: anyRole, rateLimit: { max: 600, timeWindow: '1 minute' } },
      bodyLimit: 1_000_000,
      schema: { params: z.object({ name: z.string().max(100) }), body: z.unknown() },
    },
    async (request) => answerOf(request.params.name, request.body),
  )
  // Those with a picture take a larger body, and less often.
  for (const { name, pictures } of calculators.values())
    if (pictures)
      app.post(
        `/api/calculators/${name}`,
        {
          config: { access: anyRole, rateLimit: { max: 60, timeWindow: '1 minute' } },
          bodyLimit: PICTURE_BODY_LIMIT,
          schema: { body: z.unknown() },
        },
        async (request) => answerOf(name, request.body),
      )
}
