import type { DataSource, EntityManager } from 'typeorm'

const EVERY_MS = 1000
const TRIES = 10
const TRY_AGAIN_MS = 50

/**
 * A streaming copy of the database that is only read. Once a second the primary says how far it has written, and the copy how
 * far it has come: what it had at that instant it holds whole, so how old an answer of it may be is known, not hoped.
 */
export class Replica {
  /** The instant up to which everything is in the copy, by this machine's clock; 0 while nothing is known of it. */
  private wholeUntilMs = 0
  private readonly timer: NodeJS.Timeout

  constructor(
    private readonly primary: DataSource,
    private readonly copy: DataSource,
  ) {
    this.timer = setInterval(() => void this.look(), EVERY_MS).unref()
  }

  /** The copy, where nothing in it is older than that; else null. */
  within(mostStaleMs: number): EntityManager | null {
    return Date.now() - this.wholeUntilMs <= mostStaleMs ? this.copy.manager : null
  }

  async look(): Promise<void> {
    const askedAtMs = Date.now()
    try {
      const [written] = (await this.primary.query('SELECT pg_current_wal_lsn() AS lsn')) as { lsn: string }[]
      // What was written this instant is on its way for a moment more.
      for (let tries = 0; tries < TRIES; tries++) {
        if (await this.hasReached(written?.lsn ?? '')) return void (this.wholeUntilMs = askedAtMs)
        await new Promise((done) => setTimeout(done, TRY_AGAIN_MS).unref())
      }
    } catch {
      // Without the one or the other nothing new is known: what was whole grows old, and the primary answers.
    }
  }

  private async hasReached(lsn: string): Promise<boolean> {
    const sql = 'SELECT pg_is_in_recovery() AND pg_last_wal_replay_lsn() >= $1::pg_lsn AS whole'
    const [row] = (await this.copy.query(sql, [lsn])) as { whole: boolean }[]
    return row?.whole ?? false
  }

  async close(): Promise<void> {
    clearInterval(this.timer)
    await this.copy.destroy()
  }
}
