import type { DataSource, EntityManager } from 'typeorm'
import type { Replica } from './replica.ts'
import { SlowStatements } from './slow-statements.ts'

/** What services and queries get: everything inside one transaction. */
export type Tx = EntityManager

/** A number of our own choice: servers that start at the same time migrate one after the other. */
const MIGRATION_LOCK = 8_460_001

export async function migrate(source: DataSource): Promise<void> {
  const runner = source.createQueryRunner()
  try {
    await runner.query('SELECT pg_advisory_lock($1)', [MIGRATION_LOCK])
    await source.runMigrations({ transaction: 'each' })
  } finally {
    await runner.query('SELECT pg_advisory_unlock($1)', [MIGRATION_LOCK])
    await runner.release()
  }
}

/** Older than this no answer of a copy is. */
export const MOST_STALE_MS = 3000
const MOST_TRIES = 4
const WAIT_MS = 40

/** Serialisation failure and deadlock [PostgreSQL 15, appendix A]. */
const stoodInTheWay = (error: unknown): boolean => {
  const { code } = (error as { driverError?: { code?: string } }).driverError ?? {}
  return code === '40001' || code === '40P01'
}

interface Pool {
  readonly totalCount: number
  readonly idleCount: number
  readonly waitingCount: number
}

export class Database {
  constructor(
    readonly source: DataSource,
    private readonly replica: Replica | null = null,
  ) {}

  /** For pages that many look at and that may be a few seconds old: a copy that is only read, where there is one and it keeps
   * up; else the database itself. */
  get farReader(): Tx {
    return this.replica?.within(MOST_STALE_MS) ?? this.reader
  }

  /** Connections that are there, that nobody uses, and that somebody waits for. */
  get pool(): Pool {
    return (this.source.driver as unknown as { master: Pool }).master
  }

  get slowStatements(): number {
    const { logger } = this.source
    return logger instanceof SlowStatements ? logger.count : 0
  }

  get url(): string {
    return (this.source.options as { url?: string }).url ?? ''
  }

  /** Everything in `work` happens or nothing does: only a throw rolls back. Where two transactions stood in each other's way
   * the database ends one of them; that one is tried again, so `work` may run more than once. Locks are taken in one order
   * everywhere: kit, loan, draft, parts. */
  async inTransaction<T>(work: (tx: Tx) => Promise<T>): Promise<T> {
    for (let tries = 1; ; tries++) {
      try {
        return await this.source.transaction(work)
      } catch (error) {
        if (tries >= MOST_TRIES || !stoodInTheWay(error)) throw error
        await new Promise((done) => setTimeout(done, Math.random() * WAIT_MS * tries))
      }
    }
  }

  /** One consistent read without a transaction of its own. */
  get reader(): Tx {
    return this.source.manager
  }
}

/** Rows of an UPDATE or DELETE with RETURNING: TypeORM wraps those as [rows, count], a SELECT not. */
export async function changedRows<Row>(tx: Tx, sql: string, values: readonly unknown[]): Promise<Row[]> {
  const answer: unknown = await tx.query(sql, [...values])
  const [rows] = answer as [Row[], number]
  return rows
}

export async function selectRows<Row>(tx: Tx, sql: string, values: readonly unknown[] = []): Promise<Row[]> {
  return (await tx.query(sql, [...values])) as Row[]
}
