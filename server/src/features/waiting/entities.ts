import { Check, Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm'

/** Somebody who waits for a kit. It names them by key only. */
@Entity('waiting_request')
@Check('ck_waiting_request_state', `"state" IN ('waiting', 'offered', 'served', 'gone')`)
@Check('ck_waiting_request_days', `"earliest_on" <= "latest_on"`)
@Index(['branchId', 'state', 'askedAt'])
@Index(['borrowerId'])
@Index(['offerLoanId'])
export class WaitingRequest {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Branch') @Column('uuid') branchId: string
  @ForeignKey('BorrowerRow') @Column('uuid') borrowerId: string
  @Column('timestamptz') askedAt: Date
  /** Families of kits that will do. */
  @Column('text', { array: true }) kinds: string[]
  @Column('date') earliestOn: string
  /** The last day of pick-up that still helps. */
  @Column('date') latestOn: string
  @Column('integer') lengthDays: number
  @Column('boolean') wantsDark: boolean
  @Column('text', { default: '' }) note: string
  @Column('text') state: 'waiting' | 'offered' | 'served' | 'gone'
  /** The promise that holds the kit while an offer is open, and when that ends. */
  @ForeignKey('Loan') @Column('uuid', { nullable: true }) offerLoanId: string | null
  @Column('timestamptz', { nullable: true }) offerEndsAt: Date | null
  @Column('integer', { default: 1 }) version: number
}
