import { randomUUID } from 'node:crypto'
import {
  landmarkFieldsSchema,
  landmarkFileSchema,
  type LandmarkFields,
  type LandmarkFile,
  type Landmarks as LandmarkList,
  type Session,
  type WriteLandmark,
} from '@binoculum/contract'
import { distanceAndBearing, placeAt } from '@binoculum/core'
import { branchIdsOf, coordinatorOnly, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { requireOwnPictures } from '../contents/service.ts'
import { LandmarkRow, SiteRow } from './entities.ts'
import { lockSite } from './queries.ts'

const MOST_LANDMARKS = 500
const EXACT = 1e6

/** What stands still and far away about a place, to line finders up on. */
export class Landmarks {
  constructor(private readonly context: Context) {}

  async list(session: Session, siteId: string): Promise<LandmarkList> {
    const { reader } = this.context.database
    await this.siteOf(reader, session, siteId)
    const landmarks = await reader.find(LandmarkRow, { where: { siteId }, order: { distanceM: 'DESC', name: 'ASC' } })
    return { landmarks: landmarks as LandmarkList['landmarks'] }
  }

  async write(session: Session, siteId: string, id: string | null, given: WriteLandmark): Promise<LandmarkList> {
    await this.context.database.inTransaction(async (tx) => {
      const site = await this.lockedSite(tx, session, siteId)
      const { version, ...fields } = given
      const twin = await tx.findOneBy(LandmarkRow, { siteId, name: given.name })
      if (given.pictureId !== null && given.pictureId !== twin?.pictureId)
        await requireOwnPictures(tx, [site.branchId], [given.pictureId], 'pictureId')
      if (twin && twin.id !== id) throw badInput('name', 'is the name of another landmark here')
      if (!id) {
        if ((await tx.countBy(LandmarkRow, { siteId })) >= MOST_LANDMARKS)
          throw badInput('name', `${MOST_LANDMARKS} landmarks at one place are the most`)
        return void (await tx.insert(LandmarkRow, { ...fields, id: randomUUID(), siteId, version: 1 }))
      }
      const landmark = await tx.findOneBy(LandmarkRow, { id, siteId })
      if (!landmark) throw new Problem('NOT_FOUND')
      if (landmark.version !== version) throw new Problem('SITE_CHANGED', { details: { now: landmark } })
      await tx.update(LandmarkRow, { id }, { ...fields, version: landmark.version + 1 })
    })
    return this.list(session, siteId)
  }

  async remove(session: Session, siteId: string, id: string): Promise<LandmarkList> {
    await this.context.database.inTransaction(async (tx) => {
      await this.lockedSite(tx, session, siteId)
      await tx.delete(LandmarkRow, { id, siteId })
    })
    return this.list(session, siteId)
  }

  /** All of them as GeoJSON; one without coordinates of its own stands where its distance and bearing say. */
  async file(session: Session, siteId: string): Promise<LandmarkFile> {
    const { reader } = this.context.database
    const site = await this.siteOf(reader, session, siteId)
    const { landmarks } = await this.list(session, siteId)
    const exact = (deg: number) => Math.round(deg * EXACT) / EXACT
    return {
      type: 'FeatureCollection',
      features: landmarks.map(({ name, what, distanceM, bearingDeg, heightDeg, source, ...own }) => {
        const at =
          own.latitudeDeg !== null && own.longitudeDeg !== null
            ? { latitudeDeg: own.latitudeDeg, longitudeDeg: own.longitudeDeg }
            : placeAt(site, { distanceM, bearingDeg })
        return {
          type: 'Feature',
          geometry: { type: 'Point', coordinates: [exact(at.longitudeDeg), exact(at.latitudeDeg)] },
          properties: { name, what, distanceM, bearingDeg, heightDeg, source },
        }
      }),
    }
  }

  /**
   * Brings landmarks in from GeoJSON, all or none; a name that is there already is brought up to date.
   * @throws Problem BAD_INPUT naming the feature and what to do
   */
  async bringIn(session: Session, siteId: string, file: unknown): Promise<LandmarkList> {
    const read = landmarkFileSchema.safeParse(file)
    if (!read.success)
      throw new Problem('BAD_INPUT', {
        issues: read.error.issues.slice(0, 5).map(({ path, message }) => ({
          path: path.join('.'),
          message: `${message}. A GeoJSON FeatureCollection of points is wanted, longitude first`,
        })),
      })
    await this.context.database.inTransaction(async (tx) => {
      const site = await this.lockedSite(tx, session, siteId)
      for (const [index, feature] of read.data.features.entries()) {
        const fields = fieldsOf(feature, index, site)
        const known = await tx.findOneBy(LandmarkRow, { siteId, name: fields.name })
        if (known) await tx.update(LandmarkRow, { id: known.id }, { ...fields, version: known.version + 1 })
        else await tx.insert(LandmarkRow, { ...fields, id: randomUUID(), siteId, version: 1 })
      }
      if ((await tx.countBy(LandmarkRow, { siteId })) > MOST_LANDMARKS)
        throw badInput('features', `${MOST_LANDMARKS} landmarks at one place are the most`)
    })
    return this.list(session, siteId)
  }

  private async siteOf(tx: Tx, session: Session, siteId: string): Promise<SiteRow> {
    const site = await tx.findOneBy(SiteRow, { id: siteId })
    if (!site || !branchIdsOf(session).includes(site.branchId)) throw new Problem('NOT_FOUND')
    return site
  }

  private async lockedSite(tx: Tx, session: Session, siteId: string): Promise<SiteRow> {
    const site = await lockSite(tx, siteId)
    if (!site || !branchIdsOf(session).includes(site.branchId)) throw new Problem('NOT_FOUND')
    requireRole(session, site.branchId, coordinatorOnly)
    return site
  }
}

const badInput = (path: string, message: string) => new Problem('BAD_INPUT', { issues: [{ path, message }] })

/** A feature as a landmark. Figures that somebody measured go before those of its coordinates. */
function fieldsOf(feature: LandmarkFile['features'][number], index: number, site: SiteRow): LandmarkFields {
  const { properties } = feature
  const [longitudeDeg, latitudeDeg, heightM] = feature.geometry.coordinates
  const from = () => {
    try {
      return distanceAndBearing(site, { latitudeDeg, longitudeDeg, heightM: heightM ?? null })
    } catch (error) {
      if (error instanceof RangeError) throw badInput(`features.${index}`, error.message)
      throw error
    }
  }
  const seen = from()
  const measured = properties?.distanceM !== undefined && properties.bearingDeg !== undefined
  const read = landmarkFieldsSchema.safeParse({
    name: properties?.name ?? `Landmark ${index + 1}`,
    what: properties?.what ?? '',
    distanceM: measured ? properties.distanceM : seen.distanceM,
    bearingDeg: measured ? properties.bearingDeg : seen.bearingDeg,
    heightDeg: properties?.heightDeg ?? (heightM === undefined ? 0 : seen.heightDeg),
    source: measured ? (properties.source ?? 'typed') : 'coordinates',
    latitudeDeg,
    longitudeDeg,
    pictureId: null,
  })
  if (!read.success) {
    const [issue] = read.error.issues
    throw badInput(`features.${index}.${issue?.path.join('.') ?? ''}`, issue?.message ?? 'is no landmark')
  }
  return read.data
}
