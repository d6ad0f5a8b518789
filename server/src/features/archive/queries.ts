import { selectRows, type Tx } from '../../platform/database.ts'

const templateColumns = (alias: string) => `${alias}.name, ${alias}.role, ${alias}.criticality, ${alias}.count,
  ${alias}.mass_g AS "massG", ${alias}.tolerance_g AS "toleranceG", ${alias}.weigh_group AS "weighGroup", ${alias}.place,
  ${alias}.look_every_time AS "lookEveryTime", ${alias}.look_for AS "lookFor", ${alias}.cost_minor AS "costMinor",
  ${alias}.consumable, ${alias}.optics, ${alias}.together`

type Row = Record<string, unknown> & { readonly id: string }

/** Everything of a branch's contents, in the order of its codes and cards. */
export async function archiveRows(tx: Tx, branchId: string) {
  const rows = <T>(sql: string) => selectRows<T>(tx, sql, [branchId])
  const ofKits = 'SELECT id FROM kit WHERE branch_id = $1'
  const ofSites = 'SELECT id FROM site WHERE branch_id = $1'
  const ofModels = 'SELECT model_id FROM kit WHERE branch_id = $1'
  const [branch] = await rows<{ name: string; zone: string; currency: string }>(
    'SELECT name, zone, currency FROM branch WHERE id = $1',
  )
  return {
    branch,
    models: await rows<Row>(
      `SELECT id, name, family, optics, mount, mirror, finder, stand, procedure, weigh_groups AS "weighGroups" FROM model WHERE id IN (${ofModels}) ORDER BY name, id`,
    ),
    modelParts: await rows<Row & { modelId: string; pictureId: string | null }>(
      `SELECT p.id, p.model_id AS "modelId", p.picture_id AS "pictureId", ${templateColumns('p')}
       FROM model_part p JOIN model m ON m.id = p.model_id WHERE p.model_id IN (${ofModels}) ORDER BY m.name, m.id, p.position`,
    ),
    kits: await rows<Row & { modelId: string }>(
      `SELECT id, model_id AS "modelId", code, name, place, stands_at AS "standsAt",
         collimation_policy AS "collimationPolicy", hazards,
         jsonb_build_object('owner', owner, 'serialNumber', serial_number, 'priceMinor', price_minor, 'note', note) AS details,
         head_moment_gmm AS "headMomentGmm", own_finder AS "ownFinder" FROM kit WHERE branch_id = $1 ORDER BY code`,
    ),
    parts: await rows<Row & { kitId: string; modelPartId: string | null; pictureIds: string[]; seenAt: Date | null }>(
      `SELECT p.id, p.kit_id AS "kitId", p.model_part_id AS "modelPartId", p.weighed, p.mark,
         p.present_count AS "presentCount", p.seen_at AS "seenAt", p.note, p.wrong_item AS "wrongItem", p.picture_ids AS "pictureIds",
         ${templateColumns('p')}
       FROM part p JOIN kit k ON k.id = p.kit_id WHERE k.branch_id = $1 ORDER BY k.code, p.position`,
    ),
    extras: await rows<{ kitId: string; foundAt: Date }>(
      `SELECT kit_id AS "kitId", name, count, belongs_to AS "belongsTo", note, found_at AS "foundAt"
       FROM extra_part WHERE kit_id IN (${ofKits}) AND settled_at IS NULL ORDER BY found_at, name`,
    ),
    weighings: await rows<{ kitId: string; at: Date }>(
      `SELECT kit_id AS "kitId", weigh_group AS "group", measured_g AS "measuredG", scale_step_g AS "scaleStepG",
         container_g AS "containerG", expected_g AS "expectedG", source, at
       FROM weighing WHERE kit_id IN (${ofKits}) AND complete AND NOT outdated ORDER BY at, weigh_group`,
    ),
    readings: await rows<{ kitId: string; at: Date }>(
      `SELECT kit_id AS "kitId", kind, as_found AS "asFound", as_left AS "asLeft", limit_value AS "limitValue", good, unit,
         uncertainty, source, at FROM reading WHERE kit_id IN (${ofKits}) AND current ORDER BY kind`,
    ),
    jobs: await rows<{ kitId: string; partId: string | null; openedAt: Date; notBefore: Date | null }>(
      `SELECT kit_id AS "kitId", part_id AS "partId", code, text, note, to_char(due_on, 'YYYY-MM-DD') AS "dueOn",
         not_before AS "notBefore", opened_at AS "openedAt"
       FROM job WHERE kit_id IN (${ofKits}) AND closed_at IS NULL ORDER BY opened_at, code, text`,
    ),
    spares: await rows<Row>(
      `SELECT id, name, role, count, mass_g AS "massG", cost_minor AS "costMinor", note FROM spare
       WHERE branch_id = $1 ORDER BY name`,
    ),
    places: await rows<Row>(
      `SELECT id, name, zone, latitude_deg AS "latitudeDeg", longitude_deg AS "longitudeDeg", height_m AS "heightM",
         needle_deg AS "needleDeg", to_char(needle_on, 'YYYY-MM-DD') AS "needleOn", sky FROM site WHERE branch_id = $1 ORDER BY name`,
    ),
    landmarks: await rows<Row & { siteId: string; pictureId: string | null }>(
      `SELECT id, site_id AS "siteId", name, what, distance_m AS "distanceM", bearing_deg AS "bearingDeg",
         height_deg AS "heightDeg", source, latitude_deg AS "latitudeDeg", longitude_deg AS "longitudeDeg",
         picture_id AS "pictureId" FROM landmark WHERE site_id IN (${ofSites}) ORDER BY name`,
    ),
    guideTexts: await rows<{ modelId: string | null; kitCode: string | null; at: Date }>(
      `SELECT * FROM (
         SELECT DISTINCT ON (t.scope, t.model_id, t.kit_id, t.key, t.language, CASE WHEN t.key = '_words' THEN t.title END)
           t.scope, t.model_id AS "modelId", k.code AS "kitCode", t.key, t.language, t.title, t.text, t.reason, t.at
         FROM guide_text t LEFT JOIN kit k ON k.id = t.kit_id
         WHERE t.branch_id = $1 AND t.in_use AND (t.model_id IS NULL OR t.model_id IN (${ofModels}))
         ORDER BY t.scope, t.model_id, t.kit_id, t.key, t.language, CASE WHEN t.key = '_words' THEN t.title END, t.at DESC
       ) counting ORDER BY scope, key, language, title, at`,
    ),
    pictures: await rows<{ id: string; bytes: Buffer }>(
      // What borrowers sent and what the bench photographed belongs to a history, and stays here.
      `SELECT id, bytes FROM picture WHERE branch_id = $1 AND (
         id IN (SELECT unnest(picture_ids) FROM part WHERE kit_id IN (${ofKits}))
         OR id IN (SELECT picture_id FROM model_part WHERE model_id IN (${ofModels}))
         OR id IN (SELECT picture_id FROM landmark WHERE site_id IN (${ofSites}))) ORDER BY at, id`,
    ),
  }
}

export async function placeNames(tx: Tx, branchId: string): Promise<ReadonlySet<string>> {
  const rows = await selectRows<{ name: string }>(tx, 'SELECT name FROM site WHERE branch_id = $1', [branchId])
  return new Set(rows.map(({ name }) => name))
}
