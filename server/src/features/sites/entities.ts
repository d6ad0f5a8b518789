import type { Sky } from '@binoculum/core'
import { Check, Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm'

/** A place where kits are set up: its latitude, its zone, and where the needle points there. */
@Entity('site')
@Check('ck_site_place', `"latitude_deg" BETWEEN -90 AND 90 AND "longitude_deg" BETWEEN -180 AND 180`)
@Check('ck_site_sky', `"sky" IN ('dark', 'fair', 'bright')`)
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
  /** How dark it gets: dark, fair, bright. */
  @Column('text', { nullable: true }) sky: Sky | null
  @Column('integer', { default: 1 }) version: number
}

/** Something that stands still and far away, to line finders up on by day. Bearings are from true north. */
@Entity('landmark')
@Check('ck_landmark_distance', `"distance_m" >= 5`)
@Check('ck_landmark_bearing', `"bearing_deg" BETWEEN 0 AND 360`)
@Index(['siteId', 'name'], { unique: true })
export class LandmarkRow {
  @PrimaryColumn('uuid') id: string
  @ForeignKey('SiteRow', { onDelete: 'CASCADE' }) @Column('uuid') siteId: string
  @Column('text') name: string
  @Column('text') what: string
  @Column('double precision') distanceM: number
  @Column('double precision') bearingDeg: number
  @Column('double precision') heightDeg: number
  @Column('text') source: string
  @Column('double precision', { nullable: true }) latitudeDeg: number | null
  @Column('double precision', { nullable: true }) longitudeDeg: number | null
  @ForeignKey('Picture') @Column('uuid', { nullable: true }) pictureId: string | null
  @Column('integer', { default: 1 }) version: number
}
