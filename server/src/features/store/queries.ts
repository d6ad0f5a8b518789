import type { ExtraPartView, Part } from '@binoculum/contract'
import { followUpCodes, jobCodes, jobFacts, type HazardCode } from '@binoculum/core'
import { insertMany } from '../../platform/bulk.ts'
import { changedRows, selectRows, type Tx } from '../../platform/database.ts'
import { CHANNEL } from '../../platform/live.ts'
import { Kit, Model, ModelPartRow, PartRow } from './entities.ts'

/** A part as its row has it; the wire says instants in words. */
export type PartOfKit = Omit<Part, 'seenAtUtc'> & { readonly seenAt: Date | null }

/** All parts of a kit in the order of its card, or the one asked for. */
export const partsOf = (tx: Tx, kitId: string, partId: string | null = null): Promise<PartOfKit[]> =>
  selectRows(
    tx,
    `SELECT id, position, name, role, criticality, count, present_count AS "presentCount", mass_g AS "massG",
       tolerance_g AS "toleranceG", weighed, weigh_group AS "weighGroup", together, place, mark, seen_at AS "seenAt", note, wrong_item AS "wrongItem", known_wear AS "knownWear",
       picture_ids AS "pictureIds", consumable, model_part_id AS "modelPartId", cost_minor AS "costMinor", optics,
       look_every_time AS "lookEveryTime", look_for AS "lookFor"
     FROM part WHERE kit_id = $1 AND ($2::uuid IS NULL OR id = $2) ORDER BY position`,
    [kitId, partId],
  )

/** Pictures that a kit's card, its case, its packing and its checks show belong to the branch that has the kit. */
export const movePictures = (tx: Tx, kitId: string, branchId: string): Promise<unknown> =>
  tx.query(
    `UPDATE picture SET branch_id = $2 WHERE branch_id <> $2 AND id IN (
       SELECT unnest(picture_ids) FROM part WHERE kit_id = $1
       UNION SELECT unnest(picture_ids) FROM extra_part WHERE kit_id = $1
       UNION SELECT picture_id FROM packing_picture WHERE kit_id = $1
       UNION SELECT picture_id FROM case_view WHERE kit_id = $1
       UNION SELECT (jsonb_path_query(stations, '$.**.pictureId ? (@ != null)') #>> '{}')::uuid FROM bench_check WHERE kit_id = $1)`,
    [kitId, branchId],
  )

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

/** A kit whose version was just counted up. */
export interface Claimed {
  readonly branchId: string
  readonly zone: string
  readonly version: number
}

/** Counts up and tells every screen in one statement. */
const bump = (tx: Tx, where: string, values: readonly unknown[]): Promise<Claimed[]> =>
  selectRows(
    tx,
    `WITH bumped AS (UPDATE kit SET version = version + 1 WHERE ${where} RETURNING id, branch_id, version),
       told AS MATERIALIZED (
         SELECT pg_notify('${CHANNEL}', json_build_object('kind', 'kit', 'kitId', id, 'branchId', branch_id,
           'version', version)::text) FROM bumped
       )
     SELECT b.branch_id AS "branchId", br.zone, b.version
     FROM bumped b JOIN branch br ON br.id = b.branch_id, (SELECT count(*) FROM told) said`,
    values,
  )

/** Counts the kit's version up if it is still the one seen; null when someone else was faster. */
export const claimKitVersion = async (tx: Tx, kitId: string, version: number): Promise<Claimed | null> =>
  (await bump(tx, 'id = $1 AND version = $2', [kitId, version]))[0] ?? null

/** Counts up the versions of many kits. */
export const bumpKitVersions = (tx: Tx, kitIds: readonly string[]) => bump(tx, 'id = ANY($1)', [kitIds])

/** Locks a kit for the rest of the transaction. */
export const lockKit = (tx: Tx, kitId: string) =>
  selectRows(tx, 'SELECT id FROM kit WHERE id = $1 FOR UPDATE', [kitId])

export const bumpKitVersion = (tx: Tx, kitId: string) => bump(tx, 'id = $1', [kitId])

export const addHazards = (tx: Tx, kitId: string, hazards: readonly HazardCode[]) =>
  changedRows(
    tx,
    `UPDATE kit SET hazards = ARRAY(SELECT DISTINCT unnest(hazards || $2::text[])) WHERE id = $1 RETURNING id`,
    [kitId, hazards],
  )

export const removeHazard = (tx: Tx, kitId: string, hazard: HazardCode) =>
  changedRows(tx, 'UPDATE kit SET hazards = array_remove(hazards, $2) WHERE id = $1 RETURNING id', [kitId, hazard])

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
  readonly partId: string
  readonly code: string
  readonly text: string
  readonly dueOn: string
}

/** Opens a follow-up for each of these parts unless one is open for it already. */
export async function openFollowUps(
  tx: Tx,
  of: { readonly kitId: string; readonly loanId: string | null; readonly ownerId: string | null; readonly at: Date },
  jobs: readonly NewFollowUp[],
): Promise<void> {
  if (jobs.length === 0) return
  await tx.query(
    `INSERT INTO job (id, kit_id, part_id, loan_id, code, text, owner_id, due_on, opened_at)
     SELECT gen_random_uuid(), $1, wanted.part_id, $2, wanted.code, wanted.text, $3, wanted.due_on, $4
     FROM unnest($5::uuid[], $6::text[], $7::text[], $8::date[]) AS wanted(part_id, code, text, due_on)
     WHERE NOT EXISTS (SELECT 1 FROM job WHERE part_id = wanted.part_id AND closed_at IS NULL AND code = ANY($9))`,
    [
      ...[of.kitId, of.loanId, of.ownerId, of.at],
      ...[jobs.map(({ partId }) => partId), jobs.map(({ code }) => code)],
      ...[jobs.map(({ text }) => text), jobs.map(({ dueOn }) => dueOn), followUpCodes],
    ],
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
export const outdateWeighings = (tx: Tx, kitId: string | readonly string[], groups: readonly string[] | 'all') =>
  changedRows(
    tx,
    `UPDATE weighing SET outdated = true WHERE kit_id = ANY($1) AND NOT outdated
       AND ($2::text[] IS NULL OR weigh_group = ANY($2) OR weigh_group = '') RETURNING id`,
    [[kitId].flat(), groups === 'all' ? null : groups],
  )

export async function kitWithCode(tx: Tx, code: string): Promise<{ id: string } | null> {
  return (await selectRows<{ id: string }>(tx, 'SELECT id FROM kit WHERE upper(code) = upper($1)', [code]))[0] ?? null
}

/** A model's card as a new kit takes it over; null for a model that is none of these branches', nor any of their kits'. */
export async function modelPartsForKit(
  tx: Tx,
  modelId: string,
  branchIds: readonly string[],
): Promise<({ id: string } & Record<string, unknown>)[] | null> {
  const seen = await selectRows(
    tx,
    `SELECT m.id FROM model m WHERE m.id = $1
       AND (m.branch_id = ANY($2) OR EXISTS (SELECT 1 FROM kit k WHERE k.model_id = m.id AND k.branch_id = ANY($2)))`,
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

/** Masses that a weighing of the kit itself gave its parts. */
export const keepMasses = (
  tx: Tx,
  parts: readonly { readonly id: string; readonly massG: number; readonly toleranceG: number }[],
) =>
  changedRows(
    tx,
    `UPDATE part SET mass_g = weighed.mass_g, tolerance_g = weighed.tolerance_g, weighed = true
     FROM unnest($1::uuid[], $2::float8[], $3::float8[]) AS weighed(id, mass_g, tolerance_g)
     WHERE part.id = weighed.id RETURNING part.id`,
    [parts.map(({ id }) => id), parts.map(({ massG }) => massG), parts.map(({ toleranceG }) => toleranceG)],
  )
