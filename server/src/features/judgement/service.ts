import type { Session, Shelf as ShelfView } from '@binoculum/contract'
import { branchIdsOf, deskRoles, requireRole } from '../../platform/access.ts'
import { withText } from '../../platform/as-made.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { KeptKits } from './kept-kits.ts'
import * as queries from './queries.ts'
import type { OneKit, ShelfRow } from './queries.ts'

/** Kits as stored, all that is needed to judge them and nothing more. */
export class Shelf {
  private readonly kept = new KeptKits()

  constructor(private readonly context: Context) {}

  /** Two round trips beyond the session's, whatever the number of kits. */
  async kits(session: Session): Promise<ShelfView> {
    const now = this.context.clock()
    const { farReader } = this.context.database
    const stored = await queries.kitsOfBranches(farReader, branchIdsOf(session))
    const judged = stored.map((kit) => this.kept.judged(kit, now))
    const atUtc = now.toISOString()
    const texts = judged.map(({ text }) => text)
    return withText(
      { kits: judged.map(({ kit }) => kit), atUtc },
      () => `{"kits":[${texts.join(',')}],"atUtc":"${atUtc}"}`,
    )
  }

  rows(session: Session): Promise<ShelfRow[]> {
    return this.rowsOf(branchIdsOf(session))
  }

  rowsOfBranch(branchId: string): Promise<ShelfRow[]> {
    return this.rowsOf([branchId])
  }

  private async rowsOf(branchIds: readonly string[]): Promise<ShelfRow[]> {
    const stored = await queries.kitsOfBranches(this.context.database.reader, branchIds)
    return stored.map((kit) => this.kept.row(kit))
  }

  /** @throws NOT_FOUND, or NOT_ALLOWED for whoever doesn't work at the kit's desk */
  async mayWorkOn(tx: Tx, session: Session, kitId: string): Promise<void> {
    requireRole(session, (await this.rowById(tx, kitId)).branchId, deskRoles)
  }

  /** The kit as stored, for features that judge it. @throws Problem NOT_FOUND */
  async rowById(tx: Tx, kitId: string): Promise<OneKit> {
    const row = await queries.kitById(tx, kitId)
    if (!row) throw new Problem('NOT_FOUND')
    return row
  }

  async rowByCode(tx: Tx, code: string): Promise<OneKit> {
    const row = await queries.kitByCode(tx, code)
    if (!row) throw new Problem('NOT_FOUND')
    return row
  }

  /** The kit of a code, for those who may see it. @throws Problem NOT_FOUND */
  async rowFor(session: Session, code: string): Promise<OneKit> {
    const row = await this.rowByCode(this.context.database.reader, code)
    if (!branchIdsOf(session).includes(row.branchId)) throw new Problem('NOT_FOUND')
    return row
  }
}

export { daysLate, fieldOfRow, isGone, judgeRow, loanCode, opticsOf, policiesOf, shelfKit } from './judge-row.ts'
export type { OneKit, ShelfRow } from './queries.ts'
