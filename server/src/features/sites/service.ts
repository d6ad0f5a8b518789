import { randomUUID } from 'node:crypto'
import type { Session, Site, Sites as SiteList, WriteSite } from '@binoculum/contract'
import { needleDeclination } from '@binoculum/core'
import { branchIdsOf, coordinatorOnly, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import { Problem } from '../../platform/errors.ts'
import { SiteRow } from './entities.ts'
import { lockSite, sitesOf } from './queries.ts'

/** Where the needle points: what a person measured there, else the world's model while it holds. */
function needleOf(row: SiteRow, now: Date): Site['needle'] {
  if (row.needleDeg !== null)
    return { declinationDeg: row.needleDeg, source: 'typed', changeDegPerYear: null, reason: null }
  const { latitudeDeg, longitudeDeg, heightM } = row
  const model = needleDeclination({ latitudeDeg, longitudeDeg, heightM: heightM ?? 0, atUtc: now.toISOString() })
  if (model.declinationDeg === null)
    return { declinationDeg: null, source: 'unknown', changeDegPerYear: null, reason: model.reason }
  const { declinationDeg, changeDegPerYear } = model
  return { declinationDeg, source: 'model', changeDegPerYear, reason: null }
}

/** Places to observe from. */
export class Sites {
  constructor(private readonly context: Context) {}

  async list(session: Session): Promise<SiteList> {
    const rows = await sitesOf(this.context.database.reader, branchIdsOf(session))
    const now = this.context.clock()
    return { sites: rows.map((row) => ({ ...row, needle: needleOf(row, now) })), nowUtc: now.toISOString() }
  }

  async write(session: Session, siteId: string | null, given: WriteSite): Promise<SiteList> {
    requireRole(session, given.branchId, coordinatorOnly)
    const { version, ...fields } = given
    await this.context.database.inTransaction(async (tx) => {
      const twin = await tx.findOneBy(SiteRow, { branchId: given.branchId, name: given.name })
      if (twin && twin.id !== siteId)
        throw new Problem('BAD_INPUT', { issues: [{ path: 'name', message: 'is the name of another place' }] })
      if (!siteId) return void (await tx.insert(SiteRow, { ...fields, id: randomUUID(), version: 1 }))
      const site = await lockSite(tx, siteId)
      if (!site || site.branchId !== given.branchId) throw new Problem('NOT_FOUND')
      if (site.version !== version) throw new Problem('SITE_CHANGED', { details: { now: site } })
      await tx.update(SiteRow, { id: siteId }, { ...fields, version: site.version + 1 })
    })
    return this.list(session)
  }

  async remove(session: Session, siteId: string): Promise<SiteList> {
    await this.context.database.inTransaction(async (tx) => {
      const site = await lockSite(tx, siteId)
      if (!site || !branchIdsOf(session).includes(site.branchId)) throw new Problem('NOT_FOUND')
      requireRole(session, site.branchId, coordinatorOnly)
      await tx.delete(SiteRow, { id: siteId })
    })
    return this.list(session)
  }
}

export { LandmarkRow, SiteRow } from './entities.ts'
export { sitesOf } from './queries.ts'
