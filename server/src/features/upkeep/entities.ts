import { Column, Entity, PrimaryColumn } from 'typeorm'

/** When something was last done to the whole installation from outside of it, such as a backup. */
@Entity('upkeep_mark')
export class UpkeepMark {
  @PrimaryColumn('text') name: string
  @Column('timestamptz') at: Date
}
