import { Check, Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm'

/** “Check every kit of this model for X by D”: one job per kit comes from it. */
@Entity()
export class Notice {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Model') @Column('uuid') modelId: string
  @Column('text') text: string
  @Column('boolean') stops: boolean
  @Column('date') dueOn: string
  @ForeignKey('Staff') @Column('uuid') byStaffId: string
  @Column('timestamptz') at: Date
}

/** A letter to a borrower. It names them by key only; name and address are put in when it is read or sent. */
@Entity('message')
@Check('ck_message_state', `"state" IN ('draft', 'sending', 'sent', 'failed')`)
@Index(['branchId', 'madeAt'])
@Index(['borrowerId'])
@Index(['kitId'])
@Index(['loanId'])
export class MessageRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Branch') @Column('uuid') branchId: string
  @ForeignKey('BorrowerRow') @Column('uuid') borrowerId: string
  @ForeignKey('Loan') @Column('uuid') loanId: string
  @ForeignKey('Kit') @Column('uuid') kitId: string
  @Column('text') subject: string
  @Column('text') body: string
  @Column('text') state: 'draft' | 'sending' | 'sent' | 'failed'
  @Column('text', { default: '' }) problem: string
  /** Null where the house wrote it by itself. */
  @ForeignKey('Staff') @Column('uuid', { nullable: true }) byStaffId: string | null
  /** Keeps a letter that the house writes from being written twice. */
  @Index({ unique: true, where: '"once_key" IS NOT NULL' }) @Column('text', { nullable: true }) onceKey: string | null
  @Column('timestamptz') madeAt: Date
  @Column('timestamptz', { nullable: true }) sentAt: Date | null
  /** When it was last handed to the mail server, by the database's clock. */
  @Column('timestamptz', { nullable: true }) triedAt: Date | null
}
