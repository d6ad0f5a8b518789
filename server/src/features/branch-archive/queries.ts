import type { ArchivedKind } from '@binoculum/contract'
import { changedRows, selectRows, type Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { snake } from '../../platform/naming.ts'

/** Where one of these has a row, somebody has begun to work. */
const work: readonly ArchivedKind[] = [
  'kit',
  'borrower',
  'loan',
  'spare',
  'site',
  'waitingRequest',
  'guideText',
  'picture',
]
/** A new branch may have its first words and days set: the file's take their place. */
const settings: readonly ArchivedKind[] = [
  ...(['opening', 'closing', 'benchEvening', 'reminderPolicy', 'reminderText'] as const),
  ...(['borrowerPolicy', 'remembered', 'roleLoss', 'agreement'] as const),
]

/** Locks a branch in which nothing is yet, and clears its settings. @throws Problem BRANCH_IN_USE */
export async function requireEmptyBranch(tx: Tx, branchId: string): Promise<void> {
  await selectRows(tx, 'SELECT id FROM branch WHERE id = $1 FOR UPDATE', [branchId])
  const any = work.map((kind) => `EXISTS (SELECT 1 FROM ${snake(kind)} WHERE branch_id = $1)`).join(' OR ')
  const [row] = await selectRows<{ used: boolean }>(tx, `SELECT (${any}) AS used`, [branchId])
  if (row?.used) throw new Problem('BRANCH_IN_USE')
  for (const kind of settings) await tx.query(`DELETE FROM ${snake(kind)} WHERE branch_id = $1`, [branchId])
}

export async function takeSettings(
  tx: Tx,
  branchId: string,
  { id: _id, ...row }: Record<string, unknown>,
): Promise<void> {
  const columns = Object.keys(row).map(snake)
  await changedRows(
    tx,
    `UPDATE branch b SET ${columns.map((column) => `${column} = new.${column}`).join(', ')}
     FROM jsonb_populate_record(null::branch, $2) new WHERE b.id = $1 RETURNING b.id`,
    [branchId, Object.fromEntries(Object.entries(row).map(([key, value]) => [snake(key), value]))],
  )
}

/** Long parts of guides are shared by what they say, by all branches: a part under a name that isn't its own is refused. */
export async function insertPieces(tx: Tx, rows: readonly Record<string, unknown>[]): Promise<void> {
  const [wrong] = await selectRows<{ hash: string }>(
    tx,
    `WITH given AS (SELECT hash, body FROM jsonb_to_recordset($1::jsonb) AS rows(hash text, body jsonb)),
       own AS (SELECT hash, body FROM given WHERE hash = encode(sha256(convert_to(body::text, 'UTF8')), 'hex')),
       kept AS (INSERT INTO guide_piece (hash, body) SELECT hash, body FROM own ON CONFLICT DO NOTHING)
     SELECT hash FROM given WHERE hash NOT IN (SELECT hash FROM own) LIMIT 1`,
    [JSON.stringify(rows)],
  )
  if (!wrong) return
  const message = 'doesn’t hold what its name says'
  throw new Problem('NOT_AN_ARCHIVE', { issues: [{ path: `rows.guidePiece ${wrong.hash}`, message }] })
}

export async function lastLoanNumber(tx: Tx): Promise<number> {
  const [row] = await selectRows<{ last: number }>(tx, 'SELECT coalesce(max(number), 0)::int AS last FROM loan')
  return row?.last ?? 0
}

/** The next loan that anybody makes is counted on from this one. The sequence isn't ours to set, only to draw from. */
export async function countLoansOn(tx: Tx, highest: number): Promise<void> {
  if (highest === 0) return
  await selectRows(
    tx,
    `SELECT max(n) FROM (SELECT nextval(pg_get_serial_sequence('loan', 'number')) AS n FROM generate_series(1, $1 -
       (SELECT coalesce(last_value, 0)::int FROM pg_sequences WHERE sequencename = split_part(pg_get_serial_sequence('loan', 'number'), '.', 2)))) drawn`,
    [highest],
  )
}

/** Pictures of a branch whose bytes haven't come yet. */
export async function pictureWaits(tx: Tx, branchId: string, id: string): Promise<boolean> {
  const sql = `SELECT 1 FROM picture WHERE id = $2 AND branch_id = $1 AND bytes = ''`
  return (await selectRows(tx, sql, [branchId, id])).length > 0
}

export async function picturesMissing(tx: Tx, branchId: string): Promise<number> {
  const sql = `SELECT count(*)::int AS n FROM picture WHERE branch_id = $1 AND bytes = ''`
  return (await selectRows<{ n: number }>(tx, sql, [branchId]))[0]?.n ?? 0
}
