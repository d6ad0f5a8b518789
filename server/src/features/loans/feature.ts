import { actsOf } from '@binoculum/contract'
import type { Feature } from '../../platform/feature.ts'
import { Weighings } from '../contents/service.ts'
import { Guides } from '../guides/service.ts'
import { Shelf } from '../judgement/service.ts'
import { Opening } from '../opening/service.ts'
import { Sheets } from '../sheet/service.ts'
import { KitStore } from '../store/service.ts'
import { Corrections } from './corrections.ts'
import { Agreement, BorrowerRow, Loan, TakeBackRow } from './entities.ts'
import { HandOuts } from './hand-outs.ts'
import { promiseRoutes } from './promise-routes.ts'
import { Promises } from './promises.ts'
import { loanRoutes } from './routes.ts'
import { Loans } from './service.ts'
import { TakeBacks } from './take-backs.ts'
import { loansOnSheet } from './sheet.ts'

export const loans: Feature = {
  name: 'loans',
  entities: [BorrowerRow, Agreement, Loan, TakeBackRow],
  acts: actsOf.loans,
  open: (house) => {
    house.use(Sheets).add(loansOnSheet)
    const rooms = {
      store: house.use(KitStore),
      shelf: house.use(Shelf),
      sheets: house.use(Sheets),
      opening: house.use(Opening),
    }
    const loans = house.offer(new Loans(house.context, rooms))
    house.offer(new Promises(house.context, loans))
  },
  routes: async (app, house) => {
    const loans = house.use(Loans)
    const guides = house.use(Guides)
    const takeBacks = new TakeBacks(house.context, loans, house.use(Weighings), guides)
    await promiseRoutes(app, house.use(Promises))
    return loanRoutes(app, {
      loans,
      handOuts: new HandOuts(house.context, loans, guides),
      takeBacks,
      corrections: new Corrections(house.context, loans, takeBacks, guides),
    })
  },
  demo: {
    rows: (story) => [
      [Agreement, story.agreements],
      [BorrowerRow, story.borrowers],
      [Loan, story.loans],
      [TakeBackRow, story.takeBacks],
    ],
  },
}
