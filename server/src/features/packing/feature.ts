import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { Shelf } from '../judgement/service.ts'
import { Sheets } from '../sheet/service.ts'
import { PackingPictureRow } from './entities.ts'
import { packingRoutes } from './routes.ts'
import { PackingPictures } from './service.ts'

export const packing: Feature = {
  name: 'packing',
  entities: [PackingPictureRow],
  acts: actsOf.packing,
  routes: (app, house) =>
    packingRoutes(app, new PackingPictures(house.context, { shelf: house.use(Shelf), sheets: house.use(Sheets) })),
}
