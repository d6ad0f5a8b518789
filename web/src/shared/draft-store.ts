import { openDB, type IDBPDatabase } from 'idb'

const NAME = 'binoculum'
const STORE = 'drafts'
let opened: Promise<IDBPDatabase> | null = null

const database = (): Promise<IDBPDatabase> =>
  (opened ??= openDB(NAME, 1, { upgrade: (db) => void db.createObjectStore(STORE) }))

/** Drafts on this machine: they outlive reload, sign-out, a lost connection and a closed window. */
export const draftStore = {
  read: async <T>(key: string): Promise<T | null> =>
    ((await (await database()).get(STORE, key)) as T | undefined) ?? null,
  write: async (key: string, value: unknown): Promise<void> => {
    await (await database()).put(STORE, value, key)
  },
  remove: async (key: string): Promise<void> => (await database()).delete(STORE, key),
}

export type DraftStore = typeof draftStore
