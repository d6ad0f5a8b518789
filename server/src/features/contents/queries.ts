import { selectRows, type Tx } from '../../platform/database.ts'

/** Which of these kit codes are in use, in any branch: codes stand on labels and must be unique. */
export async function takenCodes(tx: Tx, codes: readonly string[]): Promise<ReadonlySet<string>> {
  const sql = 'SELECT upper(code) AS code FROM kit WHERE upper(code) = ANY($1)'
  const rows = await selectRows<{ code: string }>(tx, sql, [codes.map((code) => code.toUpperCase())])
  return new Set(rows.map(({ code }) => code))
}
