import { skies } from '@binoculum/core'
import { z } from 'zod'
import { stationSchema } from './checks.ts'
import { daySchema } from './days.ts'
import { draftEntriesSchema } from './drafts.ts'
import { finderDataSchema, knobStepSchema, ownFinderSchema } from './finder-data.ts'
import { guideScopeSchema } from './guide-texts.ts'
import { modelOpticsSchema, partOpticsSchema } from './kits.ts'
import { answersSchema, outcomeSchema, partMarkSchema } from './loans.ts'
import { mirrorDataSchema, turnedStepSchema } from './mirror-data.ts'
import { consumableSchema, weighGroupSchema } from './models.ts'
import { mountDataSchema, procedureSchema, standDataSchema } from './mount-data.ts'
import { caseMarksSchema, casePlaceSchema, comparedPlaceSchema } from './open-case.ts'
import { idSchema } from './people.ts'
import {
  criticalitySchema,
  familySchema,
  hazardSchema,
  instantUtc,
  jobCodeSchema,
  markSchema,
  policiesSchema,
  readingKindSchema,
  readingSourceSchema,
  roleSchema,
} from './readiness.ts'
import { acts } from './record.ts'
import { reminderKindSchema, reminderLanguageSchema, reminderPolicySchema } from './reminders.ts'
import { zoneSchema } from './sites.ts'
import { spreadDriftSchema, spreadLossesSchema } from './spread.ts'

/** The documented archive of a branch with its whole history: docs/formats/branch-archive.md. */
export const BRANCH_ARCHIVE_FORMAT = 'binoculum-branch'
export const BRANCH_ARCHIVE_VERSION = 1

const id = idSchema
const text = z.string().max(20_000)
const whole = z.int32()
const figure = z.number()
const yes = z.boolean()
const object = z.record(z.string(), z.unknown())
/** Loans are counted through all branches; nobody lends ten million. */
const loanNumber = z.int().min(1).max(10_000_000)
const version = whole.min(1)
const xy = z.object({ x: figure, y: figure })

const template = {
  position: whole,
  name: text,
  role: roleSchema,
  criticality: criticalitySchema,
  count: whole.min(1),
  massG: figure.nullable(),
  toleranceG: figure.nullable(),
  weighGroup: text,
  together: text,
  place: text,
  lookEveryTime: yes,
  lookFor: text,
  costMinor: whole.nullable(),
  consumable: consumableSchema.nullable(),
  optics: partOpticsSchema,
}

/** One row of each kind, in the order in which a file has them: each kind after those it refers to. */
export const archivedRows = {
  // Names only: addresses, passwords and roles are left out, people are invited anew.
  staff: z.strictObject({ id, name: text }),
  branch: z.strictObject({
    id,
    name: text,
    zone: zoneSchema,
    emergencyLine: text,
    currency: z.string().length(3),
    loanDays: whole.min(1),
    returnTime: z.string().regex(/^\d{2}:\d{2}$/),
    policies: policiesSchema,
  }),
  opening: z.strictObject({
    branchId: id,
    openWeekdays: z.array(whole.min(1).max(7)),
    pickUpFrom: text,
    pickUpUntil: text,
    turnaroundDays: whole.min(0),
    longestLoanDays: whole.min(1),
    aheadDays: whole.min(1),
    vanWeekdays: z.array(whole.min(1).max(7)),
  }),
  closing: z.strictObject({ id, branchId: id, fromOn: daySchema, untilOn: daySchema, why: text }),
  benchEvening: z.strictObject({
    id,
    branchId: id,
    onDay: daySchema,
    seats: whole.min(1),
    minutesEach: whole.min(1),
    note: text,
  }),
  reminderPolicy: z.strictObject({ branchId: id, policy: reminderPolicySchema }),
  reminderText: z.strictObject({
    branchId: id,
    kind: reminderKindSchema,
    language: reminderLanguageSchema,
    subject: text,
    body: text,
  }),
  borrowerPolicy: z.strictObject({ branchId: id, unlinkDays: whole.min(0), cardOnly: yes }),
  remembered: z.strictObject({ branchId: id, kind: z.enum(['columns', 'word']), key: text, value: z.unknown() }),
  // The pictures themselves lie in a zip beside it, as <id>.jpg.
  picture: z.strictObject({
    id,
    branchId: id,
    widthPx: whole.min(1),
    heightPx: whole.min(1),
    byStaffId: id.nullable(),
    at: instantUtc,
  }),
  site: z.strictObject({
    id,
    branchId: id,
    name: text,
    zone: zoneSchema,
    latitudeDeg: figure.min(-90).max(90),
    longitudeDeg: figure.min(-180).max(180),
    heightM: figure.nullable(),
    needleDeg: figure.nullable(),
    needleOn: daySchema.nullable(),
    sky: z.enum(skies).nullable().default(null),
    version,
  }),
  landmark: z.strictObject({
    id,
    siteId: id,
    name: text,
    what: text,
    distanceM: figure.min(5),
    bearingDeg: figure.min(0).max(360),
    heightDeg: figure.min(-90).max(90),
    source: text,
    latitudeDeg: figure.nullable(),
    longitudeDeg: figure.nullable(),
    pictureId: id.nullable(),
    version,
  }),
  model: z.strictObject({
    id,
    branchId: id,
    name: text,
    family: familySchema,
    optics: modelOpticsSchema,
    weighGroups: z.array(weighGroupSchema),
    mount: mountDataSchema.nullable(),
    stand: standDataSchema.nullable(),
    procedure: procedureSchema.nullable(),
    mirror: mirrorDataSchema.nullable(),
    finder: finderDataSchema.nullable(),
    version,
  }),
  modelPart: z.strictObject({ id, modelId: id, ...template, pictureId: id.nullable() }),
  kit: z.strictObject({
    id,
    branchId: id,
    modelId: id,
    code: z.string().min(1).max(40),
    name: text,
    place: text,
    standsAt: z.enum(['shelf', 'desk', 'bench']),
    collimationPolicy: z.enum(['leave-it-to-us', 'with-help-sheet']),
    ownFinder: ownFinderSchema.nullable(),
    owner: text,
    serialNumber: text,
    priceMinor: whole.nullable(),
    note: text,
    hazards: z.array(hazardSchema),
    headMomentGmm: figure.nullable(),
    version,
  }),
  part: z.strictObject({
    id,
    kitId: id,
    modelPartId: id.nullable(),
    ...template,
    presentCount: whole.min(0),
    weighed: yes,
    mark: markSchema,
    seenAt: instantUtc.nullable(),
    note: text,
    wrongItem: text,
    knownWear: text,
    pictureIds: z.array(id),
  }),
  spare: z.strictObject({
    id,
    branchId: id,
    name: text,
    role: roleSchema,
    count: whole.min(0),
    massG: figure.nullable(),
    costMinor: whole.nullable(),
    note: text,
    version,
  }),
  roleLoss: z.strictObject({
    branchId: id,
    role: roleSchema,
    year: whole.min(2000).max(2100),
    losses: whole.min(0),
    pieceLoans: whole.min(0),
  }),
  // Without the borrowers' own names where nobody asked for them.
  borrower: z.strictObject({
    id,
    branchId: id,
    name: text,
    contact: text,
    cardNumber: text,
    language: z.string().min(2).max(5),
    level: z.enum(['first', 'some', 'expert']).nullable(),
    unlinkedAt: instantUtc.nullable(),
  }),
  agreement: z.strictObject({ id, branchId: id, version, text: z.string().max(100_000), validFrom: instantUtc }),
  loan: z.strictObject({
    id,
    number: loanNumber,
    branchId: id,
    kitId: id,
    borrowerId: id,
    state: z.enum(['promised', 'out', 'back', 'cancelled']),
    fromOn: daySchema,
    untilOn: daySchema,
    turnaroundDays: whole.min(0).max(366),
    guarded: yes,
    promisedAt: instantUtc.nullable(),
    promisedFor: instantUtc.nullable(),
    outAt: instantUtc.nullable(),
    dueAt: instantUtc.nullable(),
    backAt: instantUtc.nullable(),
    handedOutBy: id.nullable(),
    agreementId: id.nullable(),
    acceptance: text.nullable(),
    overruleReason: text,
    linkHash: z.string().max(200).nullable(),
    linkEndsAt: instantUtc.nullable(),
    lessonDoneAt: instantUtc.nullable(),
    nightsTold: z.array(daySchema),
    version,
  }),
  takeBack: z.strictObject({
    id,
    loanId: id,
    marks: z.array(partMarkSchema),
    answers: answersSchema.nullable(),
    proposed: outcomeSchema,
    outcome: outcomeSchema,
    outcomeReason: text,
    correction: yes,
    byStaffId: id,
    at: instantUtc,
  }),
  takeBackDraft: z.strictObject({ loanId: id, entries: draftEntriesSchema, version: whole, changedAt: instantUtc }),
  extraPart: z.strictObject({
    id,
    kitId: id,
    loanId: id.nullable(),
    name: text,
    count: whole.min(1),
    belongsTo: text,
    note: text,
    pictureIds: z.array(id),
    foundAt: instantUtc,
    settledAt: instantUtc.nullable(),
  }),
  notice: z.strictObject({ id, modelId: id, text, stops: yes, dueOn: daySchema, byStaffId: id, at: instantUtc }),
  job: z.strictObject({
    id,
    kitId: id,
    code: jobCodeSchema,
    text,
    note: text,
    partId: id.nullable(),
    loanId: id.nullable(),
    ownerId: id.nullable(),
    dueOn: daySchema.nullable(),
    notBefore: instantUtc.nullable(),
    noticeId: id.nullable(),
    openedAt: instantUtc,
    closedAt: instantUtc.nullable(),
    version,
  }),
  weighing: z.strictObject({
    id,
    kitId: id,
    weighGroup: text,
    measuredG: figure,
    scaleStepG: figure,
    containerG: figure,
    expectedG: figure,
    source: z.enum(['scale', 'typed']),
    complete: yes,
    outdated: yes,
    loanId: id.nullable(),
    byStaffId: id,
    at: instantUtc,
  }),
  spread: z.strictObject({
    id,
    branchId: id,
    origin: text,
    losses: spreadLossesSchema,
    drift: spreadDriftSchema,
    byStaffId: id,
    at: instantUtc,
  }),
  openCase: z.strictObject({
    kitId: id,
    widthMm: whole.min(100),
    heightMm: whole.min(100),
    places: z.array(casePlaceSchema),
    version,
  }),
  caseView: z.strictObject({
    id,
    kitId: id,
    pictureId: id,
    marks: caseMarksSchema,
    isReference: yes,
    referenceFor: z.array(id).nullable(),
    loanId: id.nullable(),
    compared: z.array(comparedPlaceSchema).nullable(),
    byStaffId: id,
    at: instantUtc,
  }),
  benchCheck: z.strictObject({
    id,
    kitId: id,
    byStaffId: id,
    at: instantUtc,
    stations: z.array(stationSchema),
  }),
  reading: z.strictObject({
    id,
    kitId: id,
    checkId: id,
    kind: readingKindSchema,
    asFound: figure.nullable(),
    asLeft: figure,
    limitValue: figure,
    good: figure.nullable(),
    unit: z.enum(['mm', 'arcmin', 'deg', 's', 'judged']),
    uncertainty: figure.nullable(),
    asFoundAt: xy.nullable(),
    asLeftAt: xy.nullable(),
    source: readingSourceSchema,
    byStaffId: id,
    at: instantUtc,
    current: yes,
  }),
  turnedStep: z.strictObject({
    id,
    kitId: id,
    checkId: id,
    before: turnedStepSchema.shape.before,
    turns: turnedStepSchema.shape.turns,
    after: turnedStepSchema.shape.after,
    uncertaintyMm: figure,
    at: instantUtc,
    position: whole,
  }),
  knobStep: z.strictObject({ id, kitId: id, checkId: id, step: knobStepSchema, at: instantUtc, position: whole }),
  stepTime: z.strictObject({
    id,
    modelId: id,
    kitId: id,
    checkId: id,
    stepKey: text,
    seconds: figure.positive(),
    at: instantUtc,
  }),
  stepMedian: z.strictObject({ modelId: id, stepKey: text, medianSeconds: figure, times: whole }),
  kitDrift: z.strictObject({ kitId: id, limitMm: figure, chanceAfter: z.array(figure), loansSince: whole.min(0) }),
  guidePiece: z.strictObject({ hash: z.string().min(1).max(100), body: z.unknown() }),
  guide: z.strictObject({ id, loanId: id, content: object, pieces: object, issuedAt: instantUtc }),
  packingPicture: z.strictObject({
    kitId: id,
    key: text,
    pictureId: id,
    words: text,
    byStaffId: id,
    at: instantUtc,
  }),
  toldTarget: z.strictObject({ modelId: id, key: text, name: text, tried: whole.min(0), saw: whole.min(0) }),
  toldStop: z.strictObject({ modelId: id, key: text, title: text, nights: whole.min(0) }),
  guideText: z.strictObject({
    id,
    branchId: id,
    scope: guideScopeSchema,
    modelId: id.nullable(),
    kitId: id.nullable(),
    key: text,
    language: z.string().min(2).max(5),
    title: text,
    text: text.nullable(),
    reason: text,
    inUse: yes,
    byStaffId: id,
    at: instantUtc,
  }),
  borrowerMessage: z.strictObject({
    id,
    branchId: id,
    kitId: id,
    loanId: id,
    kind: z.enum(['report', 'contents', 'look']),
    body: object,
    pictureId: id.nullable(),
    at: instantUtc,
    seenAt: instantUtc.nullable(),
    seenBy: id.nullable(),
  }),
  waitingRequest: z.strictObject({
    id,
    branchId: id,
    borrowerId: id,
    askedAt: instantUtc,
    kinds: z.array(familySchema),
    earliestOn: daySchema,
    latestOn: daySchema,
    lengthDays: whole.min(1),
    wantsDark: yes,
    note: text,
    state: z.enum(['waiting', 'offered', 'served', 'gone']),
    offerLoanId: id.nullable(),
    offerEndsAt: instantUtc.nullable(),
    version,
  }),
  message: z.strictObject({
    id,
    branchId: id,
    borrowerId: id,
    loanId: id,
    kitId: id,
    subject: text,
    body: text,
    state: z.enum(['draft', 'sending', 'sent', 'failed']),
    problem: text,
    byStaffId: id.nullable(),
    onceKey: text.nullable(),
    madeAt: instantUtc,
    sentAt: instantUtc.nullable(),
    triedAt: instantUtc.nullable(),
  }),
  // By time; the numbers of its lines are those of the house it is read in.
  record: z.strictObject({
    at: instantUtc,
    branchId: id,
    kitId: id.nullable(),
    loanId: id.nullable(),
    staffId: id.nullable(),
    act: z.enum(acts as [string, ...string[]]),
    before: z.unknown(),
    after: z.unknown(),
  }),
} as const

export type ArchivedKind = keyof typeof archivedRows
export const archivedKinds = Object.keys(archivedRows) as ArchivedKind[]

export const branchArchiveHeadSchema = z.object({
  format: z.literal(BRANCH_ARCHIVE_FORMAT),
  version: z.literal(BRANCH_ARCHIVE_VERSION),
  writtenAtUtc: z.iso.datetime(),
  /** Whether names, contacts, card numbers and words of borrowers are in it. */
  withBorrowers: z.boolean(),
})

const rows = Object.fromEntries(archivedKinds.map((kind) => [kind, z.array(archivedRows[kind])]))

/** The whole file. Kinds of rows that a file doesn't have are empty. */
export const branchArchiveSchema = branchArchiveHeadSchema.extend({ rows: z.object(rows).partial() })

/** The file's shape for programs that don't know ours [JSON Schema 2020-12]. */
export const branchArchiveJsonSchema = (): object =>
  z.toJSONSchema(branchArchiveSchema, { io: 'input', unrepresentable: 'any', reused: 'ref' })

export const branchArchiveResultSchema = z.object({
  kits: z.array(z.string()),
  loans: z.number().int(),
  /** How many pictures the file names; they come in a zip of their own. */
  pictures: z.number().int(),
})
export type BranchArchiveResult = z.infer<typeof branchArchiveResultSchema>

export const broughtPicturesSchema = z.object({
  pictures: z.number().int(),
  /** Names of files that no picture of this branch waits for, or that are none. */
  leftOut: z.array(z.string()),
  stillMissing: z.number().int(),
})
export type BroughtPictures = z.infer<typeof broughtPicturesSchema>
