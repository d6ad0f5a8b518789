import { randomUUID } from 'node:crypto'
import type { FoundExtra, Part, PartMark, TakeBack } from '@binoculum/contract'
import { isHazardRole, type Mark, type Outcome } from '@binoculum/core'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { ExtraPartRow } from '../store/service.ts'

/** What a desk's marks make of the card: each mark as it counts, and what lies in the case beyond it. */
export interface SettledMarks {
  readonly marks: readonly PartMark[]
  readonly surplus: readonly FoundExtra[]
}

/** A part is named as people name it; a key tells nobody anything. */
const unknownPart = () =>
  new Problem('BAD_INPUT', {
    issues: [{ path: 'marks', message: 'a part that is no longer on this card was marked; open the card anew' }],
  })

/** Marks against the card: three of four caps is a cap missing, five of four leaves one over. @throws Problem BAD_INPUT */
export function settleMarks(parts: readonly Part[], given: readonly PartMark[]): SettledMarks {
  const surplus: FoundExtra[] = []
  const marks = given.map((mark) => {
    const part = parts.find(({ id }) => id === mark.partId)
    if (!part) throw unknownPart()
    const over = mark.presentCount - part.count
    if (over > 0)
      surplus.push({ name: part.name, count: over, belongsTo: '', note: 'more than on the card', pictureIds: [] })
    const short = mark.mark === 'present' && mark.presentCount < part.count
    const isAllMissing = mark.mark === 'missing' && mark.presentCount >= part.count
    const presentCount = isAllMissing ? 0 : Math.min(mark.presentCount, part.count)
    return { ...mark, mark: short ? ('missing' as const) : mark.mark, presentCount }
  })
  return { marks, surplus }
}

/** Pictures that a take-back names and that no part had before. */
export const freshPictures = (
  parts: readonly Part[],
  given: { readonly marks: readonly PartMark[]; readonly extras?: readonly FoundExtra[] | undefined },
): string[] => {
  const known = new Set(parts.flatMap(({ pictureIds }) => pictureIds))
  return [...given.marks, ...(given.extras ?? [])]
    .flatMap(({ pictureIds }) => pictureIds)
    .filter((id) => !known.has(id))
}

/** Parts that nobody looked at, after these marks: what was there before a loan says nothing of what came back. What was
 * known to be off stays off. */
export function withUnseen(parts: readonly Part[], marks: readonly PartMark[]): PartMark[] {
  const marked = new Set(marks.map(({ partId }) => partId))
  const unlooked = parts.filter(({ id, mark }) => !marked.has(id) && (mark === 'present' || mark === 'unseen'))
  return [
    ...marks,
    ...unlooked.map(({ id, presentCount, note, pictureIds }) => ({
      partId: id,
      mark: 'unseen' as const,
      presentCount,
      note,
      wrongItem: '',
      pictureIds,
    })),
  ]
}

/** Parts as marks leave them: what is written is known, and needs no reading. */
export function markedParts(parts: readonly Part[], marks: readonly PartMark[], at: Date): Part[] {
  const byPart = new Map(marks.map((mark) => [mark.partId, mark]))
  return parts.map((part) => {
    const given = byPart.get(part.id)
    if (!given) return part
    const { partId: _partId, ...mark } = given
    return { ...part, ...mark, seenAtUtc: mark.mark === 'unseen' ? part.seenAtUtc : at.toISOString() }
  })
}

/** Nothing that is looked at every time goes to the shelf unlooked, whatever is chosen; other unseen parts make the kit
 * wait at the desk, so a place on the shelf can't be chosen for it. @throws Problem MARKS_INCOMPLETE, BAD_INPUT */
export function refuseUnlooked(
  parts: readonly { readonly name: string; readonly role: string; readonly mark: Mark }[],
  outcome: Outcome,
): void {
  const unseen = parts.filter(({ mark, role }) => mark === 'unseen' && !isHazardRole(role))
  if (unseen.length > 0 && (outcome === 'shelf' || outcome === 'shelf-with-note')) {
    const issues = unseen.map(({ name }) => ({ path: 'marks', message: `${name}: not looked at` }))
    throw new Problem('MARKS_INCOMPLETE', { issues })
  }
  if (unseen.length === 0 && outcome === 'to-go-through')
    throw new Problem('BAD_INPUT', {
      issues: [{ path: 'outcome', message: 'every part was looked at: nothing is left to go through' }],
    })
}

/** A missing coin cell is an alarm: the take-back waits until the borrower has been asked and the answer is written. */
export function refuseUnansweredCell(
  parts: readonly Part[],
  marks: readonly PartMark[],
  { cellAnswer }: Pick<TakeBack, 'cellAnswer'>,
): void {
  const missing = parts.some(
    (part) => part.role === 'coin-cell' && marks.some(({ partId, mark }) => partId === part.id && mark === 'missing'),
  )
  if (missing && !cellAnswer) throw new Problem('CELL_UNANSWERED')
}

/** What is off, in words for the record. */
export const offInWords = (parts: readonly Part[], marks: readonly PartMark[]) =>
  marks.flatMap(({ partId, mark, note, wrongItem }) => {
    const part = parts.find(({ id }) => id === partId)
    if (!part || mark === 'present' || mark === 'unseen') return []
    return [{ part: part.name, mark, note, ...(wrongItem ? { wrongItem } : {}) }]
  })

export const keepExtras = async (
  tx: Tx,
  found: { readonly kitId: string; readonly loanId: string; readonly at: Date },
  extras: readonly FoundExtra[],
): Promise<void> => {
  if (extras.length === 0) return
  const { at, ...where } = found
  await tx.insert(
    ExtraPartRow,
    extras.map((extra) => ({ id: randomUUID(), ...where, ...extra, foundAt: at, settledAt: null })),
  )
}
