import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { ClosingRow, OpeningRow } from './entities.ts'
import { openingRoutes } from './routes.ts'
import { Opening } from './service.ts'

export const opening: Feature = {
  name: 'opening',
  entities: [OpeningRow, ClosingRow],
  acts: actsOf.opening,
  open: (house) => house.offer(new Opening(house.context)),
  routes: (app, house) => openingRoutes(app, house.use(Opening)),
  demo: {
    rows: (story) => [
      [OpeningRow, story.openings],
      [ClosingRow, story.closings],
    ],
  },
}
