import type { Feature } from '../../platform/feature.ts'
import { archiveRoutes } from './routes.ts'
import { Archives } from './service.ts'

export const archive: Feature = {
  name: 'archive',
  routes: (app, house) => archiveRoutes(app, { archives: new Archives(house.context) }),
}
