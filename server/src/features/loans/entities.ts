import { Check, Column, Entity, Exclusion, ForeignKey, Generated, Index, PrimaryColumn, Unique } from 'typeorm'

/** The only place where a borrower's name and way to reach them stand. */
@Entity('borrower')
@Index(['branchId', 'name'])
@Index('ix_borrower_name_letters', { synchronize: false })
@Index('ix_borrower_card_number_letters', { synchronize: false })
export class BorrowerRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Branch') @Column('uuid') branchId: string
  @Column('text') name: string
  @Column('text') contact: string
  @Column('text', { default: '' }) cardNumber: string
  /** In which letters are written. */
  @Column('text', { default: 'en' }) language: string
  /** Their practice with a telescope, as last told. */
  @Column('text', { nullable: true }) level: string | null
  /** When name and contact were taken out: nobody knows any more who it was. */
  @Column('timestamptz', { nullable: true }) unlinkedAt: Date | null
}

@Entity()
@Unique(['branchId', 'version'])
export class Agreement {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Branch') @Column('uuid') branchId: string
  @Column('integer') version: number
  @Column('text') text: string
  @Column('timestamptz') validFrom: Date
}

@Entity()
@Check('ck_loan_state', `"state" IN ('promised', 'out', 'back', 'cancelled')`)
@Check('ck_loan_out', `"state" NOT IN ('out', 'back') OR ("out_at" IS NOT NULL AND "due_at" IS NOT NULL)`)
@Check('ck_loan_days', `"from_on" <= "until_on"`)
// Two loans of one kit leave the days between them that it needs, whoever promises at whichever desk.
@Exclusion(
  'ex_loan_days',
  `USING gist ("kit_id" WITH =, daterange("from_on", "until_on" + "turnaround_days", '[]') WITH &&) WHERE ("guarded" AND "state" IN ('promised', 'out'))`,
)
@Index(['kitId', 'fromOn'])
@Index(['branchId', 'fromOn'])
@Index(['kitId', 'state'])
// One kit can't be out twice, whoever clicks how often.
@Index(['kitId'], { unique: true, where: `"state" = 'out'` })
@Index(['branchId', 'state'])
@Index(['borrowerId'])
@Index(['number'])
export class Loan {
  @PrimaryColumn('uuid') id: string
  @Generated('increment') @Column('integer') number: number
  @ForeignKey('Branch') @Column('uuid') branchId: string
  @ForeignKey('Kit') @Column('uuid') kitId: string
  @ForeignKey('BorrowerRow') @Column('uuid') borrowerId: string
  @Column('text') state: 'promised' | 'out' | 'back' | 'cancelled'
  /** Pick-up and return as agreed, by the branch's own calendar; the return may still be put off. */
  @Column('date') fromOn: string
  @Column('date') untilOn: string
  /** Days after the return in which nobody else gets the kit. */
  @Column('integer', { default: 1 }) turnaroundDays: number
  /** False where two loans stood in each other's way before that was guarded. */
  @Column('boolean', { default: true }) guarded: boolean
  @Column('timestamptz', { nullable: true }) promisedAt: Date | null
  @Column('timestamptz', { nullable: true }) promisedFor: Date | null
  @Column('timestamptz', { nullable: true }) outAt: Date | null
  @Column('timestamptz', { nullable: true }) dueAt: Date | null
  @Column('timestamptz', { nullable: true }) backAt: Date | null
  @ForeignKey('Staff') @Column('uuid', { nullable: true }) handedOutBy: string | null
  @ForeignKey('Agreement') @Column('uuid', { nullable: true }) agreementId: string | null
  @Column('text', { nullable: true }) acceptance: string | null
  @Column('text', { default: '' }) overruleReason: string
  /** SHA-256 of the guide link's token. */
  @Index({ unique: true, where: '"link_hash" IS NOT NULL' }) @Column('text', { nullable: true }) linkHash:
    string | null
  @Column('timestamptz', { nullable: true }) linkEndsAt: Date | null
  /** Its borrower went through the lesson before fetching it. */
  @Column('timestamptz', { nullable: true }) lessonDoneAt: Date | null
  /** Evenings that were told about, not what was told. */
  @Column('text', { array: true, default: '{}' }) nightsTold: string[]
  @Column('integer', { default: 1 }) version: number
}

/** What a desk sent when a kit came back; a correction is a new row. */
@Entity('take_back')
@Index(['loanId'])
export class TakeBackRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Loan') @Column('uuid') loanId: string
  @Column('jsonb') marks: object
  @Column('jsonb', { nullable: true }) answers: object | null
  @Column('text') proposed: string
  @Column('text') outcome: string
  @Column('text', { default: '' }) outcomeReason: string
  @Column('boolean', { default: false }) correction: boolean
  @ForeignKey('Staff') @Column('uuid') byStaffId: string
  @Column('timestamptz') at: Date
}
