import { Check, Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm'

/** When a branch hands out and takes back; a branch without a row goes by the defaults. */
@Entity('opening')
export class OpeningRow {
  @ForeignKey('Branch') @PrimaryColumn('uuid') branchId: string
  /** Monday 1 … Sunday 7. */
  @Column('integer', { array: true }) openWeekdays: number[]
  @Column('text') pickUpFrom: string
  @Column('text') pickUpUntil: string
  @Column('integer') turnaroundDays: number
  @Column('integer') longestLoanDays: number
  @Column('integer') aheadDays: number
  /** On which the van calls. */
  @Column('integer', { array: true, default: [] }) vanWeekdays: number[]
}

/** Days on which a branch is closed though its week says otherwise. */
@Entity('closing')
@Check('ck_closing_days', `"from_on" <= "until_on"`)
@Index(['branchId', 'untilOn'])
export class ClosingRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Branch') @Column('uuid') branchId: string
  @Column('date') fromOn: string
  @Column('date') untilOn: string
  @Column('text') why: string
}
