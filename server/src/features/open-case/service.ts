import {
  MOST_CASE_REFERENCES,
  type CasePlace,
  type KeepCaseView,
  type OpenCase,
  type Session,
  type WriteOpenCase,
} from '@binoculum/contract'
import { LEAST_REFERENCES } from '@binoculum/core'
import { coordinatorOnly, deskRoles, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { requireOwnPictures } from '../contents/service.ts'
import type { OneKit, Shelf } from '../judgement/service.ts'
import { lockKit } from '../store/service.ts'
import { CaseViewRow, OpenCaseRow } from './entities.ts'
import * as queries from './queries.ts'

const refused = (path: string, message: string) => new Problem('BAD_INPUT', { issues: [{ path, message }] })

export interface CaseReferences {
  readonly caseMm: OpenCase['caseMm'] & object
  readonly places: readonly CasePlace[]
  readonly pictures: readonly queries.ReferencePicture[]
}

/** Where a case's compartments lie, and how it looked when it was complete. What a picture tells is reckoned at the desk. */
export class OpenCases {
  constructor(
    private readonly context: Context,
    private readonly shelf: Shelf,
  ) {}

  async view(session: Session, code: string): Promise<OpenCase> {
    return this.viewOf(this.context.database.reader, await this.shelf.rowFor(session, code))
  }

  private async viewOf(tx: Tx, kit: OneKit): Promise<OpenCase> {
    const written = await tx.findOneBy(OpenCaseRow, { kitId: kit.id })
    const parts = await queries.cardLines(tx, kit.id)
    const known = new Set(parts.map(({ id }) => id))
    return {
      ...{ kitId: kit.id, kitCode: kit.code, kitName: kit.name, branchId: kit.branchId, zone: kit.zone },
      version: written?.version ?? 0,
      caseMm: written && { width: written.widthMm, height: written.heightMm },
      // A line that has left the card leaves its place behind, which nothing lies in.
      places: (written?.places ?? []).map((place) => ({
        ...place,
        partId: place.partId !== null && known.has(place.partId) ? place.partId : null,
      })),
      parts,
      references: await queries.referencesOf(tx, kit.id, MOST_CASE_REFERENCES),
    }
  }

  /** Whether its case is drawn and was photographed often enough, whole, to be compared with. */
  canCompare(tx: Tx, kitId: string): Promise<boolean> {
    return queries.hasReferences(tx, kitId, LEAST_REFERENCES)
  }

  /** A kit's drawn case with its pictures' bytes, for whoever compares on the server; null where nothing was drawn. */
  async wholeReferences(tx: Tx, kitId: string): Promise<CaseReferences | null> {
    const written = await tx.findOneBy(OpenCaseRow, { kitId })
    if (!written || written.places.length === 0) return null
    return {
      caseMm: { width: written.widthMm, height: written.heightMm },
      places: written.places,
      pictures: await queries.referencePictures(tx, kitId, MOST_CASE_REFERENCES),
    }
  }

  /** Compartments are drawn once; whoever was later sees what stands there now. */
  async write(session: Session, kitId: string, given: WriteOpenCase): Promise<OpenCase> {
    return this.context.database.inTransaction(async (tx) => {
      await lockKit(tx, kitId)
      const kit = await this.shelf.rowById(tx, kitId)
      requireRole(session, kit.branchId, coordinatorOnly)
      const before = await tx.findOneBy(OpenCaseRow, { kitId })
      if ((before?.version ?? 0) !== given.version)
        throw new Problem('KIT_CHANGED', { details: { now: await this.viewOf(tx, kit) } })
      requirePlaces(given, new Set((await queries.cardLines(tx, kitId)).map(({ id }) => id)))
      const { width, height } = given.caseMm
      await tx.upsert(
        OpenCaseRow,
        {
          ...{ kitId, widthMm: Math.round(width), heightMm: Math.round(height) },
          ...{ places: given.places as never, version: given.version + 1 },
        },
        ['kitId'],
      )
      await this.record(tx, session, kit, 'case-drawn', { places: given.places.length })
      return this.viewOf(tx, kit)
    })
  }

  /** Keeps a picture of the case; sent twice it is kept once. */
  async keep(session: Session, kitId: string, given: KeepCaseView): Promise<OpenCase> {
    return this.context.database.inTransaction(async (tx) => {
      await lockKit(tx, kitId)
      const kit = await this.shelf.rowById(tx, kitId)
      requireRole(session, kit.branchId, deskRoles)
      const known = await tx.findOneBy(CaseViewRow, { id: given.id })
      if (known && known.kitId !== kitId) throw new Problem('NOT_FOUND')
      if (known) return this.viewOf(tx, kit)
      const { id, pictureId, marks, referenceFor, loanId, compared } = given
      await requireOwnPictures(tx, [kit.branchId], [pictureId], 'pictureId')
      if (loanId !== null && !(await queries.loanIsOf(tx, loanId, kitId)))
        throw refused('loanId', 'is no loan of this kit')
      if (marks.kitCode !== null && marks.kitCode.toUpperCase() !== kit.code.toUpperCase())
        throw refused('marks', `these are the marks of ${marks.kitCode}, not of ${kit.code}`)
      const isReference = referenceFor === null || referenceFor.length > 0
      if (isReference && (await tx.countBy(CaseViewRow, { kitId, isReference: true })) >= MOST_CASE_REFERENCES)
        await this.forgetOldestLearnt(tx, kitId)
      await tx.insert(CaseViewRow, {
        ...{ id, kitId, pictureId, marks: marks as never, isReference, loanId, compared: compared as never },
        referenceFor: referenceFor as string[] | null,
        ...{ byStaffId: session.staffId, at: this.context.clock() },
      })
      await this.record(tx, session, kit, 'case-seen', {
        reference: isReference,
        whole: referenceFor === null,
        loanId,
      })
      return this.viewOf(tx, kit)
    })
  }

  /** What was learnt in passing makes room; pictures that somebody took of the whole case are theirs to take off. */
  private async forgetOldestLearnt(tx: Tx, kitId: string): Promise<void> {
    const learnt = await tx.find(CaseViewRow, { where: { kitId, isReference: true }, order: { at: 'ASC' } })
    const oldest = learnt.find(({ referenceFor }) => referenceFor !== null)
    if (!oldest) throw refused('referenceFor', `there are ${MOST_CASE_REFERENCES} pictures already: forget one first`)
    await tx.update(CaseViewRow, { id: oldest.id }, { isReference: false })
  }

  /** A reference that is wrong, or of another year: what it showed stays in the record of its loan. */
  async forget(session: Session, kitId: string, viewId: string): Promise<OpenCase> {
    return this.context.database.inTransaction(async (tx) => {
      await lockKit(tx, kitId)
      const kit = await this.shelf.rowById(tx, kitId)
      requireRole(session, kit.branchId, deskRoles)
      const view = await tx.findOneBy(CaseViewRow, { id: viewId, kitId })
      if (!view) throw new Problem('NOT_FOUND')
      if (view.isReference) {
        await tx.update(CaseViewRow, { id: viewId }, { isReference: false })
        await this.record(tx, session, kit, 'case-view-forgotten', { viewId })
      }
      return this.viewOf(tx, kit)
    })
  }

  private async record(
    tx: Tx,
    session: Session,
    kit: OneKit,
    act: 'case-drawn' | 'case-seen' | 'case-view-forgotten',
    after: object,
  ): Promise<void> {
    const at = this.context.clock()
    await appendRecord(tx, { act, at, branchId: kit.branchId, kitId: kit.id, staffId: session.staffId, after })
  }
}

/** Places lie inside the case, each with a name of its own and a line of this kit's card or none. */
function requirePlaces({ places, caseMm }: WriteOpenCase, lines: ReadonlySet<string>): void {
  const ids = new Set<string>()
  places.forEach(({ id, partId, outlineMm }, index) => {
    if (ids.has(id)) throw refused(`places.${index}.id`, 'stands twice')
    ids.add(id)
    if (partId !== null && !lines.has(partId))
      throw refused(`places.${index}.partId`, 'is no line of this kit’s card')
    if (outlineMm.some(({ x, y }) => x > caseMm.width || y > caseMm.height))
      throw refused(`places.${index}.outlineMm`, 'lies outside the case')
  })
}
