import { Readable } from 'node:stream'
import { ZipFile } from 'yazl'
import { selectRows, type Database } from '../../platform/database.ts'
import { rowsAsText } from './rows-queries.ts'

/** A branch's pictures in one zip, each taken from the database when its turn comes. JPEGs don't get smaller: they are
 * put in as they are. */
export async function picturesAsZip(
  database: Database,
  { branchId, withBorrowers }: { readonly branchId: string; readonly withBorrowers: boolean },
): Promise<Readable> {
  const tx = database.reader
  const pictures = await selectRows<{ id: string; at: Date }>(
    tx,
    `SELECT row->>'id' AS id, (row->>'at')::timestamptz AS at
     FROM (SELECT row::jsonb AS row FROM (${rowsAsText(database.source, 'picture')}) lines) pictures`,
    [branchId, withBorrowers],
  )
  const zip = new ZipFile()
  for (const { id, at } of pictures)
    zip.addReadStreamLazy(`${id}.jpg`, { compress: false, mtime: at }, (give) => {
      selectRows<{ bytes: Buffer }>(tx, 'SELECT bytes FROM picture WHERE id = $1', [id]).then(
        ([row]) => give(null, Readable.from([row?.bytes ?? Buffer.alloc(0)])),
        (error: unknown) => give(error, Readable.from([])),
      )
    })
  zip.end()
  return Readable.from(zip.outputStream)
}
