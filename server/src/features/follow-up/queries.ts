import type { FollowUpJob, Message } from '@binoculum/contract'
import { jobCodes, jobFacts } from '@binoculum/core'
import { changedRows, selectRows, type Tx } from '../../platform/database.ts'
import type { PageKey } from '../../platform/paging.ts'

export interface JobRow extends Omit<FollowUpJob, 'daysOver' | 'isToday' | 'openedAtUtc' | 'notBeforeUtc'> {
  readonly openedAt: Date
  readonly notBefore: Date | null
}

const jobSql = (where: string) => `
  SELECT j.id, j.code, j.text, j.note, k.branch_id AS "branchId", k.id AS "kitId", k.code AS "kitCode",
    k.name AS "kitName", k.version AS "kitVersion", br.zone, j.part_id AS "partId", p.name AS "partName", p.role,
    j.loan_id AS "loanId", j.owner_id AS "ownerId", s.name AS owner, to_char(j.due_on, 'YYYY-MM-DD') AS "dueOn",
    j.opened_at AS "openedAt", j.not_before AS "notBefore", spare.id AS "spareId", coalesce(spare.count, 0) AS spares,
    j.version
  FROM job j
  JOIN kit k ON k.id = j.kit_id
  JOIN branch br ON br.id = k.branch_id
  LEFT JOIN part p ON p.id = j.part_id
  LEFT JOIN staff s ON s.id = j.owner_id
  LEFT JOIN LATERAL (
    SELECT sp.id, sp.count FROM spare sp
    WHERE sp.branch_id = k.branch_id AND sp.role = p.role AND sp.count > 0
      AND (p.role NOT IN ('eyepiece', 'low-eyepiece', 'barlow', 'other') OR lower(sp.name) = lower(p.name))
    ORDER BY lower(sp.name) = lower(p.name) DESC, sp.name LIMIT 1
  ) spare ON true
  WHERE j.closed_at IS NULL AND ${where}
  ORDER BY j.due_on NULLS LAST, k.name, j.opened_at, j.code, j.text`

export const openJobsOf = (tx: Tx, branchIds: readonly string[]): Promise<JobRow[]> =>
  selectRows(tx, jobSql('k.branch_id = ANY($1)'), [branchIds])

export async function openJob(tx: Tx, id: string): Promise<JobRow | null> {
  return (await selectRows<JobRow>(tx, jobSql('j.id = $1'), [id]))[0] ?? null
}

/** The zone of the first of some branches; UTC where there is none. */
export async function zoneOf(tx: Tx, branchIds: readonly string[]): Promise<string> {
  const sql = 'SELECT zone FROM branch WHERE id = $1'
  return (await selectRows<{ zone: string }>(tx, sql, [branchIds[0] ?? null]))[0]?.zone ?? 'UTC'
}

export const peopleOf = (
  tx: Tx,
  branchIds: readonly string[],
): Promise<{ id: string; name: string; branchId: string }[]> =>
  selectRows(
    tx,
    `SELECT s.id, s.name, m.branch_id AS "branchId" FROM membership m JOIN staff s ON s.id = m.staff_id
     WHERE m.branch_id = ANY($1) AND m.role <> 'read-only' AND s.closed_at IS NULL ORDER BY s.name`,
    [branchIds],
  )

/** Takes an open job as it was seen; false when someone else was faster. */
export async function claimJob(tx: Tx, id: string, version: number): Promise<boolean> {
  const sql = 'UPDATE job SET version = version + 1 WHERE id = $1 AND version = $2 AND closed_at IS NULL RETURNING id'
  return (await changedRows(tx, sql, [id, version])).length === 1
}

export const closeJob = (tx: Tx, id: string, given: { at: Date; note: string }) =>
  changedRows(
    tx,
    `UPDATE job SET closed_at = $2, note = CASE WHEN $3 = '' THEN note ELSE $3 END WHERE id = $1 RETURNING id`,
    [id, given.at, given.note],
  )

export const partRight = (tx: Tx, partId: string, at: Date) =>
  changedRows(
    tx,
    `UPDATE part SET mark = 'present', present_count = count, note = '', wrong_item = '', seen_at = $2
     WHERE id = $1 RETURNING id`,
    [partId, at],
  )

export const cellsChanged = (tx: Tx, partId: string, day: string, at: Date) =>
  changedRows(
    tx,
    `UPDATE part SET consumable = jsonb_set(consumable, '{changedOn}', to_jsonb($2::text)), mark = 'present',
       present_count = count, seen_at = $3 WHERE id = $1 AND consumable IS NOT NULL RETURNING id`,
    [partId, day, at],
  )

const goneCodes = jobCodes.filter((code) => jobFacts(code).never)

export interface KitToCheck {
  readonly id: string
  readonly code: string
  readonly branchId: string
  readonly partId: string | null
}

export const kitsOfModelIn = (tx: Tx, modelId: string, branchIds: readonly string[]): Promise<KitToCheck[]> =>
  selectRows(
    tx,
    `SELECT id, code, branch_id AS "branchId", NULL AS "partId" FROM kit
     WHERE model_id = $1 AND branch_id = ANY($2)
       AND NOT EXISTS (SELECT 1 FROM job j WHERE j.kit_id = kit.id AND j.closed_at IS NULL AND j.code = ANY($3))
     ORDER BY code`,
    [modelId, branchIds, goneCodes],
  )

/** Cells that were last changed before a day, or nobody knows when. */
export const cellsOlderThan = (tx: Tx, branchId: string, day: string): Promise<(KitToCheck & { text: string })[]> =>
  selectRows(
    tx,
    `SELECT k.id, k.code, k.branch_id AS "branchId", p.id AS "partId",
       (p.consumable->>'pieces') || ' × ' || (p.consumable->>'kind') AS text
     FROM part p JOIN kit k ON k.id = p.kit_id
     WHERE k.branch_id = $1 AND p.consumable IS NOT NULL
       AND (p.consumable->>'changedOn' IS NULL OR (p.consumable->>'changedOn')::date < $2::date)
       AND NOT EXISTS (SELECT 1 FROM job j WHERE j.part_id = p.id AND j.code = 'battery-round' AND j.closed_at IS NULL)
     ORDER BY k.code, p.position`,
    [branchId, day],
  )

export interface LetterRow extends Omit<Message, 'madeAtUtc' | 'sentAtUtc'> {
  readonly madeAt: Date
  readonly sentAt: Date | null
  readonly branchName: string
  readonly loanId: string
  readonly kitId: string
  readonly key: PageKey
}

/** On a page. */
export const MOST_LETTERS = 100

const letterSql = (where: string) => `
  SELECT m.id, m.branch_id AS "branchId", k.code AS "kitCode", k.name AS "kitName", b.name AS "to",
    b.contact AS "toAddress", m.subject, m.body, m.state, m.problem, m.made_at AS "madeAt", m.sent_at AS "sentAt",
    coalesce(s.name, 'by itself') AS by, br.zone, br.name AS "branchName", m.loan_id AS "loanId", m.kit_id AS "kitId",
    json_build_object('at', to_char(m.made_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"'), 'id', m.id) AS key
  FROM message m JOIN kit k ON k.id = m.kit_id JOIN borrower b ON b.id = m.borrower_id
    LEFT JOIN staff s ON s.id = m.by_staff_id JOIN branch br ON br.id = m.branch_id
  WHERE ${where} ORDER BY m.made_at DESC, m.id DESC LIMIT ${MOST_LETTERS + 1}`

/** The newest letters of some branches before one of a key, one more than a page has: each branch's own from its index. */
export const lettersOf = (tx: Tx, branchIds: readonly string[], before: PageKey | null): Promise<LetterRow[]> =>
  selectRows(
    tx,
    letterSql(`m.id IN (
      SELECT newest.id FROM unnest($1::uuid[]) branch(id) CROSS JOIN LATERAL (
        SELECT id FROM message WHERE branch_id = branch.id AND ($2::timestamptz IS NULL OR (made_at, id) < ($2, $3::uuid))
        ORDER BY made_at DESC, id DESC LIMIT ${MOST_LETTERS + 1}
      ) newest)`),
    [branchIds, before?.at ?? null, before?.id ?? null],
  )

export async function letterById(tx: Tx, id: string): Promise<LetterRow | null> {
  return (await selectRows<LetterRow>(tx, letterSql('m.id = $1'), [id]))[0] ?? null
}

/** The loan after which a part was missed: the job's own, else the kit's last one. */
export async function loanBehind(
  tx: Tx,
  job: { readonly loanId: string | null; readonly kitId: string },
): Promise<{ loanId: string; borrowerId: string; branchName: string } | null> {
  const sql = `SELECT l.id AS "loanId", l.borrower_id AS "borrowerId", br.name AS "branchName"
    FROM loan l JOIN branch br ON br.id = l.branch_id
    WHERE ($1::uuid IS NOT NULL AND l.id = $1) OR ($1::uuid IS NULL AND l.kit_id = $2 AND l.state IN ('back', 'out'))
    ORDER BY l.out_at DESC NULLS LAST LIMIT 1`
  return (
    (
      await selectRows<{ loanId: string; borrowerId: string; branchName: string }>(tx, sql, [job.loanId, job.kitId])
    )[0] ?? null
  )
}

/** A letter that the house writes, unless it wrote it before. */
export const insertOnce = (tx: Tx, letter: OwnLetter, at: Date) =>
  selectRows(
    tx,
    `INSERT INTO message (id, branch_id, borrower_id, loan_id, kit_id, subject, body, state, problem, once_key, made_at)
     VALUES ($1, $2, $3, $4, $5, $6, $7, 'draft', '', $8, $9)
     ON CONFLICT (once_key) WHERE once_key IS NOT NULL DO NOTHING RETURNING id`,
    [
      ...[letter.id, letter.branchId, letter.borrowerId, letter.loanId, letter.kitId, letter.subject, letter.body],
      ...[letter.onceKey, at],
    ],
  )

export interface OwnLetter {
  readonly id: string
  readonly branchId: string
  readonly borrowerId: string
  readonly loanId: string
  readonly kitId: string
  readonly subject: string
  readonly body: string
  readonly onceKey: string
}

/** Marks a letter as under way; false where it is under way or gone already. */
export const takeLetter = async (tx: Tx, id: string): Promise<boolean> =>
  (
    await changedRows(
      tx,
      `UPDATE message SET state = 'sending', problem = '', tried_at = now()
       WHERE id = $1 AND state IN ('draft', 'failed') RETURNING id`,
      [id],
    )
  ).length === 1

/** No mail server takes longer than its driver waits; after five minutes nobody is waiting for an answer any more. */
export const settleForgotten = (tx: Tx) =>
  changedRows(
    tx,
    `UPDATE message SET state = 'failed', problem = $1
     WHERE state = 'sending' AND tried_at < now() - interval '5 minutes' RETURNING id`,
    [
      'It is not known whether it left: this program was stopped while it was under way. Ask the borrower before you send it again.',
    ],
  )
