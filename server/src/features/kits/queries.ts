import type {
  ExtraPartView,
  FinderDrift,
  Found,
  KitSheet,
  KnobStepView,
  OwnFinder,
  Part,
  ReadingView,
  RecordLine,
  TurnedStepView,
} from '@binoculum/contract'
import { balanceRoles, followUpCodes, jobCodes, jobFacts, type FinderPart, type TemplatePart } from '@binoculum/core'
import { changedRows, selectRows, type Tx } from '../../platform/database.ts'
import { announce } from '../../platform/live.ts'
import { insertMany } from '../../platform/bulk.ts'
import { Kit, Model, ModelPartRow, PartRow } from './entities.ts'

/** All that the shelf shows of a kit. JSON that many kits share stays text, so that it is parsed once for all. Only parts that are not plainly present travel. */
export interface ShelfRow {
  readonly id: string
  readonly branchId: string
  readonly branchName: string
  readonly zone: string
  readonly emergencyLine: string
  readonly currency: string
  readonly policiesJson: string
  readonly code: string
  readonly name: string
  readonly place: string
  readonly standsAt: 'shelf' | 'desk' | 'bench'
  readonly collimationPolicy: 'leave-it-to-us' | 'with-help-sheet'
  readonly hazards: string[]
  readonly version: number
  readonly modelId: string
  readonly modelName: string
  readonly family: string
  readonly opticsJson: string
  readonly partCount: number
  readonly offParts: readonly {
    position: number
    name: string
    role: string
    criticality: string
    count: number
    mark: string
    seenAtUtc: string | null
  }[]
  readonly extras: readonly { name: string; belongsTo: string }[]
  readonly powerPartsJson: string
  /** Its model’s mount, where a weight hangs on a shaft; `null` else. */
  readonly mountJson: string
  readonly headMomentGmm: number | null
  /** What the balance is reckoned from, on such a mount. */
  readonly ridingPartsJson: string
  readonly readings: readonly ReadingView[]
  readonly jobs: readonly {
    id: string
    code: string
    text: string
    openedAtUtc: string
    notBeforeUtc: string | null
  }[]
  readonly loan: { id: string; number: number; borrower: string; dueAt: string } | null
  readonly next: { loanId: string; borrower: string; at: string } | null
}

/** A long text that many rows share, in the first of them only: sent once, and read once. */
const firstOf = (group: string, text: string) =>
  `CASE WHEN row_number() OVER (PARTITION BY ${group}) = 1 THEN ${text} END`

/** Roles are the core's own words, none of anybody's typing. */
const balanceRolesSql = balanceRoles.map((role) => `'${role}'`).join(', ')

/** Parts counted in one pass before the join; the rest by lateral joins through an index: with grouped subqueries the
 * planner, not knowing their size, compared each with each. */
const shelfSql = (where: string) => `
  WITH parts AS MATERIALIZED (
    SELECT p.kit_id, count(*)::int AS n,
      json_agg(json_build_object('position', p.position, 'name', p.name, 'role', p.role,
        'criticality', p.criticality, 'count', p.count, 'mark', p.mark, 'seenAtUtc', p.seen_at))
        FILTER (WHERE p.mark <> 'present' OR p.role IN ('screw-in-sun-filter', 'laser', 'front-filter')) AS off,
      (json_agg(json_build_object('optics', p.optics, 'name', p.name, 'role', p.role, 'mark', p.mark))
        FILTER (WHERE p.optics <> '{}' OR p.role = 'barrel-adapter'))::text AS power,
      (json_agg(json_build_object('id', p.position::text, 'name', p.name, 'role', p.role, 'count', p.count,
        'mark', p.mark, 'massG', p.mass_g, 'toleranceG', p.tolerance_g) ORDER BY p.position)
        FILTER (WHERE m.mount->>'equatorial' IS NOT NULL AND p.role IN (${balanceRolesSql})))::text AS riding
    FROM part p JOIN kit k ON k.id = p.kit_id JOIN model m ON m.id = k.model_id WHERE ${where} GROUP BY p.kit_id
  )
  SELECT k.id, k.branch_id AS "branchId", br.name AS "branchName", br.zone, br.emergency_line AS "emergencyLine",
    br.currency, ${firstOf('k.branch_id', 'br.policies::text')} AS "policiesJson", k.code, k.name, k.place, k.stands_at AS "standsAt",
    k.collimation_policy AS "collimationPolicy", k.hazards, k.version, k.model_id AS "modelId",
    m.name AS "modelName", m.family,
    ${firstOf('k.model_id', 'm.optics::text')} AS "opticsJson", md5(parts.power) AS "powerKey", coalesce(parts.n, 0) AS "partCount", coalesce(parts.off, '[]') AS "offParts", k.head_moment_gmm AS "headMomentGmm",
    ${firstOf('k.model_id', "CASE WHEN m.mount->>'equatorial' IS NULL THEN 'null' ELSE m.mount::text END")} AS "mountJson",
    md5(parts.riding) AS "ridingKey", ${firstOf('md5(parts.riding)', 'parts.riding')} AS "ridingPartsJson",
    ${firstOf('md5(parts.power)', 'parts.power')} AS "powerPartsJson", coalesce(jobs.list, '[]') AS jobs, coalesce(extras.list, '[]') AS extras, out_loan.loan, next_loan.next
  FROM kit k
  LEFT JOIN parts ON parts.kit_id = k.id
  JOIN model m ON m.id = k.model_id
  JOIN branch br ON br.id = k.branch_id
  CROSS JOIN LATERAL (
    SELECT json_agg(json_build_object('id', j.id, 'code', j.code, 'text', j.text, 'openedAtUtc', j.opened_at,
        'notBeforeUtc', j.not_before)
      ORDER BY j.opened_at) AS list
    FROM job j WHERE j.kit_id = k.id AND j.closed_at IS NULL
  ) jobs
  CROSS JOIN LATERAL (
    SELECT json_agg(json_build_object('name', e.name, 'belongsTo', e.belongs_to) ORDER BY e.found_at, e.name) AS list
    FROM extra_part e WHERE e.kit_id = k.id AND e.settled_at IS NULL
  ) extras
  LEFT JOIN LATERAL (
    SELECT json_build_object('id', l.id, 'number', l.number, 'borrower', b.name, 'dueAt', l.due_at) AS loan
    FROM loan l JOIN borrower b ON b.id = l.borrower_id WHERE l.kit_id = k.id AND l.state = 'out'
  ) out_loan ON true
  LEFT JOIN LATERAL (
    SELECT json_build_object('loanId', l.id, 'borrower', b.name, 'at', l.promised_for) AS next
    FROM loan l JOIN borrower b ON b.id = l.borrower_id WHERE l.kit_id = k.id AND l.state = 'promised'
    ORDER BY l.promised_for LIMIT 1
  ) next_loan ON true
  WHERE ${where}
  ORDER BY k.name, k.code`

const FIELD = '\u001f'
const RECORD = '\u001e'

/** A kit's readings as one text of records and fields: 2,500 of them as rows cost twice as much to receive, as JSON four
 * times as much to make. Names can't break it: both signs are taken out of them. */
const readingsSql = (where: string) => `
  SELECT r.kit_id AS "kitId", string_agg(concat_ws('${FIELD}', r.kind, coalesce(r.as_found::text, ''), r.as_left,
    r.limit_value, coalesce(r.good::text, ''), r.unit, r.source,
    to_char(r.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'),
    translate(s.name, '${FIELD}${RECORD}', ''), coalesce(r.uncertainty::text, '')), '${RECORD}') AS packed
  FROM reading r JOIN kit k ON k.id = r.kit_id JOIN staff s ON s.id = r.by_staff_id
  WHERE r.current AND ${where} GROUP BY r.kit_id`

interface PackedReadings {
  readonly kitId: string
  readonly packed: string
}

const unpacked = (packed: string): readonly ReadingView[] =>
  packed.split(RECORD).map((record) => {
    const [kind, asFound = '', asLeft, limit, good = '', unit, source, atUtc = '', by = '', doubt = ''] =
      record.split(FIELD)
    return {
      kind: kind as ReadingView['kind'],
      asFound: asFound === '' ? null : Number(asFound),
      asLeft: Number(asLeft),
      limit: Number(limit),
      good: good === '' ? null : Number(good),
      unit: unit as ReadingView['unit'],
      source: source as ReadingView['source'],
      atUtc,
      by,
      uncertainty: doubt === '' ? null : Number(doubt),
    }
  })

/** A row as it travels: texts that many kits share stand in one of them. */
type KitRow = Omit<
  ShelfRow,
  'readings' | 'opticsJson' | 'policiesJson' | 'powerPartsJson' | 'mountJson' | 'ridingPartsJson'
> & {
  readonly opticsJson: string | null
  readonly policiesJson: string | null
  readonly powerKey: string | null
  readonly powerPartsJson: string | null
  readonly mountJson: string | null
  readonly ridingKey: string | null
  readonly ridingPartsJson: string | null
}

const mountOf = (modelId: string) => `mount ${modelId}`

/** Kits with their readings in two queries side by side, however many kits there are. */
async function shelfRows(tx: Tx, where: string, value: unknown): Promise<ShelfRow[]> {
  const [kits, readings] = await Promise.all([
    selectRows<KitRow>(tx, shelfSql(where), [value]),
    selectRows<PackedReadings>(tx, readingsSql(where), [value]),
  ])
  const packedOf = new Map(readings.map(({ kitId, packed }) => [kitId, packed]))
  const shared = new Map<string, string>()
  for (const { modelId, branchId, powerKey, opticsJson, policiesJson, powerPartsJson, ...kit } of kits) {
    if (opticsJson !== null) shared.set(modelId, opticsJson)
    if (kit.mountJson !== null) shared.set(mountOf(modelId), kit.mountJson)
    if (kit.ridingKey !== null && kit.ridingPartsJson !== null) shared.set(kit.ridingKey, kit.ridingPartsJson)
    if (policiesJson !== null) shared.set(branchId, policiesJson)
    if (powerKey !== null && powerPartsJson !== null) shared.set(powerKey, powerPartsJson)
  }
  return kits.map(({ powerKey, ridingKey, ...kit }) => ({
    ...kit,
    opticsJson: shared.get(kit.modelId) ?? '{}',
    policiesJson: shared.get(kit.branchId) ?? '{}',
    powerPartsJson: shared.get(powerKey ?? '') ?? '[]',
    mountJson: shared.get(mountOf(kit.modelId)) ?? 'null',
    ridingPartsJson: shared.get(ridingKey ?? '') ?? '[]',
    readings: packedOf.has(kit.id) ? unpacked(packedOf.get(kit.id) ?? '') : [],
  }))
}

export const shelfOfBranches = (reader: Tx, branchIds: readonly string[]): Promise<ShelfRow[]> =>
  shelfRows(reader, 'k.branch_id = ANY($1)', branchIds)

const shelfRow = async (tx: Tx, where: string, value: string): Promise<ShelfRow | null> =>
  (await shelfRows(tx, where, value))[0] ?? null

export const shelfRowOf = (tx: Tx, code: string) => shelfRow(tx, 'upper(k.code) = upper($1)', code)

export const shelfRowById = (tx: Tx, kitId: string) => shelfRow(tx, 'k.id = $1', kitId)

/** A part as its row has it; the wire says instants in words. */
export type PartOfKit = Omit<Part, 'seenAtUtc'> & { readonly seenAt: Date | null }

export const extrasOf = (tx: Tx, kitId: string): Promise<(Omit<ExtraPartView, 'foundAtUtc'> & { foundAt: Date })[]> =>
  selectRows(
    tx,
    `SELECT id, name, count, belongs_to AS "belongsTo", note, picture_ids AS "pictureIds", found_at AS "foundAt"
     FROM extra_part WHERE kit_id = $1 AND settled_at IS NULL ORDER BY found_at, name`,
    [kitId],
  )

export const settleExtra = (tx: Tx, extra: { id: string; kitId: string; at: Date }): Promise<{ name: string }[]> =>
  changedRows(
    tx,
    `UPDATE extra_part SET settled_at = $3 WHERE id = $1 AND kit_id = $2 AND settled_at IS NULL RETURNING name`,
    [extra.id, extra.kitId, extra.at],
  )

/** The loan that what is known of a kit comes from: out now, or the last that came back. */
export async function lastLoanOf(
  tx: Tx,
  kitId: string,
): Promise<{ id: string; number: number; state: 'out' | 'back'; borrower: string } | null> {
  const sql = `SELECT l.id, l.number, l.state, b.name AS borrower FROM loan l JOIN borrower b ON b.id = l.borrower_id
    WHERE l.kit_id = $1 AND l.state IN ('out', 'back') ORDER BY l.out_at DESC LIMIT 1`
  return (await selectRows<NonNullable<Awaited<ReturnType<typeof lastLoanOf>>>>(tx, sql, [kitId]))[0] ?? null
}

/** Closes the going-through with the last part that is seen, and lets the kit leave the desk. */
export async function endGoingThrough(tx: Tx, kitId: string, at: Date): Promise<void> {
  const closed = await changedRows(
    tx,
    `UPDATE job SET closed_at = $2, version = version + 1
     WHERE kit_id = $1 AND code = 'go-through' AND closed_at IS NULL
       AND NOT EXISTS (SELECT 1 FROM part WHERE kit_id = $1 AND mark = 'unseen' AND role NOT IN ('screw-in-sun-filter', 'laser'))
     RETURNING id`,
    [kitId, at],
  )
  if (closed.length > 0)
    await changedRows(tx, `UPDATE kit SET stands_at = 'shelf' WHERE id = $1 AND stands_at = 'desk' RETURNING id`, [
      kitId,
    ])
}

export const partsOf = (tx: Tx, kitId: string): Promise<PartOfKit[]> =>
  selectRows(
    tx,
    `SELECT id, position, name, role, criticality, count, present_count AS "presentCount", mass_g AS "massG",
       tolerance_g AS "toleranceG", weighed, weigh_group AS "weighGroup", together, place, mark, seen_at AS "seenAt", note, wrong_item AS "wrongItem",
       picture_ids AS "pictureIds", consumable, model_part_id AS "modelPartId", cost_minor AS "costMinor", optics,
       look_every_time AS "lookEveryTime", look_for AS "lookFor"
     FROM part WHERE kit_id = $1 ORDER BY position`,
    [kitId],
  )

export interface StepTimes {
  readonly key: string
  readonly medianSeconds: number
  readonly times: number
}

const stepTimesOf = (tx: Tx, model: string, value: string): Promise<StepTimes[]> =>
  selectRows(
    tx,
    `SELECT step_key AS key, median_seconds AS "medianSeconds", times
     FROM step_median WHERE model_id = ${model} ORDER BY step_key`,
    [value],
  )

/** How long each step of a model took, over all its kits. */
export const stepTimesOfModel = (tx: Tx, modelId: string) => stepTimesOf(tx, '$1', modelId)

/** What the model says, and the weighings that still hold. */
export async function modelOfKit(
  tx: Tx,
  kitId: string,
): Promise<{
  readonly mount: unknown
  readonly mirror: unknown
  readonly turned: readonly TurnedStepView[]
  readonly finder: unknown
  readonly stand: unknown
  readonly details: KitSheet['details']
  readonly ownFinder: OwnFinder | null
  readonly knobSteps: readonly KnobStepView[]
  readonly procedure: unknown
  readonly headMomentGmm: number | null
  readonly stepTimes: readonly StepTimes[]
  readonly weighGroups: { name: string; scaleStepG: number }[]
  readonly parts: (TemplatePart & { id: string })[]
  readonly baselines: { group: string; measuredG: number; scaleStepG: number; containerG: number; at: Date }[]
}> {
  const [model, parts, stepTimes, baselines, turned, knobSteps] = await Promise.all([
    selectRows<{
      weighGroups: { name: string; scaleStepG: number }[]
      mount: unknown
      mirror: unknown
      finder: unknown
      stand: unknown
      details: KitSheet['details']
      ownFinder: OwnFinder | null
      procedure: unknown
      headMomentGmm: number | null
    }>(
      tx,
      `SELECT m.weigh_groups AS "weighGroups", m.mount, m.mirror, m.finder, m.stand,
         jsonb_build_object('owner', k.owner, 'serialNumber', k.serial_number, 'priceMinor', k.price_minor, 'note', k.note) AS details,
         k.own_finder AS "ownFinder", m.procedure, k.head_moment_gmm AS "headMomentGmm"
       FROM kit k JOIN model m ON m.id = k.model_id WHERE k.id = $1`,
      [kitId],
    ),
    selectRows<TemplatePart & { id: string }>(
      tx,
      `SELECT p.id, p.name, p.role, p.criticality, p.count, p.mass_g AS "massG", p.tolerance_g AS "toleranceG",
         p.weigh_group AS "weighGroup", p.place, p.look_every_time AS "lookEveryTime", p.cost_minor AS "costMinor"
       FROM model_part p JOIN kit k ON k.model_id = p.model_id WHERE k.id = $1 ORDER BY p.position`,
      [kitId],
    ),
    stepTimesOf(tx, '(SELECT model_id FROM kit WHERE id = $1)', kitId),
    selectRows<{ group: string; measuredG: number; scaleStepG: number; containerG: number; at: Date }>(
      tx,
      `SELECT DISTINCT ON (weigh_group) weigh_group AS "group", measured_g AS "measuredG", scale_step_g AS "scaleStepG",
         container_g AS "containerG", at
       FROM weighing WHERE kit_id = $1 AND complete AND NOT outdated ORDER BY weigh_group, at DESC`,
      [kitId],
    ),
    selectRows<TurnedStepView>(
      tx,
      `SELECT before, turns, after, uncertainty_mm AS "uncertaintyMm" FROM (
         SELECT * FROM turned_step WHERE kit_id = $1 ORDER BY at DESC, position DESC LIMIT 20
       ) newest ORDER BY at, position`,
      [kitId],
    ),
    selectRows<{ step: KnobStepView }>(
      tx,
      `SELECT step FROM (
         SELECT * FROM knob_step WHERE kit_id = $1 ORDER BY at DESC, position DESC LIMIT 20
       ) newest ORDER BY at, position`,
      [kitId],
    ),
  ])
  const [own] = model
  return {
    weighGroups: own?.weighGroups ?? [],
    mount: own?.mount ?? null,
    mirror: own?.mirror ?? null,
    finder: own?.finder ?? null,
    stand: own?.stand ?? null,
    details: own?.details ?? { owner: '', serialNumber: '', priceMinor: null, note: '' },
    ownFinder: own?.ownFinder ?? null,
    knobSteps: knobSteps.map(({ step }) => step),
    turned,
    procedure: own?.procedure ?? null,
    headMomentGmm: own?.headMomentGmm ?? null,
    parts,
    stepTimes,
    baselines,
  }
}

export const historyOf = (
  tx: Tx,
  kitId: string,
  limit: number,
): Promise<(Omit<RecordLine, 'atUtc'> & { at: Date })[]> =>
  selectRows(
    tx,
    `SELECT r.id, r.at, r.act, coalesce(s.name, '–') AS by, r.before, r.after
     FROM record r LEFT JOIN staff s ON s.id = r.staff_id
     WHERE r.kit_id = $1 ORDER BY r.id DESC LIMIT $2`,
    [kitId, limit],
  )

export const pastReadings = (
  tx: Tx,
  kitId: string,
  limit: number,
): Promise<(Omit<ReadingView, 'atUtc'> & { at: Date })[]> =>
  selectRows(
    tx,
    `SELECT * FROM (
       SELECT r.kind, r.as_found AS "asFound", r.as_left AS "asLeft", r.limit_value AS "limit", r.good, r.unit,
         r.source, r.at, s.name AS by, r.uncertainty
       FROM reading r JOIN staff s ON s.id = r.by_staff_id
       WHERE r.kit_id = $1 AND r.kind IN ('collimation', 'finder') ORDER BY r.at DESC LIMIT $2
     ) latest ORDER BY at`,
    [kitId, limit],
  )

/** Finders of many kits at once: their models', and where each sits. */
export const findersOfKits = (
  tx: Tx,
  kitIds: readonly string[],
): Promise<{ kitId: string; finder: unknown; ownFinder: OwnFinder | null; finderPart: FinderPart[] }[]> =>
  selectRows(
    tx,
    `SELECT k.id AS "kitId", m.finder, k.own_finder AS "ownFinder",
       coalesce((SELECT json_agg(json_build_object('name', p.name, 'role', p.role, 'optics', p.optics) ORDER BY p.position)
         FROM part p WHERE p.kit_id = k.id AND p.role IN ('finder', 'coin-cell')), '[]') AS "finderPart"
     FROM kit k JOIN model m ON m.id = k.model_id WHERE k.id = ANY($1)`,
    [kitIds],
  )

/** What finder a kit's card says it has; its model's where the card doesn't tell. */
const cardFinderKind = `coalesce((SELECT p.optics->>'finderKind' FROM part p
  WHERE p.kit_id = k.id AND p.role = 'finder' LIMIT 1), m.finder->>'kind')`

const LEAST_LOANS = 3

/** How finders of this kit's kind come back, over the branch's kits: the middle of what was found. */
export async function finderDrift(tx: Tx, kitId: string): Promise<FinderDrift | null> {
  const [row] = await selectRows<FinderDrift & { kind: FinderDrift['kind'] | null }>(
    tx,
    `WITH own AS (
       SELECT k.id, k.branch_id, ${cardFinderKind} AS kind FROM kit k JOIN model m ON m.id = k.model_id WHERE k.id = $1
     ), found AS (
       SELECT r.kit_id, r.as_found FROM own
       JOIN kit k ON k.branch_id = own.branch_id
       JOIN model m ON m.id = k.model_id AND ${cardFinderKind} = own.kind
       JOIN reading r ON r.kit_id = k.id AND r.kind = 'finder' AND r.as_found IS NOT NULL
     )
     SELECT own.kind, count(found.as_found)::int AS loans,
       percentile_cont(0.5) WITHIN GROUP (ORDER BY found.as_found) AS "medianArcmin",
       (count(*) FILTER (WHERE found.kit_id = own.id))::int AS "ownLoans",
       percentile_cont(0.5) WITHIN GROUP (ORDER BY found.as_found) FILTER (WHERE found.kit_id = own.id) AS "ownMedianArcmin"
     FROM own LEFT JOIN found ON true GROUP BY own.kind`,
    [kitId],
  )
  return row?.kind && row.loans >= LEAST_LOANS ? row : null
}

interface Bumped {
  readonly id: string
  readonly branchId: string
  readonly version: number
}

const bumpSql = (where: string) =>
  `UPDATE kit SET version = version + 1 WHERE ${where} RETURNING id, branch_id AS "branchId", version`

const announceKit = (tx: Tx, { id, branchId, version }: Bumped) =>
  announce(tx, { kind: 'kit', kitId: id, branchId, version })

/** Counts the kit's version up if it is still the one seen; false when someone else was faster. */
export async function claimKitVersion(tx: Tx, kitId: string, version: number): Promise<boolean> {
  const rows = await changedRows<Bumped>(tx, bumpSql('id = $1 AND version = $2'), [kitId, version])
  for (const row of rows) await announceKit(tx, row)
  return rows.length === 1
}

/** Locks a kit for the rest of the transaction. */
export const lockKit = (tx: Tx, kitId: string) =>
  selectRows(tx, 'SELECT id FROM kit WHERE id = $1 FOR UPDATE', [kitId])

export async function bumpKitVersion(tx: Tx, kitId: string): Promise<void> {
  for (const row of await changedRows<Bumped>(tx, bumpSql('id = $1'), [kitId])) await announceKit(tx, row)
}

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

/** A kit with its parts; `model` only where it is new as well. */
export type NewKit = {
  readonly model: NewModel | null
  readonly kit: Kit
  readonly parts: readonly Record<string, unknown>[]
}
export type NewModel = {
  readonly row: Record<string, unknown>
  readonly parts: readonly Record<string, unknown>[]
}

export async function insertKit(tx: Tx, made: NewKit): Promise<void> {
  if (made.model) {
    await tx.insert(Model, made.model.row as never)
    await insertMany(tx, ModelPartRow, made.model.parts)
  }
  await tx.insert(Kit, made.kit)
  await insertMany(tx, PartRow, made.parts)
}

export const markPresent = (tx: Tx, kitId: string, partIds: readonly string[], at: Date) =>
  changedRows(
    tx,
    `UPDATE part SET mark = 'present', present_count = count, wrong_item = '', seen_at = $3
     WHERE kit_id = $1 AND id = ANY($2) RETURNING id`,
    [kitId, partIds, at],
  )

export interface NewFollowUp {
  readonly kitId: string
  readonly partId: string
  readonly loanId: string | null
  readonly code: string
  readonly text: string
  readonly ownerId: string | null
  readonly dueOn: string
  readonly at: Date
}

/** Opens a follow-up for a part unless one is open already. */
export async function openFollowUp(tx: Tx, job: NewFollowUp): Promise<void> {
  await tx.query(
    `INSERT INTO job (id, kit_id, part_id, loan_id, code, text, owner_id, due_on, opened_at)
     SELECT gen_random_uuid(), $1, $2::uuid, $3, $4, $5, $6, $7, $8
     WHERE NOT EXISTS (SELECT 1 FROM job WHERE part_id = $2::uuid AND closed_at IS NULL AND code = ANY($9))`,
    [job.kitId, job.partId, job.loanId, job.code, job.text, job.ownerId, job.dueOn, job.at, followUpCodes],
  )
}

/** Parts that are put right need no follow-up any more. */
export const closeFollowUps = (tx: Tx, partIds: readonly string[], at: Date) =>
  changedRows(
    tx,
    `UPDATE job SET closed_at = $2, version = version + 1
     WHERE part_id = ANY($1) AND closed_at IS NULL AND code = ANY($3) RETURNING id`,
    [partIds, at, followUpCodes],
  )

const reportCodes = jobCodes.filter((code) => jobFacts(code).never)

/** Closes what says that a kit is lost, stolen or at its end. */
export const closeReports = (tx: Tx, kitId: string, at: Date) =>
  changedRows(
    tx,
    `UPDATE job SET closed_at = $2, version = version + 1
     WHERE kit_id = $1 AND closed_at IS NULL AND code = ANY($3) RETURNING id`,
    [kitId, at, reportCodes],
  )

/** Nobody knows any more whether what was there is there. */
export const unseeParts = (tx: Tx, kitId: string) =>
  changedRows(tx, `UPDATE part SET mark = 'unseen' WHERE kit_id = $1 AND mark = 'present' RETURNING id`, [kitId])

/** The drying that keeps a wet kit open, while its time is not over. */
export async function dryingUntil(tx: Tx, kitId: string, now: Date): Promise<Date | null> {
  const sql = `SELECT max(not_before) AS until FROM job
    WHERE kit_id = $1 AND code = 'drying' AND closed_at IS NULL AND not_before > $2`
  return (await selectRows<{ until: Date | null }>(tx, sql, [kitId, now]))[0]?.until ?? null
}

export const closeDrying = (tx: Tx, kitId: string, at: Date) =>
  changedRows(
    tx,
    `UPDATE job SET closed_at = $2 WHERE kit_id = $1 AND code = 'drying' AND closed_at IS NULL RETURNING id`,
    [kitId, at],
  )

/** Nothing is compared any more with weighings of these groups: what they weighed has changed. */
export const outdateWeighings = (tx: Tx, kitId: string, groups: readonly string[] | 'all') =>
  changedRows(
    tx,
    `UPDATE weighing SET outdated = true
     WHERE kit_id = $1 AND NOT outdated AND ($2::text[] IS NULL OR weigh_group = ANY($2) OR weigh_group = '') RETURNING id`,
    [kitId, groups === 'all' ? null : groups],
  )

export async function kitWithCode(tx: Tx, code: string): Promise<{ id: string } | null> {
  return (await selectRows<{ id: string }>(tx, 'SELECT id FROM kit WHERE upper(code) = upper($1)', [code]))[0] ?? null
}

/** A model's card as a new kit takes it over; null for a model that kits of none of these branches have, though others do. */
export async function modelPartsForKit(
  tx: Tx,
  modelId: string,
  branchIds: readonly string[],
): Promise<({ id: string } & Record<string, unknown>)[] | null> {
  const seen = await selectRows(
    tx,
    `SELECT m.id FROM model m WHERE m.id = $1
       AND (NOT EXISTS (SELECT 1 FROM kit k WHERE k.model_id = m.id)
         OR EXISTS (SELECT 1 FROM kit k WHERE k.model_id = m.id AND k.branch_id = ANY($2)))`,
    [modelId, branchIds],
  )
  if (seen.length === 0) return null
  return selectRows(
    tx,
    `SELECT id, position, name, role, criticality, count, mass_g AS "massG", tolerance_g AS "toleranceG",
       weigh_group AS "weighGroup", together, place, look_every_time AS "lookEveryTime", look_for AS "lookFor",
       cost_minor AS "costMinor", consumable, optics
     FROM model_part WHERE model_id = $1 ORDER BY position`,
    [modelId],
  )
}
