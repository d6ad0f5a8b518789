import { Column, Entity, ForeignKey, PrimaryColumn } from 'typeorm'

/** An open take-back as far as any desk has got with it. It goes when the loan is closed. */
@Entity('take_back_draft')
export class TakeBackDraftRow {
  @ForeignKey('Loan') @PrimaryColumn('uuid') loanId: string
  @Column('jsonb') entries: object
  @Column('integer') version: number
  @Column('timestamptz') changedAt: Date
}
