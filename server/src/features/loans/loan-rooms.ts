import type { HandOut, Session } from '@binoculum/contract'
import type { Tx } from '../../platform/database.ts'
import type { Shelf } from '../judgement/service.ts'
import type { Opening } from '../opening/service.ts'
import type { Sheets } from '../sheet/service.ts'
import type { KitStore } from '../store/service.ts'
import type { LoanRow } from './queries.ts'

/** Rooms that know kits. */
export interface KitRooms {
  readonly store: KitStore
  readonly shelf: Shelf
  readonly sheets: Sheets
  readonly opening: Opening
}

/** What acts on loans ask of the desk: who may, whose loan, which borrower. */
export interface LoanDesk {
  readonly rooms: KitRooms
  loanFor(tx: Tx, session: Session, loanId: string): Promise<LoanRow>
  lockedLoan(tx: Tx, session: Session, loanId: string): Promise<LoanRow>
  borrowerFor(tx: Tx, session: Session, branchId: string, given: HandOut['borrower']): Promise<string>
}
