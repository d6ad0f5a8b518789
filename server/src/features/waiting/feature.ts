import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { Calendar } from '../calendar/service.ts'
import { Letters } from '../follow-up/service.ts'
import { Loans, Promises } from '../loans/service.ts'
import { WaitingRequest } from './entities.ts'
import { waitingRoutes } from './routes.ts'
import { Waiting } from './service.ts'

export const waiting: Feature = {
  name: 'waiting',
  entities: [WaitingRequest],
  acts: actsOf.waiting,
  open: (house) => {
    const rooms = {
      loans: house.use(Loans),
      promises: house.use(Promises),
      calendar: house.use(Calendar),
      letters: house.use(Letters),
    }
    house.offer(new Waiting(house.context, rooms))
  },
  routes: (app, house) => waitingRoutes(app, house.use(Waiting)),
  jobs: [{ name: 'end-offers', cron: '*/10 * * * *', work: (house) => house.use(Waiting).endOffers() }],
  demo: { rows: (story) => [[WaitingRequest, story.waiting]] },
}
