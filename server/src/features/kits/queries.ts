import type { Found } from '@binoculum/contract'
import { selectRows, type Tx } from '../../platform/database.ts'

const like = (text: string) => `%${text.replaceAll(/[\\%_]/g, (sign) => `\\${sign}`)}%`

/** Whose loans are looked through for a name that fits many. */
const PEOPLE_LOOKED_AT = 24

/** “L-0042”, “l42” or “42” as a loan's number; null for other words. */
function loanNumber(text: string): number | null {
  const digits = /^(?:l-?)?0*(\d{1,9})$/i.exec(text.trim())?.[1]
  return digits === undefined ? null : Number(digits)
}

export async function find(tx: Tx, branchIds: readonly string[], text: string): Promise<Found> {
  const values = [branchIds, like(text)]
  const [kits, parts, loans] = await Promise.all([
    selectRows<Found['kits'][number]>(
      tx,
      `SELECT k.code, k.name, m.name AS "modelName" FROM kit k JOIN model m ON m.id = k.model_id
       WHERE k.branch_id = ANY($1) AND (k.code ILIKE $2 OR k.name ILIKE $2 OR m.name ILIKE $2)
       ORDER BY k.name LIMIT 8`,
      values,
    ),
    selectRows<Found['parts'][number]>(
      tx,
      `SELECT k.code AS "kitCode", k.name AS "kitName", p.name AS part, p.mark
       FROM part p JOIN kit k ON k.id = p.kit_id
       WHERE k.branch_id = ANY($1) AND p.name ILIKE $2 ORDER BY p.mark = 'present', k.name LIMIT 8`,
      values,
    ),
    selectRows<Found['loans'][number] & { number: number }>(
      tx,
      // The newest loans of a few people whose name fits, and the one loan of a number: however many there were.
      `SELECT l.id, l.branch_id AS "branchId", 'L-' || lpad(l.number::text, 4, '0') AS code, k.code AS "kitCode",
         b.name AS borrower, l.state
       FROM (
         SELECT newest.id FROM (
           SELECT id FROM borrower WHERE name ILIKE $2 OR card_number ILIKE $2 ORDER BY branch_id = ANY($1) DESC, name LIMIT ${PEOPLE_LOOKED_AT}
         ) person CROSS JOIN LATERAL (
           SELECT id FROM loan WHERE borrower_id = person.id AND branch_id = ANY($1)
           ORDER BY state IN ('out', 'promised') DESC, coalesce(out_at, promised_for) DESC LIMIT 8
         ) newest
         UNION SELECT id FROM loan WHERE number = $3 AND branch_id = ANY($1)
       ) found JOIN loan l ON l.id = found.id JOIN kit k ON k.id = l.kit_id JOIN borrower b ON b.id = l.borrower_id
       ORDER BY l.state IN ('out', 'promised') DESC, coalesce(l.out_at, l.promised_for) DESC LIMIT 8`,
      [...values, loanNumber(text)],
    ),
  ])
  return { kits, parts, loans }
}
