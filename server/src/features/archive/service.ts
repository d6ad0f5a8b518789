import { randomUUID } from 'node:crypto'
import { ARCHIVE_FORMAT, ARCHIVE_VERSION, archiveSchema, type Archive, type Session } from '@binoculum/contract'
import { coordinatorOnly, requireRole } from '../../platform/access.ts'
import { runBounded, workerBeside } from '../../platform/bounded-worker.ts'
import { insertMany } from '../../platform/bulk.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { ExtraPartRow, Job, Kit, Model, ModelPartRow, PartRow } from '../store/service.ts'
import { makePicture, Picture, Spare, takenCodes, WeighingRow } from '../contents/service.ts'
import { BenchCheck, ReadingRow } from '../checks/service.ts'
import { GuideTextRow } from '../guides/service.ts'
import { LandmarkRow, SiteRow } from '../sites/service.ts'
import { archiveRows, placeNames } from './queries.ts'

/** Read in a thread of its own: sixty megabytes of brackets would keep every desk waiting. */
const worker = workerBeside(import.meta.url, 'archive')
const READ_BOUNDS = { timeoutMs: 30_000, memoryMb: 768 }

/** A branch's contents in one open file, out and in again without loss. Written down in docs/formats/archive.md. */
export class Archives {
  constructor(private readonly context: Context) {}

  async export(session: Session, branchId: string): Promise<Archive> {
    requireRole(session, branchId, coordinatorOnly)
    const rows = await archiveRows(this.context.database.reader, branchId)
    const keyOf = (prefix: string, list: readonly { readonly id: string }[]) => {
      const keys = new Map(list.map(({ id }, index) => [id, `${prefix}${index + 1}`]))
      return (id: string) => keys.get(id) ?? id
    }
    const model = keyOf('model-', rows.models)
    const modelPart = keyOf('model-part-', rows.modelParts)
    const part = keyOf('part-', rows.parts)
    const picture = keyOf('picture-', rows.pictures)
    return archiveSchema.parse({
      format: ARCHIVE_FORMAT,
      version: ARCHIVE_VERSION,
      writtenAtUtc: this.context.clock().toISOString(),
      branch: rows.branch,
      models: rows.models.map(({ id, ...rest }) => ({
        ...rest,
        key: model(id),
        parts: rows.modelParts
          .filter(({ modelId }) => modelId === id)
          .map((each) => ({ ...each, key: modelPart(each.id), picture: each.pictureId && picture(each.pictureId) })),
      })),
      kits: rows.kits.map(({ id, modelId, ...rest }) => ({
        ...rest,
        model: model(modelId),
        parts: rows.parts
          .filter(({ kitId }) => kitId === id)
          .map(({ seenAt, ...each }) => ({
            ...each,
            seenAtUtc: seenAt?.toISOString() ?? null,
            key: part(each.id),
            modelPart: each.modelPartId && modelPart(each.modelPartId),
            pictures: each.pictureIds.map(picture),
          })),
        extras: rows.extras
          .filter(({ kitId }) => kitId === id)
          .map(({ foundAt, ...each }) => ({ ...each, foundAtUtc: foundAt.toISOString() })),
        weighings: rows.weighings
          .filter(({ kitId }) => kitId === id)
          .map(({ at, ...each }) => ({ ...each, atUtc: at.toISOString() })),
        readings: rows.readings
          .filter(({ kitId }) => kitId === id)
          .map(({ at, ...each }) => ({ ...each, atUtc: at.toISOString() })),
        jobs: rows.jobs
          .filter(({ kitId }) => kitId === id)
          .map(({ openedAt, notBefore, partId, ...each }) => ({
            ...each,
            part: partId && part(partId),
            openedAtUtc: openedAt.toISOString(),
            notBeforeUtc: notBefore?.toISOString() ?? null,
          })),
      })),
      spares: rows.spares,
      places: rows.places.map(({ id, ...rest }) => ({
        ...rest,
        landmarks: rows.landmarks
          .filter(({ siteId }) => siteId === id)
          .map((each) => ({ ...each, picture: each.pictureId && picture(each.pictureId) })),
      })),
      guideTexts: rows.guideTexts.map(({ modelId, kitCode, at, ...rest }) => ({
        ...rest,
        model: modelId && model(modelId),
        kit: kitCode,
        atUtc: at.toISOString(),
      })),
      pictures: rows.pictures.map(({ id, bytes }) => ({ key: picture(id), jpegBase64: bytes.toString('base64') })),
    })
  }

  /** Brings an archive in as it is: all of it, or nothing where a kit code is in use. @param file as it was sent */
  async import(session: Session, branchId: string, file: unknown) {
    requireRole(session, branchId, coordinatorOnly)
    const archive = await runBounded<Archive>(worker, file, READ_BOUNDS)
    const idOf = idsByKey(archive)
    const kitIdOf = idsByCode(archive)
    const at = this.context.clock()
    const staffId = session.staffId
    const pictures: Pick<Picture, 'id' | 'bytes' | 'widthPx' | 'heightPx'>[] = []
    for (const { key, jpegBase64 } of archive.pictures) {
      const { bytes, ...size } = await makePicture(Buffer.from(jpegBase64, 'base64'))
      pictures.push({ id: idOf(key), bytes: Buffer.from(bytes), ...size })
    }
    return this.context.database.inTransaction(async (tx) => {
      const taken = await takenCodes(
        tx,
        archive.kits.map(({ code }) => code),
      )
      if (taken.size > 0) throw new Problem('CODE_TAKEN', { details: { codes: [...taken] } })
      for (const picture of pictures) await tx.insert(Picture, { ...picture, branchId, byStaffId: staffId, at })
      for (const { key, parts, ...model } of archive.models) {
        await tx.insert(Model, { ...model, id: idOf(key), branchId, version: 1 } as never)
        const rows = parts.map(({ key: partKey, picture, optics, ...rest }, index) => ({
          ...rest,
          optics: withBarrel(optics),
          id: idOf(partKey),
          modelId: idOf(key),
          position: index + 1,
          pictureId: picture && idOf(picture),
        }))
        await insertMany(tx, ModelPartRow, rows)
      }
      for (const { model, parts, weighings, readings, jobs, ownFinder, details, extras, ...kit } of archive.kits) {
        const kitId = kitIdOf(kit.code)
        const own = ownFinder && { ...ownFinder, by: 'brought in' }
        await tx.insert(Kit, {
          ...kit,
          ...details,
          ownFinder: own,
          id: kitId,
          branchId,
          modelId: idOf(model),
          version: 1,
        })
        const rows = parts.map(({ key, modelPart, pictures, optics, seenAtUtc, ...rest }, index) => ({
          ...rest,
          optics: withBarrel(optics),
          seenAt: seenAtUtc === null ? null : new Date(seenAtUtc),
          id: idOf(key),
          kitId,
          modelPartId: modelPart && idOf(modelPart),
          position: index + 1,
          pictureIds: pictures.map(idOf),
        }))
        await insertMany(tx, PartRow, rows)
        const besides = extras.map(({ foundAtUtc, ...extra }) => ({
          ...extra,
          id: randomUUID(),
          kitId,
          loanId: null,
          pictureIds: [],
          foundAt: new Date(foundAtUtc),
          settledAt: null,
        }))
        if (besides.length > 0) await insertMany(tx, ExtraPartRow, besides)
        const kept = weighings.map(({ group, atUtc, ...rest }) => ({
          ...rest,
          id: randomUUID(),
          kitId,
          weighGroup: group,
          complete: true,
          outdated: false,
          loanId: null,
          byStaffId: staffId,
          at: new Date(atUtc),
        }))
        if (kept.length > 0) await insertMany(tx, WeighingRow, kept)
        await this.bringReadings(tx, { kitId, staffId, at }, readings)
        const open = jobs.map(({ part, openedAtUtc, notBeforeUtc, ...rest }) => ({
          ...rest,
          id: randomUUID(),
          kitId,
          partId: part && idOf(part),
          loanId: null,
          ownerId: null,
          noticeId: null,
          openedAt: new Date(openedAtUtc),
          notBefore: notBeforeUtc && new Date(notBeforeUtc),
          closedAt: null,
        }))
        if (open.length > 0) await insertMany(tx, Job, open)
        await appendRecord(tx, {
          act: 'brought-in',
          at,
          branchId,
          staffId,
          kitId,
          after: { file: 'archive', parts: rows.length },
        })
      }
      // As with places: what the drawer has under this name already is left as it is.
      const lying = new Set((await tx.findBy(Spare, { branchId })).map(({ name }) => name))
      const spares = archive.spares.filter(({ name }) => !lying.has(name))
      const spareRows = spares.map((spare) => ({ ...spare, id: randomUUID(), branchId, version: 1 }))
      if (spareRows.length > 0) await insertMany(tx, Spare, spareRows)
      const places = await this.bringPlaces(tx, branchId, archive, idOf)
      const guideTexts = archive.guideTexts.map(({ model, kit, atUtc, ...rest }) => ({
        ...rest,
        id: randomUUID(),
        branchId,
        modelId: model && idOf(model),
        kitId: kit && kitIdOf(kit),
        inUse: true,
        byStaffId: staffId,
        at: new Date(atUtc),
      }))
      if (guideTexts.length > 0) await insertMany(tx, GuideTextRow, guideTexts)
      const { kits, models } = archive
      return {
        kits: kits.map(({ code }) => code),
        models: models.length,
        spares: spares.length,
        places,
        guideTexts: guideTexts.length,
        pictures: pictures.length,
      }
    })
  }

  /** Figures as they count, under one check for all of them: who took them elsewhere isn't known here. */
  private async bringReadings(
    tx: Tx,
    { kitId, staffId, at }: { readonly kitId: string; readonly staffId: string; readonly at: Date },
    readings: Archive['kits'][number]['readings'],
  ): Promise<void> {
    if (readings.length === 0) return
    const checkId = randomUUID()
    await tx.insert(BenchCheck, { id: checkId, kitId, byStaffId: staffId, at, stations: [] })
    const rows = readings.map(({ atUtc, ...reading }) => ({
      ...{ ...reading, id: randomUUID(), kitId, checkId, asFoundAt: null, asLeftAt: null },
      ...{ byStaffId: staffId, at: new Date(atUtc), current: true },
    }))
    await insertMany(tx, ReadingRow, rows)
  }

  /** Places with their landmarks; one whose name the branch has already is left as it is. @returns how many came in */
  private async bringPlaces(
    tx: Tx,
    branchId: string,
    archive: Archive,
    idOf: (key: string) => string,
  ): Promise<number> {
    const known = await placeNames(tx, branchId)
    const fresh = archive.places.filter(({ name }) => !known.has(name))
    for (const { landmarks, ...place } of fresh) {
      const siteId = randomUUID()
      await tx.insert(SiteRow, { ...place, id: siteId, branchId, version: 1 })
      const rows = landmarks.map(({ picture, ...rest }) => ({
        ...rest,
        id: randomUUID(),
        siteId,
        pictureId: picture && idOf(picture),
        version: 1,
      }))
      if (rows.length > 0) await insertMany(tx, LandmarkRow, rows)
    }
    return fresh.length
  }
}

/** Older archives call the barrel that goes in by one name for all. */
const withBarrel = ({ barrelMm, ...optics }: Archive['models'][number]['parts'][number]['optics']) =>
  barrelMm === undefined ? optics : { maleMm: barrelMm, ...optics }

/** New ids for its kits. @throws Problem NOT_AN_ARCHIVE where a text is for a kit that isn't there */
function idsByCode({ kits }: Archive): (code: string) => string {
  const ids = new Map(kits.map(({ code }) => [code, randomUUID()]))
  return (code) => {
    const id = ids.get(code)
    if (!id)
      throw new Problem('NOT_AN_ARCHIVE', { issues: [{ path: code, message: 'is named but not in the file' }] })
    return id
  }
}

/** New ids for the archive's keys. @throws Problem NOT_AN_ARCHIVE where something is named that isn't there */
function idsByKey(archive: Archive): (key: string) => string {
  const keys = [
    ...archive.models.flatMap(({ key, parts }) => [key, ...parts.map((part) => part.key)]),
    ...archive.kits.flatMap(({ parts }) => parts.map((part) => part.key)),
    ...archive.pictures.map(({ key }) => key),
  ]
  const ids = new Map(keys.map((key) => [key, randomUUID()]))
  if (ids.size < keys.length)
    throw new Problem('NOT_AN_ARCHIVE', { issues: [{ path: 'key', message: 'stands twice' }] })
  return (key) => {
    const id = ids.get(key)
    if (!id) throw new Problem('NOT_AN_ARCHIVE', { issues: [{ path: key, message: 'is named but not in the file' }] })
    return id
  }
}
