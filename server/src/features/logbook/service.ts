import { stationSchema } from '@binoculum/contract'
import type { Buying, BuyingQuery, KitStory, Session, StoryLines, Trends, WhatIfKits } from '@binoculum/contract'
import { committeeReportPages, dateOfDay, dateText, dayNumber, LOOK_MINUTES, seenBeside } from '@binoculum/core'
import { anyRole, branchIdsOf, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { forecastOf, type KitForecast } from '../drift/service.ts'
import { loanCode, policiesOf, type Shelf } from '../judgement/service.ts'
import type { Opening } from '../opening/service.ts'
import { pdfFile, printer } from '../printing/service.ts'
import { branchTrends } from './branch-trends.ts'
import { buyingOf } from './buying.ts'
import * as queries from './queries.ts'

/** So many days at a time; earlier ones are asked for. */
const STORY_DAYS = 366

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
    const [loans, readings, stations, lines, checks, began, forecast] = await Promise.all([
      queries.storyLoans(tx, row.id, { from: first, zone, today }),
      queries.storyReadings(tx, row.id, since),
      queries.storyStations(tx, row.id, since),
      this.linesBefore(tx, row.id, since, null),
      queries.storyChecks(tx, row.id, since),
      queries.firstDay(tx, row.id),
      forecastOf(tx, row, policiesOf(row).dueChance),
    ])
    return {
      kit: { id: row.id, code: row.code, name: row.name, modelId: row.modelId, modelName: row.modelName, zone },
      today,
      from: first,
      hasEarlier: began !== null && began < first,
      loans: loans.map(({ number, ...loan }) => ({ ...loan, code: loanCode(number) })),
      readings: [
        ...readings.map(({ at, ...reading }) => ({ ...reading, atUtc: at.toISOString() })),
        ...stations.flatMap(besideReadings),
      ],
      ...lines,
      checks: checks.map(({ at, ...check }) => ({ ...check, atUtc: at.toISOString() })),
      forecast: forecast && storyForecast(forecast),
    }
  }

  /** What comes after a page of what was done to a kit. */
  async lines(session: Session, code: string, from: string, before: string | undefined): Promise<StoryLines> {
    const tx = this.context.database.reader
    const row = await this.rooms.shelf.rowByCode(tx, code)
    requireRole(session, row.branchId, anyRole)
    return this.linesBefore(tx, row.id, new Date(`${from}T00:00:00Z`), before ?? null)
  }

  private async linesBefore(tx: Tx, kitId: string, from: Date, before: string | null): Promise<StoryLines> {
    const found = await queries.storyLines(tx, kitId, { from, before })
    const lines = found.slice(0, queries.MOST_LINES)
    return {
      lines: lines.map(({ at, ...line }) => ({ ...line, atUtc: at.toISOString() })),
      next: found.length > lines.length ? (lines.at(-1)?.id ?? null) : null,
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
    return { kits, dueChance: await queries.dueChanceOf(tx, branchId) }
  }

  /** What a branch's models cost, and which parts to keep. */
  async buying(session: Session, branchId: string, assumed: BuyingQuery): Promise<Buying> {
    requireRole(session, branchId, anyRole)
    const tx = this.context.database.reader
    const days = await this.rooms.opening.daysOf(tx, branchId)
    return buyingOf(tx, { ...days, branchId, at: this.context.clock() }, assumed)
  }

  /** The same on two pages for the committee. */
  async buyingPdf(session: Session, branchId: string, assumed: BuyingQuery): Promise<Buffer> {
    const buying = await this.buying(session, branchId, assumed)
    const printedOn = `${dateText(buying.today)} ${buying.today.slice(0, 4)}`
    const pages = committeeReportPages({ ...buying, printedOn }, 'a4', printer)
    return pdfFile(pages, `Buying and mending, ${buying.branchName}`)
  }

  async trends(session: Session): Promise<Trends> {
    const tx = this.context.database.reader
    const branches = []
    for (const branchId of branchIdsOf(session)) {
      const days = await this.rooms.opening.daysOf(tx, branchId)
      branches.push(await branchTrends(tx, { ...days, branchId }))
    }
    return { branches: branches.sort((a, b) => a.branchName.localeCompare(b.branchName)) }
  }
}

/** What a check kept beside its readings. */
const besideReadings = ({ at, by, stations }: { at: Date; by: string; stations: unknown[] }) =>
  stations.flatMap((kept) => {
    const entry = stationSchema.safeParse(kept).data
    if (entry?.station !== 'let-go' && entry?.station !== 'power' && entry?.station !== 'finder') return []
    return seenBeside(entry).map((seen) => ({ ...seen, atUtc: at.toISOString(), by }))
  })

/** What is likely by now, and after its next loans. */
function storyForecast({ chanceAfter, ...forecast }: KitForecast): NonNullable<KitStory['forecast']> {
  const { loansSince, leftMm, limitMm } = forecast
  const chanceNow = loansSince === 0 ? Number(leftMm > limitMm) : (chanceAfter[loansSince - 1] ?? null)
  return { ...forecast, chanceNow, after: chanceAfter.slice(0, SHOWN_AHEAD) }
}
const SHOWN_AHEAD = 3
