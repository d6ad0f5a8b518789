import { randomUUID } from 'node:crypto'
import {
  glassLookSchema,
  glassLooksSchema,
  type Bench,
  type FinishCheck,
  type GlassLooks,
  type KitSheet,
  type Session,
  type Station,
} from '@binoculum/contract'
import {
  learnFrom,
  needsYes,
  reasonSentence,
  readingsFromStation,
  sunQuestion,
  type CheckedKit,
  type FinderTargetKind,
  type KeptReading,
} from '@binoculum/core'
import { branchIdsOf, deskRoles, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { once } from '../../platform/sent-once.ts'
import { keepDrift } from '../drift/service.ts'
import { sitesOf } from '../sites/service.ts'
import { fieldOfRow, judgeRow, type OneKit, type Shelf, type ShelfRow } from '../judgement/service.ts'
import { markDiameterMm, onMount, opticsOfKit, type Sheets } from '../sheet/service.ts'
import type { KitStore } from '../store/service.ts'
import type { KnobStepRow, ReadingRow, StepTimeRow, TurnedStepRow } from './entities.ts'
import { timesOf } from './step-times.ts'
import {
  closeJobs,
  forgetTurnedSteps,
  glassLooksOf,
  insertCheck,
  keepKnobSteps,
  keepReadings,
  keepStepTimes,
  keepTurnedSteps,
  placeOnShelf,
} from './queries.ts'

const SHOWN_GLASS_LOOKS = 3

export class Checks {
  constructor(
    private readonly context: Context,
    private readonly store: KitStore,
    private readonly shelf: Shelf,
    private readonly sheets: Sheets,
  ) {}

  /** What waits for the bench, soonest promised hand-out first. */
  async bench(session: Session): Promise<Bench> {
    const { kits } = await this.shelf.kits(session)
    const waiting = kits
      .filter(({ group }) => group === 'bench' || group === 'held')
      .map((kit) => ({
        branchId: kit.branchId,
        code: kit.code,
        name: kit.name,
        modelName: kit.modelName,
        condition: kit.condition,
        sentence: kit.reasons[0] ? reasonSentence(kit.reasons[0]) : '',
        minutes: kit.reasons.reduce((sum, { minutes }) => sum + minutes, 0),
        neededByUtc: kit.next?.atUtc ?? null,
      }))
      .sort((a, b) => (a.neededByUtc ?? '9').localeCompare(b.neededByUtc ?? '9') || a.name.localeCompare(b.name))
    return { waiting }
  }

  /** Keeps a check: readings as found and as left, jobs done, place and record in one transaction, once per key. */
  async finish(session: Session, kitId: string, given: FinishCheck): Promise<{ kit: KitSheet }> {
    const { database } = this.context
    await database.inTransaction((tx) =>
      once(
        tx,
        {
          key: given.idempotencyKey,
          staffId: session.staffId,
          sentFor: `check ${kitId}`,
          may: () => this.shelf.mayWorkOn(tx, session, kitId),
        },
        async () => {
          const row = await this.shelf.rowById(tx, kitId)
          requireRole(session, row.branchId, deskRoles)
          if (row.loan) throw new Problem('KIT_OUT')
          await this.refuseUnasked(tx, session, given)
          await this.sheets.claim(tx, kitId, given.kitVersion)
          await this.keep(tx, session, row, given)
          return { kitId }
        },
      ),
    )
    return { kit: await this.sheets.sheetById(database.reader, kitId) }
  }

  /** How a kit's glass looked by torch before, and when it was cleaned. */
  async glassLooks(session: Session, code: string): Promise<GlassLooks> {
    const { id } = await this.shelf.rowFor(session, code)
    const rows = await glassLooksOf(this.context.database.reader, id)
    return glassLooksSchema.parse({
      looks: rows.slice(0, SHOWN_GLASS_LOOKS).map(({ look, ...rest }) => ({ ...(look as object), ...rest })),
      cleanings: rows.flatMap(({ look, ...rest }) => {
        const { cleaned } = glassLookSchema.parse(look)
        return cleaned ? [{ ...cleaned, ...rest }] : []
      }),
    })
  }

  /** Forgets what a kit's screws were seen to do: a new cell, or a lesson that was none. On record. */
  async forgetCell(session: Session, kitId: string, kitVersion: number): Promise<{ kit: KitSheet }> {
    const { database } = this.context
    await database.inTransaction(async (tx) => {
      const row = await this.shelf.rowById(tx, kitId)
      requireRole(session, row.branchId, deskRoles)
      await this.sheets.claim(tx, kitId, kitVersion)
      const forgotten = await forgetTurnedSteps(tx, kitId)
      await appendRecord(tx, {
        act: 'cell-forgotten',
        at: this.context.clock(),
        branchId: row.branchId,
        staffId: session.staffId,
        kitId,
        after: { steps: forgotten.length },
      })
    })
    return { kit: await this.sheets.sheetById(database.reader, kitId) }
  }

  /** What was looked at while the Sun may have been up counts only with the yes to its question, in whichever way it was
   * read: the page's own gate, held by the server's clock. */
  private async refuseUnasked(tx: Tx, session: Session, given: FinishCheck): Promise<void> {
    const looks = given.stations.flatMap(unansweredLooks)
    if (looks.length === 0) return
    // Any place that this person may choose on the page, which may be another branch's.
    const sites = await sitesOf(tx, branchIdsOf(session))
    const serverUtc = this.context.clock().toISOString()
    for (const { kind, siteId, lookedAtUtc } of looks) {
      const place = given.deviceUtc === null ? null : (sites.find(({ id }) => id === siteId) ?? null)
      const deviceUtc = given.deviceUtc ?? serverUtc
      if (needsYes(kind, sunQuestion({ place, deviceUtc, serverUtc, lookedAtUtc })))
        throw new Problem('SUN_NOT_ASKED')
    }
  }

  private async keep(tx: Tx, session: Session, row: OneKit, given: FinishCheck): Promise<void> {
    const at = this.context.clock()
    const before = judgeRow(row, at)
    const checkId = randomUUID()
    const stations = given.stations
    await insertCheck(tx, { id: checkId, kitId: row.id, byStaffId: session.staffId, at, stations })
    const mounted = onMount(row, await this.store.parts(tx, row.id))
    const kit: CheckedKit = {
      ...opticsOfKit(row),
      markOuterDiameterMm: markDiameterMm(row),
      lowestFieldDeg: fieldOfRow(row),
      onMount: mounted,
    }
    const learnt = stations.flatMap((station) =>
      station.station === 'balance' && mounted ? (learnFrom(station, mounted) ?? []) : [],
    )[0]
    const kept = stations.flatMap((station, index) => possibleReadings(station, { kit, index }))
    if (learnt !== undefined) await this.store.learnHeadMoment(tx, row.id, learnt)
    await keepStepTimes(tx, stepTimes(stations, { modelId: row.modelId, kitId: row.id, checkId, at }))
    await keepTurnedSteps(tx, turnedSteps(stations, { kitId: row.id, checkId, at }))
    await keepKnobSteps(tx, knobSteps(stations, { kitId: row.id, checkId, at }))
    // A door that isn't screwed shut lets a child at the cell: it holds the kit until somebody cures it.
    if (stations.some((each) => each.station === 'finder' && each.care?.doorScrewed === false))
      await this.store.addHazard(tx, row.id, 'battery-door-open')
    await keepReadings(
      tx,
      row.id,
      kept.map((reading) => readingRow(reading, { row, checkId, session, at })),
    )
    if (kept.some(({ kind }) => kind === 'collimation')) await keepDrift(tx, row)
    await closeJobs(tx, row.id, given.doneJobIds, at)
    if (given.backToShelf) await placeOnShelf(tx, row.id)
    const after = judgeRow(await this.shelf.rowById(tx, row.id), at)
    await appendRecord(tx, {
      act: 'checked',
      at,
      branchId: row.branchId,
      staffId: session.staffId,
      kitId: row.id,
      before: { condition: before.condition },
      after: {
        condition: after.condition,
        readings: kept,
        ...picturesOf(stations),
        jobsDone: given.doneJobIds.length,
        ...(learnt === undefined ? {} : { headMomentGmm: learnt }),
      },
    })
  }
}

/** What a station comes to; figures that can't be for this very kit are the sender's mistake, named by their station. */
function possibleReadings(station: Station, { kit, index }: { readonly kit: CheckedKit; readonly index: number }) {
  try {
    return readingsFromStation(station, kit)
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
    throw new Problem('BAD_INPUT', { issues: [{ path: `stations.${index}`, message: error.message }] })
  }
}

/** Looks into a tube or a finder of which nobody said that they can't meet the Sun. */
function unansweredLooks(
  station: Station,
): { kind: FinderTargetKind | null; siteId: string | null; lookedAtUtc?: string | undefined }[] {
  if (station.station === 'collimation') return station.sun.shaded ? [] : [{ kind: null, ...station.sun }]
  if (station.station !== 'finder') return []
  return [station.asFound, station.asLeft].flatMap((reading) => {
    if (reading.way === 'landmark' || reading.target?.shaded) return []
    return [{ kind: reading.target?.kind ?? null, siteId: station.siteId, lookedAtUtc: reading.lookedAtUtc }]
  })
}

/** Pictures that a figure was read from, as found and as left, in order. */
function picturesOf(stations: readonly Station[]): { pictures?: string[] } {
  const pictures = stations.flatMap((station) => {
    if (station.station === 'star' || station.station === 'glass') return station.look?.pictureId ?? []
    if (station.station !== 'collimation') return []
    return [station.asFound, station.asLeft].flatMap((look) =>
      (look.way === 'photo' || look.way === 'star') && look.pictureId ? [look.pictureId] : [],
    )
  })
  return pictures.length > 0 ? { pictures: [...new Set(pictures)] } : {}
}

function readingRow(
  reading: KeptReading,
  from: { row: ShelfRow; checkId: string; session: Session; at: Date },
): ReadingRow {
  const { limit, uncertainty = null, asFoundAt = null, asLeftAt = null, ...rest } = reading
  return {
    id: randomUUID(),
    kitId: from.row.id,
    checkId: from.checkId,
    ...rest,
    uncertainty,
    asFoundAt,
    asLeftAt,
    limitValue: limit,
    byStaffId: from.session.staffId,
    at: from.at,
    current: true,
  }
}

function knobSteps(stations: readonly Station[], from: { kitId: string; checkId: string; at: Date }): KnobStepRow[] {
  const steps = stations.flatMap((station) => (station.station === 'finder' ? station.turned : []))
  return steps.map((step, position) => ({ id: randomUUID(), ...from, step, position }))
}

function turnedSteps(
  stations: readonly Station[],
  ids: { readonly kitId: string; readonly checkId: string; readonly at: Date },
): TurnedStepRow[] {
  const steps = stations.flatMap((station) => (station.station === 'collimation' ? station.turned : []))
  return steps.map((step, position) => ({ id: randomUUID(), ...ids, ...step, position }))
}

const stepTimes = (
  stations: readonly Station[],
  ids: Pick<StepTimeRow, 'modelId' | 'kitId' | 'checkId' | 'at'>,
): StepTimeRow[] => timesOf(stations).map((time) => ({ id: randomUUID(), ...ids, ...time }))

export { BenchCheck, ReadingRow } from './entities.ts'
export { timesOf } from './step-times.ts'
export { stationMinutesOf, stepTimesOfModel } from './sheet-queries.ts'
