import type { Feature } from '../../platform/feature.ts'
import { Guides } from '../guides/service.ts'
import { OpenCases } from '../open-case/service.ts'
import { Shelf } from '../judgement/service.ts'
import { Sheets } from '../sheet/service.ts'
import { remoteLookRoutes } from './routes.ts'
import { RemoteLooks } from './service.ts'

export const remoteLooks: Feature = {
  name: 'remote-looks',
  routes: (app, house) =>
    remoteLookRoutes(
      app,
      new RemoteLooks(house.context, {
        guides: house.use(Guides),
        shelf: house.use(Shelf),
        sheets: house.use(Sheets),
        cases: house.use(OpenCases),
      }),
    ),
}
