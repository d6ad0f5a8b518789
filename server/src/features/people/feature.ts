import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { SecondFactor } from '../second-factor/service.ts'
import { Branches } from './branches.ts'
import { Branch, InvitationRow, Membership, SessionRow, SignInTry, Staff } from './entities.ts'
import { peopleRoutes } from './routes.ts'
import { People, Sessions } from './service.ts'

export const people: Feature = {
  name: 'people',
  entities: [Branch, Staff, Membership, SessionRow, SignInTry, InvitationRow],
  acts: actsOf.people,
  open: (house) => {
    const secondFactor = house.use(SecondFactor)
    const sessions = new Sessions(house.context, secondFactor)
    house.offer(sessions)
    house.offer(new People(house.context, secondFactor, sessions))
  },
  jobs: [
    {
      name: 'sweep-sign-ins',
      cron: '20 2 * * *',
      work: async (house) => {
        await house.use(Sessions).sweep()
        await house.use(People).sweep()
      },
    },
  ],
  routes: (app, house) =>
    peopleRoutes(app, {
      ...house.context,
      people: house.use(People),
      sessions: house.use(Sessions),
      branches: new Branches(house.context),
    }),
  demo: {
    rows: (story) => [
      [Branch, story.branches],
      [Staff, story.staff],
      [Membership, story.memberships],
    ],
  },
}
