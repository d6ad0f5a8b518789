import type { KitStory, ModelTrend, MonthTrend, Session, Trends, WhatIfKits } from '@binoculum/contract'
import {
  dateOfDay,
  dayNumber,
  DEFAULT_DUE_CHANCE,
  FEWEST_TO_SAY,
  LOOK_MINUTES,
  rateInterval,
  spreadOf,
} from '@binoculum/core'
import { anyRole, branchIdsOf, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import { firstPlace } from '../calendar/service.ts'
import { forecastOf, type KitForecast } from '../drift/service.ts'
import { loanCode, type Shelf } from '../judgement/service.ts'
import type { Opening } from '../opening/service.ts'
import * as queries from './queries.ts'

/** So many days at a time; earlier ones are asked for. */
const STORY_DAYS = 366
const TREND_MONTHS = 18

/** What holds, what drifts and what is lost, along the records. */
export class Logbook {
  constructor(
    private readonly context: Context,
    private readonly rooms: { readonly shelf: Shelf; readonly opening: Opening },
  ) {}

  /** @param from the first day to be shown; a year back where left out */
  async story(session: Session, code: string, from: string | undefined): Promise<KitStory> {
    const tx = this.context.database.reader
    const row = await this.rooms.shelf.rowByCode(tx, code)
    requireRole(session, row.branchId, anyRole)
    const { today, zone } = await this.rooms.opening.daysOf(tx, row.branchId)
    const first = from ?? dateOfDay(dayNumber(today) - STORY_DAYS)
    const since = new Date(`${first}T00:00:00Z`)
    const [loans, readings, lines, began, forecast] = await Promise.all([
      queries.storyLoans(tx, row.id, { from: first, zone, today }),
      queries.storyReadings(tx, row.id, since),
      queries.storyLines(tx, row.id, since),
      queries.firstDay(tx, row.id),
      forecastOf(tx, row),
    ])
    return {
      kit: { id: row.id, code: row.code, name: row.name, modelId: row.modelId, modelName: row.modelName, zone },
      today,
      from: first,
      hasEarlier: began !== null && began < first,
      loans: loans.map(({ number, ...loan }) => ({ ...loan, code: loanCode(number) })),
      readings: readings.map(({ at, ...reading }) => ({
        ...reading,
        atUtc: at.toISOString(),
      })),
      lines: lines.map(({ at, ...line }) => ({ ...line, atUtc: at.toISOString() })),
      forecast: forecast && storyForecast(forecast),
    }
  }

  /** What a year under other rules is played through with. */
  async whatIfKits(session: Session, branchId: string): Promise<WhatIfKits> {
    requireRole(session, branchId, anyRole)
    const tx = this.context.database.reader
    const { today } = await this.rooms.opening.daysOf(tx, branchId)
    const kits: WhatIfKits['kits'] = []
    for (const kit of await queries.lentKits(tx, branchId, today)) {
      const forecast = await forecastOf(tx, kit)
      if (!forecast || forecast.sigmaPerLoanMm === null) continue
      const { code, name, loansAYear, lookMinutes } = kit
      kits.push({
        ...{ code, name, loansAYear, lookMinutes: Number(lookMinutes ?? LOOK_MINUTES) },
        ...{ sigmaMm: forecast.sigmaPerLoanMm, limitMm: forecast.limitMm },
        // Nobody leaves a mirror beyond its limit on purpose: half of it is the aim.
        leftMm: Math.min(forecast.leftMm, forecast.limitMm / 2),
      })
    }
    return { kits, dueChance: DEFAULT_DUE_CHANCE }
  }

  async trends(session: Session): Promise<Trends> {
    const branches = []
    for (const branchId of branchIdsOf(session)) branches.push(await this.ofBranch(branchId))
    return { branches: branches.sort((a, b) => a.branchName.localeCompare(b.branchName)) }
  }

  private async ofBranch(branchId: string): Promise<Trends['branches'][number]> {
    const tx = this.context.database.reader
    const { branchName, today, zone } = await this.rooms.opening.daysOf(tx, branchId)
    const from = monthsBefore(today, TREND_MONTHS - 1)
    const [models, months, place] = await Promise.all([
      queries.modelFigures(tx, branchId),
      queries.loansByMonth(tx, { branchId, from, until: today, zone }),
      firstPlace(tx, branchId),
    ])
    const counted = new Map(months.map((month) => [month.month, month]))
    return {
      ...{ branchId, branchName },
      models: models.map(trendOf),
      months: Array.from({ length: TREND_MONTHS }, (_, index): MonthTrend => {
        const month = monthsBefore(today, TREND_MONTHS - 1 - index).slice(0, 7)
        const { loans = 0, late = 0 } = counted.get(month) ?? {}
        return { month, loans, late }
      }),
      place,
    }
  }
}

/** What is likely by now, and after its next loans. */
function storyForecast({ chanceAfter, ...forecast }: KitForecast): NonNullable<KitStory['forecast']> {
  const { loansSince, leftMm, limitMm } = forecast
  const chanceNow = loansSince === 0 ? Number(leftMm > limitMm) : (chanceAfter[loansSince - 1] ?? null)
  return { ...forecast, chanceNow, after: chanceAfter.slice(0, SHOWN_AHEAD) }
}
const SHOWN_AHEAD = 3

function trendOf({ mirror, finder, loans, lost, benchMinutes, ...model }: queries.ModelFigures): ModelTrend {
  return {
    ...model,
    kits: [...model.kits],
    loans,
    mirrorMm: spreadOf(mirror),
    mirrorLimitMm: mirror[0]?.limit ?? null,
    finderArcmin: spreadOf(finder),
    finderLimitArcmin: finder[0]?.limit ?? null,
    lostPerHundred: loans < FEWEST_TO_SAY ? null : { rate: (100 * lost) / loans, ...rateInterval(lost, loans / 100) },
    benchMinutes: benchMinutes === null ? null : Math.round(Number(benchMinutes)),
  }
}

/** The first day of the month so many months before a day's. */
function monthsBefore(day: string, months: number): string {
  const [year = 0, month = 1] = day.split('-').map(Number)
  const at = year * 12 + month - 1 - months
  return `${Math.floor(at / 12)}-${String((at % 12) + 1).padStart(2, '0')}-01`
}
