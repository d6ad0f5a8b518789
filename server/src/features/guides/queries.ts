import type { KeptLook } from '@binoculum/contract'
import type { PackingPicture, Sky, ToldTargets } from '@binoculum/core'
import { selectRows, type Tx } from '../../platform/database.ts'

/** A guide put together again from what only it has and the pieces it shares. */
const wholeContent = `jsonb_set(g.content, '{texts}', (
    SELECT jsonb_object_agg(lang.key, lang.value || coalesce((
      SELECT jsonb_object_agg(piece.key, kept.body)
      FROM jsonb_each_text(g.pieces->lang.key) piece JOIN guide_piece kept ON kept.hash = piece.value), '{}'))
    FROM jsonb_each(g.content->'texts') lang)) || coalesce((
      SELECT jsonb_object_agg(piece.key, kept.body)
      FROM jsonb_each_text(g.pieces->'') piece JOIN guide_piece kept ON kept.hash = piece.value), '{}')`

const openByLink = `FROM guide g JOIN loan l ON l.id = g.loan_id
    WHERE l.link_hash = $1 AND l.link_ends_at > $2 AND l.state = 'out'`

/** The guide behind a link that isn't over: its loan is open, so it is whole. */
export async function guideByLink(tx: Tx, linkHash: string, now: Date): Promise<unknown> {
  return (
    (await selectRows<{ content: unknown }>(tx, `SELECT g.content ${openByLink}`, [linkHash, now]))[0]?.content ??
    null
  )
}

export async function guideIdByLink(tx: Tx, linkHash: string, now: Date): Promise<string | null> {
  return (await selectRows<{ id: string }>(tx, `SELECT g.id ${openByLink}`, [linkHash, now]))[0]?.id ?? null
}

export interface GuideOfLoanRow {
  readonly branchId: string
  /** The guide of this shape as text, nothing of it read; null where it is of another or no longer whole. */
  readonly text: string | null
  readonly content: unknown
}

export async function guideOfLoan(tx: Tx, loanId: string, shape: string): Promise<GuideOfLoanRow | null> {
  const isWhole = `g.pieces = '{}' AND g.shape = $2`
  const sql = `SELECT l.branch_id AS "branchId", CASE WHEN ${isWhole} THEN g.content::text END AS text,
      CASE WHEN ${isWhole} THEN NULL WHEN g.pieces = '{}' THEN g.content ELSE ${wholeContent} END AS content
    FROM guide g JOIN loan l ON l.id = g.loan_id WHERE l.id = $1`
  return (await selectRows<GuideOfLoanRow>(tx, sql, [loanId, shape]))[0] ?? null
}

/** Shorter parts cost more as a piece than as they are. */
const SHORTEST_PIECE = 400

/** Keeps the long parts of guides whose loans are over as pieces that guides of the same kit share. What names the borrower
 * stays. @param loanId of one loan; all that are over where it is left out */
export const compactGuides = (tx: Tx, loanId: string | null = null): Promise<unknown> =>
  tx.query(
    `WITH part AS (
       SELECT g.id, each.lang, each.name, each.body, encode(sha256(convert_to(each.body::text, 'UTF8')), 'hex') AS hash
       FROM guide g JOIN loan l ON l.id = g.loan_id CROSS JOIN LATERAL (
         SELECT lang.key AS lang, part.key AS name, part.value AS body
         FROM jsonb_each(g.content->'texts') lang, jsonb_each(lang.value) part
         UNION ALL SELECT '', 'drawn', g.content->'drawn' WHERE g.content ? 'drawn'
       ) each
       WHERE ($1::uuid IS NULL OR l.id = $1) AND l.state IN ('back', 'cancelled') AND g.pieces = '{}'
         AND g.content ? 'texts' AND length(each.body::text) >= $2
         AND (coalesce(g.content->>'firstName', '') = '' OR position(g.content->>'firstName' IN each.body::text) = 0)
     ), kept AS (
       INSERT INTO guide_piece (hash, body) SELECT DISTINCT ON (hash) hash, body FROM part ORDER BY hash ON CONFLICT DO NOTHING
     ), by_lang AS (
       SELECT id, lang, jsonb_object_agg(name, hash) AS names, array_agg(name) AS gone FROM part GROUP BY id, lang
     ), found AS (
       SELECT id, jsonb_object_agg(lang, names) AS pieces FROM by_lang GROUP BY id
     )
     UPDATE guide g SET pieces = found.pieces, content = jsonb_set(
         CASE WHEN found.pieces->'' ? 'drawn' THEN g.content - 'drawn' ELSE g.content END, '{texts}', (
           SELECT jsonb_object_agg(lang.key, lang.value - coalesce(by_lang.gone, '{}'))
           FROM jsonb_each(g.content->'texts') lang
           LEFT JOIN by_lang ON by_lang.id = g.id AND by_lang.lang = lang.key))
     FROM found WHERE found.id = g.id`,
    [loanId, SHORTEST_PIECE],
  )

export interface OpenGuideRow {
  readonly branchId: string
  readonly loanId: string
  readonly number: number
  readonly kitCode: string
  readonly kitName: string
  readonly borrower: string
  readonly issuedAt: Date
  readonly steps: number
  readonly linkEndsAt: Date | null
}

export const guidesOfOpenLoans = (tx: Tx, branchIds: readonly string[]): Promise<OpenGuideRow[]> =>
  selectRows(
    tx,
    `SELECT l.id AS "loanId", l.branch_id AS "branchId", l.number, k.code AS "kitCode", k.name AS "kitName", b.name AS borrower,
       g.issued_at AS "issuedAt", jsonb_array_length(coalesce(g.content->'texts'->'en'->'setUp', g.content->'setUp')) AS steps, l.link_ends_at AS "linkEndsAt"
     FROM guide g JOIN loan l ON l.id = g.loan_id JOIN kit k ON k.id = l.kit_id JOIN borrower b ON b.id = l.borrower_id
     WHERE l.state = 'out' AND l.branch_id = ANY($1) ORDER BY g.issued_at DESC`,
    [branchIds],
  )

export interface LinkedLoan {
  readonly loanId: string
  readonly kitId: string
  readonly branchId: string
  readonly kitCode: string
}

/** The loan behind a link that isn't over. */
export async function loanByLink(
  tx: Tx,
  linkHash: string,
  now: Date,
  lock: 'locked' | 'read' = 'read',
): Promise<LinkedLoan | null> {
  const sql = `SELECT l.id AS "loanId", l.kit_id AS "kitId", l.branch_id AS "branchId", k.code AS "kitCode"
    FROM loan l JOIN kit k ON k.id = l.kit_id
    WHERE l.link_hash = $1 AND l.link_ends_at > $2 AND l.state = 'out'${lock === 'locked' ? ' FOR UPDATE OF l' : ''}`
  return (await selectRows<LinkedLoan>(tx, sql, [linkHash, now]))[0] ?? null
}

/** How much came from a loan already. */
export async function messageCounts(tx: Tx, loanId: string): Promise<{ all: number; pictures: number }> {
  const sql = `SELECT count(*)::int AS "all", count(picture_id)::int AS pictures FROM borrower_message WHERE loan_id = $1`
  return (await selectRows<{ all: number; pictures: number }>(tx, sql, [loanId]))[0] ?? { all: 0, pictures: 0 }
}

/** Where a branch's borrowers look from unless they say otherwise: its first place. */
export async function placeOfBranch(
  tx: Tx,
  branchId: string,
): Promise<{ name: string; zone: string; latitudeDeg: number; longitudeDeg: number; sky: Sky | null } | null> {
  const sql = `SELECT name, zone, latitude_deg AS "latitudeDeg", longitude_deg AS "longitudeDeg", sky FROM site
    WHERE branch_id = $1 ORDER BY name LIMIT 1`
  return (await selectRows<NonNullable<Awaited<ReturnType<typeof placeOfBranch>>>>(tx, sql, [branchId]))[0] ?? null
}

export interface MessageLine {
  readonly id: string
  readonly loanId: string
  readonly number: number
  readonly kitCode: string
  readonly kitName: string
  readonly kind: 'report' | 'contents' | 'look'
  readonly body: unknown
  readonly pictureId: string | null
  readonly at: Date
}

/** What borrowers wrote and nobody has seen to yet, newest first. */
export const unseenMessages = (tx: Tx, branchIds: readonly string[]): Promise<MessageLine[]> =>
  selectRows(
    tx,
    `SELECT m.id, m.loan_id AS "loanId", l.number, k.code AS "kitCode", k.name AS "kitName", m.kind, m.body,
       m.picture_id AS "pictureId", m.at
     FROM borrower_message m JOIN loan l ON l.id = m.loan_id JOIN kit k ON k.id = m.kit_id
     WHERE m.seen_at IS NULL AND m.branch_id = ANY($1) ORDER BY m.at DESC LIMIT 100`,
    [branchIds],
  )

export async function messageBranch(tx: Tx, id: string): Promise<string | null> {
  const sql = 'SELECT branch_id AS "branchId" FROM borrower_message WHERE id = $1'
  return (await selectRows<{ branchId: string }>(tx, sql, [id]))[0]?.branchId ?? null
}

/** What a kit's borrowers looked at from afar, newest first. */
export const newestLooks = (tx: Tx, kitId: string, most: number): Promise<KeptLook[]> =>
  selectRows(
    tx,
    `SELECT body->>'look' AS look, body->>'meaning' AS meaning, body->'figure' AS figure, picture_id AS "pictureId",
       to_char(at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') AS "atUtc"
     FROM (SELECT * FROM borrower_message WHERE kit_id = $1 ORDER BY at DESC LIMIT $2) newest
     WHERE kind = 'look' ORDER BY at DESC`,
    [kitId, most],
  )

/** One open job of trouble for a kit, however often its borrower writes. */
export const openTroubleJob = (tx: Tx, job: { id: string; kitId: string; loanId: string; text: string; at: Date }) =>
  tx.query(
    `INSERT INTO job (id, kit_id, loan_id, code, text, opened_at) SELECT $1, $2, $3, 'reported-trouble', $4, $5
     WHERE NOT EXISTS (SELECT 1 FROM job WHERE kit_id = $2 AND code = 'reported-trouble' AND closed_at IS NULL)`,
    [job.id, job.kitId, job.loanId, job.text, job.at],
  )

export interface TextLine {
  readonly id: string
  readonly scope: 'programme' | 'model' | 'kit'
  readonly key: string
  readonly language: string
  readonly title: string
  readonly text: string | null
  readonly reason: string
  readonly inUse: boolean
  readonly by: string
  readonly at: Date
}

/** Every version that could count for a kit, newest first. */
export const textsFor = (
  tx: Tx,
  kit: { readonly branchId: string; readonly modelId: string; readonly kitId: string },
): Promise<TextLine[]> =>
  selectRows(
    tx,
    `SELECT t.id, t.scope, t.key, t.language, t.title, t.text, t.reason, t.in_use AS "inUse", s.name AS by, t.at
     FROM guide_text t JOIN staff s ON s.id = t.by_staff_id
     WHERE t.branch_id = $1 AND (t.scope = 'programme' OR t.model_id = $2 OR t.kit_id = $3)
     ORDER BY t.at DESC, t.id LIMIT 2000`,
    [kit.branchId, kit.modelId, kit.kitId],
  )

/** What a guide shows of what was written and taken: of every text only the version that counts, however many there were; how
 * many borrowers of the model saw what they looked for; and how the kit is packed. */
export async function keptForGuide(
  tx: Tx,
  kit: { readonly branchId: string; readonly modelId: string; readonly kitId: string },
): Promise<{
  lines: Pick<TextLine, 'scope' | 'key' | 'language' | 'title' | 'text' | 'inUse'>[]
  told: ToldTargets
  packing: PackingPicture[]
}> {
  const sql = `SELECT
    (SELECT coalesce(json_agg(counting), '[]') FROM (
       SELECT DISTINCT ON (scope, key, language, CASE WHEN key = '_words' THEN title END)
         scope, key, language, title, text, in_use AS "inUse"
       FROM guide_text
       WHERE branch_id = $1 AND in_use AND (scope = 'programme' OR model_id = $2 OR kit_id = $3)
       ORDER BY scope, key, language, CASE WHEN key = '_words' THEN title END, at DESC, id) counting) AS lines,
    (SELECT coalesce(json_object_agg(key, json_build_object('tried', tried, 'saw', saw)), '{}')
     FROM told_target WHERE model_id = $2) AS told,
    (SELECT coalesce(json_agg(json_build_object('key', key, 'pictureId', picture_id, 'words', words)), '[]')
     FROM packing_picture WHERE kit_id = $3) AS packing`
  const [row] = await selectRows<Awaited<ReturnType<typeof keptForGuide>>>(tx, sql, [
    kit.branchId,
    kit.modelId,
    kit.kitId,
  ])
  return row ?? { lines: [], told: {}, packing: [] }
}

export async function modelIdOf(tx: Tx, kitId: string): Promise<string> {
  const sql = 'SELECT model_id AS "modelId" FROM kit WHERE id = $1'
  const [row] = await selectRows<{ modelId: string }>(tx, sql, [kitId])
  if (!row) throw new RangeError(`kitId must be a kit; got ${kitId}`)
  return row.modelId
}

/** What a kit's newest check said of its focus, as it was sent; null where none did. */
export async function newestFocusStation(tx: Tx, kitId: string): Promise<unknown> {
  const sql = `SELECT each AS station
    FROM (SELECT at, stations FROM bench_check WHERE kit_id = $1 ORDER BY at DESC LIMIT 60) newest
    CROSS JOIN LATERAL jsonb_array_elements(stations) each
    WHERE each->>'station' = 'focus' ORDER BY at DESC LIMIT 1`
  return (await selectRows<{ station: unknown }>(tx, sql, [kitId]))[0]?.station ?? null
}

/** A guide in hand, with its evenings that were told about; its loan is held until the transaction ends. */
export async function guideToTell(
  tx: Tx,
  linkHash: string,
  now: Date,
): Promise<{ loanId: string; modelId: string; nightsTold: string[]; content: unknown } | null> {
  const sql = `SELECT l.id AS "loanId", k.model_id AS "modelId", l.nights_told AS "nightsTold", g.content
    FROM loan l JOIN guide g ON g.loan_id = l.id JOIN kit k ON k.id = l.kit_id
    WHERE l.link_hash = $1 AND l.link_ends_at > $2 AND l.state = 'out' FOR UPDATE OF l`
  const [row] = await selectRows<NonNullable<Awaited<ReturnType<typeof guideToTell>>>>(tx, sql, [linkHash, now])
  return row ?? null
}

/** Adds one evening to a model's counts. Rows are locked in the order of their keys. */
export async function countNight(
  tx: Tx,
  modelId: string,
  night: {
    readonly targets: readonly { readonly key: string; readonly name: string; readonly saw: number }[]
    readonly stop: { readonly key: string; readonly title: string }
  },
): Promise<void> {
  const targets = [...night.targets].sort((a, b) => (a.key < b.key ? -1 : 1))
  await tx.query(
    `INSERT INTO told_target (model_id, key, name, tried, saw)
     SELECT $1, t.key, t.name, 1, t.saw FROM unnest($2::text[], $3::text[], $4::int[]) AS t(key, name, saw)
     ON CONFLICT (model_id, key) DO UPDATE
     SET name = excluded.name, tried = told_target.tried + 1, saw = told_target.saw + excluded.saw`,
    [modelId, targets.map(({ key }) => key), targets.map(({ name }) => name), targets.map(({ saw }) => saw)],
  )
  await tx.query(
    `INSERT INTO told_stop (model_id, key, title, nights) VALUES ($1, $2, $3, 1)
     ON CONFLICT (model_id, key) DO UPDATE SET title = excluded.title, nights = told_stop.nights + 1`,
    [modelId, night.stop.key, night.stop.title],
  )
}

export const noteNightTold = (tx: Tx, loanId: string, date: string): Promise<unknown> =>
  tx.query('UPDATE loan SET nights_told = array_append(nights_told, $2) WHERE id = $1', [loanId, date])
