import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { Shelf } from '../judgement/service.ts'
import { Opening } from '../opening/service.ts'
import { CalendarFeedRow } from './entities.ts'
import { feedRoutes } from './routes.ts'
import { Feeds } from './service.ts'

export const feeds: Feature = {
  name: 'feeds',
  entities: [CalendarFeedRow],
  acts: actsOf.feeds,
  routes: (app, house) => feedRoutes(app, new Feeds(house.context, house.use(Shelf), house.use(Opening))),
}
