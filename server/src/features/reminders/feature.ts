import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { Letters } from '../follow-up/service.ts'
import { ReminderPolicyRow, ReminderTextRow } from './entities.ts'
import { reminderRoutes } from './routes.ts'
import { Reminders } from './service.ts'

export const reminders: Feature = {
  name: 'reminders',
  entities: [ReminderPolicyRow, ReminderTextRow],
  acts: actsOf.reminders,
  open: (house) => house.offer(new Reminders(house.context, house.use(Letters))),
  routes: (app, house) => reminderRoutes(app, house.use(Reminders)),
  jobs: [{ name: 'write-reminders', cron: '*/15 * * * *', work: (house) => house.use(Reminders).run() }],
}
