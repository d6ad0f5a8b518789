import { Column, Entity, ForeignKey, PrimaryColumn } from 'typeorm'

/** Which letters a branch lets the house write, and when; none where there is no row. */
@Entity('reminder_policy')
export class ReminderPolicyRow {
  @ForeignKey('Branch') @PrimaryColumn('uuid') branchId: string
  @Column('jsonb') policy: object
}

/** A branch's own words for a letter; the house's where there is no row. */
@Entity('reminder_text')
export class ReminderTextRow {
  @ForeignKey('Branch') @PrimaryColumn('uuid') branchId: string
  @PrimaryColumn('text') kind: string
  @PrimaryColumn('text') language: string
  @Column('text') subject: string
  @Column('text') body: string
}
