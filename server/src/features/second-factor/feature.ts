import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { Sessions } from '../people/service.ts'
import { SecondFactorRow } from './entities.ts'
import { secondFactorRoutes } from './routes.ts'
import { SecondFactor } from './service.ts'

export const secondFactor: Feature = {
  name: 'second-factor',
  entities: [SecondFactorRow],
  acts: actsOf.secondFactor,
  open: (house) => house.offer(new SecondFactor(house.context)),
  routes: (app, house) => secondFactorRoutes(app, house.use(SecondFactor), house.use(Sessions)),
}
