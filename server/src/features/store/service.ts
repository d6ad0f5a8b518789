import { randomUUID } from 'node:crypto'
import { partOpticsSchema, type Part, type Session } from '@binoculum/contract'
import { followUpsOf, roleFacts, type HazardCode, type Mark, type Role } from '@binoculum/core'
import { DateTime } from 'luxon'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Job, Kit } from './entities.ts'
import * as queries from './queries.ts'

/** Rows of kits and their parts, as every feature reads and changes them. It judges nothing. */
export class KitStore {
  constructor(private readonly context: Context) {}

  async parts(tx: Tx, kitId: string): Promise<Part[]> {
    return (await queries.partsOf(tx, kitId)).map(partOfRow)
  }

  async part(tx: Tx, { kitId, partId }: { kitId: string; partId: string }): Promise<Part | null> {
    const [row] = await queries.partsOf(tx, kitId, partId)
    return row ? partOfRow(row) : null
  }

  /** What is off gets a follow-up with owner and due day; what is right again needs none. */
  async followParts(
    tx: Tx,
    session: Session,
    { row, loanId }: { row: { readonly id: string; readonly zone: string }; loanId: string | null },
    parts: readonly { readonly id: string; readonly role: string; readonly name: string; readonly mark: string }[],
  ): Promise<void> {
    const at = this.context.clock()
    const marked = parts.map(({ id, role, mark }) => ({ id, role: role as Role, mark: mark as Mark }))
    const right = marked.filter(({ mark }) => mark === 'present').map(({ id }) => id)
    if (right.length > 0) await queries.closeFollowUps(tx, right, at)
    const today = DateTime.fromJSDate(at, { zone: row.zone })
    await queries.openFollowUps(
      tx,
      { kitId: row.id, loanId, ownerId: session.staffId, at },
      followUpsOf(marked).map(({ partId, code, dueInDays }) => ({
        partId,
        code,
        text: parts.find(({ id }) => id === partId)?.name ?? '',
        dueOn: today.plus({ days: dueInDays }).toISODate() ?? '',
      })),
    )
  }

  /** Puts a hazard on a kit, inside an act that records why. */
  async addHazard(tx: Tx, kitId: string, hazard: HazardCode): Promise<void> {
    await queries.addHazards(tx, kitId, [hazard])
  }

  /** Takes a hazard off a kit, inside an act that records why. */
  async removeHazard(tx: Tx, kitId: string, hazard: HazardCode): Promise<void> {
    await queries.removeHazard(tx, kitId, hazard)
  }

  /** It belongs to another branch from now on with the pictures that it is known by, and stands there wherever it is put. */
  async moveToBranch(tx: Tx, kitId: string, branchId: string): Promise<void> {
    await tx.update(Kit, { id: kitId }, { branchId, place: '' })
    await queries.movePictures(tx, kitId, branchId)
    await queries.bumpKitVersions(tx, [kitId])
  }

  async learnHeadMoment(tx: Tx, kitId: string, headMomentGmm: number): Promise<void> {
    await tx.update(Kit, { id: kitId }, { headMomentGmm })
  }

  /** Closes the reports, and makes everything unseen and unchecked. */
  async comeBack(tx: Tx, kitId: string): Promise<void> {
    const at = this.context.clock()
    await queries.closeReports(tx, kitId, at)
    await queries.unseeParts(tx, kitId)
    await tx.update(Kit, { id: kitId }, { standsAt: 'desk' })
    const texts = { 'go-through': '', 'bench-wanted': 'back in service: check before it goes out again' } as const
    for (const code of ['go-through', 'bench-wanted'] as const)
      await tx.insert(Job, { id: randomUUID(), kitId, code, text: texts[code], openedAt: at, closedAt: null })
  }
}

/** A part of its own words says what to look for; else its role does. */
const partOfRow = ({ seenAt, ...row }: queries.PartOfKit): Part => ({
  ...row,
  seenAtUtc: seenAt?.toISOString() ?? null,
  optics: partOpticsSchema.parse(row.optics),
  lookFor: row.lookFor || roleFacts(row.role).lookFor,
})

export { ExtraPartRow, Job, Kit, Model, ModelPartRow, PartRow } from './entities.ts'
export {
  addHazards,
  bumpKitVersion,
  bumpKitVersions,
  claimKitVersion,
  closeDrying,
  closeFollowUps,
  dryingUntil,
  endGoingThrough,
  extrasOf,
  insertKit,
  keepMasses,
  kitWithCode,
  lockKit,
  markPresent,
  modelPartsForKit,
  openFollowUps,
  outdateWeighings,
  settleExtra,
  type Claimed,
  type NewKit,
} from './queries.ts'
