import { randomUUID } from 'node:crypto'
import { policiesSchema, type BranchFields, type BranchView, type Session } from '@binoculum/contract'
import { DEFAULT_DUE_CHANCE } from '@binoculum/core'
import { branchIdsOf, coordinatorOnly, requireRole, signedInAs } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { defaultAgreementText, defaultPolicies } from './defaults.ts'
import { Branch, Membership } from './entities.ts'
import * as queries from './queries.ts'

/** The programme's lending places. */
export class Branches {
  constructor(private readonly context: Context) {}

  /** Branches this person belongs to, with what is decided for each. */
  async branches(session: Session): Promise<BranchView[]> {
    const rows = await queries.branchesOf(this.context.database.reader, branchIdsOf(session))
    return rows.map(({ policies, ...row }) => ({
      ...row,
      ...decidedIn(policies),
      mayChange: signedInAs(session, row.id, 'coordinator'),
    }))
  }

  /** Another lending place of the same programme; whoever adds it coordinates it. */
  async addBranch(session: Session, given: BranchFields): Promise<BranchView[]> {
    refuseZone(given.zone)
    const { database, clock } = this.context
    await database.inTransaction(async (tx) => {
      const id = randomUUID()
      const { frontFilters, dueChance, sameByPicture, ...fields } = given
      await tx.insert(Branch, {
        id,
        ...fields,
        policies: { ...defaultPolicies, frontFilters, dueChance, sameByPicture },
      })
      await tx.insert(Membership, { staffId: session.staffId, branchId: id, role: 'coordinator' })
      await queries.insertAgreement(tx, { branchId: id, text: defaultAgreementText, at: clock() })
      const after = { name: given.name }
      await appendRecord(tx, { act: 'branch-added', at: clock(), branchId: id, staffId: session.staffId, after })
    })
    return this.branches({
      ...session,
      memberships: (await queries.membershipsOf(database.reader, session.staffId)) as Session['memberships'],
    })
  }

  async changeBranch(session: Session, branchId: string, given: BranchFields): Promise<BranchView[]> {
    requireRole(session, branchId, coordinatorOnly)
    refuseZone(given.zone)
    await this.context.database.inTransaction(async (tx) => {
      const branch = await tx.findOneByOrFail(Branch, { id: branchId })
      const { frontFilters, dueChance, sameByPicture, ...fields } = given
      const before = { ...fieldsOf(branch), ...decidedIn(branch.policies) }
      await tx.update(
        Branch,
        { id: branchId },
        { ...fields, policies: { ...branch.policies, frontFilters, dueChance, sameByPicture } as never },
      )
      const at = this.context.clock()
      await appendRecord(tx, { act: 'branch-added', at, branchId, staffId: session.staffId, before, after: given })
    })
    return this.branches(session)
  }
}

function decidedIn(policies: unknown): Pick<BranchFields, 'frontFilters' | 'dueChance' | 'sameByPicture'> {
  const decided = policiesSchema.parse(policies)
  const { frontFilters = 'stay-here', dueChance = DEFAULT_DUE_CHANCE, sameByPicture = 'mark' } = decided
  return { frontFilters, dueChance, sameByPicture }
}

const fieldsOf = ({ name, zone, emergencyLine, currency, loanDays, returnTime }: Branch) => ({
  ...{ name, zone, emergencyLine, currency, loanDays, returnTime },
})

/** @throws Problem BAD_INPUT for what is no IANA zone */
export function refuseZone(zone: string): void {
  if (!isZone(zone))
    throw new Problem('BAD_INPUT', { issues: [{ path: 'zone', message: 'must be a zone such as Europe/Dublin' }] })
}

function isZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone })
    return true
  } catch {
    return false
  }
}
