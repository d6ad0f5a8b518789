import { z } from 'zod'

/** One field of a draft: its value, and when and by whom it was last set. */
export const draftEntrySchema = z.object({
  value: z.unknown(),
  atMs: z.number().int().nonnegative(),
  by: z.string().max(200),
})
export type DraftEntry = z.infer<typeof draftEntrySchema>

export const draftEntriesSchema = z.record(z.string().min(1).max(120), draftEntrySchema)
export type DraftEntries = z.infer<typeof draftEntriesSchema>

export const draftSchema = z.object({ entries: draftEntriesSchema, version: z.number().int() })
export type Draft = z.infer<typeof draftSchema>

export const sendDraftSchema = z.object({
  entries: draftEntriesSchema.refine((entries) => Object.keys(entries).length <= 500, 'at most 500 fields at once'),
})

/** What live updates say: which draft or kit changed, and to which version. Nothing of its content. */
export const liveEventSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('draft'), loanId: z.uuid(), branchId: z.uuid(), version: z.number() }),
  z.object({ kind: z.literal('kit'), kitId: z.uuid(), branchId: z.uuid(), version: z.number() }),
])
export type LiveEvent = z.infer<typeof liveEventSchema>

/** Later entries win, field by field; of two at the same instant the one that sorts last, so that all sides agree. */
export function mergeEntries(mine: DraftEntries, theirs: DraftEntries): DraftEntries {
  const merged: DraftEntries = { ...mine }
  for (const [key, entry] of Object.entries(theirs)) {
    const own = merged[key]
    if (!own || isLater(entry, own)) merged[key] = entry
  }
  return merged
}

function isLater(one: DraftEntry, other: DraftEntry): boolean {
  if (one.atMs !== other.atMs) return one.atMs > other.atMs
  return sortKey(one) > sortKey(other)
}

const sortKey = ({ by, value }: DraftEntry) => `${by} ${JSON.stringify(value)}`
