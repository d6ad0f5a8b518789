import type { KeepPacking, Packing, Session } from '@binoculum/contract'
import { packingSlots, packingTitle, type GuideInput } from '@binoculum/core'
import { anyRole, deskRoles, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { requireOwnPictures } from '../contents/service.ts'
import { guideInput } from '../guides/service.ts'
import type { OneKit, Shelf } from '../judgement/service.ts'
import type { Sheets } from '../sheet/service.ts'
import { PackingPictureRow } from './entities.ts'
import { picturesOf } from './queries.ts'

/** How a kit is packed, by its own pictures: seen at take-back, and by whoever puts it away. */
export class PackingPictures {
  constructor(
    private readonly context: Context,
    private readonly rooms: { readonly shelf: Shelf; readonly sheets: Sheets },
  ) {}

  /** @throws Problem NOT_FOUND, NOT_ALLOWED */
  async ofKit(session: Session, code: string): Promise<Packing> {
    const tx = this.context.database.reader
    const row = await this.rooms.shelf.rowByCode(tx, code)
    requireRole(session, row.branchId, anyRole)
    return this.packingOf(tx, row)
  }

  /** Keeps a picture of one slot, puts another in its place, or takes it off.
   * @throws Problem NOT_FOUND, NOT_ALLOWED, BAD_INPUT for a place or step that the kit hasn't */
  async keep(session: Session, kitId: string, { key, pictureId, words }: KeepPacking): Promise<Packing> {
    const { database, clock } = this.context
    return database.inTransaction(async (tx) => {
      const row = await this.rooms.shelf.rowById(tx, kitId)
      const { branchId } = row
      requireRole(session, branchId, deskRoles)
      const { slots, left } = await this.packingOf(tx, row)
      const slot = slots.find((each) => each.key === key)
      // What was left over by another name may only be taken off.
      const shown = slot ?? (pictureId ? undefined : left.find((each) => each.key === key))
      if (!shown)
        throw new Problem('BAD_INPUT', { issues: [{ path: 'key', message: 'is no place or step of this kit' }] })
      const at = clock()
      const byStaffId = session.staffId
      if (pictureId) {
        if (pictureId !== shown.pictureId) await requireOwnPictures(tx, [branchId], [pictureId], 'pictureId')
        await tx.upsert(PackingPictureRow, { kitId, key, pictureId, words, byStaffId, at }, ['kitId', 'key'])
      } else await tx.delete(PackingPictureRow, { kitId, key })
      const act = pictureId ? 'packing-shown' : 'packing-unshown'
      await appendRecord(tx, { act, at, branchId, staffId: byStaffId, kitId, after: { of: shown.title } })
      return this.packingOf(tx, row)
    })
  }

  private async packingOf(tx: Tx, row: OneKit): Promise<Packing> {
    const { id, code, name, branchId } = row
    const { model, parts } = await this.rooms.sheets.guideModel(tx, row)
    const days = { issuedOn: ANY_DAY, dueOn: ANY_DAY }
    const kit: GuideInput = guideInput({ row, parts, model, ...days }, {}, null)
    const pictures = await picturesOf(tx, id)
    const slots = packingSlots(kit)
    return {
      kit: { id, code, name, branchId },
      slots: slots.map((slot) => {
        const taken = pictures.find(({ key }) => key === slot.key)
        return { ...slot, pictureId: taken?.pictureId ?? null, words: taken?.words ?? '' }
      }),
      left: pictures
        .filter(({ key }) => slots.every((slot) => slot.key !== key))
        .map((picture) => ({ ...picture, title: packingTitle(picture.key) })),
    }
  }
}

/** Steps don't hang on the days of a loan. */
const ANY_DAY = '2000-01-01'
