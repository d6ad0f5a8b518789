import { Column, Entity, ForeignKey, PrimaryColumn } from 'typeorm'

/** A person's second factor: codes of six digits from an app on their phone [RFC 6238]. */
@Entity('second_factor')
export class SecondFactorRow {
  @ForeignKey('Staff') @PrimaryColumn('uuid') staffId: string
  /** Base 32; both sides reckon with it, so it can't be a hash. */
  @Column('text') secret: string
  /** Null until a first code showed that the app has it. */
  @Column('timestamptz', { nullable: true }) confirmedAt: Date | null
  /** Number of the half minute whose code was used last: none is taken twice. */
  @Column('bigint', { default: 0 }) lastStep: string
  /** Hashes of the backup codes that are left. */
  @Column('text', { array: true, default: () => "'{}'" }) backupHashes: string[]
}
