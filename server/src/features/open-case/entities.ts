import type { CaseMarks, CasePlace, ComparedPlace } from '@binoculum/contract'
import { Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm'

/** Where the compartments of a kit's case lie, in mm from the outer corner of its top-left mark. */
@Entity('open_case')
export class OpenCaseRow {
  @ForeignKey('Kit') @PrimaryColumn('uuid') kitId: string
  @Column('integer') widthMm: number
  @Column('integer') heightMm: number
  @Column('jsonb') places: readonly CasePlace[]
  @Column('integer', { default: 1 }) version: number
}

/** A picture of the open case: how it looks when it is complete, or how it came back from a loan. */
@Entity('case_view')
@Index(['kitId', 'at'])
@Index(['loanId'])
@Index(['pictureId'])
export class CaseViewRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Kit') @Column('uuid') kitId: string
  @ForeignKey('Picture') @Column('uuid') pictureId: string
  @Column('jsonb') marks: CaseMarks
  @Column('boolean') isReference: boolean
  /** Places that it is a reference for; null: all of them. */
  @Column('uuid', { array: true, nullable: true }) referenceFor: readonly string[] | null
  @ForeignKey('Loan') @Column('uuid', { nullable: true }) loanId: string | null
  @Column('jsonb', { nullable: true }) compared: readonly ComparedPlace[] | null
  @ForeignKey('Staff') @Column('uuid') byStaffId: string
  @Column('timestamptz') at: Date
}
