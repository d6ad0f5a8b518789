import type { Feature } from '../../platform/feature.ts'
import { catalogueRoutes } from './routes.ts'
import { Catalogue } from './service.ts'

export const catalogue: Feature = {
  name: 'catalogue',
  routes: (app, { context }) => catalogueRoutes(app, new Catalogue(context)),
}
