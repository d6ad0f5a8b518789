import type { Reads } from './api/client.ts'
import { openDB, type IDBPDatabase } from 'idb'

const NAME = 'binoculum'
const STORE = 'drafts'
let opened: Promise<IDBPDatabase> | null = null

const database = (): Promise<IDBPDatabase> =>
  (opened ??= openDB(NAME, 1, { upgrade: (db) => void db.createObjectStore(STORE) }))

/** Drafts on this machine: they outlive reload, sign-out, a lost connection and a closed window. */
export const draftStore = {
  /** What was kept, where it still is what this page can read; else null. */
  read: async <T>(reads: Reads<T>, key: string): Promise<T | null> => {
    const read = reads.safeParse(await (await database()).get(STORE, key))
    return read.success ? read.data : null
  },
  write: async (key: string, value: unknown): Promise<void> => {
    // A copy without the proxies that Vue wraps around what a page shows: those can't be stored.
    await (await database()).put(STORE, JSON.parse(JSON.stringify(value)), key)
  },
  remove: async (key: string): Promise<void> => (await database()).delete(STORE, key),
}

export type DraftStore = typeof draftStore
