import { liveEventSchema, type LiveEvent } from '@binoculum/contract'
import pg from 'pg'
import { selectRows, type Tx } from './database.ts'

export const CHANNEL = 'binoculum'
const FIRST_WAIT_MS = 500
const LONGEST_WAIT_MS = 30_000

/** Tells every server what changed, when the transaction commits and only then. */
export const announce = (tx: Tx, event: LiveEvent): Promise<unknown> =>
  selectRows(tx, 'SELECT pg_notify($1, $2)', [CHANNEL, JSON.stringify(event)])

type Listener = (event: LiveEvent) => void

/** One connection that hears what any server announced, for the screens that listen here. Lost, it is made again, later and
 * later, and never twice: screens read everything anew when they reconnect. */
export class Live {
  private readonly listeners = new Set<Listener>()
  private client: pg.Client | null = null
  private timer: NodeJS.Timeout | undefined
  private waitMs = FIRST_WAIT_MS
  private closed = false

  constructor(private readonly databaseUrl: string) {}

  async open(): Promise<void> {
    const client = new pg.Client({ connectionString: this.databaseUrl })
    client.on('notification', ({ payload }) => this.tell(payload ?? ''))
    // A lost connection says so once as an error and once as its end.
    client.on('error', () => this.lost(client))
    client.on('end', () => this.lost(client))
    this.client = client
    try {
      await client.connect()
      await client.query(`LISTEN ${CHANNEL}`)
      this.waitMs = FIRST_WAIT_MS
    } catch (error) {
      this.lost(client)
      throw error
    }
  }

  private lost(client: pg.Client): void {
    if (this.closed || this.client !== client) return
    this.client = null
    client.end().catch(() => undefined)
    clearTimeout(this.timer)
    this.timer = setTimeout(() => this.open().catch(() => undefined), this.waitMs).unref()
    this.waitMs = Math.min(2 * this.waitMs, LONGEST_WAIT_MS)
  }

  /** Whatever else is announced on this channel is not for us. */
  private tell(payload: string): void {
    const event = liveEventSchema.safeParse(parsed(payload))
    if (event.success) for (const listener of this.listeners) listener(event.data)
  }

  /** @returns stops listening */
  listen(listener: Listener): () => void {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  async close(): Promise<void> {
    this.closed = true
    clearTimeout(this.timer)
    this.listeners.clear()
    await this.client?.end().catch(() => undefined)
  }
}

const parsed = (text: string): unknown => {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}
