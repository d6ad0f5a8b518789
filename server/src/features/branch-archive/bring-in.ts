import { createHash } from 'node:crypto'
import type { Readable } from 'node:stream'
import type { ArchivedKind, BranchArchiveResult, Session } from '@binoculum/contract'
import { LRUCache } from 'lru-cache'
import { coordinatorOnly, requireRole } from '../../platform/access.ts'
import { insertMany } from '../../platform/bulk.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { takenCodes } from '../contents/service.ts'
import { entityOf } from './rows-queries.ts'
import * as queries from './queries.ts'
import { readRows, type ArchivedRow } from './read-rows.ts'

const ROWS_AT_ONCE = 1000
const ID = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/gi
const IDS_REMEMBERED = 100_000

/** A branch's whole history, read into a branch where nothing is yet: all of it, or nothing. */
export class BringInBranch {
  constructor(private readonly context: Context) {}

  async read(session: Session, branchId: string, file: Readable): Promise<BranchArchiveResult> {
    requireRole(session, branchId, coordinatorOnly)
    const { database, clock } = this.context
    const at = clock()
    const staffId = session.staffId
    // Not tried again where transactions stand in each other's way: the file has flowed by.
    return database.source.transaction(async (tx) => {
      await queries.requireEmptyBranch(tx, branchId)
      const into = new Into(tx, branchId, at, await queries.lastLoanNumber(tx))
      let waiting: { kind: ArchivedKind; rows: ArchivedRow[] } | null = null
      for await (const { kind, row } of readRows(file)) {
        if (waiting && (waiting.kind !== kind || waiting.rows.length >= ROWS_AT_ONCE)) {
          await into.put(waiting.kind, waiting.rows)
          waiting = null
        }
        waiting ??= { kind, rows: [] }
        waiting.rows.push(row)
      }
      if (waiting) await into.put(waiting.kind, waiting.rows)
      await queries.countLoansOn(tx, into.highestLoan)
      const { kits, loans, pictures } = into
      const after = { kits: kits.length, loans, pictures }
      await appendRecord(tx, { act: 'branch-brought-in', at, branchId, staffId, after })
      return { kits, loans, pictures }
    })
  }
}

/** The id that something of an archive has in a branch: another one than in the file, so that a file can name nothing that
 * is here already, and always the same one, so that its pictures are found when they come. */
export function idInBranch(branchId: string, id: string): string {
  const hex = createHash('sha256').update(`${branchId} ${id.toLowerCase()}`).digest('hex')
  const variant = ((parseInt(hex[16] ?? '0', 16) & 0x3) | 0x8).toString(16)
  return [
    hex.slice(0, 8),
    hex.slice(8, 12),
    `8${hex.slice(13, 16)}`,
    `${variant}${hex.slice(17, 20)}`,
    hex.slice(20, 32),
  ].join('-')
}

/** One file on its way into one branch. */
class Into {
  readonly kits: string[] = []
  loans = 0
  pictures = 0
  highestLoan = 0
  private readonly ids = new LRUCache<string, string>({ max: IDS_REMEMBERED })

  constructor(
    private readonly tx: Tx,
    private readonly branchId: string,
    private readonly at: Date,
    /** Loans are counted through all branches: those of a file come after these. */
    private readonly loansBefore: number,
  ) {}

  async put(kind: ArchivedKind, rows: readonly ArchivedRow[]): Promise<void> {
    try {
      await this.insert(kind, rows)
    } catch (error) {
      const { code } = (error as { driverError?: { code?: string } }).driverError ?? {}
      // A key that leads nowhere, a row twice, a figure that can't be [PostgreSQL 15, appendix A, classes 22 and 23].
      if (!code?.startsWith('22') && !code?.startsWith('23')) throw error
      const message = 'names something that isn’t in the file, or stands twice'
      throw new Problem('NOT_AN_ARCHIVE', { issues: [{ path: `rows.${kind}`, message }] })
    }
  }

  private async insert(kind: ArchivedKind, rows: readonly ArchivedRow[]): Promise<void> {
    const { tx, branchId } = this
    if (kind === 'branch') return queries.takeSettings(tx, branchId, rows[0] ?? {})
    if (kind === 'guidePiece') return queries.insertPieces(tx, rows)
    const here = rows.map((row) => this.here(kind, row))
    if (kind === 'kit') await this.requireFreeCodes(here)
    if (kind === 'loan') this.countLoans(here)
    if (kind === 'picture') this.pictures += here.length
    await insertMany(tx, entityOf(tx.connection, kind), here)
  }

  /** The row as it stands here: by keys of its own, and of this branch. */
  private here(kind: ArchivedKind, row: ArchivedRow): ArchivedRow {
    // A guide stays to the letter what was issued; only whose it is is said anew.
    const { content, pieces, ...rest } = row
    const named = this.renamed(kind === 'guide' ? rest : row) as ArchivedRow
    const own = {
      ...named,
      ...(kind === 'guide' ? { content, pieces } : {}),
      ...('branchId' in row ? { branchId: this.branchId } : {}),
    }
    if (kind === 'picture') return { ...own, bytes: NO_BYTES }
    // They can't sign in: whoever still works here is invited.
    if (kind === 'staff')
      return { ...own, email: `${String(named.id)}@brought-in.invalid`, passwordHash: null, closedAt: this.at }
    return own
  }

  private renamed(value: unknown): unknown {
    if (typeof value === 'string') return value.replace(ID, (id) => this.idOf(id))
    if (Array.isArray(value)) return value.map((each) => this.renamed(each))
    if (typeof value !== 'object' || value === null) return value
    return Object.fromEntries(
      Object.entries(value).map(([key, each]) => [key.replace(ID, (id) => this.idOf(id)), this.renamed(each)]),
    )
  }

  private idOf(id: string): string {
    const known = this.ids.get(id) ?? idInBranch(this.branchId, id)
    this.ids.set(id, known)
    return known
  }

  private async requireFreeCodes(rows: readonly ArchivedRow[]): Promise<void> {
    const codes = rows.map(({ code }) => String(code))
    const taken = await takenCodes(this.tx, codes)
    if (taken.size > 0) throw new Problem('CODE_TAKEN', { details: { codes: [...taken] } })
    this.kits.push(...codes)
  }

  private countLoans(rows: ArchivedRow[]): void {
    for (const row of rows) {
      row.number = Number(row.number) + this.loansBefore
      this.highestLoan = Math.max(this.highestLoan, Number(row.number))
    }
    this.loans += rows.length
  }
}

/** As PostgreSQL writes bytes; the pictures come in a zip of their own. */
const NO_BYTES = String.raw`\x`
