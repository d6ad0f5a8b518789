import { selectRows, type Tx } from '../../platform/database.ts'
import type { SiteRow } from './entities.ts'

const columns = `s.id, s.branch_id AS "branchId", s.name, s.zone, s.latitude_deg AS "latitudeDeg",
  s.longitude_deg AS "longitudeDeg", s.height_m AS "heightM", s.needle_deg AS "needleDeg",
  s.needle_on::text AS "needleOn", s.sky, s.version`

export const sitesOf = (tx: Tx, branchIds: readonly string[]): Promise<(SiteRow & { branchName: string })[]> =>
  selectRows(
    tx,
    `SELECT ${columns}, b.name AS "branchName" FROM site s JOIN branch b ON b.id = s.branch_id
     WHERE s.branch_id = ANY($1) ORDER BY s.name`,
    [branchIds],
  )

export async function lockSite(tx: Tx, id: string): Promise<SiteRow | null> {
  return (await selectRows<SiteRow>(tx, `SELECT ${columns} FROM site s WHERE s.id = $1 FOR UPDATE`, [id]))[0] ?? null
}
