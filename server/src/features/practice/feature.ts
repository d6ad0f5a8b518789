import type { Feature } from '../../platform/feature.ts'
import { PracticeRun } from './entities.ts'
import { practiceRoutes } from './routes.ts'
import { Practice } from './service.ts'

export const practice: Feature = {
  name: 'practice',
  entities: [PracticeRun],
  routes: (app, house) => practiceRoutes(app, { practice: new Practice(house.context) }),
}
