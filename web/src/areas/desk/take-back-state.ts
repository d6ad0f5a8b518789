import {
  answersSchema,
  cellAnswerSchema,
  foundExtraSchema,
  outcomeSchema,
  partMarkSchema,
  takenWeighingSchema,
  type CellAnswer,
  type DraftEntries,
  type FoundExtra,
  type Part,
  type PartMark,
  type TakeBackForm,
  type TakenWeighing,
} from '@binoculum/contract'
import {
  cantBalance,
  cleanAnswers,
  goThroughJob,
  hazardsFrom,
  jobsForOutcome,
  jobsFrom,
  judgeKit,
  powersThere,
  type Judgement,
  type Mark,
  type Outcome,
  type TakeBackAnswers,
} from '@binoculum/core'
import { z } from 'zod'
import { caseLookSchema, type CaseLook } from './case-look.ts'

export interface DraftMark {
  readonly mark: Mark
  readonly presentCount: number
  readonly note: string
  readonly wrongItem: string
  readonly pictureIds: readonly string[]
}

/** A take-back as far as it has got, read from the fields that all desks share. */
export interface TakeBackDraft {
  readonly marks: Readonly<Record<string, DraftMark>>
  readonly answers: TakeBackAnswers
  readonly outcome: Outcome | null
  readonly outcomeReason: string
  readonly cellAnswer: CellAnswer | null
  readonly weighings: readonly TakenWeighing[]
  /** Things in the case that aren't on its card, by their keys. */
  readonly extras: Readonly<Record<string, FoundExtra>>
  /** What a picture of the open case told. */
  readonly caseLook: CaseLook | null
}

/** Changed fields of the shared draft, by their keys. */
export type Changes = Readonly<Record<string, unknown>>

export const markKey = (partId: string) => `mark ${partId}`
export const answerKey = (answer: keyof TakeBackAnswers) => `answer ${answer}`
export const weighKey = (group: string) => `weigh ${group}`
export const extraKey = (id: string) => `extra ${id}`

const MARK = 'mark '
const WEIGH = 'weigh '
const EXTRA = 'extra '

export function draftFrom(entries: DraftEntries): TakeBackDraft {
  const value = (key: string) => entries[key]?.value
  const answered = Object.fromEntries(
    Object.keys(cleanAnswers).map((key) => [key, value(answerKey(key as keyof TakeBackAnswers)) ?? undefined]),
  )
  const answers = answersSchema.partial().safeParse(answered)
  return {
    marks: readAll(entries, MARK, draftMarkSchema),
    answers: { ...cleanAnswers, ...(answers.success ? withoutGaps(answers.data) : {}) },
    outcome: outcomeSchema.safeParse(value('outcome')).data ?? null,
    outcomeReason: z.string().safeParse(value('outcomeReason')).data ?? '',
    cellAnswer: cellAnswerSchema.safeParse(value('cell')).data ?? null,
    weighings: Object.values(readAll(entries, WEIGH, takenWeighingSchema)),
    extras: readAll(entries, EXTRA, foundExtraSchema),
    caseLook: caseLookSchema.safeParse(value('case')).data ?? null,
  }
}

const draftMarkSchema = partMarkSchema.omit({ partId: true })

/** Fields of one kind. What another version of this page wrote and this one can't read is left where it is, and not used. */
function readAll<T>(entries: DraftEntries, prefix: string, schema: z.ZodType<T>): Record<string, T> {
  const read: Record<string, T> = {}
  for (const [key, { value }] of Object.entries(entries)) {
    if (!key.startsWith(prefix) || value === null) continue
    const parsed = schema.safeParse(value)
    if (parsed.success) read[key.slice(prefix.length)] = parsed.data
  }
  return read
}

const withoutGaps = <T extends object>(given: T): Partial<TakeBackAnswers> =>
  Object.fromEntries(Object.entries(given).filter(([, value]) => value !== undefined))

export const emptyTakeBack = (): TakeBackDraft => draftFrom({})

/** What was off when the kit left is known: it is marked from the start and not asked for again. */
export function knownFromBefore(draft: TakeBackDraft, parts: readonly Part[]): Changes {
  const known = parts.filter(
    ({ id, mark, lookEveryTime }) => mark !== 'present' && mark !== 'unseen' && !lookEveryTime && !draft.marks[id],
  )
  return Object.fromEntries(
    known.map(({ id, mark, presentCount, note, wrongItem, pictureIds }) => [
      markKey(id),
      { mark, presentCount, note, wrongItem, pictureIds } satisfies DraftMark,
    ]),
  )
}

/** The card as it stands, for going on with it or putting it right. */
export const draftOfParts = (parts: readonly Part[]): Changes =>
  Object.fromEntries(
    parts
      .filter(({ mark, note, pictureIds }) => mark !== 'unseen' || note !== '' || pictureIds.length > 0)
      .map(({ id, mark, presentCount, note, wrongItem, pictureIds }) => [
        markKey(id),
        { mark, presentCount, note, wrongItem, pictureIds } satisfies DraftMark,
      ]),
  )

export const markOf = (draft: TakeBackDraft, part: Part): Mark => draft.marks[part.id]?.mark ?? 'unseen'

export const noMark: DraftMark = { mark: 'unseen', presentCount: 0, note: '', wrongItem: '', pictureIds: [] }

export function setMark(
  draft: TakeBackDraft,
  part: Part,
  mark: Mark,
  rest: Partial<Omit<DraftMark, 'mark'>> = {},
): Changes {
  const before = draft.marks[part.id] ?? noMark
  const presentCount = rest.presentCount ?? (mark === 'missing' ? 0 : part.count)
  const settled = mark === 'present' && presentCount < part.count ? 'missing' : mark
  const wrongItem = settled === 'wrong' ? before.wrongItem : ''
  return { [markKey(part.id)]: { ...before, wrongItem, ...rest, mark: settled, presentCount } satisfies DraftMark }
}

/** Marks what has no mark yet as present, up to the next part that needs a look of its own. */
export function markRestPresent(
  draft: TakeBackDraft,
  parts: readonly Part[],
): { readonly changes: Changes; readonly stopsAt: number | null } {
  let changes: Changes = {}
  for (const [index, part] of parts.entries()) {
    if (markOf(draft, part) !== 'unseen') continue
    if (part.lookEveryTime) return { changes, stopsAt: index }
    changes = { ...changes, ...setMark(draft, part, 'present') }
  }
  return { changes, stopsAt: null }
}

export function nextUnseen(draft: TakeBackDraft, parts: readonly Part[], from: number): number {
  const order = [...parts.keys()].map((index) => (from + 1 + index) % parts.length)
  const found = order.find((index) => {
    const part = parts[index]
    return part !== undefined && markOf(draft, part) === 'unseen'
  })
  return found ?? Math.min(from + 1, parts.length - 1)
}

/** The kit as it would stand with these marks and answers, judged as everywhere. */
export function judgeTakeBack(form: TakeBackForm, draft: TakeBackDraft, atUtc: string): Judgement {
  const { kit, kept } = form
  const parts = kit.parts.map((part) => ({ ...part, mark: markOf(draft, part) }))
  // A correction decides anew where it goes: what the first decision opened doesn't count against it.
  const ofOutcome = kept ? jobsForOutcome(kept.outcome).map(({ text }) => text) : []
  return judgeKit({
    family: kit.family,
    optics: kit.optics,
    powers: powersThere(kit.optics, parts),
    cantBalance: kit.mount && cantBalance({ mount: kit.mount, headMomentGmm: kit.headMomentGmm, parts }),
    eyepieceKnown: parts.some(({ optics }) => optics.focalLengthMm !== undefined),
    parts,
    extras: [...kit.extras, ...extrasToSend(draft), ...surplusOf(draft, kit.parts)],
    readings: kit.readings,
    hazards: [...new Set([...kit.hazards, ...hazardsFrom(draft.answers)])],
    openJobs: [
      ...kit.jobs.filter(({ code, text }) => code !== 'go-through' && !ofOutcome.includes(text)),
      ...jobsFrom(draft.answers),
      ...goThroughJob(parts),
    ],
    policies: kit.policies,
    atUtc,
  })
}

export const marksToSend = (draft: TakeBackDraft): PartMark[] =>
  Object.entries(draft.marks)
    // A note or a picture of a part that nobody ticked is kept without a mark.
    .filter(([, { mark, note, pictureIds }]) => mark !== 'unseen' || note !== '' || pictureIds.length > 0)
    .map(([partId, mark]) => ({ partId, ...mark, pictureIds: [...mark.pictureIds] }))

export const extrasToSend = (draft: TakeBackDraft): FoundExtra[] => Object.values(draft.extras)

/** Pieces beyond what the card counts. */
const surplusOf = (draft: TakeBackDraft, parts: readonly Part[]) =>
  parts.flatMap(({ id, name, count }) =>
    (draft.marks[id]?.presentCount ?? 0) > count ? [{ name, belongsTo: '' }] : [],
  )

/** Marks that differ from the card as it stands: all that a correction sends. */
export const changedMarks = (draft: TakeBackDraft, parts: readonly Part[]): PartMark[] =>
  marksToSend(draft).filter((mark) => {
    const before = parts.find(({ id }) => id === mark.partId)
    return !before || JSON.stringify(comparable(before)) !== JSON.stringify(comparable(mark))
  })

const comparable = ({ mark, presentCount, note, wrongItem, pictureIds }: Omit<PartMark, 'partId'>) => [
  mark,
  presentCount,
  note,
  wrongItem,
  pictureIds,
]
