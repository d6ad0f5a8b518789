import { randomUUID } from 'node:crypto'
import {
  finderDataSchema,
  markSchema,
  mirrorDataSchema,
  modelOpticsSchema,
  mountDataSchema,
  partOpticsSchema,
  policiesSchema,
  procedureSchema,
  roleSchema,
  standDataSchema,
  type CollimationPolicy,
  type FinderDataView,
  type FinderOffsetGiven,
  type Found,
  type KitSheet,
  type MarkPart,
  type OwnFinder,
  type Part,
  type ProcedureView,
  type Session,
  type Shelf,
  type ShelfKit,
} from '@binoculum/contract'
import {
  finderKindOnCard,
  finderOnCard,
  followUpsOf,
  hazardRoles,
  judgeKit,
  jobFacts,
  kitDifferences,
  lowestPowerFieldDeg,
  roleFacts,
  templateProcedure,
  usualFinder,
  powersThere,
  type Family,
  type FinderPart,
  type GuideInput,
  type HazardCode,
  type JobCode,
  type Judgement,
  type JudgedPart,
  type KitOnMount,
  type Mark,
  type OpenJob,
  type Procedure,
  type Role,
} from '@binoculum/core'
import { DateTime } from 'luxon'
import { z } from 'zod'
import { branchIdsOf, deskRoles, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { oncePerText } from '../../platform/once-per-text.ts'
import { appendRecord } from '../../platform/record.ts'
import { Job, Kit, PartRow } from './entities.ts'
import * as queries from './queries.ts'

const MILLISECONDS_PER_DAY = 86_400_000
const HISTORY_LINES = 40
const PAST_READINGS = 60

export const loanCode = (number: number): string => `L-${String(number).padStart(4, '0')}`

/** Whole days that have begun since the due time; 0 while it isn't over. */
export const daysLate = (dueAt: Date, now: Date): number =>
  now <= dueAt ? 0 : Math.max(1, Math.floor((now.getTime() - dueAt.getTime()) / MILLISECONDS_PER_DAY))

const parsePolicies = oncePerText((text) => policiesSchema.parse(JSON.parse(text)))
const parseOptics = oncePerText((text) => modelOpticsSchema.parse(JSON.parse(text)))
const powerPartsSchema = z.array(
  z.object({ name: z.string(), role: roleSchema, mark: markSchema, optics: partOpticsSchema }),
)

export const opticsOf = (row: queries.ShelfRow) => parseOptics(row.opticsJson)
const policiesOf = (row: queries.ShelfRow) => ({
  ...parsePolicies(row.policiesJson),
  collimation: row.collimationPolicy,
})

const TEXTS_APART = '\n'
const powersFromTexts = oncePerText((texts) => {
  const [opticsJson = '', powerPartsJson = ''] = texts.split(TEXTS_APART)
  return powersThere(parseOptics(opticsJson), powerPartsSchema.parse(JSON.parse(powerPartsJson)))
})

/** Whether its card says an eyepiece's focal length, there or missing. */
const eyepieceKnownIn = oncePerText((text) =>
  powerPartsSchema.parse(JSON.parse(text)).some(({ optics }) => optics.focalLengthMm !== undefined),
)

/** Powers that the kit's own eyepieces give. JSON texts from the database have no line breaks. */
const powersOfRow = ({ opticsJson, powerPartsJson }: queries.ShelfRow) =>
  powersFromTexts(`${opticsJson}${TEXTS_APART}${powerPartsJson}`)

const parseMount = oncePerText((text) => mountDataSchema.nullable().parse(JSON.parse(text)))
const ridingPartsSchema = z.array(
  z.object({
    ...{ id: z.string(), name: z.string(), role: roleSchema, count: z.number(), mark: markSchema },
    ...{ massG: z.number().nullable(), toleranceG: z.number().nullable() },
  }),
)
const parseRiding = oncePerText((text) => ridingPartsSchema.parse(JSON.parse(text)))
const onMountOfRow = ({ mountJson, ridingPartsJson, headMomentGmm }: queries.ShelfRow): KitOnMount | null => {
  const mount = parseMount(mountJson)
  return mount && { mount, headMomentGmm, parts: parseRiding(ridingPartsJson) }
}

/** True field of the kit's lowest power, which sets the finder's limit. */
export const fieldOfRow = (row: queries.ShelfRow): number =>
  lowestPowerFieldDeg(powersOfRow(row)) ?? DEFAULT_FIELD_DEG
/** Where a kit has no eyepiece on its card: one degree, common practice, no source. */
const DEFAULT_FIELD_DEG = 1

/** Judges a kit from what is stored, optionally with marks, hazards and jobs that are about to be. */
export function judgeRow(
  row: queries.ShelfRow,
  now: Date,
  changed: {
    readonly parts?: readonly JudgedPart[]
    readonly hazards?: readonly HazardCode[]
    readonly jobs?: readonly OpenJob[]
  } = {},
): Judgement {
  return judgeKit({
    family: row.family as Family,
    optics: opticsOf(row),
    powers: powersOfRow(row),
    eyepieceKnown: eyepieceKnownIn(row.powerPartsJson),
    onMount: onMountOfRow(row),
    ...(changed.parts ? { parts: changed.parts } : judgedParts(row)),
    extras: row.extras,
    readings: row.readings,
    hazards: [...(row.hazards as HazardCode[]), ...(changed.hazards ?? [])],
    openJobs: [...row.jobs.map(({ code, text }) => ({ code: code as JobCode, text })), ...(changed.jobs ?? [])],
    policies: policiesOf(row),
    atUtc: now.toISOString(),
  })
}

/** Parts that are plainly present need no names to be judged, only to be counted. */
function judgedParts(row: queries.ShelfRow): { parts: readonly JudgedPart[]; presentBesides: number } {
  const inOrder = [...row.offParts].sort((a, b) => a.position - b.position)
  const parts = inOrder.map((part) => ({
    ...part,
    role: part.role as Role,
    mark: part.mark as Mark,
    criticality: part.criticality as Part['criticality'],
  }))
  return { parts, presentBesides: row.partCount - parts.length }
}

/** Lost, stolen or at its end: it is on no list of what can be lent, whatever else is so of it. */
export const isGone = ({ jobs }: Pick<queries.ShelfRow, 'jobs'>): boolean =>
  jobs.some(({ code }) => jobFacts(code as JobCode).never === true)

const waitsAtDesk = (row: queries.ShelfRow, { reasons }: Judgement): boolean =>
  row.standsAt === 'desk' && reasons.some(({ code }) => code === 'NOT_GONE_THROUGH')

function groupOf(row: queries.ShelfRow, judgement: Judgement): ShelfKit['group'] {
  if (isGone(row)) return 'gone'
  if (row.loan) return 'out'
  if (waitsAtDesk(row, judgement)) return 'desk'
  if (judgement.condition === 'new') return 'held'
  return judgement.condition === 'crescent' || row.standsAt === 'bench' ? 'bench' : 'shelf'
}

export function shelfKit(row: queries.ShelfRow, now: Date): ShelfKit {
  const judgement = judgeRow(row, now)
  return {
    id: row.id,
    branchId: row.branchId,
    code: row.code,
    name: row.name,
    family: row.family as Family,
    modelName: row.modelName,
    group: groupOf(row, judgement),
    place: row.standsAt === 'shelf' ? row.place : row.standsAt,
    condition: judgement.condition,
    reasons: [...judgement.reasons],
    readings: [...row.readings],
    loan: row.loan && {
      id: row.loan.id,
      code: loanCode(row.loan.number),
      borrower: row.loan.borrower,
      dueAtUtc: new Date(row.loan.dueAt).toISOString(),
      daysLate: daysLate(new Date(row.loan.dueAt), now),
    },
    next: row.next && {
      loanId: row.next.loanId,
      borrower: row.next.borrower,
      atUtc: new Date(row.next.at).toISOString(),
    },
    version: row.version,
  }
}

/** A kit's optics: its finder sits where somebody measured it, else where its model says. */
const ownOptics = (row: queries.ShelfRow, own: OwnFinder | null) => {
  const optics = opticsOf(row)
  return own ? { ...optics, finderOffsetMm: own.offsetMm } : optics
}

/** What a kit has from its model: mount, steps, and how long they take. */
function modelsOwn(
  row: queries.ShelfRow,
  model: Awaited<ReturnType<typeof queries.modelOfKit>>,
  card: readonly FinderPart[],
) {
  const optics = opticsOf(row)
  const { collapsible } = optics
  const stand = standDataSchema.nullable().parse(model.stand)
  // What lies on this very card decides: not what its model once had.
  const parts = card.map(({ role }) => role)
  const described = finderDataSchema.nullable().parse(model.finder)
  const isTold = finderKindOnCard(card) !== null
  return {
    mount: mountDataSchema.nullable().parse(model.mount),
    mirror: mirrorDataSchema.nullable().parse(model.mirror),
    stand,
    finder: described || isTold ? wireFinder(finderOnCard(described ?? usualFinder(optics), card)) : null,
    ownFinder: model.ownFinder,
    knobSteps: [...model.knobSteps],
    turned: [...model.turned],
    headMomentGmm: model.headMomentGmm,
    procedure:
      procedureSchema.nullable().parse(model.procedure) ??
      wireProcedure(
        templateProcedure({
          family: row.family as Family,
          collapsible,
          parts,
          stand,
          finderKind: finderKindOnCard(card),
        }),
      ),
    stepSeconds: Object.fromEntries(model.stepTimes.map(({ key, medianSeconds }) => [key, medianSeconds])),
  }
}

/** A kit as far as its finder's sheet goes. */
export type FinderOnKit = Pick<
  KitSheet,
  'name' | 'code' | 'branchName' | 'zone' | 'optics' | 'finder' | 'ownFinder'
> & {
  readonly lowestFieldDeg: number
}

/** The core's readonly finder as the contract writes it. */
const wireFinder = (finder: ReturnType<typeof finderOnCard>): FinderDataView =>
  structuredClone(finder) as FinderDataView

/** The core's readonly steps as the contract writes them. */
export const wireProcedure = (procedure: Procedure): ProcedureView => structuredClone(procedure) as ProcedureView

export class Kits {
  constructor(private readonly context: Context) {}

  /** Two round trips beyond the session's, whatever the number of kits. */
  async shelf(session: Session): Promise<Shelf> {
    const now = this.context.clock()
    const rows = await queries.shelfOfBranches(this.context.database.reader, branchIdsOf(session))
    return { kits: rows.map((row) => shelfKit(row, now)), atUtc: now.toISOString() }
  }

  async sheet(session: Session, code: string): Promise<KitSheet> {
    const row = await queries.shelfRowOf(this.context.database.reader, code)
    if (!row || !branchIdsOf(session).includes(row.branchId)) throw new Problem('NOT_FOUND')
    return this.sheetOfRow(this.context.database.reader, row)
  }

  /** What sheets of two marks are drawn from, for many kits in two queries. @throws Problem NOT_FOUND for an unknown one */
  async finders(session: Session, codes: readonly string[]): Promise<FinderOnKit[]> {
    const { reader } = this.context.database
    const rows = await queries.shelfOfBranches(reader, branchIdsOf(session))
    const byCode = new Map(rows.map((row) => [row.code, row]))
    const wanted = codes.map((code) => {
      const row = byCode.get(code)
      if (!row) throw new Problem('NOT_FOUND')
      return row
    })
    const found = await queries.findersOfKits(
      reader,
      wanted.map(({ id }) => id),
    )
    const byKit = new Map(found.map((each) => [each.kitId, each]))
    return wanted.map((row) => {
      const { finder = null, ownFinder = null, finderPart = [] } = byKit.get(row.id) ?? {}
      const described = finderDataSchema.nullable().parse(finder)
      const { name, code, branchName, zone } = row
      return {
        ...{ name, code, branchName, zone, ownFinder },
        optics: ownOptics(row, ownFinder),
        finder: described && wireFinder(finderOnCard(described, finderPart)),
        lowestFieldDeg: fieldOfRow(row),
      }
    })
  }

  async sheetById(tx: Tx, kitId: string): Promise<KitSheet> {
    return this.sheetOfRow(tx, await this.rowById(tx, kitId))
  }

  /** @throws NOT_FOUND, or NOT_ALLOWED for whoever doesn't work at the kit's desk */
  async mayWorkOn(tx: Tx, session: Session, kitId: string): Promise<void> {
    requireRole(session, (await this.rowById(tx, kitId)).branchId, deskRoles)
  }

  /** The kit as stored, for features that judge it. @throws Problem NOT_FOUND */
  async rowById(tx: Tx, kitId: string): Promise<queries.ShelfRow> {
    const row = await queries.shelfRowById(tx, kitId)
    if (!row) throw new Problem('NOT_FOUND')
    return row
  }

  async rowByCode(tx: Tx, code: string): Promise<queries.ShelfRow> {
    const row = await queries.shelfRowOf(tx, code)
    if (!row) throw new Problem('NOT_FOUND')
    return row
  }

  private async sheetOfRow(tx: Tx, row: queries.ShelfRow): Promise<KitSheet> {
    const parts = await this.parts(tx, row.id)
    const model = await queries.modelOfKit(tx, row.id)
    const history = await queries.historyOf(tx, row.id, HISTORY_LINES)
    const finderDrift = await queries.finderDrift(tx, row.id)
    const past = await queries.pastReadings(tx, row.id, PAST_READINGS)
    const extras = await queries.extrasOf(tx, row.id)
    const lastLoan = await queries.lastLoanOf(tx, row.id)
    return {
      ...shelfKit(row, this.context.clock()),
      branchName: row.branchName,
      zone: row.zone,
      emergencyLine: row.emergencyLine,
      currency: row.currency,
      optics: ownOptics(row, model.ownFinder),
      finderDrift,
      policies: policiesOf(row),
      hazards: row.hazards as HazardCode[],
      modelId: row.modelId,
      ...modelsOwn(row, model, parts),
      details: model.details,
      shelfPlace: row.place,
      weighGroups: model.weighGroups,
      baselines: model.baselines.map(({ group, measuredG, containerG, scaleStepG, at }) => ({
        group,
        measuredG: measuredG - containerG,
        scaleStepG,
        atUtc: at.toISOString(),
      })),
      differences: [...kitDifferences(model.parts, parts)],
      parts,
      extras: extras.map(({ foundAt, ...extra }) => ({ ...extra, foundAtUtc: foundAt.toISOString() })),
      lastLoan: lastLoan && { ...lastLoan, code: loanCode(lastLoan.number) },
      jobs: row.jobs.map((job) => ({
        ...job,
        code: job.code as JobCode,
        openedAtUtc: new Date(job.openedAtUtc).toISOString(),
        notBeforeUtc: job.notBeforeUtc && new Date(job.notBeforeUtc).toISOString(),
      })),
      history: history.map(({ at, ...line }) => ({ ...line, atUtc: at.toISOString() })),
      past: past.map(({ at, ...reading }) => ({ ...reading, atUtc: at.toISOString() })),
    }
  }

  /** The kit as its mount carries it; null while nobody measured the model's mount. */
  async onMount(tx: Tx, kitId: string): Promise<KitOnMount | null> {
    const { mount, headMomentGmm } = await queries.modelOfKit(tx, kitId)
    const data = mountDataSchema.nullable().parse(mount)
    return data && { mount: data, headMomentGmm, parts: await this.parts(tx, kitId) }
  }

  /** Optics with the finder's place as measured on this kit. */
  async opticsOfKit(tx: Tx, row: queries.ShelfRow) {
    return ownOptics(row, (await queries.modelOfKit(tx, row.id)).ownFinder)
  }

  /** Where this kit's finder sits, as somebody measured it. */
  async measureFinder(session: Session, kitId: string, given: FinderOffsetGiven): Promise<KitSheet> {
    return this.changeKit(session, kitId, given.kitVersion, async (tx, row) => {
      requireRole(session, row.branchId, deskRoles)
      const before = { offsetMm: (await this.opticsOfKit(tx, row)).finderOffsetMm }
      const { offsetMm } = given
      const ownFinder = { offsetMm, measuredAtUtc: this.context.clock().toISOString(), by: session.name }
      await tx.update(Kit, { id: kitId }, { ownFinder })
      await this.append(tx, session, row, 'finder-offset-measured', { before, after: { offsetMm } })
    })
  }

  /** Puts a hazard on a kit, inside an act that records why. */
  async addHazard(tx: Tx, kitId: string, hazard: HazardCode): Promise<void> {
    const { hazards } = await this.rowById(tx, kitId)
    if (!hazards.includes(hazard)) await tx.update(Kit, { id: kitId }, { hazards: [...hazards, hazard] })
  }

  /** Outer diameter of the centre mark on the kit's model; null where nobody measured it, or there is none. */
  async markDiameterMm(tx: Tx, kitId: string): Promise<number | null> {
    const { mirror } = await queries.modelOfKit(tx, kitId)
    return mirrorDataSchema.nullable().parse(mirror)?.mark?.outerDiameterMm ?? null
  }

  async learnHeadMoment(tx: Tx, kitId: string, headMomentGmm: number): Promise<void> {
    await tx.update(Kit, { id: kitId }, { headMomentGmm })
  }

  /** What a guide takes from a kit's model: its steps, its own or its family's, its mirrors, mount and tube. */
  async guideModel(
    tx: Tx,
    row: queries.ShelfRow,
  ): Promise<Pick<GuideInput, 'procedure' | 'mirror' | 'mount' | 'stand'>> {
    const own = modelsOwn(row, await queries.modelOfKit(tx, row.id), await this.parts(tx, row.id))
    const { procedure, mirror, mount, stand } = own
    return { procedure, mirror, mount, stand }
  }

  async parts(tx: Tx, kitId: string): Promise<Part[]> {
    const rows = await queries.partsOf(tx, kitId)
    // A part of its own words says what to look for; else its role does.
    return rows.map(({ seenAt, ...row }) => ({
      ...row,
      seenAtUtc: seenAt?.toISOString() ?? null,
      optics: partOpticsSchema.parse(row.optics),
      lookFor: row.lookFor || roleFacts(row.role).lookFor,
    }))
  }

  async find(session: Session, text: string): Promise<Found> {
    return queries.find(this.context.database.reader, branchIdsOf(session), text)
  }

  /** Marks one part of a kit that stands here: found again, replaced, damaged, missing. */
  async markPart(
    session: Session,
    target: { kitId: string; partId: string },
    given: MarkPart & { readonly kitVersion: number },
  ): Promise<KitSheet> {
    return this.changeKit(session, target.kitId, given.kitVersion, async (tx, row) => {
      const part = await tx.findOneBy(PartRow, { id: target.partId, kitId: target.kitId })
      if (!part) throw new Problem('NOT_FOUND')
      const presentCount = given.presentCount ?? (given.mark === 'missing' ? 0 : part.count)
      if (presentCount > part.count) {
        const issues = [{ path: 'presentCount', message: `at most ${part.count}` }]
        throw new Problem('BAD_INPUT', { issues })
      }
      const { mark, note, wrongItem, pictureIds = part.pictureIds } = given
      const at = this.context.clock()
      const seenAt = mark === 'unseen' ? part.seenAt : at
      await tx.update(PartRow, { id: part.id }, { mark, note, wrongItem, presentCount, pictureIds, seenAt })
      await queries.endGoingThrough(tx, target.kitId, at)
      await this.followParts(tx, session, { row, loanId: null }, [{ ...part, mark }])
      const before = { part: part.name, mark: part.mark }
      const after = { part: part.name, mark, note, ...(wrongItem ? { wrongItem } : {}) }
      await this.append(tx, session, row, 'part-marked', { before, after })
    })
  }

  /** What is off gets a follow-up with owner and due day; what is right again needs none. */
  async followParts(
    tx: Tx,
    session: Session,
    { row, loanId }: { row: queries.ShelfRow; loanId: string | null },
    parts: readonly { readonly id: string; readonly role: string; readonly name: string; readonly mark: string }[],
  ): Promise<void> {
    const at = this.context.clock()
    const marked = parts.map(({ id, role, mark }) => ({ id, role: role as Role, mark: mark as Mark }))
    const right = marked.filter(({ mark }) => mark === 'present').map(({ id }) => id)
    await queries.closeFollowUps(tx, right, at)
    const today = DateTime.fromJSDate(at, { zone: row.zone })
    for (const { partId, code, dueInDays } of followUpsOf(marked)) {
      const dueOn = today.plus({ days: dueInDays }).toISODate() ?? ''
      const text = parts.find(({ id }) => id === partId)?.name ?? ''
      await queries.openFollowUp(tx, {
        kitId: row.id,
        partId,
        loanId,
        code,
        text,
        ownerId: session.staffId,
        dueOn,
        at,
      })
    }
  }

  /** Counts everything not looked at yet as present, except what needs a look of its own every time. */
  async countRest(session: Session, kitId: string, given: { kitVersion: number }): Promise<KitSheet> {
    return this.changeKit(session, kitId, given.kitVersion, async (tx, row) => {
      const parts = await this.parts(tx, kitId)
      const rest = parts.filter(({ mark, lookEveryTime }) => mark === 'unseen' && !lookEveryTime)
      await queries.markPresent(
        tx,
        kitId,
        rest.map(({ id }) => id),
        this.context.clock(),
      )
      await queries.endGoingThrough(tx, kitId, this.context.clock())
      await queries.closeFollowUps(
        tx,
        rest.map(({ id }) => id),
        this.context.clock(),
      )
      const change = { before: { unseen: rest.length }, after: { part: `${rest.length} parts`, mark: 'present' } }
      await this.append(tx, session, row, 'part-marked', change)
    })
  }

  /** Something that lay in the case beside its card was put where it belongs. */
  async settleExtra(session: Session, target: { kitId: string; extraId: string }, given: { kitVersion: number }) {
    return this.changeKit(session, target.kitId, given.kitVersion, async (tx, row) => {
      const at = this.context.clock()
      const [extra] = await queries.settleExtra(tx, { id: target.extraId, kitId: target.kitId, at })
      if (!extra) throw new Problem('NOT_FOUND')
      await this.append(tx, session, row, 'extra-settled', { before: { part: extra.name }, after: {} })
    })
  }

  /** A kit that was lost, stolen or retired is in the house again: nothing is known of it until it is gone through and checked. */
  async backInService(session: Session, kitId: string, given: { kitVersion: number; reason: string }) {
    return this.changeKit(session, kitId, given.kitVersion, async (tx, row) => {
      requireRole(session, row.branchId, ['coordinator'])
      if (!isGone(row)) throw new Problem('NOT_FOUND')
      await this.comeBack(tx, row.id)
      const words = row.jobs.filter(({ code }) => jobFacts(code as JobCode).never).map(({ code }) => code)
      await this.append(tx, session, row, 'kit-changed', {
        before: { reports: words },
        after: { backInService: given.reason },
      })
    })
  }

  /** Closes the reports, and makes everything unseen and unchecked. */
  async comeBack(tx: Tx, kitId: string): Promise<void> {
    const at = this.context.clock()
    await queries.closeReports(tx, kitId, at)
    await queries.unseeParts(tx, kitId)
    await tx.update(Kit, { id: kitId }, { standsAt: 'desk' })
    const texts = { 'go-through': '', 'bench-wanted': 'back in service: check before it goes out again' } as const
    for (const code of ['go-through', 'bench-wanted'] as const)
      await tx.insert(Job, { id: randomUUID(), kitId, code, text: texts[code], openedAt: at, closedAt: null })
  }

  /** The recorded cure of a hazard: what was done and by whom. A withdrawn sun filter leaves the contents for good. */
  async cureHazard(
    session: Session,
    kitId: string,
    given: { kitVersion: number; hazard: HazardCode; cure: string },
  ): Promise<KitSheet> {
    return this.changeKit(session, kitId, given.kitVersion, async (tx, row) => {
      const [role] = Object.entries(hazardRoles).find(([, hazard]) => hazard === given.hazard) ?? []
      const withdrawn = role === undefined ? null : { kitId, role }
      const inCase = withdrawn !== null && (await tx.existsBy(PartRow, withdrawn))
      if (!row.hazards.includes(given.hazard) && !inCase) throw new Problem('NOT_FOUND')
      if (given.hazard === 'wet') {
        const until = await queries.dryingUntil(tx, kitId, this.context.clock())
        if (until) throw new Problem('TOO_EARLY', { details: { untilUtc: until.toISOString() } })
        await queries.closeDrying(tx, kitId, this.context.clock())
      }
      if (withdrawn) await tx.delete(PartRow, withdrawn)
      await tx.update(Kit, { id: kitId }, { hazards: row.hazards.filter((hazard) => hazard !== given.hazard) })
      const opened = { id: randomUUID(), kitId, code: 'bench-wanted', text: 'check after the cure' }
      await tx.insert(Job, { ...opened, openedAt: this.context.clock(), closedAt: null })
      const before = { hazard: given.hazard }
      await this.append(tx, session, row, 'hazard-cured', { before, after: { cure: given.cure } })
    })
  }

  /** Whether borrowers may line it up themselves, with their help sheet. */
  async setCollimationPolicy(session: Session, kitId: string, given: CollimationPolicy): Promise<KitSheet> {
    return this.changeKit(session, kitId, given.kitVersion, async (tx, row) => {
      requireRole(session, row.branchId, ['coordinator'])
      await tx.update(Kit, { id: kitId }, { collimationPolicy: given.policy })
      const before = { policy: row.collimationPolicy }
      await this.append(tx, session, row, 'collimation-policy-set', { before, after: { policy: given.policy } })
    })
  }

  /** Takes a hazard off a kit, inside an act that records why. */
  async removeHazard(tx: Tx, kitId: string, hazard: HazardCode): Promise<void> {
    const { hazards } = await this.rowById(tx, kitId)
    await tx.update(Kit, { id: kitId }, { hazards: hazards.filter((each) => each !== hazard) })
  }

  private async changeKit(
    session: Session,
    kitId: string,
    kitVersion: number,
    change: (tx: Tx, row: queries.ShelfRow) => Promise<void>,
  ): Promise<KitSheet> {
    return this.context.database.inTransaction(async (tx) => {
      const row = await this.rowById(tx, kitId)
      requireRole(session, row.branchId, deskRoles)
      await this.claim(tx, kitId, kitVersion)
      await change(tx, row)
      return this.sheetById(tx, kitId)
    })
  }

  /** Takes the kit for this transaction if it still is as it was seen; else 409 with the present state. */
  async claim(tx: Tx, kitId: string, version: number): Promise<void> {
    if (await queries.claimKitVersion(tx, kitId, version)) return
    throw new Problem('KIT_CHANGED', { details: { now: await this.sheetById(tx, kitId) } })
  }

  private append(
    tx: Tx,
    session: Session,
    row: queries.ShelfRow,
    act:
      | 'part-marked'
      | 'extra-settled'
      | 'kit-changed'
      | 'hazard-cured'
      | 'collimation-policy-set'
      | 'finder-offset-measured',
    change: { before: object; after: object },
  ) {
    const at = this.context.clock()
    return appendRecord(tx, { act, at, branchId: row.branchId, staffId: session.staffId, kitId: row.id, ...change })
  }
}

export { ExtraPartRow, Job, Kit, Model, ModelPartRow, PartRow } from './entities.ts'
export type { ShelfRow } from './queries.ts'
export {
  bumpKitVersion,
  claimKitVersion,
  closeFollowUps,
  endGoingThrough,
  insertKit,
  lockKit,
  openFollowUp,
  outdateWeighings,
  stepTimesOfModel,
  type NewKit,
} from './queries.ts'
