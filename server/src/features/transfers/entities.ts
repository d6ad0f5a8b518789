import { Check, Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm'

/** A kit that goes to another branch with the van; it belongs there from the moment it arrives. */
@Entity('transfer')
@Check('ck_transfer_state', `"state" IN ('planned', 'arrived', 'cancelled')`)
@Check('ck_transfer_branches', `"from_branch_id" <> "to_branch_id"`)
// A kit travels once at a time: where it will be is never a question of two plans.
@Index(['kitId'], { unique: true, where: `"state" = 'planned'` })
@Index(['fromBranchId', 'state'])
@Index(['toBranchId', 'state'])
export class TransferRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Kit') @Column('uuid') kitId: string
  @ForeignKey('Branch') @Column('uuid') fromBranchId: string
  @ForeignKey('Branch') @Column('uuid') toBranchId: string
  @Column('date') onDay: string
  @Column('text') state: 'planned' | 'arrived' | 'cancelled'
  @ForeignKey('Staff') @Column('uuid') byStaffId: string
  @Column('timestamptz', { nullable: true }) arrivedAt: Date | null
  @Column('integer', { default: 1 }) version: number
}
