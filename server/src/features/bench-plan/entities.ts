import { Check, Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm'

/** An evening on which people work at a branch's bench. */
@Entity('bench_evening')
@Check('ck_bench_evening_room', `"seats" > 0 AND "minutes_each" > 0`)
@Index(['branchId', 'onDay'])
export class BenchEveningRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Branch') @Column('uuid') branchId: string
  @Column('date') onDay: string
  @Column('integer') seats: number
  @Column('integer') minutesEach: number
  @Column('text', { default: '' }) note: string
}
