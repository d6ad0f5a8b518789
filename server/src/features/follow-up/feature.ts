import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { Sheets } from '../sheet/service.ts'
import { KitStore } from '../store/service.ts'
import { MessageRow, Notice } from './entities.ts'
import { followUpRoutes } from './routes.ts'
import { FollowUps, Letters } from './service.ts'

export const followUp: Feature = {
  name: 'follow-up',
  entities: [Notice, MessageRow],
  acts: actsOf.followUp,
  routes: (app, house) =>
    followUpRoutes(app, {
      followUps: new FollowUps(house.context, house.use(KitStore), house.use(Sheets)),
      letters: new Letters(house.context),
    }),
}
