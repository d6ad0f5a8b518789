import { planLoans, type LoanPlan, type PlanInput } from '@binoculum/core'
import { expose } from 'comlink'

/** A plan of many requests takes a second or more: it is made here, so that the list stays quick. */
const work = {
  plan: (input: PlanInput, onProgress: (share: number) => void): LoanPlan => {
    let told = 0
    return planLoans(input, (share) => {
      if (share - told >= 0.01) onProgress((told = share))
      return true
    })
  },
}
export type PlanLoansWork = typeof work
expose(work)
