import type { Feature } from '../../platform/feature.ts'
import { sweepKeptAnswers } from '../../platform/sent-once.ts'

/** What the house does for itself. */
export const upkeep: Feature = {
  name: 'upkeep',
  jobs: [
    {
      name: 'sweep-kept-answers',
      cron: '40 2 * * *',
      work: ({ context }) => sweepKeptAnswers(context.database.reader),
    },
  ],
}
