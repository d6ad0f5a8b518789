import type { Feature } from '../../platform/feature.ts'
import { Shelf } from '../judgement/service.ts'
import { KitStore } from '../store/service.ts'
import { sheetRoutes } from './routes.ts'
import { Sheets } from './service.ts'

export const sheet: Feature = {
  name: 'sheet',
  open: (house) => house.offer(new Sheets(house.context, house.use(Shelf), house.use(KitStore))),
  routes: (app, house) => sheetRoutes(app, house.use(Sheets)),
}
