import { Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm'

/** A borrower's guide, frozen as issued. */
@Entity('guide')
export class GuideRow {
  @PrimaryColumn('uuid') id: string
  @Index({ unique: true }) @ForeignKey('Loan') @Column('uuid') loanId: string
  @Column('jsonb') content: object
  @Column('timestamptz') issuedAt: Date
}
