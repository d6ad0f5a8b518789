import type { Feature } from '../../platform/feature.ts'
import { judgementRoutes } from './routes.ts'
import { Shelf } from './service.ts'

export const judgement: Feature = {
  name: 'judgement',
  open: (house) => house.offer(new Shelf(house.context)),
  routes: (app, house) => judgementRoutes(app, house.use(Shelf)),
}
