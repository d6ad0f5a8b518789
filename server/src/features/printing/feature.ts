import type { Feature } from '../../platform/feature.ts'
import { Sheets } from '../sheet/service.ts'
import { printingRoutes } from './routes.ts'
import { Printing } from './service.ts'

export const printing: Feature = {
  name: 'printing',
  routes: (app, house) => printingRoutes(app, { printing: new Printing(house.context, house.use(Sheets)) }),
}
