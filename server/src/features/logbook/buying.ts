import type { Buying, BuyingQuery } from '@binoculum/contract'
import { costPerLoan, dayNumber, rateInterval, spreadOf, stockToKeep, type Role } from '@binoculum/core'
import type { Tx } from '../../platform/database.ts'
import { lossesByRole } from '../contents/service.ts'
import * as branchQueries from './branch-queries.ts'
import * as queries from './queries.ts'

const YEAR_DAYS = 365.25
/** Losses are kept by the year of the take-back: this one, and two before it. */
const LOSS_YEARS = 3

interface BranchNow {
  readonly branchId: string
  readonly branchName: string
  readonly today: string
  readonly at: Date
}

/** What a branch's models cost a loan, and which parts to keep how many of, by its records of the last three years. */
export async function buyingOf(
  tx: Tx,
  { branchId, branchName, today, at }: BranchNow,
  assumed: BuyingQuery,
): Promise<Buying> {
  const sinceYear = at.getUTCFullYear() - LOSS_YEARS + 1
  const since = `${sinceYear}-01-01`
  const [models, figures, losses, drawer, first, currency] = await Promise.all([
    branchQueries.keptModels(tx, branchId, since),
    queries.modelFigures(tx, branchId),
    lossesByRole(tx, branchId, at),
    branchQueries.drawerByRole(tx, branchId),
    branchQueries.firstLoanOn(tx, branchId),
    branchQueries.currencyOf(tx, branchId),
  ])
  const lived = new Map(figures.map((figure) => [figure.modelId, figure]))
  const lies = new Map(drawer.map((part) => [part.role, part]))
  const recordYears = first ? yearsFrom(first > since ? first : since, today) : 0
  return {
    ...{ branchName, currency, today, assumed, sinceYear, recordYears },
    models: models.map(({ priceMinor, firstOn, ...model }) => {
      const years = firstOn ? yearsFrom(firstOn, today) : 0
      const { mirror = [], benchMinutes = null } = lived.get(model.modelId) ?? {}
      const whole = model.kitsWithoutPrice > 0 ? null : priceMinor
      const known = {
        priceMinor: whole,
        lifeYears: assumed.lifeYears,
        loans: model.loans,
        lostMinor: model.lostMinor,
      }
      return {
        ...model,
        years,
        benchMinutes: benchMinutes === null ? null : Math.round(Number(benchMinutes)),
        beyond: spreadOf(mirror).beyond,
        costMinor: years > 0 ? costPerLoan({ ...known, years }) : null,
      }
    }),
    spares: [...losses]
      .filter(([, seen]) => seen.losses > 0 && recordYears > 0)
      .map(([role, seen]) => {
        const aYear = { rate: seen.losses / recordYears, ...rateInterval(seen.losses, recordYears) }
        const { expected, keep } = stockToKeep({ ratePerYear: aYear.rate, ...assumed })
        const { have = 0, pieceMinor = null } = lies.get(role) ?? {}
        const order = Math.max(0, keep - have)
        return { role: role as Role, losses: seen.losses, aYear, expected, keep, have, order, pieceMinor }
      })
      .sort((a, b) => b.losses - a.losses || a.role.localeCompare(b.role)),
  }
}

/** Years from a day to another; half a year at least, so that a first week doesn't count for a year. */
const yearsFrom = (from: string, until: string) => Math.max(0.5, (dayNumber(until) - dayNumber(from) + 1) / YEAR_DAYS)
