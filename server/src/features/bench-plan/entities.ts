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

/** What somebody can do at a branch's bench, as they have said; without a row anything is given to them. */
@Entity('bench_skill')
export class BenchSkillRow {
  @ForeignKey('Branch') @PrimaryColumn('uuid') branchId: string
  @ForeignKey('Staff') @PrimaryColumn('uuid') staffId: string
  @Column('text', { array: true }) skills: string[]
}

/** Who comes to an evening, and to which place. */
@Entity('bench_seat')
@Index(['eveningId', 'seat'], { unique: true })
export class BenchSeatRow {
  @ForeignKey('BenchEveningRow', { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') eveningId: string
  @ForeignKey('Staff') @PrimaryColumn('uuid') staffId: string
  @Column('integer') seat: number
}
