import { deleteDB, openDB, type IDBPDatabase } from 'idb'

const STORE = 'kept'

/** What the phone remembers of one guide: where one was, what was ticked, what waits to be sent. */
export interface GuideMemory {
  /** @returns null for what was never kept, and where this phone keeps nothing */
  read(key: string): Promise<unknown>
  /** @throws where the phone refuses to keep it */
  write(key: string, value: unknown): Promise<void>
  wipe(): Promise<void>
}

/** The copy of a guide and its memory bear one name. `guide-worker.js` wipes both by it when the guide is over. */
export const copyName = (token: string): string => `guide-${token.slice(0, 12)}`

/** @param token of the guide; empty where a coordinator looks at one: nothing is kept then */
export function guideMemory(token: string): GuideMemory {
  if (token === '') return forgetful()
  let opened: Promise<IDBPDatabase> | null = null
  const database = () =>
    (opened ??= openDB(copyName(token), 1, {
      upgrade: (db) => void db.createObjectStore(STORE),
      blocking: (_current, _wanted, event) => {
        // The worker, or another window, wipes it: let go.
        ;(event.target as IDBDatabase).close()
        opened = null
      },
    }))
  return {
    read: async (key) => (await (await database()).get(STORE, key)) ?? null,
    write: async (key, value) => {
      // A copy without the proxies that Vue wraps around what a page shows: those can't be stored.
      await (await database()).put(STORE, JSON.parse(JSON.stringify(value)), key)
    },
    wipe: async () => {
      const db = await opened?.catch(() => null)
      db?.close()
      opened = null
      await deleteDB(copyName(token))
    },
  }
}

const forgetful = (): GuideMemory => ({
  read: () => Promise.resolve(null),
  write: () => Promise.resolve(),
  wipe: () => Promise.resolve(),
})
