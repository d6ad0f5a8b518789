import type { ChangePassword, OwnSessions, Session } from '@binoculum/contract'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { hashPassword, hashToken, newToken, passwordMatches } from '../../platform/secrets.ts'
import type { SecondFactor } from '../second-factor/service.ts'
import { isCommonPassword } from './common-passwords.ts'
import { Staff } from './entities.ts'
import * as queries from './queries.ts'

const HOUR_MS = 3_600_000
/** A day's work, and an afternoon without a touch; what was typed stays on the screen, so an end costs a password. */
const SESSION_HOURS = 12
const IDLE_HOURS = 4
const SEEN_EVERY_MS = 5 * 60_000
/** More wrong passwords than a person's own mistakes; from one address, all desks of a library. NIST SP 800-63B asks for no
 * more than 100 in a row. */
const TRIES_OF_PERSON = 10
const TRIES_OF_ADDRESS = 60
const BRAKE_MS = 15 * 60_000

export const after = (now: Date, hours: number) => new Date(now.getTime() + hours * HOUR_MS)

/** Who is signed in, since when and where; the way in by a password, and the brake on those who guess. */
export class Sessions {
  constructor(
    private readonly context: Context,
    private readonly secondFactor: SecondFactor,
  ) {}

  /** The open session of a token; noted as used, not more often than every few minutes. */
  async find(tokenHash: string, now: Date): Promise<Session | null> {
    const { reader } = this.context.database
    const found = await queries.findSession(reader, tokenHash, { now, usedSince: after(now, -IDLE_HOURS) })
    if (!found) return null
    if (now.getTime() - found.lastSeenAt.getTime() > SEEN_EVERY_MS)
      await queries.sessionWasSeen(reader, tokenHash, now)
    return { ...found.session, demo: this.context.demo }
  }

  /** Whether a session is open, without noting it as used. */
  async isOpen(tokenHash: string, now: Date): Promise<boolean> {
    const usedSince = after(now, -IDLE_HOURS)
    return (await queries.findSession(this.context.database.reader, tokenHash, { now, usedSince })) !== null
  }

  /** @param given.address of the machine that asks @param given.before a session that this one takes the place of
   * @throws Problem WRONG_PASSWORD; it takes as long for people who don't exist. TOO_MANY after too many tries for one
   *   person or from one address, however many servers they were tried at; CODE_NEEDED, WRONG_CODE where this person has a
   *   second factor */
  async signIn(given: {
    email: string
    password: string
    code?: string | undefined
    address: string
    before: string | null
  }): Promise<{ token: string; session: Session; expiresAt: Date }> {
    const { database, clock } = this.context
    const person = hashToken(`person ${given.email.toLowerCase()}`)
    const address = hashToken(`address ${given.address}`)
    await this.brake(person, address)
    const staff = await queries.findStaffForSignIn(database.reader, given.email)
    const matches = await passwordMatches(staff?.passwordHash ?? null, given.password)
    if (!staff || !matches) throw new Problem('WRONG_PASSWORD')
    return database.inTransaction(async (tx) => {
      await this.secondFactor.check(tx, staff.id, given.code)
      await queries.forgiveTries(tx, { person, address })
      await queries.deleteOldSessions(tx, clock())
      if (given.before) await queries.deleteSession(tx, given.before)
      const opened = await this.open(tx, staff.id)
      const [first] = opened.session.memberships
      if (first)
        await appendRecord(tx, { act: 'signed-in', at: clock(), branchId: first.branchId, staffId: staff.id })
      return opened
    })
  }

  private async brake(person: string, address: string): Promise<void> {
    const now = this.context.clock()
    const since = new Date(now.getTime() - BRAKE_MS)
    const [ofPerson = 0, ofAddress = 0] = await queries.countTries(this.context.database.reader, [person, address], {
      now,
      since,
    })
    if (ofPerson > TRIES_OF_PERSON || ofAddress > TRIES_OF_ADDRESS) throw new Problem('TOO_MANY')
  }

  /** Where somebody is signed in. */
  async ofPerson(session: Session, hash: string | null): Promise<OwnSessions> {
    const rows = await queries.sessionsOf(this.context.database.reader, session.staffId, this.context.clock())
    const sessions = rows.map(({ tokenHash, startedAt, lastSeenAt }) => ({
      startedAtUtc: startedAt.toISOString(),
      lastSeenUtc: lastSeenAt.toISOString(),
      isThis: tokenHash === hash,
    }))
    return { sessions }
  }

  async signOutElsewhere(session: Session, hash: string | null): Promise<OwnSessions> {
    await queries.deleteOtherSessions(this.context.database.reader, session.staffId, hash ?? '')
    return this.ofPerson(session, hash)
  }

  /** Asks once more who is there, before what is sensitive: a desk left open isn't its person. It counts as a try, forgiven by
   * whoever has asked all that there is to ask: the password alone forgives no wrong code.
   * @throws Problem WRONG_OLD_PASSWORD, and TOO_MANY as at sign-in */
  async askAnew({ email }: Session, given: { current: string; address: string }): Promise<queries.Tries> {
    const tries = {
      person: hashToken(`person ${email.toLowerCase()}`),
      address: hashToken(`address ${given.address}`),
    }
    await this.brake(tries.person, tries.address)
    const staff = await queries.findStaffForSignIn(this.context.database.reader, email)
    if (!(await passwordMatches(staff?.passwordHash ?? null, given.current))) throw new Problem('WRONG_OLD_PASSWORD')
    return tries
  }

  /** One's own password, by the one of now. Every session of this person ends but the one that asked, which goes on by
   * another token.
   * @throws Problem WRONG_OLD_PASSWORD, and TOO_MANY as at sign-in; WEAK_PASSWORD; CODE_NEEDED, WRONG_CODE */
  async changePassword(session: Session, given: ChangePassword & { address: string }) {
    const { database, clock } = this.context
    const { email, name, staffId, memberships } = session
    const tries = await this.askAnew(session, given)
    if (isCommonPassword(given.password, [name, email])) throw new Problem('WEAK_PASSWORD')
    const passwordHash = await hashPassword(given.password)
    return database.inTransaction(async (tx) => {
      await this.secondFactor.check(tx, staffId, given.code)
      await queries.forgiveTries(tx, tries)
      await tx.update(Staff, { id: staffId }, { passwordHash })
      await queries.deleteSessionsOf(tx, staffId)
      const [first] = memberships
      if (first) await appendRecord(tx, { act: 'password-changed', at: clock(), branchId: first.branchId, staffId })
      return this.open(tx, staffId)
    })
  }

  /** A new session, for somebody whose right to it was asked for before. */
  async open(tx: Tx, staffId: string) {
    const token = newToken()
    const now = this.context.clock()
    const expiresAt = after(now, SESSION_HOURS)
    const tokenHash = hashToken(token)
    await queries.insertSession(tx, { tokenHash, staffId, expiresAt, startedAt: now, lastSeenAt: now })
    const found = await queries.findSession(tx, tokenHash, { now, usedSince: after(now, -IDLE_HOURS) })
    if (!found) throw new Problem('WRONG_PASSWORD')
    return { token, expiresAt, session: { ...found.session, demo: this.context.demo } }
  }

  async signOut(token: string): Promise<void> {
    await queries.deleteSession(this.context.database.reader, hashToken(token))
  }

  /** Takes away what is over. */
  async sweep(): Promise<void> {
    const { database, clock } = this.context
    await queries.deleteOldSessions(database.reader, clock())
    await queries.deleteOldTries(database.reader, new Date(clock().getTime() - BRAKE_MS))
  }
}
