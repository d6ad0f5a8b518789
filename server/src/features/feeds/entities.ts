import { Check, Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm'

/** A secret address under which a calendar program reads days; only its hash is kept. */
@Entity('calendar_feed')
@Check('ck_calendar_feed_kind', `"kind" IN ('loans', 'kit')`)
@Index(['branchId'])
export class CalendarFeedRow {
  @PrimaryColumn('text') tokenHash: string
  @ForeignKey('Branch') @Column('uuid') branchId: string
  @Column('text') kind: 'loans' | 'kit'
  @ForeignKey('Kit') @Column('uuid', { nullable: true }) kitId: string | null
  @ForeignKey('Staff') @Column('uuid') byStaffId: string
  @Column('timestamptz') madeAt: Date
}
