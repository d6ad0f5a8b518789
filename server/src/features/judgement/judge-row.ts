import {
  markSchema,
  modelOpticsSchema,
  mountDataSchema,
  partOpticsSchema,
  policiesSchema,
  roleSchema,
  type Part,
  type ShelfKit,
} from '@binoculum/contract'
import {
  cantBalance,
  DEFAULT_DUE_CHANCE,
  jobFacts,
  judgeKit,
  lowestPowerFieldDeg,
  powersThere,
  type Family,
  type HazardCode,
  type JobCode,
  type Judgement,
  type JudgedPart,
  type Mark,
  type OpenJob,
  type Role,
} from '@binoculum/core'
import { z } from 'zod'
import { oncePerText } from '../../platform/once-per-text.ts'
import type { ShelfRow } from './queries.ts'

const MILLISECONDS_PER_DAY = 86_400_000

export const loanCode = (number: number): string => `L-${String(number).padStart(4, '0')}`

/** Whole days that have begun since the due time; 0 while it isn't over. */
export const daysLate = (dueAt: Date, now: Date): number =>
  now <= dueAt ? 0 : Math.max(1, Math.floor((now.getTime() - dueAt.getTime()) / MILLISECONDS_PER_DAY))

const parsePolicies = oncePerText((text) => policiesSchema.parse(JSON.parse(text)))
const parseOptics = oncePerText((text) => modelOpticsSchema.parse(JSON.parse(text)))
const powerPartsSchema = z.array(
  z.object({ name: z.string(), role: roleSchema, mark: markSchema, optics: partOpticsSchema }),
)

export const opticsOf = (row: ShelfRow) => parseOptics(row.opticsJson)
export const policiesOf = (row: ShelfRow) => ({
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
const powersOfRow = ({ opticsJson, powerPartsJson }: ShelfRow) =>
  powersFromTexts(`${opticsJson}${TEXTS_APART}${powerPartsJson}`)

const parseMount = oncePerText((text) => mountDataSchema.nullable().parse(JSON.parse(text)))
const ridingPartsSchema = z.array(
  z.object({
    ...{ id: z.string(), name: z.string(), role: roleSchema, count: z.number(), mark: markSchema },
    ...{ massG: z.number().nullable(), toleranceG: z.number().nullable() },
  }),
)
const parseRiding = oncePerText((text) => ridingPartsSchema.parse(JSON.parse(text)))
/** Balancing three set-ups takes as long as all else that a kit is judged by: kits of the same parts are balanced once. */
const cantBalanceFromTexts = oncePerText((texts) => {
  const [mountJson = 'null', ridingPartsJson = '[]', headMoment = 'null'] = texts.split(TEXTS_APART)
  const mount = parseMount(mountJson)
  const headMomentGmm = z.number().nullable().parse(JSON.parse(headMoment))
  return mount && cantBalance({ mount, headMomentGmm, parts: parseRiding(ridingPartsJson) })
})
const cantBalanceOfRow = ({ mountJson, ridingPartsJson, headMomentGmm }: ShelfRow) =>
  cantBalanceFromTexts([mountJson, ridingPartsJson, String(headMomentGmm)].join(TEXTS_APART))

/** True field of the kit's lowest power, which sets the finder's limit. */
export const fieldOfRow = (row: ShelfRow): number => lowestPowerFieldDeg(powersOfRow(row)) ?? DEFAULT_FIELD_DEG
/** Where a kit has no eyepiece on its card: one degree, common practice, no source. */
const DEFAULT_FIELD_DEG = 1

/** Judges a kit from what is stored, optionally with marks, hazards and jobs that are about to be. */
export function judgeRow(
  row: ShelfRow,
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
    cantBalance: cantBalanceOfRow(row),
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
function judgedParts(row: ShelfRow): { parts: readonly JudgedPart[]; presentBesides: number } {
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
export const isGone = ({ jobs }: Pick<ShelfRow, 'jobs'>): boolean =>
  jobs.some(({ code }) => jobFacts(code as JobCode).never === true)

const waitsAtDesk = (row: ShelfRow, { reasons }: Judgement): boolean =>
  row.standsAt === 'desk' && reasons.some(({ code }) => code === 'NOT_GONE_THROUGH')

function groupOf(row: ShelfRow, judgement: Judgement): ShelfKit['group'] {
  if (isGone(row)) return 'gone'
  if (row.loan) return 'out'
  if (waitsAtDesk(row, judgement)) return 'desk'
  if (judgement.condition === 'new') return 'held'
  return judgement.condition === 'crescent' || row.standsAt === 'bench' ? 'bench' : 'shelf'
}

export function shelfKit(row: ShelfRow, now: Date): ShelfKit {
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
    look: lookOf(row),
    version: row.version,
  }
}

/** What is likely is no finding: it judges nothing, and says what to look at first. */
const lookOf = (row: ShelfRow): ShelfKit['look'] => {
  const { drift } = row
  const { dueChance = DEFAULT_DUE_CHANCE } = policiesOf(row)
  return drift && drift.chance >= dueChance ? { chance: drift.chance, loans: drift.loans } : null
}
