import type { BackupCodes, NewSecondFactor, SecondFactorState, Session } from '@binoculum/contract'
import type { Context } from '../../platform/context.ts'
import { changedRows, type Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { hashToken, readablePassword } from '../../platform/secrets.ts'
import { SecondFactorRow } from './entities.ts'
import { newSecret, secretAddress, stepOfCode } from './one-time-code.ts'

const BACKUP_CODES = 8

/** A code besides the password, for whoever wants it. */
export class SecondFactor {
  constructor(private readonly context: Context) {}

  async state({ staffId }: Session): Promise<SecondFactorState> {
    const row = await confirmed(this.context.database.reader, staffId)
    return { on: row !== null, backupCodesLeft: row?.backupHashes.length ?? 0 }
  }

  /** A secret for an app; it counts only once a code of it was typed in. */
  async begin({ staffId, email }: Session): Promise<NewSecondFactor> {
    return this.context.database.inTransaction(async (tx) => {
      if (await confirmed(tx, staffId)) throw new Problem('CHANGED_MEANWHILE')
      const secret = newSecret()
      await tx.upsert(SecondFactorRow, { staffId, secret, confirmedAt: null }, ['staffId'])
      return { secret, address: secretAddress(secret, email) }
    })
  }

  /** @returns codes for the day the phone is lost: shown once, each works once */
  async confirm(session: Session, code: string): Promise<BackupCodes> {
    const { staffId } = session
    return this.context.database.inTransaction(async (tx) => {
      const row = await tx.findOneBy(SecondFactorRow, { staffId })
      if (!row || row.confirmedAt) throw new Problem('CHANGED_MEANWHILE')
      const now = this.context.clock()
      const step = stepOfCode(row.secret, code, now)
      if (step === null) throw new Problem('WRONG_CODE')
      const backupCodes = Array.from({ length: BACKUP_CODES }, readablePassword)
      const backupHashes = backupCodes.map(hashToken)
      await tx.update(SecondFactorRow, { staffId }, { confirmedAt: now, lastStep: String(step), backupHashes })
      await this.note(tx, session, 'second-factor-on')
      return { backupCodes }
    })
  }

  async end(session: Session, code: string): Promise<void> {
    await this.context.database.inTransaction(async (tx) => {
      await this.check(tx, session.staffId, code)
      await this.forget(tx, session.staffId)
      await this.note(tx, session, 'second-factor-off')
    })
  }

  /** Lets in whoever has no second factor, or its code, or one of its backup codes; each code once.
   * @throws Problem CODE_NEEDED, WRONG_CODE */
  async check(tx: Tx, staffId: string, code: string | undefined): Promise<void> {
    const row = await confirmed(tx, staffId)
    if (!row) return
    if (!code) throw new Problem('CODE_NEEDED')
    const step = stepOfCode(row.secret, code, this.context.clock())
    const used =
      step === null
        ? await changedRows(
            tx,
            `UPDATE second_factor SET backup_hashes = array_remove(backup_hashes, $2)
             WHERE staff_id = $1 AND $2 = ANY(backup_hashes) RETURNING staff_id`,
            [staffId, hashToken(code)],
          )
        : await changedRows(
            tx,
            'UPDATE second_factor SET last_step = $2 WHERE staff_id = $1 AND last_step < $2 RETURNING staff_id',
            [staffId, step],
          )
    if (used.length === 0) throw new Problem('WRONG_CODE')
  }

  /** A new password by a coordinator's link is also the way back in for whoever lost phone and backup codes. */
  async forget(tx: Tx, staffId: string): Promise<void> {
    await tx.delete(SecondFactorRow, { staffId })
  }

  private async note(tx: Tx, { staffId, memberships }: Session, act: 'second-factor-on' | 'second-factor-off') {
    const [first] = memberships
    if (first) await appendRecord(tx, { act, at: this.context.clock(), branchId: first.branchId, staffId })
  }
}

const confirmed = async (tx: Tx, staffId: string): Promise<SecondFactorRow | null> => {
  const row = await tx.findOneBy(SecondFactorRow, { staffId })
  return row?.confirmedAt ? row : null
}
