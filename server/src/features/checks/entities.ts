import { Check, Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm'

/** One bench check with its stations as they were sent. */
@Entity()
@Index(['kitId', 'at'])
export class BenchCheck {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Kit') @Column('uuid') kitId: string
  @ForeignKey('Staff') @Column('uuid') byStaffId: string
  @Column('timestamptz') at: Date
  @Column('jsonb') stations: object
}

/** One figure as found and as left. The newest of each kind is the current one. */
@Entity('reading')
@Check('ck_reading_unit', `"unit" IN ('mm', 'arcmin', 'deg', 's', 'judged')`)
@Index(['kitId', 'kind'], { unique: true, where: '"current"' })
@Index(['kitId', 'at'])
@Index(['kitId', 'kind', 'at'])
@Index(['checkId'])
export class ReadingRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Kit') @Column('uuid') kitId: string
  @ForeignKey('BenchCheck') @Column('uuid') checkId: string
  @Column('text') kind: string
  @Column('double precision', { nullable: true }) asFound: number | null
  @Column('double precision') asLeft: number
  @Column('double precision') limitValue: number
  @Column('double precision', { nullable: true }) good: number | null
  @Column('text') unit: string
  /** Half-width of what it may be wrong by; null where nobody reckoned it. */
  @Column('double precision', { nullable: true }) uncertainty: number | null
  /** Where the figure is a length with a direction: {x, y} in the cell's frame. */
  @Column('jsonb', { nullable: true }) asFoundAt: object | null
  @Column('jsonb', { nullable: true }) asLeftAt: object | null
  @Column('text') source: string
  @ForeignKey('Staff') @Column('uuid') byStaffId: string
  @Column('timestamptz') at: Date
  @Column('boolean') current: boolean
}

/** Screws that were turned between two readings, and what that did: a kit's own cell is learnt from them. */
@Entity('turned_step')
@Index(['kitId', 'at'])
export class TurnedStepRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Kit') @Column('uuid') kitId: string
  @ForeignKey('BenchCheck') @Column('uuid') checkId: string
  @Column('jsonb') before: object
  @Column('jsonb') turns: object
  @Column('jsonb') after: object
  @Column('double precision') uncertaintyMm: number
  @Column('timestamptz') at: Date
  @Column('integer') position: number
}

/** Knobs of a finder that were turned between two looks, and what that did: a kit's own knobs are learnt from them. */
@Entity('knob_step')
@Index(['kitId', 'at'])
export class KnobStepRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Kit') @Column('uuid') kitId: string
  @ForeignKey('BenchCheck') @Column('uuid') checkId: string
  @Column('jsonb') step: object
  @Column('timestamptz') at: Date
  @Column('integer') position: number
}

/** How long one step took, once. */
@Entity('step_time')
@Check('ck_step_time_seconds', `"seconds" > 0`)
@Index(['modelId', 'stepKey', 'at'])
export class StepTimeRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Model') @Column('uuid') modelId: string
  @ForeignKey('Kit') @Column('uuid') kitId: string
  @ForeignKey('BenchCheck') @Column('uuid') checkId: string
  @Column('text') stepKey: string
  @Column('double precision') seconds: number
  @Column('timestamptz') at: Date
}

/** How long a step of a model takes, by its newest times; kept with each check, so that no page counts them all. */
@Entity('step_median')
export class StepMedianRow {
  @ForeignKey('Model') @PrimaryColumn('uuid') modelId: string
  @PrimaryColumn('text') stepKey: string
  @Column('double precision') medianSeconds: number
  @Column('integer') times: number
}
