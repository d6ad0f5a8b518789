import { randomUUID } from 'node:crypto'
import {
  type AcceptInvitation,
  type BranchAgreement,
  type Invitation,
  type Invite,
  type Session,
  type SetRole,
  type StaffMember,
} from '@binoculum/contract'
import { branchIdsOf, coordinatorOnly, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { hashPassword, hashToken, newToken } from '../../platform/secrets.ts'
import type { SecondFactor } from '../second-factor/service.ts'
import { Branch, Membership, Staff } from './entities.ts'
import { isCommonPassword } from './common-passwords.ts'
import { refuseZone } from './branches.ts'
import { defaultAgreementText, defaultPolicies } from './defaults.ts'
import * as queries from './queries.ts'
import { after, type Sessions } from './sessions.ts'

export { Sessions } from './sessions.ts'

const LINK_HOURS = 7 * 24
const LINKS_KEPT_HOURS = 30 * 24

export class People {
  constructor(
    private readonly context: Context,
    private readonly secondFactor: SecondFactor,
    private readonly sessions: Sessions,
  ) {}

  /** Takes away links a month after they were used or over. */
  async sweep(): Promise<void> {
    const { database, clock } = this.context
    await queries.deleteOldInvitations(database.reader, after(clock(), -LINKS_KEPT_HOURS))
  }

  /** A one-time link for the first coordinator; null as soon as there is anybody. */
  async firstCoordinatorLink(): Promise<string | null> {
    return this.context.database.inTransaction(async (tx) => {
      if ((await queries.countStaff(tx)) > 0) return null
      return (await this.makeLink(tx, { kind: 'first-coordinator', staffId: null, branchId: null })).path
    })
  }

  private async makeLink(
    tx: Tx,
    target: { kind: 'first-coordinator' | 'invite' | 'reset'; staffId: string | null; branchId: string | null },
  ): Promise<{ path: string; expiresAtUtc: string }> {
    const now = this.context.clock()
    const token = newToken()
    const expiresAt = after(now, LINK_HOURS)
    if (target.staffId) await queries.closeInvitationsOf(tx, target.staffId, now)
    await queries.insertInvitation(tx, { tokenHash: hashToken(token), expiresAt, ...target })
    return { path: `/join/${token}`, expiresAtUtc: expiresAt.toISOString() }
  }

  async readInvitation(token: string): Promise<Invitation> {
    const { database, clock } = this.context
    const found = await queries.findInvitation(database.reader, hashToken(token), clock())
    if (!found) throw new Problem('LINK_OVER')
    return {
      kind: found.kind,
      name: found.name ?? '',
      email: found.email ?? '',
      branchName: found.branchName ?? '',
      role: found.role ?? 'coordinator',
    }
  }

  async acceptInvitation(token: string, given: AcceptInvitation) {
    const { database, clock } = this.context
    const known = await queries.findInvitation(database.reader, hashToken(token), clock())
    if (!known) throw new Problem('LINK_OVER')
    const own = [given.name, given.email, known.name, known.email].flatMap((each) => each ?? [])
    if (isCommonPassword(given.password, own)) throw new Problem('WEAK_PASSWORD')
    const passwordHash = await hashPassword(given.password)
    return database.inTransaction(async (tx) => {
      const now = clock()
      const invitation = await queries.findInvitation(tx, hashToken(token), now)
      if (!invitation || !(await queries.useInvitation(tx, hashToken(token), now))) throw new Problem('LINK_OVER')
      const joined =
        invitation.kind === 'first-coordinator'
          ? await this.makeFirstCoordinator(tx, given, passwordHash)
          : await this.setPassword(tx, invitation, passwordHash)
      await queries.deleteSessionsOf(tx, joined.staffId)
      const act = invitation.kind === 'reset' ? 'password-reset' : 'joined'
      await appendRecord(tx, { act, at: now, branchId: joined.branchId, staffId: joined.staffId })
      return this.sessions.open(tx, joined.staffId)
    })
  }

  private async setPassword(tx: Tx, invitation: queries.OpenInvitation, passwordHash: string) {
    const { staffId, branchId } = invitation
    if (!staffId || !branchId) throw new Problem('LINK_OVER')
    await tx.update(Staff, { id: staffId }, { passwordHash })
    await this.secondFactor.forget(tx, staffId)
    return { staffId, branchId }
  }

  private async makeFirstCoordinator(tx: Tx, given: AcceptInvitation, passwordHash: string) {
    const { name, email, branchName, zone, emergencyLine } = given
    const needed = { name, email, branchName, zone, emergencyLine }
    const issues = Object.entries(needed).flatMap(([path, value]) => (value ? [] : [{ path, message: 'is needed' }]))
    if (!name || !email || !branchName || !zone || !emergencyLine) throw new Problem('BAD_INPUT', { issues })
    refuseZone(zone)
    if ((await queries.countStaff(tx)) > 0) throw new Problem('LINK_OVER')
    const branchId = randomUUID()
    const staffId = randomUUID()
    await tx.insert(Branch, { id: branchId, name: branchName, zone, emergencyLine, policies: defaultPolicies })
    await tx.insert(Staff, { id: staffId, name, email, passwordHash, closedAt: null })
    await tx.insert(Membership, { staffId, branchId, role: 'coordinator' })
    await queries.insertAgreement(tx, { branchId, text: defaultAgreementText, at: this.context.clock() })
    return { staffId, branchId }
  }

  agreements(session: Session): Promise<BranchAgreement[]> {
    return queries.newestAgreements(this.context.database.reader, branchIdsOf(session))
  }

  /** A new version for every hand-out from now on; loans keep the version they were made with. */
  async writeAgreement(session: Session, given: { branchId: string; text: string }): Promise<BranchAgreement[]> {
    requireRole(session, given.branchId, coordinatorOnly)
    return this.context.database.inTransaction(async (tx) => {
      const at = this.context.clock()
      const version = await queries.insertAgreement(tx, { ...given, at })
      const { branchId } = given
      await appendRecord(tx, { act: 'agreement-written', at, branchId, staffId: session.staffId, after: { version } })
      return queries.newestAgreements(tx, branchIdsOf(session))
    })
  }

  listStaff(session: Session): Promise<StaffMember[]> {
    return queries.listStaff(this.context.database.reader, branchIdsOf(session))
  }

  async invite(session: Session, given: Invite) {
    requireRole(session, given.branchId, coordinatorOnly)
    return this.context.database.inTransaction(async (tx) => {
      if (await queries.emailIsTaken(tx, given.email)) throw new Problem('EMAIL_TAKEN')
      const staffId = randomUUID()
      await tx.insert(Staff, {
        id: staffId,
        name: given.name,
        email: given.email,
        passwordHash: null,
        closedAt: null,
      })
      await tx.insert(Membership, { staffId, branchId: given.branchId, role: given.role })
      const at = this.context.clock()
      const after = { invited: staffId, role: given.role }
      await appendRecord(tx, { act: 'invited', at, branchId: given.branchId, staffId: session.staffId, after })
      return this.makeLink(tx, { kind: 'invite', staffId, branchId: given.branchId })
    })
  }

  /** A new link for someone who forgot the password or lost the first link. The old password ends when it is used. */
  async reset(session: Session, staffId: string) {
    return this.context.database.inTransaction(async (tx) => {
      const branchId = await this.branchInCharge(tx, session, staffId)
      const at = this.context.clock()
      const after = { issuedFor: staffId }
      await appendRecord(tx, { act: 'reset-issued', at, branchId, staffId: session.staffId, after })
      return this.makeLink(tx, { kind: 'reset', staffId, branchId })
    })
  }

  /** Leavers can't sign in any more, and are signed out at once; what they did stays on record. */
  async close(session: Session, staffId: string): Promise<void> {
    await this.context.database.inTransaction(async (tx) => {
      const branchId = await this.branchInCharge(tx, session, staffId)
      if ((await queries.branchesLeftAlone(tx, staffId)).length > 0) throw new Problem('LAST_COORDINATOR')
      const at = this.context.clock()
      await tx.update(Staff, { id: staffId }, { closedAt: at, passwordHash: null })
      await queries.deleteSessionsOf(tx, staffId)
      await queries.closeInvitationsOf(tx, staffId, at)
      await appendRecord(tx, {
        act: 'person-closed',
        at,
        branchId,
        staffId: session.staffId,
        after: { closed: staffId },
      })
    })
  }

  /** What somebody may do in one branch; nobody can leave a branch without a coordinator. */
  async setRole(session: Session, staffId: string, { branchId, role }: SetRole): Promise<StaffMember[]> {
    requireRole(session, branchId, coordinatorOnly)
    await this.context.database.inTransaction(async (tx) => {
      const theirs = await tx.findBy(Membership, { staffId })
      const known = branchIdsOf(session)
      // Somebody whom none of our branches knows is nobody here.
      if (!theirs.some((each) => known.includes(each.branchId))) throw new Problem('NOT_FOUND')
      const before = theirs.find((each) => each.branchId === branchId)?.role ?? null
      if (before === role) return
      if (before === 'coordinator' && (await queries.coordinatorsOf(tx, branchId)) < 2)
        throw new Problem('LAST_COORDINATOR')
      if (role === null && theirs.length === 1) throw new Problem('LAST_ROLE')
      await tx.delete(Membership, { staffId, branchId })
      if (role !== null) await tx.insert(Membership, { staffId, branchId, role })
      const at = this.context.clock()
      await appendRecord(tx, {
        act: 'role-changed',
        at,
        branchId,
        staffId: session.staffId,
        before: { of: staffId, role: before },
        after: { of: staffId, role },
      })
    })
    return this.listStaff(session)
  }

  private async branchInCharge(tx: Tx, session: Session, staffId: string): Promise<string> {
    const theirs = await tx.findBy(Membership, { staffId })
    const ours = session.memberships.filter(({ role }) => role === 'coordinator').map(({ branchId }) => branchId)
    const shared = theirs.find(({ branchId }) => ours.includes(branchId))
    if (!shared) throw new Problem('NOT_FOUND')
    // Whoever could reset a password could act as its owner, also where they themselves have no say.
    if (!theirs.every(({ branchId }) => ours.includes(branchId))) throw new Problem('NOT_ALLOWED')
    return shared.branchId
  }
}

export { defaultAgreementText, defaultPolicies }
