import {
  benchEveningFieldsSchema,
  benchPlansSchema,
  benchSeatsSchema,
  benchSkillsGivenSchema,
  idSchema,
} from '@binoculum/contract'
import { z } from 'zod'
import { anyRole, deskRoles, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { BenchPlanning } from './service.ts'

const params = z.object({ id: idSchema })
const ofEvening = params.extend({ eveningId: idSchema })
const response = { 200: benchPlansSchema }

export async function benchPlanRoutes(app: App, planning: BenchPlanning) {
  app.get('/api/bench-plan', { config: { heavy: true, access: anyRole }, schema: { response } }, async (request) =>
    planning.plans(signedIn(request)),
  )
  app.post(
    '/api/branches/:id/bench-evenings',
    { config: { access: deskRoles }, schema: { params, body: benchEveningFieldsSchema, response } },
    async (request) => planning.add(signedIn(request), request.params.id, request.body),
  )
  app.put(
    '/api/branches/:id/bench-skills',
    { config: { access: deskRoles }, schema: { params, body: benchSkillsGivenSchema, response } },
    async (request) => planning.sayCan(signedIn(request), request.params.id, request.body),
  )
  app.put(
    '/api/branches/:id/bench-evenings/:eveningId/people',
    { config: { access: deskRoles }, schema: { params: ofEvening, body: benchSeatsSchema, response } },
    async (request) =>
      planning.seat(signedIn(request), request.params.id, request.params.eveningId, request.body.staffIds),
  )
  app.delete(
    '/api/branches/:id/bench-evenings/:eveningId',
    { config: { access: deskRoles }, schema: { params: ofEvening, response } },
    async (request) => planning.remove(signedIn(request), request.params.id, request.params.eveningId),
  )
}
