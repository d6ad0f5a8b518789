import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { Opening } from '../opening/service.ts'
import { cardRoutes } from './routes.ts'
import { Cards } from './service.ts'
import { simulatedDirectory } from './simulated-directory.ts'

export const cards: Feature = {
  name: 'cards',
  acts: actsOf.cards,
  routes: (app, house) => cardRoutes(app, new Cards(house.context, house.use(Opening))),
  standIns: { cards: simulatedDirectory },
}
