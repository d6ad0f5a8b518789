import { deleteDB, openDB, type IDBPDatabase } from 'idb'

const STORE = 'kept'
/** Longer than this nobody waits for a phone's memory. */
const PATIENCE_MS = 800

/** What the phone remembers of one guide: where one was, what was ticked, what waits to be sent. */
export interface GuideMemory {
  /** What was there when the page opened. */
  readonly kept: Readonly<Record<string, unknown>>
  /** @returns null for what was never kept */
  read(key: string): Promise<unknown>
  /** @throws where the phone keeps nothing */
  write(key: string, value: unknown): Promise<void>
  wipe(): Promise<void>
}

/** The copy of a guide and its memory bear one name. `guide-worker.js` wipes both by it when the guide is over. */
export const copyName = (token: string): string => `guide-${token.slice(0, 12)}`

/** For the page as served, and where a coordinator looks at a guide: nothing is kept. */
export const noMemory: GuideMemory = {
  kept: {},
  read: () => Promise.resolve(null),
  write: () => Promise.reject(new Error('nothing is kept here')),
  wipe: () => Promise.resolve(),
}

/** Reads what the phone remembers before the page begins to live, while nothing else is busy.
 * @returns one that keeps nothing where the phone doesn't let it */
export async function openMemory(token: string): Promise<GuideMemory> {
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
  const all = async () => {
    const db = await database()
    const [keys, values] = await Promise.all([db.getAllKeys(STORE), db.getAll(STORE)])
    return Object.fromEntries(keys.map((key, index) => [String(key), values[index] as unknown]))
  }
  const patience = new Promise<null>((done) => setTimeout(() => done(null), PATIENCE_MS))
  const kept = await Promise.race([all().catch(() => null), patience])
  if (!kept) return noMemory
  return {
    kept,
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
