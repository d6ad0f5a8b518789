import { Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm'

/** One made-up tube as somebody lined it up. */
@Entity('practice_run')
@Index(['staffId', 'at'])
export class PracticeRun {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Staff') @Column('uuid') staffId: string
  @Column('jsonb') result: object
  @Column('timestamptz') at: Date
}
