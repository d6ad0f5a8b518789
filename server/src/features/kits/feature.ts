import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { Shelf } from '../judgement/service.ts'
import { Sheets } from '../sheet/service.ts'
import { KitStore } from '../store/service.ts'
import { KitSetUp } from './kit-set-up.ts'
import { kitRoutes } from './routes.ts'
import { Kits } from './service.ts'

export const kits: Feature = {
  name: 'kits',
  acts: actsOf.kits,
  routes: (app, house) => {
    const rooms = { store: house.use(KitStore), shelf: house.use(Shelf), sheets: house.use(Sheets) }
    return kitRoutes(app, {
      kits: new Kits(house.context, rooms),
      setUp: new KitSetUp(house.context, rooms.shelf, rooms.sheets),
    })
  },
}
