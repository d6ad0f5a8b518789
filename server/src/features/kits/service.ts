import { randomUUID } from 'node:crypto'
import type {
  CollimationPolicy,
  FinderOffsetGiven,
  Found,
  KitChange,
  KitAct,
  KitSheet,
  KnownWear,
  MarkPart,
  Part,
  RecordLine,
  Session,
} from '@binoculum/contract'
import { hazardRoles, jobFacts, type HazardCode, type JobCode } from '@binoculum/core'
import { branchIdsOf, deskBranchIds, deskRoles, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { requireOwnPictures } from '../contents/service.ts'
import { isGone, type Shelf, type OneKit } from '../judgement/service.ts'
import { headOf, opticsOfKit, type Sheets } from '../sheet/service.ts'
import {
  closeDrying,
  closeFollowUps,
  dryingUntil,
  endGoingThrough,
  Job,
  Kit,
  markPresent,
  PartRow,
  settleExtra,
  type Claimed,
  type KitStore,
} from '../store/service.ts'
import { find } from './queries.ts'

/** What people do to a kit that stands here, outside desk and bench. */
export class Kits {
  constructor(
    private readonly context: Context,
    private readonly rooms: { readonly store: KitStore; readonly shelf: Shelf; readonly sheets: Sheets },
  ) {}

  async find(session: Session, text: string): Promise<Found> {
    const places = { branchIds: branchIdsOf(session), deskBranchIds: deskBranchIds(session) }
    return find(this.context.database.reader, places, text)
  }

  /** Marks one part of a kit that stands here: found again, replaced, damaged, missing. */
  async markPart(
    session: Session,
    target: { kitId: string; partId: string },
    given: MarkPart & { readonly kitVersion: number },
  ): Promise<KitChange> {
    return this.changeMarks(session, target.kitId, given.kitVersion, async (tx, kit, at) => {
      const part = await this.rooms.store.part(tx, target)
      if (!part) throw new Problem('NOT_FOUND')
      const presentCount = given.presentCount ?? (given.mark === 'missing' ? 0 : part.count)
      if (presentCount > part.count) {
        const issues = [{ path: 'presentCount', message: `at most ${part.count}` }]
        throw new Problem('BAD_INPUT', { issues })
      }
      const { mark, note, wrongItem, pictureIds = part.pictureIds } = given
      const fresh = pictureIds.filter((id) => !part.pictureIds.includes(id))
      await requireOwnPictures(tx, [kit.branchId], fresh, 'pictureIds')
      const seenAtUtc = mark === 'unseen' ? part.seenAtUtc : at.toISOString()
      const change = { mark, note, wrongItem, presentCount, pictureIds }
      await tx.update(PartRow, { id: part.id }, { ...change, seenAt: seenAtUtc && new Date(seenAtUtc) })
      await this.rooms.store.followParts(tx, session, { row: kit, loanId: null }, [{ ...part, mark }])
      return {
        parts: [{ ...part, ...change, seenAtUtc }],
        before: { part: part.name, mark: part.mark },
        after: { part: part.name, mark, note, ...(wrongItem ? { wrongItem } : {}) },
      }
    })
  }

  /** What a part has had for long, so that nobody who brings it back is blamed. It says nothing about whether it is there. */
  async noteWear(
    session: Session,
    target: { kitId: string; partId: string },
    { kitVersion, knownWear }: KnownWear,
  ): Promise<KitChange> {
    return this.context.database.inTransaction(async (tx) => {
      const at = this.context.clock()
      const { kitId } = target
      const kit = await this.rooms.sheets.claimAtDesk(tx, session, { id: kitId, version: kitVersion })
      const part = await this.rooms.store.part(tx, target)
      if (!part) throw new Problem('NOT_FOUND')
      await tx.update(PartRow, { id: part.id }, { knownWear })
      const line = await this.append(tx, session, { ...kit, id: kitId }, 'wear-noted', {
        before: { part: part.name, knownWear: part.knownWear },
        after: { part: part.name, knownWear },
      })
      const head = headOf(await this.rooms.shelf.rowById(tx, kitId), at)
      return { head, parts: [{ ...part, knownWear }], line }
    })
  }

  /** Counts everything not looked at yet as present, except what needs a look of its own every time. */
  async countRest(session: Session, kitId: string, given: { kitVersion: number }): Promise<KitChange> {
    return this.changeMarks(session, kitId, given.kitVersion, async (tx, _kit, at) => {
      const parts = await this.rooms.store.parts(tx, kitId)
      const rest = parts.filter(({ mark, lookEveryTime }) => mark === 'unseen' && !lookEveryTime)
      const ids = rest.map(({ id }) => id)
      await markPresent(tx, kitId, ids, at)
      await closeFollowUps(tx, ids, at)
      const seen = { mark: 'present', wrongItem: '', seenAtUtc: at.toISOString() } as const
      return {
        parts: rest.map((part) => ({ ...part, ...seen, presentCount: part.count })),
        before: { unseen: rest.length },
        after: { part: `${rest.length} parts`, mark: 'present' },
      }
    })
  }

  /** Something that lay in the case beside its card was put where it belongs. */
  async settleExtra(session: Session, target: { kitId: string; extraId: string }, given: { kitVersion: number }) {
    return this.changeKit(session, target.kitId, given.kitVersion, async (tx, row) => {
      const at = this.context.clock()
      const [extra] = await settleExtra(tx, { id: target.extraId, kitId: target.kitId, at })
      if (!extra) throw new Problem('NOT_FOUND')
      await this.append(tx, session, row, 'extra-settled', { before: { part: extra.name }, after: {} })
    })
  }

  /** A kit that was lost, stolen or retired is in the house again: nothing is known of it until it is gone through and checked. */
  async backInService(session: Session, kitId: string, given: { kitVersion: number; reason: string }) {
    return this.changeKit(session, kitId, given.kitVersion, async (tx, row) => {
      requireRole(session, row.branchId, ['coordinator'])
      if (!isGone(row)) throw new Problem('NOT_FOUND')
      await this.rooms.store.comeBack(tx, row.id)
      const words = row.jobs.filter(({ code }) => jobFacts(code as JobCode).never).map(({ code }) => code)
      await this.append(tx, session, row, 'kit-changed', {
        before: { reports: words },
        after: { backInService: given.reason },
      })
    })
  }

  /** The recorded cure of a hazard: what was done and by whom. A withdrawn sun filter leaves the contents for good. */
  async cureHazard(
    session: Session,
    kitId: string,
    given: { kitVersion: number; hazard: HazardCode; cure: string },
  ): Promise<KitSheet> {
    return this.changeKit(session, kitId, given.kitVersion, async (tx, row) => {
      const [role] = Object.entries(hazardRoles).find(([, hazard]) => hazard === given.hazard) ?? []
      const withdrawn = role === undefined ? null : { kitId, role }
      const inCase = withdrawn !== null && (await tx.existsBy(PartRow, withdrawn))
      if (!row.hazards.includes(given.hazard) && !inCase) throw new Problem('NOT_FOUND')
      if (given.hazard === 'wet') {
        const until = await dryingUntil(tx, kitId, this.context.clock())
        if (until) throw new Problem('TOO_EARLY', { details: { untilUtc: until.toISOString() } })
        await closeDrying(tx, kitId, this.context.clock())
      }
      if (withdrawn) await tx.delete(PartRow, withdrawn)
      await tx.update(Kit, { id: kitId }, { hazards: row.hazards.filter((hazard) => hazard !== given.hazard) })
      const opened = { id: randomUUID(), kitId, code: 'bench-wanted', text: 'check after the cure' }
      await tx.insert(Job, { ...opened, openedAt: this.context.clock(), closedAt: null })
      const before = { hazard: given.hazard }
      await this.append(tx, session, row, 'hazard-cured', { before, after: { cure: given.cure } })
    })
  }

  /** Whether borrowers may line it up themselves, with their help sheet. */
  async setCollimationPolicy(session: Session, kitId: string, given: CollimationPolicy): Promise<KitSheet> {
    return this.changeKit(session, kitId, given.kitVersion, async (tx, row) => {
      requireRole(session, row.branchId, ['coordinator'])
      await tx.update(Kit, { id: kitId }, { collimationPolicy: given.policy })
      const before = { policy: row.collimationPolicy }
      await this.append(tx, session, row, 'collimation-policy-set', { before, after: { policy: given.policy } })
    })
  }

  /** Where this kit's finder sits, as somebody measured it. */
  async measureFinder(session: Session, kitId: string, given: FinderOffsetGiven): Promise<KitSheet> {
    return this.changeKit(session, kitId, given.kitVersion, async (tx, row) => {
      const before = { offsetMm: opticsOfKit(row).finderOffsetMm }
      const { offsetMm } = given
      const ownFinder = { offsetMm, measuredAtUtc: this.context.clock().toISOString(), by: session.name }
      await tx.update(Kit, { id: kitId }, { ownFinder })
      await this.append(tx, session, row, 'finder-offset-measured', { before, after: { offsetMm } })
    })
  }

  /** Changes marks, and answers with what that changed: a sheet is read when it is opened, not at every mark. */
  private async changeMarks(
    session: Session,
    kitId: string,
    kitVersion: number,
    change: (
      tx: Tx,
      kit: Claimed & { readonly id: string },
      at: Date,
    ) => Promise<{ readonly parts: Part[]; readonly before: object; readonly after: object }>,
  ): Promise<KitChange> {
    return this.context.database.inTransaction(async (tx) => {
      const at = this.context.clock()
      const kit = await this.rooms.sheets.claimAtDesk(tx, session, { id: kitId, version: kitVersion })
      const { parts, ...words } = await change(tx, { ...kit, id: kitId }, at)
      await endGoingThrough(tx, kitId, at)
      const line = await this.append(tx, session, { ...kit, id: kitId }, 'part-marked', words)
      return { head: headOf(await this.rooms.shelf.rowById(tx, kitId), at), parts, line }
    })
  }

  private async changeKit(
    session: Session,
    kitId: string,
    kitVersion: number,
    change: (tx: Tx, row: OneKit) => Promise<void>,
  ): Promise<KitSheet> {
    return this.context.database.inTransaction(async (tx) => {
      const row = await this.rooms.shelf.rowById(tx, kitId)
      requireRole(session, row.branchId, deskRoles)
      await this.rooms.sheets.claim(tx, kitId, kitVersion)
      await change(tx, row)
      return this.rooms.sheets.sheetById(tx, kitId)
    })
  }

  private append(
    tx: Tx,
    session: Session,
    kit: { readonly id: string; readonly branchId: string },
    act: KitAct,
    change: { before: object; after: object },
  ): Promise<RecordLine> {
    const at = this.context.clock()
    const { branchId, id: kitId } = kit
    return appendRecord(tx, { act, at, branchId, staffId: session.staffId, kitId, ...change }, session.name)
  }
}
