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

/** Where the caller may look, and where they may see borrowers. */
export interface Places {
  readonly branchIds: readonly string[]
  readonly deskBranchIds: readonly string[]
}

/** More words than these tell nothing apart any more. */
const MOST_WORDS = 5
const wordsOf = (text: string) => text.trim().split(/\s+/).slice(0, MOST_WORDS).map(like)

/** Every word in one of some columns, in whichever order; the words are parameters from `first` on. */
const everyWord = (columns: readonly string[], words: readonly string[], first: number) =>
  words
    .map((_, index) => `(${columns.map((column) => `${column} ILIKE $${first + index}`).join(' OR ')})`)
    .join(' AND ')

const kitsSql = (where: string, order: string) => `SELECT k.code, k.name, m.name AS "modelName"
  FROM kit k JOIN model m ON m.id = k.model_id WHERE k.branch_id = ANY($1) AND ${where} ORDER BY ${order} LIMIT 8`
/** Models that a branch has kits of or made, and places of a branch: for whoever may look there. */
const othersSql = (fits: (name: string) => string, borrowers: string) => `
  SELECT * FROM (
    (SELECT 'model' AS kind, m.id::text AS id, m.name, '' AS detail FROM model m
     WHERE (m.branch_id = ANY($1) OR EXISTS (SELECT 1 FROM kit k WHERE k.model_id = m.id AND k.branch_id = ANY($1)))
       AND ${fits('m.name')} ORDER BY m.name LIMIT 4)
    UNION ALL
    (SELECT 'place', s.id::text, s.name, br.name FROM site s JOIN branch br ON br.id = s.branch_id
     WHERE s.branch_id = ANY($1) AND ${fits('s.name')} ORDER BY s.name LIMIT 4)
    UNION ALL
    (SELECT 'borrower', b.id::text, b.name, CASE WHEN b.card_number = '' THEN '' ELSE 'card ' || b.card_number END FROM borrower b
     WHERE b.branch_id = ANY($2) AND b.unlinked_at IS NULL AND ${borrowers} ORDER BY b.name LIMIT 4)
  ) other`

/** What somebody wrote about a kit, its parts and its open jobs, and in guides: each leads to the kit that it is about. */
const writtenSql = (fits: (text: string) => string) => `
  SELECT * FROM (
    (SELECT 'note' AS kind, code AS id, name, note AS detail FROM (
       SELECT k.code, k.name, k.note FROM kit k WHERE k.branch_id = ANY($1) AND k.note <> ''
       UNION ALL
       SELECT k.code, k.name, p.name || ': ' || p.note FROM part p JOIN kit k ON k.id = p.kit_id
       WHERE k.branch_id = ANY($1) AND p.note <> ''
       UNION ALL
       SELECT k.code, k.name, concat_ws(', ', nullif(j.text, ''), nullif(j.note, '')) FROM job j JOIN kit k ON k.id = j.kit_id
       WHERE k.branch_id = ANY($1) AND j.closed_at IS NULL
     ) written WHERE ${fits('note')} ORDER BY name, note LIMIT 4)
    UNION ALL
    (SELECT 'guide', code, title, of FROM (
       SELECT DISTINCT ON (t.branch_id, t.scope, t.model_id, t.kit_id, t.key, t.language) t.title, t.text, coalesce(k.name, m.name, 'all guides') AS of,
         coalesce(k.code, (SELECT any_of.code FROM kit any_of WHERE any_of.branch_id = t.branch_id
           AND (t.model_id IS NULL OR any_of.model_id = t.model_id) ORDER BY any_of.code LIMIT 1)) AS code
       FROM guide_text t LEFT JOIN kit k ON k.id = t.kit_id LEFT JOIN model m ON m.id = t.model_id
       WHERE t.branch_id = ANY($1) AND t.in_use AND t.key NOT LIKE E'\\\\_%'
       ORDER BY t.branch_id, t.scope, t.model_id, t.kit_id, t.key, t.language, t.at DESC
     ) counting WHERE code IS NOT NULL AND text IS NOT NULL AND ${fits("title || ' ' || text")} ORDER BY title LIMIT 4)
  ) written`

/** Kits, parts, loans, borrowers, models, places, notes and guides that fit every word; where none does, what is written nearly so. */
export async function find(tx: Tx, places: Places, text: string): Promise<Found> {
  const { branchIds, deskBranchIds } = places
  const words = wordsOf(text)
  const [kits, parts, loans, named, written] = await Promise.all([
    selectRows<Found['kits'][number]>(tx, kitsSql(everyWord(['k.code', 'k.name', 'm.name'], words, 2), 'k.name'), [
      branchIds,
      ...words,
    ]),
    selectRows<Found['parts'][number]>(
      tx,
      `SELECT k.code AS "kitCode", k.name AS "kitName", p.name AS part, p.mark
       FROM part p JOIN kit k ON k.id = p.kit_id
       WHERE k.branch_id = ANY($1) AND ${everyWord(['p.name'], words, 2)} ORDER BY p.mark = 'present', k.name LIMIT 8`,
      [branchIds, ...words],
    ),
    selectRows<Found['loans'][number]>(
      tx,
      // The newest loans of a few people whose name fits, and the one loan of a number: however many there were.
      `SELECT l.id, l.branch_id AS "branchId", 'L-' || lpad(l.number::text, 4, '0') AS code, k.code AS "kitCode",
         b.name AS borrower, l.state
       FROM (
         SELECT newest.id FROM (
           SELECT id FROM borrower WHERE ${everyWord(['name', 'card_number'], words, 3)}
           ORDER BY branch_id = ANY($1) DESC, name LIMIT ${PEOPLE_LOOKED_AT}
         ) person CROSS JOIN LATERAL (
           SELECT id FROM loan WHERE borrower_id = person.id AND branch_id = ANY($1)
           ORDER BY state IN ('out', 'promised') DESC, coalesce(out_at, promised_for) DESC LIMIT 8
         ) newest
         UNION SELECT id FROM loan WHERE number = $2 AND branch_id = ANY($1)
       ) found JOIN loan l ON l.id = found.id JOIN kit k ON k.id = l.kit_id JOIN borrower b ON b.id = l.borrower_id
       ORDER BY l.state IN ('out', 'promised') DESC, coalesce(l.out_at, l.promised_for) DESC LIMIT 8`,
      [branchIds, loanNumber(text), ...words],
    ),
    selectRows<Found['others'][number]>(
      tx,
      othersSql((name) => everyWord([name], words, 3), everyWord(['b.name', 'b.card_number'], words, 3)),
      [branchIds, deskBranchIds, ...words],
    ),
    selectRows<Found['others'][number]>(
      tx,
      writtenSql((text) => everyWord([text], words, 2)),
      [branchIds, ...words],
    ),
  ])
  const others = [...named, ...written]
  if (kits.length + parts.length + loans.length + others.length > 0)
    return { kits, parts, loans, others, isNearly: false }
  return findNearly(tx, places, text.trim())
}

/** Names of three letters in a row that mostly agree [PostgreSQL 15, F.35 pg_trgm: word similarity above 0.6]. */
async function findNearly(tx: Tx, { branchIds, deskBranchIds }: Places, text: string): Promise<Found> {
  const [kits, others] = await Promise.all([
    selectRows<Found['kits'][number]>(
      tx,
      kitsSql(
        '($2 <% k.name OR $2 <% m.name)',
        'greatest(word_similarity($2, k.name), word_similarity($2, m.name)) DESC, k.name',
      ),
      [branchIds, text],
    ),
    selectRows<Found['others'][number]>(
      tx,
      othersSql((name) => `$3 <% ${name}`, '$3 <% b.name'),
      [branchIds, deskBranchIds, text],
    ),
  ])
  return { kits, parts: [], loans: [], others, isNearly: true }
}
