import { Check, Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm'

/** Spare parts of a branch, outside any kit. */
@Entity()
@Check('ck_spare_count', `"count" >= 0`)
@Index(['branchId', 'name'], { unique: true })
export class Spare {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Branch') @Column('uuid') branchId: string
  @Column('text') name: string
  @Column('text') role: string
  @Column('integer') count: number
  @Column('double precision', { nullable: true }) massG: number | null
  @Column('integer', { nullable: true }) costMinor: number | null
  @Column('text', { default: '' }) note: string
  @Column('integer', { default: 1 }) version: number
}

/** How often pieces of a role were gone after a loan, by the year of the take-back. */
@Entity('role_loss')
export class RoleLossRow {
  @ForeignKey('Branch') @PrimaryColumn('uuid') branchId: string
  @PrimaryColumn('text') role: string
  @PrimaryColumn('integer') year: number
  @Column('integer') losses: number
  @Column('integer') pieceLoans: number
}

/** One group of a kit on a scale. A complete one is what later weighings are compared with, until the contents change. */
@Entity('weighing')
@Check('ck_weighing_source', `"source" IN ('scale', 'typed')`)
@Index(['kitId', 'at'])
@Index(['loanId'])
export class WeighingRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Kit') @Column('uuid') kitId: string
  @Column('text') weighGroup: string
  @Column('double precision') measuredG: number
  @Column('double precision') scaleStepG: number
  @Column('double precision') containerG: number
  @Column('double precision') expectedG: number
  @Column('text') source: string
  @Column('boolean') complete: boolean
  /** The contents changed afterwards, so nothing is compared with it any more. */
  @Column('boolean', { default: false }) outdated: boolean
  @ForeignKey('Loan') @Column('uuid', { nullable: true }) loanId: string | null
  @ForeignKey('Staff') @Column('uuid') byStaffId: string
  @Column('timestamptz') at: Date
}

/** A picture as kept: made smaller, without what the camera wrote beside it. */
@Entity()
export class Picture {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Branch') @Column('uuid') branchId: string
  @Column('bytea') bytes: Buffer
  @Column('integer') widthPx: number
  @Column('integer') heightPx: number
  /** Null: a borrower sent it from the guide. */
  @ForeignKey('Staff') @Column('uuid', { nullable: true }) byStaffId: string | null
  @Column('timestamptz') at: Date
}

/** What a coordinator decided about lists: which column is what, which word means which part. */
@Entity()
@Check('ck_remembered_kind', `"kind" IN ('columns', 'word')`)
export class Remembered {
  @ForeignKey('Branch') @PrimaryColumn('uuid') branchId: string
  @PrimaryColumn('text') kind: string
  @PrimaryColumn('text') key: string
  @Column('jsonb') value: unknown
}
