import type { Feature } from '../../platform/feature.ts'
import { Loans } from '../loans/service.ts'
import { TakeBackDraftRow } from './entities.ts'
import { draftRoutes } from './routes.ts'
import { Drafts } from './service.ts'

export const drafts: Feature = {
  name: 'drafts',
  entities: [TakeBackDraftRow],
  routes: (app, house) => draftRoutes(app, { drafts: new Drafts(house.context, house.use(Loans)), live: house.live }),
}
