import { randomUUID } from 'node:crypto'
import type { BranchAgreement, BranchView, Session, StaffMember } from '@binoculum/contract'
import { changedRows, selectRows, type Tx } from '../../platform/database.ts'
import { InvitationRow, SessionRow } from './entities.ts'

const memberships = `(
  SELECT coalesce(json_agg(json_build_object('branchId', b.id, 'branchName', b.name, 'zone', b.zone, 'role', m.role) ORDER BY b.name), '[]')
  FROM membership m JOIN branch b ON b.id = m.branch_id WHERE m.staff_id = s.id
)`

/** The open session of a token, with the person's roles; null when it is over or the person has left. */
export async function findSession(
  tx: Tx,
  tokenHash: string,
  { now, usedSince }: { readonly now: Date; readonly usedSince: Date },
): Promise<{ session: Omit<Session, 'demo'>; lastSeenAt: Date } | null> {
  const rows = await selectRows<Omit<Session, 'demo'> & { expiresAt: Date; lastSeenAt: Date }>(
    tx,
    `SELECT s.id AS "staffId", s.name, s.email, e.expires_at AS "expiresAt", e.last_seen_at AS "lastSeenAt",
       ${memberships} AS memberships
     FROM session e JOIN staff s ON s.id = e.staff_id
     WHERE e.token_hash = $1 AND e.expires_at > $2 AND e.last_seen_at > $3 AND s.closed_at IS NULL`,
    [tokenHash, now, usedSince],
  )
  const row = rows[0]
  if (!row) return null
  const { expiresAt, lastSeenAt, ...rest } = row
  return { session: { ...rest, expiresAtUtc: expiresAt.toISOString() }, lastSeenAt }
}

export const sessionWasSeen = (tx: Tx, tokenHash: string, now: Date) =>
  tx.update(SessionRow, { tokenHash }, { lastSeenAt: now })

export const sessionsOf = (
  tx: Tx,
  staffId: string,
  now: Date,
): Promise<{ tokenHash: string; startedAt: Date; lastSeenAt: Date }[]> =>
  selectRows(
    tx,
    `SELECT token_hash AS "tokenHash", started_at AS "startedAt", last_seen_at AS "lastSeenAt" FROM session
     WHERE staff_id = $1 AND expires_at > $2 ORDER BY last_seen_at DESC`,
    [staffId, now],
  )

export const deleteOtherSessions = (tx: Tx, staffId: string, tokenHash: string) =>
  changedRows(tx, 'DELETE FROM session WHERE staff_id = $1 AND token_hash <> $2 RETURNING token_hash', [
    staffId,
    tokenHash,
  ])

/** Counts one more try for each key, anew where the last ones are older than `since`. @returns the most of them */
export async function countTries(tx: Tx, keys: readonly string[], { now, since }: { now: Date; since: Date }) {
  const rows = await selectRows<{ tries: number }>(
    tx,
    `INSERT INTO sign_in_try AS t (key, tries, since) SELECT unnest($1::text[]), 1, $2
     ON CONFLICT (key) DO UPDATE SET tries = CASE WHEN t.since < $3 THEN 1 ELSE t.tries + 1 END,
       since = CASE WHEN t.since < $3 THEN $2 ELSE t.since END
     RETURNING tries`,
    [keys, now, since],
  )
  return rows.map(({ tries }) => tries)
}

/** What tries are counted by: hashes of whom somebody says to be, and of the machine that asks. */
export interface Tries {
  readonly person: string
  readonly address: string
}

/** A right password: a person's wrong ones are forgotten, and of an address this try doesn't count. */
export const forgiveTries = (tx: Tx, { person, address }: Tries) =>
  changedRows(
    tx,
    `WITH forgotten AS (DELETE FROM sign_in_try WHERE key = $1)
     UPDATE sign_in_try SET tries = greatest(tries - 1, 0) WHERE key = $2 RETURNING key`,
    [person, address],
  )

export const deleteOldTries = (tx: Tx, before: Date) =>
  changedRows(tx, 'DELETE FROM sign_in_try WHERE since < $1 RETURNING key', [before])

export async function findStaffForSignIn(
  tx: Tx,
  email: string,
): Promise<{ id: string; passwordHash: string | null } | null> {
  const rows = await selectRows<{ id: string; passwordHash: string | null }>(
    tx,
    `SELECT id, password_hash AS "passwordHash" FROM staff WHERE lower(email) = lower($1) AND closed_at IS NULL`,
    [email],
  )
  return rows[0] ?? null
}

/** Leavers keep their address: what they did stays on record under it. */
export async function emailIsTaken(tx: Tx, email: string): Promise<boolean> {
  return (await selectRows(tx, 'SELECT id FROM staff WHERE lower(email) = lower($1)', [email])).length > 0
}

export const insertSession = (
  tx: Tx,
  row: { tokenHash: string; staffId: string; expiresAt: Date; startedAt: Date; lastSeenAt: Date },
) => tx.insert(SessionRow, row)

export const deleteSession = (tx: Tx, tokenHash: string) => tx.delete(SessionRow, { tokenHash })

export const deleteSessionsOf = (tx: Tx, staffId: string) => tx.delete(SessionRow, { staffId })

export const deleteOldSessions = (tx: Tx, now: Date) =>
  changedRows(tx, 'DELETE FROM session WHERE expires_at < $1 RETURNING token_hash', [now])

export const deleteOldInvitations = (tx: Tx, before: Date) =>
  changedRows(tx, 'DELETE FROM invitation WHERE coalesce(used_at, expires_at) < $1 RETURNING kind', [before])

export const insertInvitation = (tx: Tx, row: Omit<InvitationRow, 'usedAt'>) => tx.insert(InvitationRow, row)

export interface OpenInvitation {
  readonly kind: 'first-coordinator' | 'invite' | 'reset'
  readonly staffId: string | null
  readonly branchId: string | null
  readonly branchName: string | null
  readonly name: string | null
  readonly email: string | null
  readonly role: 'coordinator' | 'volunteer' | 'read-only' | null
}

/** An invitation that is neither used nor over; locked while it is being accepted. */
export async function findInvitation(tx: Tx, tokenHash: string, now: Date): Promise<OpenInvitation | null> {
  const rows = await selectRows<OpenInvitation>(
    tx,
    `SELECT i.kind, i.staff_id AS "staffId", i.branch_id AS "branchId", b.name AS "branchName", s.name, s.email, m.role
     FROM invitation i
     LEFT JOIN staff s ON s.id = i.staff_id
     LEFT JOIN branch b ON b.id = i.branch_id
     LEFT JOIN membership m ON m.staff_id = i.staff_id AND m.branch_id = i.branch_id
     WHERE i.token_hash = $1 AND i.used_at IS NULL AND i.expires_at > $2`,
    [tokenHash, now],
  )
  return rows[0] ?? null
}

/** Uses an invitation up; false when someone was faster. */
export async function useInvitation(tx: Tx, tokenHash: string, now: Date): Promise<boolean> {
  const sql = 'UPDATE invitation SET used_at = $2 WHERE token_hash = $1 AND used_at IS NULL RETURNING token_hash'
  return (await changedRows(tx, sql, [tokenHash, now])).length === 1
}

/** Closes every other open link for the same person. */
export const closeInvitationsOf = (tx: Tx, staffId: string, now: Date) =>
  changedRows(tx, 'UPDATE invitation SET used_at = $2 WHERE staff_id = $1 AND used_at IS NULL RETURNING token_hash', [
    staffId,
    now,
  ])

export async function countStaff(tx: Tx): Promise<number> {
  const rows = await selectRows<{ count: number }>(tx, 'SELECT count(*)::int AS count FROM staff')
  return rows[0]?.count ?? 0
}

/** People of these branches; what they are elsewhere is nobody's business here. */
export const listStaff = (tx: Tx, branchIds: readonly string[]): Promise<StaffMember[]> =>
  selectRows<StaffMember>(
    tx,
    `SELECT s.id, s.name, s.email, s.closed_at IS NOT NULL AS closed,
            s.password_hash IS NULL AND s.closed_at IS NULL AS waiting, (
              SELECT coalesce(json_agg(json_build_object('branchId', b.id, 'branchName', b.name, 'zone', b.zone, 'role', m.role)
                ORDER BY b.name), '[]')
              FROM membership m JOIN branch b ON b.id = m.branch_id WHERE m.staff_id = s.id AND m.branch_id = ANY($1)
            ) AS memberships
     FROM staff s
     WHERE EXISTS (SELECT 1 FROM membership m WHERE m.staff_id = s.id AND m.branch_id = ANY($1))
     ORDER BY s.closed_at IS NOT NULL, s.name`,
    [branchIds],
  )

/** Branches that would be left without a coordinator if this person went. */
export async function branchesLeftAlone(tx: Tx, staffId: string): Promise<string[]> {
  const rows = await selectRows<{ branchId: string }>(
    tx,
    `SELECT m.branch_id AS "branchId" FROM membership m
     WHERE m.staff_id = $1 AND m.role = 'coordinator' AND NOT EXISTS (
       SELECT 1 FROM membership o JOIN staff s ON s.id = o.staff_id
       WHERE o.branch_id = m.branch_id AND o.role = 'coordinator' AND o.staff_id <> $1
         AND s.closed_at IS NULL AND s.password_hash IS NOT NULL)`,
    [staffId],
  )
  return rows.map(({ branchId }) => branchId)
}

/** The next version of a branch's agreement; two writers at once get two versions or one of them an error. */
export async function insertAgreement(tx: Tx, given: { branchId: string; text: string; at: Date }): Promise<number> {
  const rows = await selectRows<{ version: number }>(
    tx,
    `INSERT INTO agreement (id, branch_id, version, text, valid_from)
     SELECT $1, $2, coalesce(max(version), 0) + 1, $3, $4 FROM agreement WHERE branch_id = $2 RETURNING version`,
    [randomUUID(), given.branchId, given.text, given.at],
  )
  return rows[0]?.version ?? 1
}

export const newestAgreements = (tx: Tx, branchIds: readonly string[]): Promise<BranchAgreement[]> =>
  selectRows(
    tx,
    `SELECT DISTINCT ON (b.name, b.id) b.id AS "branchId", b.name AS "branchName", a.version, a.text
     FROM branch b JOIN agreement a ON a.branch_id = b.id
     WHERE b.id = ANY($1) ORDER BY b.name, b.id, a.version DESC`,
    [branchIds],
  )

export const branchesOf = (
  tx: Tx,
  branchIds: readonly string[],
): Promise<(Omit<BranchView, 'frontFilters' | 'dueChance' | 'mayChange'> & { policies: unknown })[]> =>
  selectRows(
    tx,
    `SELECT id, name, zone, emergency_line AS "emergencyLine", currency, loan_days AS "loanDays",
       return_time AS "returnTime", policies FROM branch WHERE id = ANY($1) ORDER BY name`,
    [branchIds],
  )

export const membershipsOf = (
  tx: Tx,
  staffId: string,
): Promise<{ branchId: string; branchName: string; zone: string; role: string }[]> =>
  selectRows(
    tx,
    `SELECT m.branch_id AS "branchId", b.name AS "branchName", b.zone, m.role
     FROM membership m JOIN branch b ON b.id = m.branch_id WHERE m.staff_id = $1 ORDER BY b.name`,
    [staffId],
  )

/** Coordinators of a branch who can still sign in; the branch is locked, so that two don't leave at once. */
export async function coordinatorsOf(tx: Tx, branchId: string): Promise<number> {
  await selectRows(tx, 'SELECT id FROM branch WHERE id = $1 FOR UPDATE', [branchId])
  const sql = `SELECT count(*)::int AS n FROM membership m JOIN staff s ON s.id = m.staff_id
    WHERE m.branch_id = $1 AND m.role = 'coordinator' AND s.closed_at IS NULL AND s.password_hash IS NOT NULL`
  return (await selectRows<{ n: number }>(tx, sql, [branchId]))[0]?.n ?? 0
}
