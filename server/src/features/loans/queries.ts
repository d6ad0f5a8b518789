import type { Borrower, RecordLine, WaitingKit } from '@binoculum/contract'
import { jobCodes, jobFacts, type GuideInput } from '@binoculum/core'
import { changedRows, selectRows, type Tx } from '../../platform/database.ts'
import { openingColumns, type OpeningColumns } from '../opening/service.ts'
import { usualTurnaroundOf } from './loan-days-queries.ts'

export interface DeskRow {
  readonly id: string
  readonly number: number
  readonly branchId: string
  readonly kitCode: string
  readonly kitName: string
  readonly modelName: string
  readonly borrower: string
  readonly state: 'promised' | 'out'
  readonly at: Date
}

const goneCodes = jobCodes.filter((code) => jobFacts(code).never)

/** Kits that came back and wait at the desk, oldest first. */
export const kitsToGoThrough = (
  tx: Tx,
  branchIds: readonly string[],
): Promise<(Omit<WaitingKit, 'backAtUtc'> & { backAt: Date })[]> =>
  selectRows(
    tx,
    `SELECT l.id AS "loanId", k.branch_id AS "branchId", k.code AS "kitCode", k.name AS "kitName", m.name AS "modelName", l.back_at AS "backAt",
       count(*) FILTER (WHERE p.mark = 'unseen')::int AS unseen, count(*)::int AS parts
     FROM job j JOIN kit k ON k.id = j.kit_id JOIN model m ON m.id = k.model_id JOIN part p ON p.kit_id = k.id
     JOIN LATERAL (SELECT id, back_at FROM loan WHERE kit_id = k.id AND state = 'back' ORDER BY out_at DESC LIMIT 1) l ON true
     WHERE j.code = 'go-through' AND j.closed_at IS NULL AND k.branch_id = ANY($1)
       AND NOT EXISTS (SELECT 1 FROM loan o WHERE o.kit_id = k.id AND o.state = 'out')
     GROUP BY l.id, k.branch_id, k.code, k.name, m.name, l.back_at HAVING count(*) FILTER (WHERE p.mark = 'unseen') > 0
     ORDER BY l.back_at`,
    [branchIds],
  )

/** Midnight at the branch's own clock: days are 23 or 25 hours long twice a year. */
const endOfDay = `(date_trunc('day', $2::timestamptz AT TIME ZONE br.zone) + interval '1 day') AT TIME ZONE br.zone`

/** Promised hand-outs and open loans of each branch's own today, and all that is late. */
export const deskRows = (tx: Tx, branchIds: readonly string[], now: Date): Promise<DeskRow[]> =>
  selectRows(
    tx,
    `SELECT l.id, l.number, l.branch_id AS "branchId", k.code AS "kitCode", k.name AS "kitName", m.name AS "modelName", b.name AS borrower,
       l.state, coalesce(CASE WHEN l.state = 'out' THEN l.due_at END, l.promised_for) AS at
     FROM loan l JOIN kit k ON k.id = l.kit_id JOIN model m ON m.id = k.model_id JOIN borrower b ON b.id = l.borrower_id
       JOIN branch br ON br.id = l.branch_id
     WHERE l.branch_id = ANY($1)
       AND NOT EXISTS (SELECT 1 FROM job j WHERE j.kit_id = k.id AND j.closed_at IS NULL AND j.code = ANY($3))
       AND ((l.state = 'promised' AND l.promised_for < ${endOfDay}) OR (l.state = 'out' AND l.due_at < ${endOfDay}))
     ORDER BY at`,
    [branchIds, now, goneCodes],
  )

const borrowerColumns = `b.id, b.name, b.contact, b.card_number AS "cardNumber",
  (SELECT count(*)::int FROM loan l WHERE l.borrower_id = b.id AND l.state IN ('out', 'back')) AS "loansBefore",
  (SELECT name FROM branch WHERE id = b.branch_id) AS "branchName", b.level`

/** Whether a branch keeps card numbers only. */
export async function isCardOnly(tx: Tx, branchId: string): Promise<boolean> {
  const sql = 'SELECT card_only AS "cardOnly" FROM borrower_policy WHERE branch_id = $1'
  return (await selectRows<{ cardOnly: boolean }>(tx, sql, [branchId]))[0]?.cardOnly ?? false
}

/** Who has a card at a branch. */
export async function borrowerWithCard(tx: Tx, branchId: string, cardNumber: string): Promise<string | null> {
  const sql = `SELECT id FROM borrower WHERE branch_id = $1 AND card_number = $2 AND unlinked_at IS NULL ORDER BY id LIMIT 1`
  return (await selectRows<{ id: string }>(tx, sql, [branchId, cardNumber]))[0]?.id ?? null
}

/** People whose name or card fits: the branch's own first, then those known elsewhere in the programme. Each branch is walked
 * by name until enough are found, however many have borrowed there. */
export const findBorrowers = (
  tx: Tx,
  { branchId, branchIds, text }: { branchId: string; branchIds: readonly string[]; text: string },
): Promise<Borrower[]> =>
  selectRows(
    tx,
    `SELECT ${borrowerColumns} FROM (
       SELECT fits.* FROM unnest($1::uuid[]) br (id) CROSS JOIN LATERAL (
         SELECT * FROM borrower WHERE branch_id = br.id AND unlinked_at IS NULL AND (name ILIKE $2 OR card_number ILIKE $2)
         ORDER BY name LIMIT ${MOST_FOUND}
       ) fits ORDER BY fits.branch_id = $3 DESC, fits.name LIMIT ${MOST_FOUND}
     ) b ORDER BY b.branch_id = $3 DESC, b.name`,
    [branchIds, `%${text.replaceAll(/[\\%_]/g, (sign) => `\\${sign}`)}%`, branchId],
  )
const MOST_FOUND = 8

/** @param branchIds where the caller may see borrowers; left out for one that a loan of theirs names */
export async function borrowerById(tx: Tx, id: string, branchIds?: readonly string[]): Promise<Borrower | null> {
  const sql = `SELECT ${borrowerColumns} FROM borrower b
    WHERE b.id = $1 AND ($2::uuid[] IS NULL OR b.branch_id = ANY($2))`
  return (await selectRows<Borrower>(tx, sql, [id, branchIds ?? null]))[0] ?? null
}

export async function newestAgreement(
  tx: Tx,
  branchId: string,
): Promise<{ id: string; version: number; text: string } | null> {
  const sql = 'SELECT id, version, text FROM agreement WHERE branch_id = $1 ORDER BY version DESC LIMIT 1'
  return (await selectRows<{ id: string; version: number; text: string }>(tx, sql, [branchId]))[0] ?? null
}

export interface LoanRow {
  readonly id: string
  readonly number: number
  readonly branchId: string
  readonly kitId: string
  readonly borrowerId: string
  readonly borrower: string
  readonly contact: string
  readonly state: 'promised' | 'out' | 'back' | 'cancelled'
  readonly promisedFor: Date | null
  readonly outAt: Date | null
  readonly dueAt: Date | null
  readonly backAt: Date | null
  readonly version: number
  readonly lessonDoneAt: Date | null
  readonly fromOn: string
  readonly untilOn: string
}

const loanSql = `SELECT l.id, l.number, l.branch_id AS "branchId", l.kit_id AS "kitId", l.borrower_id AS "borrowerId",
  b.name AS borrower, b.contact, l.state, l.promised_for AS "promisedFor", l.out_at AS "outAt", l.due_at AS "dueAt",
  l.back_at AS "backAt", l.version, l.lesson_done_at AS "lessonDoneAt", l.from_on::text AS "fromOn", l.until_on::text AS "untilOn"
  FROM loan l JOIN borrower b ON b.id = l.borrower_id`

export const lockLoan = (tx: Tx, id: string) => selectRows(tx, 'SELECT id FROM loan WHERE id = $1 FOR UPDATE', [id])

export async function loanById(tx: Tx, id: string): Promise<LoanRow | null> {
  return (await selectRows<LoanRow>(tx, `${loanSql} WHERE l.id = $1`, [id]))[0] ?? null
}

/** The promise that a hand-out of this kit would keep: the earliest one. */
export async function nextPromise(tx: Tx, kitId: string): Promise<LoanRow | null> {
  const sql = `${loanSql} WHERE l.kit_id = $1 AND l.state = 'promised' ORDER BY l.promised_for LIMIT 1`
  return (await selectRows<LoanRow>(tx, sql, [kitId]))[0] ?? null
}

/** Closes an open loan if it still is as it was seen; false when another desk was faster. */
export async function closeLoan(tx: Tx, loan: { id: string; version: number; at: Date }): Promise<boolean> {
  // One loan more since somebody looked at its mirror.
  const sql = `WITH closed AS (
      UPDATE loan SET state = 'back', back_at = $3, version = version + 1
      WHERE id = $1 AND version = $2 AND state = 'out' RETURNING id, kit_id
    ), counted AS (
      UPDATE kit_drift SET loans_since = loans_since + 1 FROM closed WHERE kit_drift.kit_id = closed.kit_id
    ) SELECT id FROM closed`
  return (await selectRows(tx, sql, [loan.id, loan.version, loan.at])).length === 1
}

export async function claimReturnedLoan(tx: Tx, loan: { id: string; version: number }): Promise<boolean> {
  const sql = `UPDATE loan SET version = version + 1 WHERE id = $1 AND version = $2 AND state = 'back' RETURNING id`
  return (await changedRows(tx, sql, [loan.id, loan.version])).length === 1
}

/** Whether what is known of the kit still comes from this loan. */
export async function isLatestLoan(tx: Tx, id: string): Promise<boolean> {
  const sql = `SELECT l.id FROM loan l JOIN loan own ON own.id = $1 AND own.kit_id = l.kit_id
    WHERE l.state IN ('out', 'back') AND l.out_at > own.out_at LIMIT 1`
  return (await selectRows(tx, sql, [id])).length === 0
}

export const recordOfLoan = (tx: Tx, loanId: string): Promise<(Omit<RecordLine, 'atUtc'> & { at: Date })[]> =>
  selectRows(
    tx,
    `SELECT r.id, r.at, r.act, coalesce(s.name, '–') AS by, r.before, r.after
     FROM record r LEFT JOIN staff s ON s.id = r.staff_id WHERE r.loan_id = $1 ORDER BY r.id DESC LIMIT 100`,
    [loanId],
  )

export const deleteDraftOf = (tx: Tx, loanId: string) =>
  changedRows(tx, 'DELETE FROM take_back_draft WHERE loan_id = $1 RETURNING loan_id', [loanId])

export async function borrowerRowById(
  tx: Tx,
  id: string,
  branchIds: readonly string[],
): Promise<{ id: string; branchId: string } | null> {
  const sql = 'SELECT id, branch_id AS "branchId" FROM borrower WHERE id = $1 AND branch_id = ANY($2) FOR UPDATE'
  return (await selectRows<{ id: string; branchId: string }>(tx, sql, [id, branchIds]))[0] ?? null
}

/** Gives all loans and letters of one entry to another and takes the first off. @returns how many loans moved */
export async function moveBorrower(tx: Tx, { from, to }: { from: string; to: string }): Promise<number> {
  const loans = await changedRows(tx, 'UPDATE loan SET borrower_id = $2 WHERE borrower_id = $1 RETURNING id', [
    from,
    to,
  ])
  await changedRows(tx, 'UPDATE message SET borrower_id = $2 WHERE borrower_id = $1 RETURNING id', [from, to])
  await changedRows(tx, 'UPDATE waiting_request SET borrower_id = $2 WHERE borrower_id = $1 RETURNING id', [from, to])
  await changedRows(tx, 'DELETE FROM borrower WHERE id = $1 RETURNING id', [from])
  return loans.length
}

export interface TakeBackView {
  readonly by: string
  readonly at: Date
  readonly outcome: string
  readonly marks: unknown
}

export async function newestTakeBack(tx: Tx, loanId: string): Promise<TakeBackView | null> {
  const sql = `SELECT s.name AS by, t.at, t.outcome, t.marks FROM take_back t JOIN staff s ON s.id = t.by_staff_id
    WHERE t.loan_id = $1 ORDER BY t.at DESC LIMIT 1`
  return (await selectRows<TakeBackView>(tx, sql, [loanId]))[0] ?? null
}

/** The loan that what is known of a kit comes from: out now, or the last that came back. */
export async function lastLoanOf(
  tx: Tx,
  kitId: string,
): Promise<{ id: string; number: number; state: 'out' | 'back'; borrower: string } | null> {
  const sql = `SELECT l.id, l.number, l.state, b.name AS borrower FROM loan l JOIN borrower b ON b.id = l.borrower_id
    WHERE l.kit_id = $1 AND l.state IN ('out', 'back') ORDER BY l.out_at DESC LIMIT 1`
  return (await selectRows<NonNullable<Awaited<ReturnType<typeof lastLoanOf>>>>(tx, sql, [kitId]))[0] ?? null
}

/** What a hand-out has to know of its branch, its agreement, its borrower and the kit's days, in one read. */
export interface HandOutFacts extends OpeningColumns {
  readonly agreementId: string | null
  readonly agreement: number
  /** Null for somebody who isn't known where this person works. */
  readonly borrowerName: string | null
  readonly cardOnly: boolean
  /** Where the branch's borrowers look from unless they say otherwise: its first place. */
  readonly place: GuideInput['place'] | null
  readonly usualTurnaround: number | null
  /** The van that takes the kit away. */
  readonly trip: { readonly onDay: string; readonly toBranchName: string } | null
  readonly promises: readonly {
    readonly id: string
    readonly from: string
    readonly until: string
    readonly turnaroundDays: number
  }[]
}

export async function handOutFacts(
  tx: Tx,
  asked: {
    readonly branchId: string
    readonly kitId: string
    readonly borrowerId: string | null
    readonly branchIds: readonly string[]
  },
): Promise<HandOutFacts | null> {
  const sql = `SELECT ${openingColumns}, newest.id AS "agreementId", newest.version AS agreement,
      (SELECT name FROM borrower WHERE id = $2 AND branch_id = ANY($3)) AS "borrowerName",
      coalesce((SELECT card_only FROM borrower_policy WHERE branch_id = br.id), false) AS "cardOnly",
      (SELECT json_build_object('name', name, 'zone', zone, 'latitudeDeg', latitude_deg, 'longitudeDeg', longitude_deg)
       FROM site WHERE branch_id = br.id ORDER BY name LIMIT 1) AS place,
      ${usualTurnaroundOf('$4')} AS "usualTurnaround",
      (SELECT json_build_object('onDay', t.on_day, 'toBranchName', b.name) FROM transfer t
       JOIN branch b ON b.id = t.to_branch_id WHERE t.kit_id = $4 AND t.state = 'planned') AS trip,
      coalesce((SELECT json_agg(json_build_object('id', id, 'from', from_on, 'until', until_on, 'turnaroundDays', turnaround_days))
       FROM loan WHERE kit_id = $4 AND state = 'promised'), '[]') AS promises
    FROM branch br
    LEFT JOIN LATERAL (
      SELECT id, version FROM agreement WHERE branch_id = br.id ORDER BY version DESC LIMIT 1
    ) newest ON true
    WHERE br.id = $1`
  const { branchId, kitId, borrowerId, branchIds } = asked
  return (await selectRows<HandOutFacts>(tx, sql, [branchId, borrowerId, branchIds, kitId]))[0] ?? null
}

/** Somebody who isn't known yet. */
export interface Newcomer {
  readonly name: string
  readonly contact: string
  readonly cardNumber: string
}

export interface OpenedLoan {
  readonly loanId: string
  /** It was promised before, under this very key. */
  readonly promised: boolean
  readonly branchId: string
  readonly kitId: string
  readonly borrowerId: string
  readonly newBorrower: Newcomer | null
  readonly outAt: Date
  readonly dueAt: Date
  readonly fromOn: string
  readonly untilOn: string
  readonly turnaroundDays: number
  readonly handedOutBy: string
  readonly agreementId: string
  readonly acceptance: string
  readonly overruleReason: string
  readonly linkHash: string
  readonly linkEndsAt: Date
}

/** Writes a loan, and its borrower where that is somebody new, in one statement. @returns its number; null where the
 * promise it was to keep is gone */
export async function openLoan(tx: Tx, loan: OpenedLoan): Promise<number | null> {
  const { newBorrower } = loan
  const values = [
    ...[loan.loanId, loan.branchId, loan.kitId, loan.borrowerId, loan.outAt, loan.dueAt, loan.handedOutBy],
    ...[loan.agreementId, loan.acceptance, loan.overruleReason, loan.linkHash, loan.linkEndsAt],
    ...[newBorrower !== null, newBorrower?.name ?? '', newBorrower?.contact ?? '', newBorrower?.cardNumber ?? ''],
    ...[loan.fromOn, loan.untilOn, loan.turnaroundDays],
  ]
  // The kit is held by whoever claims it: a van that is planned at the same moment is seen here, or sees this loan.
  const isHere = `NOT EXISTS (SELECT 1 FROM transfer WHERE kit_id = $3::uuid AND state = 'planned' AND on_day <= $18::date)`
  const entered = `WITH entered AS (
      INSERT INTO borrower (id, branch_id, name, contact, card_number)
      SELECT $4::uuid, $2::uuid, $14::text, $15::text, $16::text WHERE $13::boolean RETURNING id
    )`
  const sql = loan.promised
    ? `${entered}, kept AS (
         UPDATE loan SET branch_id = $2::uuid, borrower_id = $4::uuid, state = 'out', out_at = $5, due_at = $6, handed_out_by = $7,
           agreement_id = $8, acceptance = $9, overrule_reason = $10, link_hash = $11, link_ends_at = $12, from_on = $17, until_on = $18,
           turnaround_days = $19, guarded = true, version = version + 1
         WHERE id = $1::uuid AND kit_id = $3::uuid AND state = 'promised' AND ${isHere} RETURNING number
       ) SELECT number FROM kept`
    : `${entered}, opened AS (
         INSERT INTO loan (id, branch_id, kit_id, borrower_id, state, out_at, due_at, handed_out_by, agreement_id, acceptance,
           overrule_reason, link_hash, link_ends_at, from_on, until_on, turnaround_days)
         SELECT $1::uuid, $2::uuid, $3::uuid, $4::uuid, 'out', $5::timestamptz, $6::timestamptz, $7::uuid, $8::uuid, $9, $10, $11,
           $12::timestamptz, $17::date, $18::date, $19::integer
         WHERE ${isHere} RETURNING number
       ) SELECT number FROM opened`
  return (await selectRows<{ number: number }>(tx, sql, values))[0]?.number ?? null
}
