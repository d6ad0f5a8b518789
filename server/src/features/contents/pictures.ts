import { randomUUID } from 'node:crypto'
import type { Session } from '@binoculum/contract'
import { branchIdsOf, deskRoles, requireRole } from '../../platform/access.ts'
import { runBounded } from '../../platform/bounded-worker.ts'
import type { Context } from '../../platform/context.ts'
import { selectRows, type Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { pictureWorker, type PictureMade } from './workers.ts'
import { Picture } from './entities.ts'

const BOUNDS = { timeoutMs: 15_000, memoryMb: 256 }

/** The picture as it is kept. @throws Problem NOT_A_PICTURE, TOO_LONG */
export const makePicture = (bytes: Buffer): Promise<PictureMade> => runBounded(pictureWorker, bytes, BOUNDS)

/** Keeps a picture that a stranger sent, already made small and bare, in the caller's transaction. */
export async function keepBorrowersPicture(
  tx: Tx,
  branchId: string,
  picture: PictureMade,
  at: Date,
): Promise<string> {
  const { widthPx, heightPx, bytes: made } = picture
  const id = randomUUID()
  await tx.insert(Picture, { id, branchId, bytes: Buffer.from(made), widthPx, heightPx, byStaffId: null, at })
  return id
}

/** Pictures that a write newly names must be there, and of a branch that it is for. @throws Problem BAD_INPUT */
export async function requireOwnPictures(
  tx: Tx,
  branchIds: readonly string[],
  ids: readonly string[],
  path: string,
): Promise<void> {
  if (ids.length === 0) return
  const wanted = [...new Set(ids)]
  const [found] = await selectRows<{ n: number }>(
    tx,
    'SELECT count(*)::int AS n FROM picture WHERE id = ANY($1) AND branch_id = ANY($2)',
    [wanted, branchIds],
  )
  if (found?.n === wanted.length) return
  throw new Problem('BAD_INPUT', { issues: [{ path, message: 'names a picture that isn’t here; take it again' }] })
}

/** A kept picture, for whoever was asked before whether they may see it. @throws Problem NOT_FOUND */
export async function pictureBytes(tx: Tx, id: string): Promise<Buffer> {
  const picture = await tx.findOneBy(Picture, { id })
  // One that an archive named and whose bytes haven't come yet is none.
  if (!picture?.bytes.length) throw new Problem('NOT_FOUND')
  return picture.bytes
}

/** Pictures of parts: made small and bare on the way in, kept in the database. */
export class Pictures {
  constructor(private readonly context: Context) {}

  async keep(session: Session, branchId: string, bytes: Buffer): Promise<{ id: string }> {
    requireRole(session, branchId, deskRoles)
    const made = await makePicture(bytes)
    const id = randomUUID()
    const { widthPx, heightPx } = made
    const at = this.context.clock()
    await this.context.database.reader.insert(Picture, {
      id,
      branchId,
      bytes: Buffer.from(made.bytes),
      widthPx,
      heightPx,
      byStaffId: session.staffId,
      at,
    })
    return { id }
  }

  async read(session: Session, id: string): Promise<Buffer> {
    const picture = await this.context.database.reader.findOneBy(Picture, { id })
    // One that an archive named and whose bytes haven't come yet is none.
    if (!picture?.bytes.length || !branchIdsOf(session).includes(picture.branchId)) throw new Problem('NOT_FOUND')
    return picture.bytes
  }
}
