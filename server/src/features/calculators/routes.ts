import { calculate, calculators, errorCatalogue, type ErrorCode } from '@binoculum/contract'
import { z } from 'zod'
import { anyRole } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import { runBounded } from '../../platform/bounded-worker.ts'
import { Problem } from '../../platform/errors.ts'

const HEAVY_BOUNDS = { timeoutMs: 10_000, memoryMb: 256 }
const isErrorCode = (code: string): code is ErrorCode => Object.hasOwn(errorCatalogue, code)

/** The register over HTTP: one route for all, names and shapes from the contract. */
export async function calculatorRoutes(app: App) {
  app.get('/api/calculators', { config: { access: anyRole } }, async () => ({
    calculators: [...calculators.values()].map(({ name, summary, sources }) => ({ name, summary, sources })),
  }))
  app.post(
    '/api/calculators/:name',
    {
      config: { access: anyRole, rateLimit: { max: 600, timeWindow: '1 minute' } },
      bodyLimit: 1_000_000,
      schema: { params: z.object({ name: z.string().max(100) }), body: z.unknown() },
    },
    async (request) => {
      const { name } = request.params
      if (calculators.get(name)?.heavy) return runBounded('calculate', { name, input: request.body }, HEAVY_BOUNDS)
      const answer = calculate(name, request.body)
      if (answer.ok) return answer.output
      const { code, issues } = answer.error
      throw new Problem(isErrorCode(code) ? code : 'BAD_INPUT', { issues })
    },
  )
}
