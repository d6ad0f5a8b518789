import { selectRows, type Tx } from '../../platform/database.ts'

/** How often each part of a kit really went missing: take-backs of this branch in which a part of its role was marked
 * missing, over all pieces of that role that came back. */
export async function lossesByRole(
  tx: Tx,
  branchId: string,
): Promise<ReadonlyMap<string, { readonly losses: number; readonly pieceLoans: number }>> {
  const sql = `
    SELECT p.role, sum(CASE WHEN m->>'mark' = 'missing' THEN p.count - (m->>'presentCount')::int ELSE 0 END)::int AS losses,
      sum(p.count)::int AS "pieceLoans"
    FROM take_back t
    JOIN loan l ON l.id = t.loan_id AND l.branch_id = $1
    CROSS JOIN LATERAL jsonb_array_elements(t.marks) m
    JOIN part p ON p.id = (m->>'partId')::uuid
    WHERE NOT t.correction AND t.at > now() - interval '3 years'
    GROUP BY p.role`
  const rows = await selectRows<{ role: string; losses: number; pieceLoans: number }>(tx, sql, [branchId])
  return new Map(rows.map(({ role, ...seen }) => [role, seen]))
}

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
