import { lentLosses, type ToldSpread } from '@binoculum/core'
import { selectRows, type Tx } from '../../platform/database.ts'

export interface RoleLosses {
  readonly losses: number
  readonly pieceLoans: number
}

/** How often pieces of each role really went missing at this branch, over all pieces that came back, in the three years up
 * to this one. */
export async function lossesByRole(tx: Tx, branchId: string, at: Date): Promise<ReadonlyMap<string, RoleLosses>> {
  const sql = `SELECT role, sum(losses)::int AS losses, sum(piece_loans)::int AS "pieceLoans"
    FROM role_loss WHERE branch_id = $1 AND year > $2 GROUP BY role`
  const rows = await selectRows<RoleLosses & { role: string }>(tx, sql, [branchId, at.getUTCFullYear() - 3])
  return new Map(rows.map(({ role, ...seen }) => [role, seen]))
}

/** The same for the desk, in one statement with what other programmes told, as far as it may count here. */
export async function lossesSeenAndLent(tx: Tx, branchId: string, at: Date) {
  const [row] = await selectRows<{ seen: (RoleLosses & { role: string })[]; told: ToldSpread['losses'][] }>(
    tx,
    `SELECT coalesce((SELECT jsonb_agg(own) FROM (
         SELECT role, sum(losses)::int AS losses, sum(piece_loans)::int AS "pieceLoans"
         FROM role_loss WHERE branch_id = $1 AND year > $2 GROUP BY role
       ) own), '[]') AS seen,
       coalesce((SELECT jsonb_agg(losses) FROM spread WHERE branch_id = $1), '[]') AS told`,
    [branchId, at.getUTCFullYear() - 3],
  )
  return {
    seen: new Map((row?.seen ?? []).map(({ role, ...each }) => [role, each])),
    lent: lentLosses((row?.told ?? []).map((losses) => ({ losses, drift: [] }))),
  }
}

/** Adds what one take-back saw. */
export async function countLosses(
  tx: Tx,
  { branchId, at }: { readonly branchId: string; readonly at: Date },
  byRole: ReadonlyMap<string, RoleLosses>,
): Promise<void> {
  // In one order everywhere, so that two desks never wait for each other.
  const rows = [...byRole].sort(([a], [b]) => a.localeCompare(b))
  await tx.query(
    `INSERT INTO role_loss AS kept (branch_id, role, year, losses, piece_loans)
     SELECT $1, role, $2, losses, piece_loans FROM unnest($3::text[], $4::int[], $5::int[]) AS seen(role, losses, piece_loans)
     ON CONFLICT (branch_id, role, year)
     DO UPDATE SET losses = kept.losses + excluded.losses, piece_loans = kept.piece_loans + excluded.piece_loans`,
    [
      branchId,
      at.getUTCFullYear(),
      rows.map(([role]) => role),
      rows.map(([, { losses }]) => losses),
      rows.map(([, { pieceLoans }]) => pieceLoans),
    ],
  )
}

/** Losses from all take-backs, where rows came in by the thousand. */
export const recountLosses = (tx: Tx): Promise<unknown> =>
  tx.query(
    `INSERT INTO role_loss (branch_id, role, year, losses, piece_loans)
     SELECT l.branch_id, p.role, date_part('year', t.at AT TIME ZONE 'UTC')::int,
       sum(CASE WHEN m->>'mark' = 'missing' THEN p.count - (m->>'presentCount')::int ELSE 0 END)::int, sum(p.count)::int
     FROM take_back t JOIN loan l ON l.id = t.loan_id CROSS JOIN LATERAL jsonb_array_elements(t.marks) m
     JOIN part p ON p.id = (m->>'partId')::uuid
     WHERE NOT t.correction GROUP BY 1, 2, 3
     ON CONFLICT (branch_id, role, year)
     DO UPDATE SET losses = excluded.losses, piece_loans = excluded.piece_loans`,
  )

export interface LookAlikeRow {
  readonly name: string
  readonly role: string
  readonly massG: number | null
  readonly toleranceG: number | null
  readonly owners: { code: string; name: string }[]
  readonly lackedBy: { code: string; name: string }[]
}

/** Things of this branch's other kits in these roles, each with its own mass: those of one name and, to the gram, one mass
 * go together. With the kits on whose card they stand and those that lack theirs; the lacked ones first. */
export const thingsOfOtherKits = (
  tx: Tx,
  kitId: string,
  branchId: string,
  roles: readonly string[],
): Promise<LookAlikeRow[]> =>
  selectRows(
    tx,
    `SELECT p.name, min(p.role) AS role, avg(p.mass_g) AS "massG", max(p.tolerance_g) AS "toleranceG",
       json_agg(json_build_object('code', k.code, 'name', k.name) ORDER BY k.name) AS owners,
       coalesce(json_agg(json_build_object('code', k.code, 'name', k.name) ORDER BY k.name)
         FILTER (WHERE p.mark IN ('missing', 'wrong')), '[]') AS "lackedBy"
     FROM part p JOIN kit k ON k.id = p.kit_id
     WHERE k.branch_id = $2 AND k.id <> $1 AND p.role = ANY($3)
     GROUP BY p.name, round(p.mass_g)
     ORDER BY bool_or(p.mark IN ('missing', 'wrong')) DESC, p.name, min(k.name) LIMIT 60`,
    [kitId, branchId, roles],
  )
