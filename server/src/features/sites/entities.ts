import { Check, Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm'

/** A place where kits are set up: its latitude, its zone, and where the needle points there. */
@Entity('site')
@Check('ck_site_place', `"latitude_deg" BETWEEN -90 AND 90 AND "longitude_deg" BETWEEN -180 AND 180`)
@Index(['branchId', 'name'], { unique: true })
export class SiteRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('Branch') @Column('uuid') branchId: string
  @Column('text') name: string
  @Column('text') zone: string
  @Column('double precision') latitudeDeg: number
  @Column('double precision') longitudeDeg: number
  @Column('double precision', { nullable: true }) heightM: number | null
  @Column('double precision', { nullable: true }) needleDeg: number | null
  @Column('date', { nullable: true }) needleOn: string | null
  @Column('integer', { default: 1 }) version: number
}
