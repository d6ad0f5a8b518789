import { Column, Entity, ForeignKey, PrimaryColumn } from 'typeorm'

/** How likely a kit's mirror lies beyond its limit after so many loans without a look: kept by each look, counted on by each
 * return, so that no list has to reckon it. */
@Entity('kit_drift')
export class KitDriftRow {
  @ForeignKey('Kit') @PrimaryColumn('uuid') kitId: string
  @Column('double precision') limitMm: number
  /** After 1, 2, 3 … loans. */
  @Column('double precision', { array: true }) chanceAfter: number[]
  @Column('integer', { default: 0 }) loansSince: number
}
