import { loanCode } from '../judgement/service.ts'
import type { SheetPart } from '../sheet/service.ts'
import { lastLoanOf } from './queries.ts'

/** The loan that what is known of a kit comes from. */
export const loansOnSheet: SheetPart = async (tx, { row }) => {
  const lastLoan = await lastLoanOf(tx, row.id)
  if (!lastLoan) return { lastLoan }
  const { number, ...rest } = lastLoan
  return { lastLoan: { ...rest, code: loanCode(number) } }
}
