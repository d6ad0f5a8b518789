import type { SpreadFile } from '@binoculum/contract'
import { Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm'

/** What another programme told of its losses and its mirrors; it counts until a branch has seen enough itself. */
@Entity('spread')
@Index(['branchId'])
export class SpreadRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Branch') @Column('uuid') branchId: string
  @Column('text') origin: string
  @Column('jsonb') losses: SpreadFile['losses']
  @Column('jsonb') drift: SpreadFile['drift']
  @ForeignKey('Staff') @Column('uuid') byStaffId: string
  @Column('timestamptz') at: Date
}
