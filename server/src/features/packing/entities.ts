import { Column, Entity, ForeignKey, PrimaryColumn } from 'typeorm'

/** How one place of a kit's case, or the case at one step of packing, looks when it is right. */
@Entity('packing_picture')
export class PackingPictureRow {
  @ForeignKey('Kit') @PrimaryColumn('uuid') kitId: string
  /** `place tube well`, `step tube`. */
  @PrimaryColumn('text') key: string
  @ForeignKey('Picture') @Column('uuid') pictureId: string
  @Column('text', { default: '' }) words: string
  @ForeignKey('Staff') @Column('uuid') byStaffId: string
  @Column('timestamptz') at: Date
}
