import { practiceLogSchema, practiceResultSchema } from '@binoculum/contract'
import { anyRole, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Practice } from './service.ts'

export async function practiceRoutes(app: App, { practice }: { practice: Practice }) {
  const response = { 200: practiceLogSchema }
  app.get('/api/practice', { config: { access: anyRole }, schema: { response } }, async (request) =>
    practice.log(signedIn(request)),
  )
  app.post(
    '/api/practice',
    {
      config: { access: anyRole, rateLimit: { max: 60, timeWindow: '1 minute' } },
      schema: { body: practiceResultSchema, response },
    },
    async (request) => practice.keep(signedIn(request), request.body),
  )
}
