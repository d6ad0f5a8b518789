import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { SpreadRow } from './entities.ts'
import { spreadRoutes } from './routes.ts'
import { Spreads } from './service.ts'

export const spread: Feature = {
  name: 'spread',
  entities: [SpreadRow],
  acts: actsOf.spread,
  routes: (app, house) => spreadRoutes(app, new Spreads(house.context)),
}
