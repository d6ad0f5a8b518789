import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { Shelf } from '../judgement/service.ts'
import { Opening } from '../opening/service.ts'
import { BenchEveningRow, BenchSeatRow, BenchSkillRow } from './entities.ts'
import { benchPlanRoutes } from './routes.ts'
import { BenchPlanning } from './service.ts'

export const benchPlan: Feature = {
  name: 'bench-plan',
  entities: [BenchEveningRow, BenchSkillRow, BenchSeatRow],
  acts: actsOf.benchPlan,
  routes: (app, house) =>
    benchPlanRoutes(app, new BenchPlanning(house.context, house.use(Shelf), house.use(Opening))),
  demo: {
    rows: (story) => [
      [BenchEveningRow, story.benchEvenings],
      [BenchSkillRow, story.benchSkills],
    ],
  },
}
