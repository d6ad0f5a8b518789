import { Column, Entity, ForeignKey, PrimaryColumn } from 'typeorm'

/** How long a branch keeps names after everything of a borrower is closed; the default where there is no row. */
@Entity('borrower_policy')
export class BorrowerPolicyRow {
  @ForeignKey('Branch') @PrimaryColumn('uuid') branchId: string
  @Column('integer') unlinkDays: number
  /** Only card numbers are kept, no names and no contacts. */
  @Column('boolean', { default: false }) cardOnly: boolean
}
