import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { Shelf } from '../judgement/service.ts'
import { CaseViewRow, OpenCaseRow } from './entities.ts'
import { openCaseRoutes } from './routes.ts'
import { OpenCases } from './service.ts'

export const openCase: Feature = {
  name: 'open-case',
  entities: [OpenCaseRow, CaseViewRow],
  acts: actsOf.openCase,
  open: (house) => house.offer(new OpenCases(house.context, house.use(Shelf))),
  routes: (app, house) => openCaseRoutes(app, house.use(OpenCases)),
}
