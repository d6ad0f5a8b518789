import type { KitSheet, OwnFinder, ReadingView } from '@binoculum/contract'
import { balanceRoles } from '@binoculum/core'
import { selectRows, type Tx } from '../../platform/database.ts'

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
  /** How likely its mirror lies beyond the limit by now, by what loans did before; null where no loan went since a look. */
  readonly drift: { readonly chance: number; readonly loans: number } | null
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

const FIELD = '\u001f'
const RECORD = '\u001e'

/** A kit's readings as one text of records and fields: 2,500 of them as rows cost twice as much to receive, as JSON four
 * times as much to make. Names can't break it: both signs are taken out of them. */
const packedReadings = `string_agg(concat_ws('${FIELD}', r.kind, coalesce(r.as_found::text, ''), r.as_left,
    r.limit_value, coalesce(r.good::text, ''), r.unit, r.source,
    to_char(r.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'),
    translate(s.name, '${FIELD}${RECORD}', ''), coalesce(r.uncertainty::text, '')), '${RECORD}')`

const readingsSql = (where: string) => `
  SELECT r.kit_id AS "kitId", ${packedReadings} AS packed
  FROM reading r JOIN kit k ON k.id = r.kit_id JOIN staff s ON s.id = r.by_staff_id
  WHERE r.current AND ${where} GROUP BY r.kit_id`

/** The same of one kit, beside its row. */
const readingsOfRow = `(SELECT ${packedReadings} FROM reading r JOIN staff s ON s.id = r.by_staff_id
    WHERE r.kit_id = k.id AND r.current)`

interface PackedReadings {
  readonly kitId: string
  readonly packed: string
}

/** Everything of a kit by lateral joins through an index: with grouped subqueries the planner, not knowing their size,
 * compared each with each, and a join to the parts read those of every kit there is. */
const shelfSql = (where: string, besides = 'NULL AS packed') => `
  WITH parts AS MATERIALIZED (
    SELECT k.id AS kit_id, own.* FROM kit k JOIN model m ON m.id = k.model_id CROSS JOIN LATERAL (SELECT count(*)::int AS n,
      json_agg(json_build_object('position', p.position, 'name', p.name, 'role', p.role,
        'criticality', p.criticality, 'count', p.count, 'mark', p.mark, 'seenAtUtc', p.seen_at))
        FILTER (WHERE p.mark <> 'present' OR p.role IN ('screw-in-sun-filter', 'laser', 'front-filter')) AS off,
      (json_agg(json_build_object('optics', p.optics, 'name', p.name, 'role', p.role, 'mark', p.mark))
        FILTER (WHERE p.optics <> '{}' OR p.role = 'barrel-adapter'))::text AS power,
      (json_agg(json_build_object('id', p.position::text, 'name', p.name, 'role', p.role, 'count', p.count,
        'mark', p.mark, 'massG', p.mass_g, 'toleranceG', p.tolerance_g) ORDER BY p.position)
        -- The role first: asked of every part, the mount's description was read thirty times a kit.
        FILTER (WHERE p.role IN (${balanceRolesSql}) AND m.mount->>'equatorial' IS NOT NULL))::text AS riding
    FROM part p WHERE p.kit_id = k.id) own WHERE ${where}
  )
  SELECT k.id, k.branch_id AS "branchId", br.name AS "branchName", br.zone, br.emergency_line AS "emergencyLine",
    br.currency, ${firstOf('k.branch_id', 'br.policies::text')} AS "policiesJson", k.code, k.name, k.place, k.stands_at AS "standsAt",
    k.collimation_policy AS "collimationPolicy", array_to_json(k.hazards)::text AS hazards, k.version, k.model_id AS "modelId",
    m.name AS "modelName", m.family,
    ${firstOf('k.model_id', 'm.optics::text')} AS "opticsJson", md5(parts.power) AS "powerKey", coalesce(parts.n, 0) AS "partCount", coalesce(parts.off::text, '[]') AS "offParts", k.head_moment_gmm AS "headMomentGmm",
    ${firstOf('k.model_id', "CASE WHEN m.mount->>'equatorial' IS NULL THEN 'null' ELSE m.mount::text END")} AS "mountJson",
    md5(parts.riding) AS "ridingKey", ${firstOf('md5(parts.riding)', 'parts.riding')} AS "ridingPartsJson",
    ${firstOf('md5(parts.power)', 'parts.power')} AS "powerPartsJson", coalesce(jobs.list::text, '[]') AS jobs, coalesce(extras.list::text, '[]') AS extras,
    ${besides}, out_loan.loan::text AS loan, next_loan.next::text AS next,
    CASE WHEN d.loans_since > 0 AND cardinality(d.chance_after) > 0 THEN json_build_object(
      'chance', d.chance_after[least(d.loans_since, cardinality(d.chance_after))], 'loans', d.loans_since)::text END AS drift
  FROM kit k
  LEFT JOIN parts ON parts.kit_id = k.id
  JOIN model m ON m.id = k.model_id
  JOIN branch br ON br.id = k.branch_id
  LEFT JOIN kit_drift d ON d.kit_id = k.id
  CROSS JOIN LATERAL (
    SELECT json_agg(json_build_object('id', j.id, 'code', j.code, 'text', j.text, 'openedAtUtc', j.opened_at,
        'notBeforeUtc', j.not_before)
      -- Of one moment: what was reported or knocked before the wish that somebody looks.
      ORDER BY j.opened_at, j.code DESC, j.text) AS list
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

const unpacked = (packed: string): readonly ReadingView[] =>
  // In one order every time: the kind stands first.
  packed
    .split(RECORD)
    .sort()
    .map((record) => {
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

/** What a row holds as JSON. */
const jsonFields = ['hazards', 'offParts', 'jobs', 'extras', 'loan', 'next', 'drift'] as const
type JsonField = (typeof jsonFields)[number]

/** A kit as it is stored, in words and numbers only: so much is compared before any of it is read. */
export type StoredKit = Omit<ShelfRow, 'readings' | JsonField> & {
  readonly [Field in JsonField]: string | null
} & {
  readonly powerKey: string | null
  readonly ridingKey: string | null
  /** Its readings, as `unpacked` reads them. */
  readonly packed: string | null
}

type SharedField = 'opticsJson' | 'policiesJson' | 'powerPartsJson' | 'mountJson' | 'ridingPartsJson'
/** As it travels: a text that many kits share stands in the first of them. */
type KitRow = Omit<StoredKit, SharedField | 'packed'> & { readonly [Field in SharedField]: string | null } & {
  packed: string | null
}

const mountOf = (modelId: string) => `mount ${modelId}`

/** Kits with their readings in two queries side by side, however many kits there are. */
async function storedKits(tx: Tx, where: string, value: unknown): Promise<StoredKit[]> {
  const [kits, readings] = await Promise.all([
    selectRows<KitRow>(tx, shelfSql(where), [value]),
    selectRows<PackedReadings>(tx, readingsSql(where), [value]),
  ])
  const packedOf = new Map(readings.map(({ kitId, packed }) => [kitId, packed]))
  for (const kit of kits) kit.packed = packedOf.get(kit.id) ?? null
  return withShared(kits)
}

function withShared(kits: readonly KitRow[]): StoredKit[] {
  const shared = new Map<string, string>()
  for (const { modelId, branchId, powerKey, ridingKey, ...kit } of kits) {
    if (kit.opticsJson !== null) shared.set(modelId, kit.opticsJson)
    if (kit.mountJson !== null) shared.set(mountOf(modelId), kit.mountJson)
    if (kit.policiesJson !== null) shared.set(branchId, kit.policiesJson)
    if (ridingKey !== null && kit.ridingPartsJson !== null) shared.set(ridingKey, kit.ridingPartsJson)
    if (powerKey !== null && kit.powerPartsJson !== null) shared.set(powerKey, kit.powerPartsJson)
  }
  // Rows of one answer are nobody else's yet: copied, five hundred of them took as long as the rest of this.
  return kits.map((kit) =>
    Object.assign(kit, {
      opticsJson: shared.get(kit.modelId) ?? '{}',
      policiesJson: shared.get(kit.branchId) ?? '{}',
      powerPartsJson: shared.get(kit.powerKey ?? '') ?? '[]',
      mountJson: shared.get(mountOf(kit.modelId)) ?? 'null',
      ridingPartsJson: shared.get(kit.ridingKey ?? '') ?? '[]',
    }),
  )
}

/** A stored kit, read. */
export function readKit({ packed, powerKey: _power, ridingKey: _riding, ...stored }: StoredKit): ShelfRow {
  const read = Object.fromEntries(jsonFields.map((field) => [field, JSON.parse(stored[field] ?? 'null')]))
  return {
    ...stored,
    ...(read as Pick<ShelfRow, JsonField>),
    readings: packed === null ? [] : unpacked(packed),
  }
}

export const kitsOfBranches = (reader: Tx, branchIds: readonly string[]): Promise<StoredKit[]> =>
  storedKits(reader, 'k.branch_id = ANY($1)', branchIds)

/** What a kit's model says, and what is written on the kit itself. */
export interface ModelOfKit {
  readonly weighGroups: { name: string; scaleStepG: number }[]
  readonly mount: unknown
  readonly mirror: unknown
  readonly finder: unknown
  readonly stand: unknown
  readonly details: KitSheet['details']
  readonly ownFinder: OwnFinder | null
  readonly procedure: unknown
}

/** One kit, with its model. */
export interface OneKit extends ShelfRow {
  readonly model: ModelOfKit
}

const modelOfRow = `json_build_object('weighGroups', m.weigh_groups, 'mount', m.mount, 'mirror', m.mirror,
    'finder', m.finder, 'stand', m.stand, 'procedure', m.procedure, 'ownFinder', k.own_finder,
    'details', json_build_object('owner', k.owner, 'serialNumber', k.serial_number, 'priceMinor', k.price_minor,
      'note', k.note))`

async function oneKit(tx: Tx, where: string, value: string): Promise<OneKit | null> {
  const sql = shelfSql(where, `${readingsOfRow} AS packed, ${modelOfRow} AS model`)
  const [kit] = await selectRows<KitRow & Pick<OneKit, 'model'>>(tx, sql, [value])
  const [stored] = kit ? withShared([kit]) : []
  return kit && stored ? { ...readKit(stored), model: kit.model } : null
}

export const kitByCode = (tx: Tx, code: string) => oneKit(tx, 'upper(k.code) = upper($1)', code)

export const kitById = (tx: Tx, kitId: string) => oneKit(tx, 'k.id = $1', kitId)
