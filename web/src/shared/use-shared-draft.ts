import {
  draftEntriesSchema,
  draftSchema,
  mergeEntries,
  type Draft,
  type DraftEntries,
  type DraftEntry,
} from '@binoculum/contract'
import { computed, onScopeDispose, ref, shallowRef, type ComputedRef, type Ref, type ShallowRef } from 'vue'
import { z } from 'zod'
import { api, ApiError } from './api/client.ts'
import { useLive } from './api/live.ts'
import { draftStore, type DraftStore } from './draft-store.ts'

const SEND_AFTER_MS = 120
const TRY_AGAIN_MS = 3000

export interface SharedDraft {
  readonly entries: ShallowRef<DraftEntries>
  /** Whether the draft was read from this machine and, where there is a line, from the server. */
  readonly ready: Ref<boolean>
  /** There was something to take up again. */
  readonly wasKept: Ref<boolean>
  /** Since when there is no line, or null. What is typed meanwhile is kept here and sent later. */
  readonly offlineSince: Ref<Date | null>
  readonly unsent: ComputedRef<number>
  /** The server says that the loan is closed: nothing more is shared. */
  readonly closed: Ref<boolean>
  get<T>(key: string, otherwise: T): T
  set(key: string, value: unknown): void
  setAll(values: Readonly<Record<string, unknown>>): void
  tryNow(): Promise<void>
  discard(): Promise<void>
}

const keptSchema = z.object({ entries: draftEntriesSchema, unsent: z.array(z.string()) })
type Kept = z.infer<typeof keptSchema>

/**
 * A draft that lives on this machine and on the server, field by field: written here at once, sent soon after, and other
 * desks' changes come in as they make them. The later value of a field wins everywhere. Without a path it stays here.
 */
export function useSharedDraft(
  path: string | null,
  key: string,
  who: () => string,
  { store = draftStore, hear = useLive }: { store?: DraftStore; hear?: typeof useLive } = {},
): SharedDraft {
  const entries = shallowRef<DraftEntries>({})
  const ready = ref(false)
  const wasKept = ref(false)
  const offlineSince = ref<Date | null>(null)
  const closed = ref(false)
  const waiting = ref(new Set<string>())
  const unsent = computed(() => waiting.value.size)
  let timer: ReturnType<typeof setTimeout> | undefined
  let sending = false
  let gone = false
  let version = 0
  let toldVersion = 0

  const keep = () => {
    const kept: Kept = { entries: entries.value, unsent: [...waiting.value] }
    // A write that comes after the draft was let go must not bring it back.
    if (!gone) void store.write(key, kept)
  }

  async function start(): Promise<void> {
    const kept = await store.read(keptSchema, key)
    if (kept) {
      entries.value = mergeEntries(kept.entries, entries.value)
      waiting.value = new Set([...kept.unsent, ...waiting.value])
      wasKept.value = Object.keys(kept.entries).length > 0
    }
    await fetchTheirs()
    if (Object.keys(entries.value).length > 0) wasKept.value = true
    ready.value = true
    if (waiting.value.size > 0) plan(0)
  }

  async function fetchTheirs(): Promise<void> {
    if (gone || closed.value || path === null) return
    try {
      take(await api.get(draftSchema, path))
    } catch (error) {
      lineLost(error)
    }
  }

  function take(theirs: Draft): void {
    offlineSince.value = null
    version = Math.max(version, theirs.version)
    entries.value = mergeEntries(theirs.entries, entries.value)
    keep()
  }

  function lineLost(error: unknown): void {
    if (!(error instanceof ApiError)) throw error
    if (error.code === 'LOAN_CLOSED') closed.value = true
    else if (error.status === 0 || error.status >= 500) {
      offlineSince.value ??= new Date()
      plan(TRY_AGAIN_MS)
    }
  }

  function plan(afterMs: number): void {
    clearTimeout(timer)
    if (!gone && !closed.value) timer = setTimeout(() => void send(), afterMs)
  }

  async function send(): Promise<void> {
    if (sending || gone || closed.value || path === null) return
    if (waiting.value.size === 0) return offlineSince.value ? fetchTheirs() : undefined
    sending = true
    const keys = [...waiting.value]
    const sent: Record<string, DraftEntry> = {}
    for (const each of keys) {
      const entry = entries.value[each]
      if (entry) sent[each] = entry
    }
    try {
      const theirs = await api.post(draftSchema, path, { entries: sent })
      for (const each of keys) if (entries.value[each]?.atMs === sent[each]?.atMs) waiting.value.delete(each)
      take(theirs)
    } catch (error) {
      lineLost(error)
    } finally {
      sending = false
    }
    // What was told while the answer was on its way is mostly what this desk sent itself.
    if (toldVersion > version) void fetchTheirs()
    if (waiting.value.size > 0 && !offlineSince.value) plan(SEND_AFTER_MS)
  }

  function setAll(values: Readonly<Record<string, unknown>>): void {
    const next: Record<string, DraftEntry> = { ...entries.value }
    for (const [each, value] of Object.entries(values)) {
      const before = next[each]?.atMs ?? 0
      // Undo and redo within a millisecond still have an order.
      next[each] = { value, atMs: Math.max(Date.now(), before + 1), by: who() }
      waiting.value.add(each)
    }
    entries.value = next
    keep()
    if (!offlineSince.value) plan(SEND_AFTER_MS)
  }

  hear((event) => {
    if (event === 'reconnected') void fetchTheirs()
    else if (event.kind === 'draft' && path?.includes(event.loanId)) {
      toldVersion = Math.max(toldVersion, event.version)
      if (!sending && toldVersion > version) void fetchTheirs()
    }
  })
  const onOnline = () => plan(0)
  globalThis.addEventListener?.('online', onOnline)
  onScopeDispose(() => {
    clearTimeout(timer)
    globalThis.removeEventListener?.('online', onOnline)
    if (waiting.value.size > 0 && !offlineSince.value) void send()
  })
  void start()

  return {
    entries,
    ready,
    wasKept,
    offlineSince,
    unsent,
    closed,
    get: <T>(each: string, otherwise: T) => (each in entries.value ? (entries.value[each]?.value as T) : otherwise),
    set: (each, value) => setAll({ [each]: value }),
    setAll,
    tryNow: send,
    discard: async () => {
      gone = true
      clearTimeout(timer)
      await store.remove(key)
    },
  }
}
