import type { Feature } from '../../platform/feature.ts'
import { Shelf } from '../judgement/service.ts'
import { Opening } from '../opening/service.ts'
import { logbookRoutes } from './routes.ts'
import { Logbook } from './service.ts'

export const logbook: Feature = {
  name: 'logbook',
  routes: (app, house) =>
    logbookRoutes(app, new Logbook(house.context, { shelf: house.use(Shelf), opening: house.use(Opening) })),
}
