import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { Shelf } from '../judgement/service.ts'
import { Opening } from '../opening/service.ts'
import { KitStore } from '../store/service.ts'
import { TransferRow } from './entities.ts'
import { transferRoutes } from './routes.ts'
import { Transfers } from './service.ts'

export const transfers: Feature = {
  name: 'transfers',
  entities: [TransferRow],
  acts: actsOf.transfers,
  open: (house) => {
    const rooms = { shelf: house.use(Shelf), opening: house.use(Opening), store: house.use(KitStore) }
    house.offer(new Transfers(house.context, rooms))
  },
  routes: (app, house) => transferRoutes(app, house.use(Transfers)),
  demo: { rows: (story) => [[TransferRow, story.transfers]] },
}
