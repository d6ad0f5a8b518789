import { randomUUID } from 'node:crypto'
import type { ChangeKit, KitSheet, NewKit, Session } from '@binoculum/contract'
import { coordinatorOnly, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { once } from '../../platform/sent-once.ts'
import type { Shelf } from '../judgement/service.ts'
import type { Sheets } from '../sheet/service.ts'
import { requireNothingPlanned } from '../transfers/service.ts'
import { insertKit, Job, Kit, kitWithCode, modelPartsForKit } from '../store/service.ts'

/** Kits made by hand, and what is written on them: name, code, place, branch, owner. */
export class KitSetUp {
  constructor(
    private readonly context: Context,
    private readonly shelf: Shelf,
    private readonly sheets: Sheets,
  ) {}

  /** One copy of a model. Nobody has looked at its parts yet, so it waits to be gone through. */
  async create(session: Session, given: NewKit): Promise<KitSheet> {
    requireRole(session, given.branchId, coordinatorOnly)
    const { database, clock } = this.context
    const { kitId } = await database.inTransaction((tx) =>
      once(
        tx,
        { key: given.idempotencyKey, staffId: session.staffId, sentFor: `new-kit ${given.code}`, may: 'own' },
        async () => {
          const parts = await modelPartsForKit(
            tx,
            given.modelId,
            session.memberships.map(({ branchId }) => branchId),
          )
          if (!parts) throw new Problem('NOT_FOUND')
          await refuseTakenCode(tx, given.code, null)
          const id = randomUUID()
          const { branchId, modelId, code, name, place } = given
          const kit = {
            id,
            branchId,
            modelId,
            code,
            name,
            place,
            standsAt: 'desk',
            collimationPolicy: 'leave-it-to-us',
          }
          await insertKit(tx, {
            model: null,
            kit: { ...kit, ownFinder: null, hazards: [], headMomentGmm: null, version: 1 } as never,
            parts: parts.map(({ id: modelPartId, ...part }) => ({
              ...part,
              id: randomUUID(),
              kitId: id,
              modelPartId,
              presentCount: 0,
              mark: 'unseen',
              note: '',
              weighed: false,
            })),
          })
          const at = clock()
          await tx.insert(Job, {
            id: randomUUID(),
            kitId: id,
            code: 'go-through',
            text: '',
            openedAt: at,
            closedAt: null,
          })
          const after = { parts: parts.length, file: '' }
          await appendRecord(tx, { act: 'brought-in', at, branchId, staffId: session.staffId, kitId: id, after })
          return { kitId: id }
        },
      ),
    )
    return this.sheets.sheetById(database.reader, kitId)
  }

  /** Renamed, recoded, moved: by the coordinator of where it was and of where it goes. */
  async change(session: Session, kitId: string, given: ChangeKit): Promise<KitSheet> {
    const { database, clock } = this.context
    return database.inTransaction(async (tx) => {
      const before = await this.sheets.sheetById(tx, kitId)
      requireRole(session, before.branchId, coordinatorOnly)
      requireRole(session, given.branchId, coordinatorOnly)
      // A loan belongs to its branch: the kit changes hands when it is back.
      if (given.branchId !== before.branchId) {
        if (before.loan) throw new Problem('KIT_OUT')
        await requireNothingPlanned(tx, kitId)
      }
      await this.sheets.claim(tx, kitId, given.kitVersion)
      await refuseTakenCode(tx, given.code, kitId)
      const { branchId, code, name, place, details } = given
      await tx.update(Kit, { id: kitId }, { branchId, code, name, place, ...details })
      const now = { branch: branchId, code, name, place, ...details }
      const was: Record<string, unknown> = {
        branch: before.branchId,
        code: before.code,
        name: before.name,
        place: (await this.shelf.rowById(tx, kitId)).place,
        ...before.details,
      }
      const changed = Object.entries(now).filter(([field, value]) => was[field] !== value)
      if (changed.length > 0)
        await appendRecord(tx, {
          act: 'kit-changed',
          at: clock(),
          branchId,
          staffId: session.staffId,
          kitId,
          before: Object.fromEntries(changed.map(([field]) => [field, was[field]])),
          after: Object.fromEntries(changed),
        })
      return this.sheets.sheetById(tx, kitId)
    })
  }
}

async function refuseTakenCode(tx: Tx, code: string, ownId: string | null): Promise<void> {
  const taken = await kitWithCode(tx, code)
  if (taken && taken.id !== ownId) throw new Problem('CODE_TAKEN')
}
