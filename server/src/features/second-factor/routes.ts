import {
  backupCodesSchema,
  newSecondFactorSchema,
  oneTimeCodeSchema,
  ownPasswordSchema,
  secondFactorStateSchema,
} from '@binoculum/contract'
import { signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Sessions } from '../people/service.ts'
import type { SecondFactor } from './service.ts'

/** Codes of six digits are guessed slowly. */
const slow = { rateLimit: { max: 10, timeWindow: '1 minute' } }
const config = { access: 'signed-in' } as const

export async function secondFactorRoutes(app: App, secondFactor: SecondFactor, sessions: Sessions) {
  app.get(
    '/api/session/second-factor',
    { config, schema: { response: { 200: secondFactorStateSchema } } },
    async (request) => secondFactor.state(signedIn(request)),
  )
  app.post(
    '/api/session/second-factor',
    {
      config: { ...config, ...slow },
      schema: { body: ownPasswordSchema, response: { 200: newSecondFactorSchema } },
    },
    async (request) => {
      const session = signedIn(request)
      await sessions.askAnew(session, { ...request.body, address: request.ip })
      return secondFactor.begin(session)
    },
  )
  app.post(
    '/api/session/second-factor/confirm',
    { config: { ...config, ...slow }, schema: { body: oneTimeCodeSchema, response: { 200: backupCodesSchema } } },
    async (request) => secondFactor.confirm(signedIn(request), request.body.code),
  )
  app.post(
    '/api/session/second-factor/end',
    {
      config: { ...config, ...slow },
      schema: { body: oneTimeCodeSchema, response: { 200: secondFactorStateSchema } },
    },
    async (request) => {
      await secondFactor.end(signedIn(request), request.body.code)
      return secondFactor.state(signedIn(request))
    },
  )
}
