import type { LostRole, ModelTrend, MonthDays, MonthTrend, Trends } from '@binoculum/contract'
import {
  dayNumber,
  daysByState,
  families,
  FEWEST_TO_SAY,
  rateInterval,
  spreadOf,
  type Family,
  type Role,
} from '@binoculum/core'
import type { Tx } from '../../platform/database.ts'
import { firstPlace } from '../calendar/service.ts'
import { lossesByRole } from '../contents/service.ts'
import * as branchQueries from './branch-queries.ts'
import * as queries from './queries.ts'

const TREND_MONTHS = 18

interface BranchToday {
  readonly branchId: string
  readonly branchName: string
  readonly today: string
  readonly zone: string
}

/** What holds, what is lost and where the time goes at one branch, over its last months. */
export async function branchTrends(
  tx: Tx,
  { branchId, branchName, today, zone }: BranchToday,
): Promise<Trends['branches'][number]> {
  const months = Array.from({ length: TREND_MONTHS }, (_, index) => monthsBefore(today, TREND_MONTHS - 1 - index))
  const days = { branchId, from: months[0] ?? today, until: today, zone }
  const [models, loans, place, held, spans, late, lost, stations] = await Promise.all([
    queries.modelFigures(tx, branchId),
    queries.loansByMonth(tx, days),
    firstPlace(tx, branchId),
    branchQueries.heldFor(tx, days),
    branchQueries.kitSpans(tx, days),
    branchQueries.daysLate(tx, days),
    lossesByRole(tx, branchId, new Date(`${today}T12:00:00Z`)),
    branchQueries.stationMinutes(tx, branchId),
  ])
  const counted = new Map(loans.map((month) => [month.month, month]))
  return {
    ...{ branchId, branchName },
    models: models.map(trendOf),
    families: familiesOf(models).map(trendOf),
    months: months.map((first): MonthTrend => {
      const month = first.slice(0, 7)
      return { month, loans: counted.get(month)?.loans ?? 0, late: counted.get(month)?.late ?? 0 }
    }),
    days: months.map((first, index) => daysOfMonth(spans, first, months[index + 1] ?? null, today)),
    held: [...held],
    late: [...late],
    lost: [...lost]
      .sort(([a], [b]) => a.localeCompare(b))
      .map(([role, seen]): LostRole => ({ role: role as Role, ...seen, perHundred: perHundred(seen) })),
    stations: [...stations],
    place,
  }
}

/** Days of all kits in a month, up to today; a kit counts from the first day anything is known of it. */
function daysOfMonth(
  kits: Awaited<ReturnType<typeof branchQueries.kitSpans>>,
  first: string,
  next: string | null,
  today: string,
): MonthDays {
  const until = next ? dayNumber(next) - 1 : dayNumber(today)
  const sum = { fit: 0, out: 0, waiting: 0, bench: 0 }
  for (const { sinceDay, spans } of kits) {
    const from = Math.max(sinceDay, dayNumber(first))
    if (from > until) continue
    const days = daysByState(spans, from, until)
    for (const state of ['fit', 'out', 'waiting', 'bench'] as const) sum[state] += days[state]
  }
  return { month: first.slice(0, 7), ...sum }
}

const perHundred = ({ losses, pieceLoans }: { readonly losses: number; readonly pieceLoans: number }) =>
  pieceLoans < FEWEST_TO_SAY ? null : { rate: (100 * losses) / pieceLoans, ...rateInterval(losses, pieceLoans / 100) }

/** All models of each family taken together. */
function familiesOf(models: readonly queries.ModelFigures[]): queries.ModelFigures[] {
  const byFamily = new Map<string, queries.ModelFigures[]>()
  for (const model of models) byFamily.set(model.family, [...(byFamily.get(model.family) ?? []), model])
  return [...byFamily].map(([family, of]) => {
    const sum = (count: (model: queries.ModelFigures) => number) => of.reduce((total, each) => total + count(each), 0)
    const timed = of.flatMap(({ benchMinutes }) => (benchMinutes === null ? [] : [Number(benchMinutes)]))
    return {
      ...{ modelId: family, modelName: families[family as Family], family },
      kits: of.flatMap(({ kits }) => kits),
      mirror: of.flatMap(({ mirror }) => mirror),
      finder: of.flatMap(({ finder }) => finder),
      ...{ loans: sum(({ loans }) => loans), lost: sum(({ lost }) => lost) },
      benchMinutes: timed.length === 0 ? null : timed.reduce((total, minutes) => total + minutes, 0) / timed.length,
    }
  })
}

function trendOf({ mirror, finder, loans, lost, benchMinutes, ...model }: queries.ModelFigures): ModelTrend {
  return {
    ...model,
    kits: [...model.kits],
    loans,
    mirrorMm: spreadOf(mirror),
    mirrorLimitMm: mirror[0]?.limit ?? null,
    finderArcmin: spreadOf(finder),
    finderLimitArcmin: finder[0]?.limit ?? null,
    lostPerHundred: perHundred({ losses: lost, pieceLoans: loans }),
    benchMinutes: benchMinutes === null ? null : Math.round(Number(benchMinutes)),
  }
}

/** The first day of the month so many months before a day's. */
function monthsBefore(day: string, months: number): string {
  const [year = 0, month = 1] = day.split('-').map(Number)
  const at = year * 12 + month - 1 - months
  return `${Math.floor(at / 12)}-${String((at % 12) + 1).padStart(2, '0')}-01`
}
