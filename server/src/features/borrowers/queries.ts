import { cardName, DEFAULT_UNLINK_DAYS, type Unlinking } from '@binoculum/contract'
import { changedRows, selectRows, type Tx } from '../../platform/database.ts'
import type { PageKey } from '../../platform/paging.ts'

export interface BorrowerFacts {
  readonly id: string
  readonly branchId: string
  readonly branchName: string
  readonly zone: string
  readonly name: string
  readonly contact: string
  readonly cardNumber: string
  readonly language: string
  readonly level: string | null
  readonly cardOnly: boolean
  readonly unlinkedAt: Date | null
  readonly waits: number
  readonly unlinksOn: string | null
}

/** When the last thing of a borrower was closed: a return, a promise that was cancelled, or having waited. */
const lastClosed = `(SELECT max(at) FROM (
    SELECT coalesce(l.back_at, l.promised_for, l.out_at) AS at FROM loan l WHERE l.borrower_id = b.id
    UNION ALL SELECT w.asked_at FROM waiting_request w WHERE w.borrower_id = b.id) closed)`

/** Whether anything of a borrower is open: a loan, a promise, a place in the list, or a part that is asked for. */
const somethingOpen = `(EXISTS (SELECT 1 FROM loan l WHERE l.borrower_id = b.id AND l.state IN ('promised', 'out'))
    OR EXISTS (SELECT 1 FROM waiting_request w WHERE w.borrower_id = b.id AND w.state IN ('waiting', 'offered'))
    OR EXISTS (SELECT 1 FROM job j JOIN loan l ON l.id = j.loan_id WHERE l.borrower_id = b.id AND j.closed_at IS NULL))`

/** What stands where a name would, as `cardName` says it. */
const nameOfCard = `'${cardName('')}' || b.card_number`

const unlinkDays = `coalesce((SELECT p.unlink_days FROM borrower_policy p WHERE p.branch_id = b.branch_id), ${DEFAULT_UNLINK_DAYS})`

export async function borrowerFacts(tx: Tx, id: string, branchIds: readonly string[]): Promise<BorrowerFacts | null> {
  const sql = `SELECT b.id, b.branch_id AS "branchId", br.name AS "branchName", br.zone, b.name, b.contact,
      b.card_number AS "cardNumber", b.language, b.level,
      coalesce((SELECT p.card_only FROM borrower_policy p WHERE p.branch_id = b.branch_id), false) AS "cardOnly", b.unlinked_at AS "unlinkedAt",
      (SELECT count(*)::int FROM waiting_request w WHERE w.borrower_id = b.id AND w.state IN ('waiting', 'offered')) AS waits,
      (CASE WHEN NOT ${somethingOpen} THEN ((${lastClosed} AT TIME ZONE br.zone)::date + ${unlinkDays})::text END) AS "unlinksOn"
    FROM borrower b JOIN branch br ON br.id = b.branch_id WHERE b.id = $1 AND b.branch_id = ANY($2)`
  return (await selectRows<BorrowerFacts>(tx, sql, [id, branchIds]))[0] ?? null
}

export interface BorrowerLoanRow {
  readonly id: string
  readonly number: number
  readonly kitCode: string
  readonly kitName: string
  readonly state: 'promised' | 'out' | 'back' | 'cancelled'
  readonly fromOn: string
  readonly untilOn: string
  readonly backOn: string | null
  readonly daysLate: number
  readonly missing: string[]
  readonly key: PageKey
}

/** A borrower's newest loans where somebody may see them, and what was missing after each. */
export const loansOf = (
  tx: Tx,
  given: {
    readonly id: string
    readonly branchIds: readonly string[]
    readonly today: string
    readonly before: PageKey | null
    readonly most: number
  },
): Promise<BorrowerLoanRow[]> =>
  selectRows(
    tx,
    `SELECT l.id, l.number, k.code AS "kitCode", k.name AS "kitName", l.state, l.from_on::text AS "fromOn", l.until_on::text AS "untilOn",
       (l.back_at AT TIME ZONE br.zone)::date::text AS "backOn",
       greatest(0, coalesce((l.back_at AT TIME ZONE br.zone)::date, CASE WHEN l.state = 'out' THEN $3::date END) - l.until_on) AS "daysLate",
       coalesce((SELECT array_agg(p.name ORDER BY p.position) FROM jsonb_array_elements(t.marks) m
         JOIN part p ON p.id = (m->>'partId')::uuid WHERE m->>'mark' = 'missing'), '{}') AS missing,
       json_build_object('at', l.from_on, 'id', l.number::text) AS key
     FROM loan l JOIN kit k ON k.id = l.kit_id JOIN branch br ON br.id = l.branch_id
     LEFT JOIN LATERAL (SELECT marks FROM take_back WHERE loan_id = l.id ORDER BY at DESC LIMIT 1) t ON true
     WHERE l.borrower_id = $1 AND l.branch_id = ANY($2) AND ($5::date IS NULL OR (l.from_on, l.number) < ($5, $6::int))
     ORDER BY l.from_on DESC, l.number DESC LIMIT $4`,
    [given.id, given.branchIds, given.today, given.most, given.before?.at ?? null, given.before?.id ?? null],
  )

/** Borrowers of whom everything has been closed for as long as their branch keeps names. */
export const toUnlink = (
  tx: Tx,
  now: Date,
  { branchId, most }: { readonly branchId: string | null; readonly most: number },
): Promise<{ id: string; branchId: string }[]> =>
  selectRows(
    tx,
    `SELECT b.id, b.branch_id AS "branchId" FROM borrower b
     WHERE b.unlinked_at IS NULL AND ($3::uuid IS NULL OR b.branch_id = $3) AND ${lastClosed} < $1::timestamptz - make_interval(days => ${unlinkDays}) AND NOT ${somethingOpen}
     ORDER BY b.id LIMIT $2`,
    [now, most, branchId],
  )

/** Takes out who it was, everywhere: name and contact, the words and pictures that came from them or went to them, and the
 * first name in their guides. Loans, marks and figures stay. */
export async function unlink(tx: Tx, id: string, now: Date): Promise<void> {
  await changedRows(
    tx,
    `UPDATE borrower SET name = 'somebody', contact = '', card_number = '', unlinked_at = $2 WHERE id = $1 RETURNING id`,
    [id, now],
  )
  await takeOutWords(tx, [id])
  const gone = await changedRows<{ pictureId: string | null }>(
    tx,
    `DELETE FROM borrower_message WHERE loan_id IN (SELECT id FROM loan WHERE borrower_id = $1) RETURNING picture_id AS "pictureId"`,
    [id],
  )
  const pictures = gone.flatMap(({ pictureId }) => (pictureId === null ? [] : [pictureId]))
  await changedRows(tx, `DELETE FROM picture WHERE id = ANY($1) AND by_staff_id IS NULL RETURNING id`, [pictures])
}

/** What was written to them, and their first names in their guides. */
async function takeOutWords(tx: Tx, borrowerIds: readonly string[]): Promise<void> {
  await changedRows(tx, `UPDATE message SET subject = '', body = '' WHERE borrower_id = ANY($1) RETURNING id`, [
    borrowerIds,
  ])
  await changedRows(
    tx,
    `UPDATE guide SET content = content || '{"firstName": null}'
     WHERE loan_id IN (SELECT id FROM loan WHERE borrower_id = ANY($1)) RETURNING id`,
    [borrowerIds],
  )
}

const isNamed = `b.unlinked_at IS NULL AND b.name <> ${nameOfCard}`

/** From now on a branch knows its borrowers by their cards alone. @returns of how many the name was taken out */
export async function takeOutNames(tx: Tx, branchId: string): Promise<number> {
  const changed = await changedRows<{ id: string }>(
    tx,
    `UPDATE borrower b SET name = ${nameOfCard}, contact = ''
     WHERE b.branch_id = $1 AND b.card_number <> '' AND ${isNamed} RETURNING b.id`,
    [branchId],
  )
  await takeOutWords(
    tx,
    changed.map(({ id }) => id),
  )
  return changed.length
}

export interface UnlinkingOfBranch extends Unlinking {
  readonly branchId: string
  readonly branchName: string
  readonly names: number
  readonly namesWithoutCard: number
}

export const unlinkingsOf = (tx: Tx, branchIds: readonly string[]): Promise<UnlinkingOfBranch[]> =>
  selectRows(
    tx,
    `SELECT br.id AS "branchId", br.name AS "branchName", coalesce(p.unlink_days, ${DEFAULT_UNLINK_DAYS}) AS "unlinkDays",
       coalesce(p.card_only, false) AS "cardOnly", known.names, known."namesWithoutCard"
     FROM branch br LEFT JOIN borrower_policy p ON p.branch_id = br.id CROSS JOIN LATERAL (
       SELECT count(*)::int AS names, (count(*) FILTER (WHERE b.card_number = ''))::int AS "namesWithoutCard"
       FROM borrower b WHERE b.branch_id = br.id AND ${isNamed}
     ) known WHERE br.id = ANY($1) ORDER BY br.name`,
    [branchIds],
  )
