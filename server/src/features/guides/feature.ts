import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { Shelf } from '../judgement/service.ts'
import { Sheets } from '../sheet/service.ts'
import { BorrowerMessageRow, GuidePieceRow, GuideRow, GuideTextRow, ToldStopRow, ToldTargetRow } from './entities.ts'
import { FirstNights } from './first-nights.ts'
import { GuidePages } from './page.ts'
import { compactGuides } from './queries.ts'
import { guideRoutes } from './routes.ts'
import { Guides, GuideTextsDesk } from './service.ts'

export const guides: Feature = {
  name: 'guides',
  entities: [GuideRow, GuidePieceRow, BorrowerMessageRow, GuideTextRow, ToldTargetRow, ToldStopRow],
  acts: actsOf.guides,
  open: (house) => house.offer(new Guides(house.context)),
  routes: (app, house) =>
    guideRoutes(app, {
      guides: house.use(Guides),
      nights: new FirstNights(house.context, house.use(Shelf), house.use(Sheets)),
      pages: new GuidePages(house.webFolder),
      texts: new GuideTextsDesk(house.context, house.use(Shelf), house.use(Sheets)),
    }),
  demo: {
    rows: (story) => [
      [GuideTextRow, story.guideTexts],
      [GuideRow, story.guides],
      [ToldTargetRow, story.toldTargets],
      [ToldStopRow, story.toldStops],
    ],
    after: compactGuides,
  },
}
