import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { Sheets } from '../sheet/service.ts'
import { KitStore } from '../store/service.ts'
import { MessageRow, Notice } from './entities.ts'
import { outboxDriver } from './outbox-stand-in.ts'
import { followUpRoutes } from './routes.ts'
import { FollowUps, Letters } from './service.ts'

export const followUp: Feature = {
  name: 'follow-up',
  entities: [Notice, MessageRow],
  acts: actsOf.followUp,
  open: (house) => house.offer(new Letters(house.context)),
  routes: (app, house) =>
    followUpRoutes(app, {
      followUps: new FollowUps(house.context, house.use(KitStore), house.use(Sheets)),
      letters: house.use(Letters),
    }),
  jobs: [{ name: 'settle-letters', cron: '*/5 * * * *', work: (house) => house.use(Letters).settleForgotten() }],
  standIns: { mail: outboxDriver },
}
