import { Check, Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm'

/** A borrower's guide, frozen as issued. */
@Entity('guide')
export class GuideRow {
  @PrimaryColumn('uuid') id: string
  @Index({ unique: true }) @ForeignKey('Loan') @Column('uuid') loanId: string
  @Column('jsonb') content: object
  @Column('timestamptz') issuedAt: Date
}

/** What a borrower sent from the guide. It names the loan, never the borrower. */
@Entity('borrower_message')
@Check('ck_borrower_message_kind', `"kind" IN ('report', 'contents')`)
@Index(['branchId', 'at'])
@Index(['loanId'])
export class BorrowerMessageRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Branch') @Column('uuid') branchId: string
  @ForeignKey('Kit') @Column('uuid') kitId: string
  @ForeignKey('Loan') @Column('uuid') loanId: string
  @Column('text') kind: 'report' | 'contents'
  @Column('jsonb') body: object
  @ForeignKey('Picture') @Column('uuid', { nullable: true }) pictureId: string | null
  @Column('timestamptz') at: Date
  @Column('timestamptz', { nullable: true }) seenAt: Date | null
  @ForeignKey('Staff') @Column('uuid', { nullable: true }) seenBy: string | null
}
