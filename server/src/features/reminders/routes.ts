import { idSchema, reminderPolicySchema, reminderTextSchema, remindersSchema } from '@binoculum/contract'
import { z } from 'zod'
import { coordinatorOnly, deskRoles, signedIn } from '../../platform/access.ts'
import type { App } from '../../platform/app-type.ts'
import type { Reminders } from './service.ts'

const params = z.object({ id: idSchema })
const response = { 200: remindersSchema }

export async function reminderRoutes(app: App, reminders: Reminders) {
  app.get('/api/reminders', { config: { access: deskRoles }, schema: { response } }, async (request) =>
    reminders.list(signedIn(request)),
  )
  app.put(
    '/api/branches/:id/reminders',
    { config: { access: coordinatorOnly }, schema: { params, body: reminderPolicySchema, response } },
    async (request) => reminders.decide(signedIn(request), request.params.id, request.body),
  )
  app.post(
    '/api/branches/:id/reminders/run',
    { config: { heavy: true, access: coordinatorOnly }, schema: { params, response } },
    async (request) => reminders.runNow(signedIn(request), request.params.id),
  )
  app.put(
    '/api/branches/:id/reminder-texts',
    { config: { access: coordinatorOnly }, schema: { params, body: reminderTextSchema, response } },
    async (request) => reminders.write(signedIn(request), request.params.id, request.body),
  )
}
