import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { Shelf } from '../judgement/service.ts'
import { Sheets } from '../sheet/service.ts'
import { KitStore } from '../store/service.ts'
import { Picture, Remembered, RoleLossRow, Spare, WeighingRow } from './entities.ts'
import { contentsRoutes } from './routes.ts'
import { Lists, Models, Pictures, Spares, Weighings } from './service.ts'
import { contentsOnSheet } from './sheet.ts'
import { recountLosses } from './weigh-queries.ts'

export const contents: Feature = {
  name: 'contents',
  entities: [Spare, WeighingRow, RoleLossRow, Picture, Remembered],
  acts: actsOf.contents,
  open: (house) => {
    house.use(Sheets).add(contentsOnSheet)
    house.offer(new Weighings(house.context, house.use(KitStore), house.use(Shelf), house.use(Sheets)))
  },
  routes: (app, house) =>
    contentsRoutes(app, {
      lists: new Lists(house.context),
      models: new Models(house.context),
      spares: new Spares(house.context, house.use(KitStore), house.use(Shelf), house.use(Sheets)),
      weighings: house.use(Weighings),
      pictures: new Pictures(house.context),
    }),
  demo: {
    rows: (story) => [
      [Spare, story.spares],
      [WeighingRow, story.weighings],
    ],
    after: recountLosses,
  },
}
