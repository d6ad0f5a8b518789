import type { Part, Slip } from '@binoculum/contract'
import { DateTime } from 'luxon'
import { Problem } from '../../platform/errors.ts'
import { loanCode, type ShelfRow } from '../judgement/service.ts'
import { requireOpenDay, type BranchDays } from '../opening/service.ts'

/** The guide's link lives a little longer than the loan, for those who are late. */
const LINK_DAYS_AFTER_DUE = 14
export const linkEnd = (after: Date) => new Date(after.getTime() + LINK_DAYS_AFTER_DUE * 24 * 3_600_000)

export const guidePath = (token: string) => `/g/${token}`

/** When a kit is due that comes back on a day. @throws Problem DUE_IN_PAST, DUE_TOO_FAR, CLOSED_DAY */
export function dueInstant(dueOn: string, branch: BranchDays, now: Date): Date {
  const due = DateTime.fromISO(`${dueOn}T${branch.returnTime}`, { zone: branch.zone })
  const today = DateTime.fromJSDate(now, { zone: branch.zone }).startOf('day')
  if (!due.isValid || due.startOf('day') <= today) throw new Problem('DUE_IN_PAST', { details: { dueOn } })
  const { longestLoanDays } = branch
  if (due.startOf('day').diff(today, 'days').days > longestLoanDays)
    throw new Problem('DUE_TOO_FAR', { details: { dueOn, longestLoanDays } })
  requireOpenDay(branch, dueOn)
  return due.toJSDate()
}

/** A loan as its slip says it. */
export interface SlipLoan {
  readonly id: string
  readonly number: number
  readonly borrower: string
  readonly outAt: Date | null
  readonly dueAt: Date | null
}

export function slipOf(loan: SlipLoan, row: ShelfRow, parts: readonly Part[], notes: readonly string[]): Slip {
  const there = parts.filter(({ mark }) => mark !== 'missing')
  return {
    loanId: loan.id,
    loanCode: loanCode(loan.number),
    kitCode: row.code,
    kitName: row.name,
    modelName: row.modelName,
    branchName: row.branchName,
    borrower: loan.borrower,
    outAtUtc: (loan.outAt ?? new Date(0)).toISOString(),
    dueAtUtc: (loan.dueAt ?? new Date(0)).toISOString(),
    zone: row.zone,
    partCount: there.length,
    massG: there.reduce((sum, part) => sum + (part.massG ?? 0) * part.presentCount, 0),
    eyepieces: there.filter(({ optics }) => optics.focalLengthMm || optics.barlow).map(({ name }) => name),
    notes: [...notes],
    guidePath: null,
  }
}
