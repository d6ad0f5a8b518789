import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { BorrowerPolicyRow } from './entities.ts'
import { borrowerRoutes } from './routes.ts'
import { Borrowers } from './service.ts'

export const borrowers: Feature = {
  name: 'borrowers',
  entities: [BorrowerPolicyRow],
  acts: actsOf.borrowers,
  open: (house) => house.offer(new Borrowers(house.context)),
  routes: (app, house) => borrowerRoutes(app, house.use(Borrowers)),
  jobs: [{ name: 'forget-borrowers', cron: '40 2 * * *', work: (house) => house.use(Borrowers).forget() }],
}
