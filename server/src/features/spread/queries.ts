import type { Spreads } from '@binoculum/contract'
import { selectRows, type Tx } from '../../platform/database.ts'

export const spreadViews = (tx: Tx, branchId: string): Promise<Spreads['spreads']> =>
  selectRows(
    tx,
    `SELECT p.id, p.origin, to_char(p.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') AS "readAtUtc", s.name AS by,
       jsonb_array_length(p.losses) AS kinds, jsonb_array_length(p.drift) AS classes,
       (SELECT coalesce(sum((each->>'pieceLoans')::float8), 0) FROM jsonb_array_elements(p.losses) each) AS "pieceLoans",
       (SELECT coalesce(sum((each->>'pairs')::float8), 0) FROM jsonb_array_elements(p.drift) each) AS pairs
     FROM spread p JOIN staff s ON s.id = p.by_staff_id WHERE p.branch_id = $1 ORDER BY p.at, p.id`,
    [branchId],
  )
