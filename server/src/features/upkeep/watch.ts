import { statfs } from 'node:fs/promises'
import type { Session, Watch, WatchFinding } from '@binoculum/contract'
import { isTooMighty } from '../../platform/accounts.ts'
import type { Context } from '../../platform/context.ts'
import { selectRows } from '../../platform/database.ts'
import { SlowStatements } from '../../platform/slow-statements.ts'

const HOUR_MS = 3_600_000
/** A nightly backup may be late by two hours. */
const BACKUP_HOURS = 26
/** A nightly job that missed two nights. */
const JOB_HOURS = 50
const LEAST_FREE_SHARE = 0.1
const LEAST_FREE_GB = 2
/** Loans end by the minute, so half a minute is nothing and more is a clock that nobody sets. */
const CLOCK_OFF_S = 30
const SLOW_AN_HOUR = 20

/** Looks at the installation itself: what a coordinator has to know before it is too late. */
export class Watcher {
  constructor(
    private readonly context: Context,
    private readonly folder: string,
  ) {}

  async look(session: Session): Promise<Watch> {
    const now = this.context.clock()
    const found = await Promise.all([
      this.letters(session),
      this.backup(now),
      this.disk(),
      this.clock(),
      this.jobs(),
      this.slow(now),
      this.account(),
      this.mail(),
    ])
    const findings = found.flatMap((each) => each ?? [])
    const rank = ({ weight }: WatchFinding) => (weight === 'fault' ? 0 : 1)
    return { findings: findings.sort((a, b) => rank(a) - rank(b)), nowUtc: new Date().toISOString() }
  }

  private get reader() {
    return this.context.database.reader
  }

  private async letters({ memberships }: Session): Promise<WatchFinding | null> {
    const branchIds = memberships.filter(({ role }) => role === 'coordinator').map(({ branchId }) => branchId)
    const [row] = await selectRows<{ n: number }>(
      this.reader,
      `SELECT count(*)::int AS n FROM message WHERE state = 'failed' AND branch_id = ANY($1)`,
      [branchIds],
    )
    return row && row.n > 0 ? fault('LETTERS_NOT_LEAVING', { letters: row.n }) : null
  }

  private async backup(now: Date): Promise<WatchFinding | null> {
    const [row] = await selectRows<{ at: Date }>(this.reader, `SELECT at FROM upkeep_mark WHERE name = 'backup'`)
    if (!row) return this.context.demo ? notice('NEVER_BACKED_UP') : fault('NEVER_BACKED_UP', {})
    const hours = (now.getTime() - row.at.getTime()) / HOUR_MS
    return hours > BACKUP_HOURS ? fault('BACKUP_OLD', { hours: Math.round(hours) }) : null
  }

  private async disk(): Promise<WatchFinding | null> {
    const { bavail, bsize, blocks } = await statfs(this.folder)
    const freeGb = (bavail * bsize) / 1e9
    const share = bavail / blocks
    if (share >= LEAST_FREE_SHARE && freeGb >= LEAST_FREE_GB) return null
    return fault('DISK_LOW', { freeGb: Math.round(freeGb * 10) / 10, percent: Math.round(share * 100) })
  }

  /** This machine's clock beside the database's: on one machine they are one, on two they should be. */
  private async clock(): Promise<WatchFinding | null> {
    const askedAt = Date.now()
    const [row] = await selectRows<{ at: Date }>(this.reader, 'SELECT clock_timestamp() AS at')
    const offS = Math.abs((askedAt + Date.now()) / 2 - (row?.at.getTime() ?? askedAt)) / 1000
    return offS > CLOCK_OFF_S ? fault('CLOCK_OFF', { seconds: Math.round(offS) }) : null
  }

  private async jobs(): Promise<WatchFinding | null> {
    const [row] = await selectRows<{ hours: number | null }>(
      this.reader,
      `SELECT max(extract(epoch FROM now() - greatest(q.created_on, (
         SELECT max(done) FROM (SELECT max(completed_on) AS done FROM jobs.job j WHERE j.name = q.name AND j.state = 'completed'
           UNION ALL SELECT max(completed_on) FROM jobs.archive a WHERE a.name = q.name AND a.state = 'completed') AS both_tables
       ))) / 3600)::float AS hours
       FROM jobs.queue q JOIN jobs.schedule s ON s.name = q.name WHERE s.cron LIKE '% * * *'`,
    )
    const hours = row?.hours ?? 0
    return hours > JOB_HOURS ? fault('JOBS_BEHIND', { hours: Math.round(hours) }) : null
  }

  private async slow(now: Date): Promise<WatchFinding | null> {
    const { logger } = this.context.database.source
    if (!(logger instanceof SlowStatements)) return null
    const statements = logger.since(new Date(now.getTime() - HOUR_MS))
    return statements >= SLOW_AN_HOUR ? fault('SLOW_STATEMENTS', { statements }) : null
  }

  private async account(): Promise<WatchFinding | null> {
    return (await isTooMighty(this.context.database.source)) ? notice('ACCOUNT_TOO_MIGHTY') : null
  }

  private async mail(): Promise<WatchFinding | null> {
    return this.context.mail.way === 'outbox' ? notice('NO_MAIL_SERVER') : null
  }
}

const fault = (code: WatchFinding['code'], figures: WatchFinding['figures']): WatchFinding => ({
  ...{ code, weight: 'fault', figures },
})
const notice = (code: WatchFinding['code']): WatchFinding => ({ code, weight: 'notice', figures: {} })
