import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { Shelf } from '../judgement/service.ts'
import { Sheets } from '../sheet/service.ts'
import { KitStore } from '../store/service.ts'
import { BenchCheck, KnobStepRow, ReadingRow, StepMedianRow, StepTimeRow, TurnedStepRow } from './entities.ts'
import { recountStepMedians } from './queries.ts'
import { checkRoutes } from './routes.ts'
import { Checks } from './service.ts'
import { checksOnSheet } from './sheet.ts'

export const checks: Feature = {
  name: 'checks',
  entities: [BenchCheck, ReadingRow, StepTimeRow, StepMedianRow, TurnedStepRow, KnobStepRow],
  acts: actsOf.checks,
  open: (house) => {
    house.use(Sheets).add(checksOnSheet)
    house.offer(new Checks(house.context, house.use(KitStore), house.use(Shelf), house.use(Sheets)))
  },
  routes: (app, house) => checkRoutes(app, { checks: house.use(Checks) }),
  demo: {
    rows: (story) => [
      [BenchCheck, story.checks],
      [ReadingRow, story.readings],
      [StepTimeRow, story.stepTimes],
    ],
    after: recountStepMedians,
  },
}
