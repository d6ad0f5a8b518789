import type { Feature } from '../../platform/feature.ts'
import { sweepKeptAnswers } from '../../platform/sent-once.ts'
import { UpkeepMark } from './entities.ts'
import { upkeepRoutes } from './routes.ts'
import { Watcher } from './watch.ts'

/** What the house does for itself, and what it says when it can't. */
export const upkeep: Feature = {
  name: 'upkeep',
  entities: [UpkeepMark],
  routes: (app, { context }) => upkeepRoutes(app, new Watcher(context, process.cwd())),
  jobs: [
    {
      name: 'sweep-kept-answers',
      cron: '40 2 * * *',
      work: ({ context }) => sweepKeptAnswers(context.database.reader),
    },
  ],
}
