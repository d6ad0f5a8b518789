import type { PackingPicture } from '@binoculum/core'
import { selectRows, type Tx } from '../../platform/database.ts'

export const picturesOf = (tx: Tx, kitId: string): Promise<PackingPicture[]> =>
  selectRows(tx, 'SELECT key, picture_id AS "pictureId", words FROM packing_picture WHERE kit_id = $1 ORDER BY key', [
    kitId,
  ])
