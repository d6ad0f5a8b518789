import { Column, Entity, ForeignKey, Index, PrimaryColumn, PrimaryGeneratedColumn } from 'typeorm'

/** The append-only record of every act. A trigger refuses to change or delete its rows. */
@Entity('record')
@Index(['kitId', 'id'])
@Index(['loanId'], { where: '"loan_id" IS NOT NULL' })
export class ActRecord {
  @PrimaryGeneratedColumn('identity', { type: 'bigint', generatedIdentity: 'ALWAYS' }) id: string
  @Column('timestamptz') at: Date
  @ForeignKey('Branch') @Column('uuid') branchId: string
  @Column('uuid', { nullable: true }) kitId: string | null
  @Column('uuid', { nullable: true }) loanId: string | null
  @Column('uuid', { nullable: true }) staffId: string | null
  @Column('text') act: string
  @Column('jsonb', { nullable: true }) before: object | null
  @Column('jsonb', { nullable: true }) after: object | null
}

/** Answers of writes, kept so that a retry after a lost answer does nothing twice. */
@Entity()
export class SentOnce {
  @PrimaryColumn('uuid') key: string
  @ForeignKey('Staff') @Column('uuid') staffId: string
  /** What was asked for, and of which thing. */
  @Column('text') sentFor: string
  @Column('jsonb', { nullable: true }) answer: object | null
  @Index() @Column('timestamptz', { default: () => 'now()' }) createdAt: Date
}
