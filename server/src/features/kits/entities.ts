import { Check, Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm'

@Entity()
export class Model {
  @PrimaryColumn('uuid') id: string
  @Column('text') name: string
  @Column('text') family: string
  @Column('jsonb') optics: object
}

@Entity()
@Check('ck_kit_stands_at', `"stands_at" IN ('shelf', 'bench')`)
@Check('ck_kit_collimation', `"collimation_policy" IN ('leave-it-to-us', 'with-help-sheet')`)
@Index(['branchId'])
export class Kit {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Branch') @Column('uuid') branchId: string
  @ForeignKey('Model') @Column('uuid') modelId: string
  @Index({ unique: true }) @Column('text') code: string
  @Column('text') name: string
  @Column('text') place: string
  @Column('text') standsAt: 'shelf' | 'bench'
  @Column('text', { default: 'leave-it-to-us' }) collimationPolicy: string
  /** Codes of hazards found and not yet cured. */
  @Column('text', { array: true, default: () => "'{}'" }) hazards: string[]
  @Column('integer', { default: 1 }) version: number
}

@Entity('part')
@Check('ck_part_counts', `"count" >= 1 AND "present_count" >= 0 AND "present_count" <= "count"`)
@Check('ck_part_mark', `"mark" IN ('present', 'missing', 'damaged', 'wrong', 'unseen')`)
@Index(['kitId', 'position'])
export class PartRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Kit') @Column('uuid') kitId: string
  @Column('integer') position: number
  @Column('text') name: string
  @Column('text') role: string
  @Column('text') criticality: string
  @Column('integer') count: number
  @Column('integer') presentCount: number
  @Column('double precision', { nullable: true }) massG: number | null
  @Column('double precision', { nullable: true }) toleranceG: number | null
  @Column('text') place: string
  @Column('text') mark: string
  @Column('text', { default: '' }) note: string
  @Column('integer', { nullable: true }) costMinor: number | null
  @Column('jsonb', { default: () => "'{}'" }) optics: object
}

/** Something to be done before the kit is fit; a bench check closes it. */
@Entity()
@Index(['kitId'], { where: '"closed_at" IS NULL' })
export class Job {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Kit') @Column('uuid') kitId: string
  @Column('text') code: string
  @Column('text', { default: '' }) text: string
  @Column('timestamptz') openedAt: Date
  @Column('timestamptz', { nullable: true }) closedAt: Date | null
}
