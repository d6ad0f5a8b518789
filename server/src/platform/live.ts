import { liveEventSchema, type LiveEvent } from '@binoculum/contract'
import pg from 'pg'
import { selectRows, type Tx } from './database.ts'

export const CHANNEL = 'binoculum'
const TRY_AGAIN_MS = 1000

/** Tells every server what changed, when the transaction commits and only then. */
export const announce = (tx: Tx, event: LiveEvent): Promise<unknown> =>
  selectRows(tx, 'SELECT pg_notify($1, $2)', [CHANNEL, JSON.stringify(event)])

type Listener = (event: LiveEvent) => void

/** One connection that hears what any server announced, for the screens that listen here. */
export class Live {
  private readonly listeners = new Set<Listener>()
  private client: pg.Client | null = null
  private closed = false

  constructor(private readonly databaseUrl: string) {}

  async open(): Promise<void> {
    const client = new pg.Client({ connectionString: this.databaseUrl })
    client.on('notification', ({ payload }) => this.tell(payload ?? ''))
    // A lost connection is made again; screens read everything anew when they reconnect.
    client.on('error', () => this.openAgain())
    await client.connect()
    await client.query(`LISTEN ${CHANNEL}`)
    this.client = client
  }

  private openAgain(): void {
    if (this.closed) return
    this.client = null
    setTimeout(() => {
      if (!this.closed) this.open().catch(() => this.openAgain())
    }, TRY_AGAIN_MS).unref()
  }

  private tell(payload: string): void {
    const event = liveEventSchema.safeParse(JSON.parse(payload))
    if (event.success) for (const listener of this.listeners) listener(event.data)
  }

  /** @returns stops listening */
  listen(listener: Listener): () => void {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  async close(): Promise<void> {
    this.closed = true
    this.listeners.clear()
    await this.client?.end()
  }
}
