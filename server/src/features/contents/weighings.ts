import { randomUUID } from 'node:crypto'
import type { KitSheet, LookAlike, Part, Session, TakenWeighing, WeighComplete } from '@binoculum/contract'
import {
  isHazardRole,
  correctedMasses,
  explainWeight,
  lookAlikeRoles,
  lossChance,
  saysNothing,
  weighInInput,
  weighingOf,
  type WeightExplained,
} from '@binoculum/core'
import { deskRoles, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { once } from '../../platform/sent-once.ts'
import type { Shelf, ShelfRow } from '../judgement/service.ts'
import type { Sheets } from '../sheet/service.ts'
import { keepMasses, outdateWeighings, type KitStore } from '../store/service.ts'
import { WeighingRow } from './entities.ts'
import { baselinesOf } from './sheet-queries.ts'
import { countLosses, lossesSeenAndLent, thingsOfOtherKits } from './weigh-queries.ts'

/** Weighing kits: what to compare with, what goes missing how often, and what is kept. */
export class Weighings {
  constructor(
    private readonly context: Context,
    private readonly store: KitStore,
    private readonly shelf: Shelf,
    private readonly sheets: Sheets,
  ) {}

  /** Chance that one piece of each part is gone after a loan, from this branch's own take-backs. */
  async lossChances(tx: Tx, branchId: string, parts: readonly Part[]): Promise<Record<string, number>> {
    const { seen, lent } = await lossesSeenAndLent(tx, branchId, this.context.clock())
    const none = { losses: 0, pieceLoans: 0 }
    return Object.fromEntries(
      parts.map(({ id, role }) => [id, lossChance(role, seen.get(role) ?? none, lent.get(role) ?? none)]),
    )
  }

  /** Remembers what a take-back found gone, for the chances of the next ones. */
  async countLosses(
    tx: Tx,
    where: { readonly branchId: string; readonly at: Date },
    parts: readonly Part[],
    marks: readonly { readonly partId: string; readonly mark: string; readonly presentCount: number }[],
  ): Promise<void> {
    const byRole = new Map<string, { losses: number; pieceLoans: number }>()
    for (const { partId, mark, presentCount } of marks) {
      const part = parts.find(({ id }) => id === partId)
      if (!part) continue
      const { losses, pieceLoans } = byRole.get(part.role) ?? { losses: 0, pieceLoans: 0 }
      const gone = mark === 'missing' ? part.count - presentCount : 0
      byRole.set(part.role, { losses: losses + gone, pieceLoans: pieceLoans + part.count })
    }
    await countLosses(tx, where, byRole)
  }

  /** Things of other kits that may lie in the place of a part of this one. */
  async lookAlikes(tx: Tx, row: ShelfRow, parts: readonly Part[]): Promise<LookAlike[]> {
    const roles = [...new Set(parts.flatMap(({ role }) => lookAlikeRoles(role)))]
    const things = await thingsOfOtherKits(tx, row.id, row.branchId, roles)
    return things.flatMap((thing, index) => {
      const replaces = parts
        .filter((part) => lookAlikeRoles(part.role).includes(thing.role as Part['role']) && !isAlike(part, thing))
        .map(({ id }) => id)
      // A second one of what this kit has may still lie in its case besides.
      if (replaces.length === 0 && !parts.some(({ name }) => name === thing.name)) return []
      const { name, massG, toleranceG, owners, lackedBy } = thing
      return [
        {
          id: `other ${index}`,
          name,
          massG,
          toleranceG,
          owners,
          lackedBy,
          replaces,
          hazard: isHazardRole(thing.role),
        },
      ]
    })
  }

  /** Weighs a kit that is complete: each group becomes what later weighings are compared with. */
  async weighComplete(session: Session, kitId: string, given: WeighComplete): Promise<KitSheet> {
    const { database } = this.context
    await database.inTransaction((tx) =>
      once(
        tx,
        {
          key: given.idempotencyKey,
          staffId: session.staffId,
          sentFor: `weighing ${kitId}`,
          may: () => this.shelf.mayWorkOn(tx, session, kitId),
        },
        async () => {
          const row = await this.shelf.rowById(tx, kitId)
          requireRole(session, row.branchId, deskRoles)
          if (row.loan) throw new Problem('KIT_OUT', { details: { dueAtUtc: row.loan.dueAt } })
          await this.sheets.claim(tx, kitId, given.kitVersion)
          const parts = await this.store.parts(tx, kitId)
          const off = parts.filter((part) => part.mark !== 'present' && isInGroups(part, given.weighings))
          if (off.length > 0)
            throw new Problem('NOT_COMPLETE', {
              issues: off.map(({ name, mark }) => ({ path: name, message: mark })),
            })
          const explained = explain(parts, given.weighings, [])
          if (!explained.consistent && !given.sure) throw new Problem('WEIGHT_DOUBTFUL', { details: { explained } })
          await this.keepAll(tx, session, { row, loanId: null }, parts, given.weighings, { sure: true })
          return { kitId }
        },
      ),
    )
    return this.sheets.sheetById(database.reader, kitId)
  }

  /** Keeps weighings with what they should have been. Those of complete groups are compared with from now on, and correct
   * the masses of their parts. */
  async keepAll(
    tx: Tx,
    session: Session,
    { row, loanId }: { row: ShelfRow; loanId: string | null },
    parts: readonly Part[],
    weighings: readonly TakenWeighing[],
    { sure }: { readonly sure: boolean },
  ): Promise<void> {
    if (weighings.length === 0) return
    const baselines = await baselinesOf(tx, row.id)
    const at = this.context.clock()
    const explained = explain(parts, weighings, baselines)
    for (const taken of weighings) {
      const inside = parts.filter((part) => isInGroups(part, [taken]))
      const weight = explained.groups.find(({ group }) => group === taken.group)
      const likeliest = weight?.explanations[0]
      const fits = sure || (weight?.consistent === true && likeliest !== undefined && saysNothing(likeliest))
      const complete = fits && inside.every(({ mark }) => mark === 'present')
      if (complete) {
        await outdateWeighings(tx, row.id, [taken.group])
        await correct(tx, inside, taken)
      }
      const { group: weighGroup, ...rest } = taken
      const kept = {
        ...rest,
        weighGroup,
        id: randomUUID(),
        kitId: row.id,
        loanId,
        byStaffId: session.staffId,
        at,
        complete,
      }
      await tx.insert(WeighingRow, { ...kept, expectedG: weight?.expectedG ?? 0, outdated: false })
    }
    await appendRecord(tx, {
      act: 'weighed',
      at,
      branchId: row.branchId,
      staffId: session.staffId,
      kitId: row.id,
      ...(loanId ? { loanId } : {}),
      after: {
        groups: explained.groups.map(({ group, expectedG, measuredG, smallestVisibleG }) => ({
          group,
          expectedG: Math.round(expectedG),
          measuredG: Math.round(measuredG),
          smallestVisibleG: Math.round(smallestVisibleG),
        })),
        source: weighings[0]?.source,
      },
    })
  }
}

/** Exchanging one for the other changes nothing that a scale or an eye could see. */
const isAlike = (part: Pick<Part, 'name' | 'massG'>, thing: Pick<LookAlike, 'name' | 'massG'>) =>
  part.name === thing.name && (part.massG === null || thing.massG === null || Math.abs(part.massG - thing.massG) <= 1)

const isInGroups = (part: Part, weighings: readonly { readonly group: string }[]) =>
  weighings.some(({ group }) => group === '' || group === part.weighGroup)

function explain(
  parts: readonly Part[],
  weighings: readonly TakenWeighing[],
  baselines: KitSheet['baselines'],
): WeightExplained {
  const lines = parts.map((part) => ({
    ...part,
    group: part.weighGroup,
    lossChanceFraction: lossChance(part.role, { losses: 0, pieceLoans: 0 }),
  }))
  const unknown = weighings.find(({ group }) => group !== '' && !parts.some(({ weighGroup }) => weighGroup === group))
  if (unknown)
    throw new Problem('BAD_INPUT', {
      issues: [{ path: 'weighings', message: `no part is weighed in “${unknown.group}”` }],
    })
  if (lines.every(({ massG }) => massG === null))
    throw new Problem('BAD_INPUT', { issues: [{ path: 'weighings', message: 'no part of this kit has a mass yet' }] })
  const input = weighInInput({
    lines,
    weighings: weighings.map((taken) => weighingOf(taken, baselines, lines)),
    foreign: [],
  })
  return explainWeight({ ...input, maxSwaps: 0, maxMissing: 2 })
}

async function correct(tx: Tx, inside: readonly Part[], taken: TakenWeighing): Promise<void> {
  const weighable = inside.flatMap(({ id, massG, toleranceG, count }) =>
    massG === null ? [] : [{ id, massG, toleranceG: toleranceG ?? 0, count }],
  )
  // A part without a mass makes the sum say nothing about the others.
  if (weighable.length === 0 || weighable.length < inside.length) return
  const { group: _group, ...weighing } = weighingOf(taken, [], [])
  await keepMasses(tx, correctedMasses(weighable, weighing))
}
