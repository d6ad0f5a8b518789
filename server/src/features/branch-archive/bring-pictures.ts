import { createWriteStream } from 'node:fs'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { buffer } from 'node:stream/consumers'
import { pipeline } from 'node:stream/promises'
import type { BroughtPictures, Session } from '@binoculum/contract'
import { openPromise, type Entry, type ZipFile } from 'yauzl'
import { coordinatorOnly, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import { Problem } from '../../platform/errors.ts'
import { makePicture, Picture } from '../contents/service.ts'
import { idInBranch } from './bring-in.ts'
import * as queries from './queries.ts'

const MOST_PICTURE_BYTES = 15_000_000
const MOST_TOLD = 20
const NAME = /^([0-9a-f-]{36})\.jpe?g$/i

/** Pictures of an archive that came in before: only those that are waited for are looked at, each read and written anew as
 * any picture is. */
export class BringPictures {
  constructor(private readonly context: Context) {}

  async read(session: Session, branchId: string, file: Readable): Promise<BroughtPictures> {
    requireRole(session, branchId, coordinatorOnly)
    const folder = await mkdtemp(join(tmpdir(), 'binoculum-zip-'))
    try {
      const path = join(folder, 'pictures.zip')
      await pipeline(file, createWriteStream(path))
      return await this.unpack(branchId, await opened(path))
    } finally {
      await rm(folder, { recursive: true, force: true })
    }
  }

  private async unpack(branchId: string, zip: ZipFile): Promise<BroughtPictures> {
    const tx = this.context.database.reader
    let pictures = 0
    const leftOut: string[] = []
    try {
      for await (const entry of zip.eachEntry()) {
        if (await this.take(branchId, zip, entry)) pictures++
        else if (leftOut.length < MOST_TOLD) leftOut.push(entry.fileName.slice(0, 120))
      }
    } catch (error) {
      throw error instanceof Problem ? error : new Problem('NOT_A_ZIP')
    } finally {
      zip.close()
    }
    return { pictures, leftOut, stillMissing: await queries.picturesMissing(tx, branchId) }
  }

  /** @returns whether it was waited for and is a picture */
  private async take(branchId: string, zip: ZipFile, entry: Entry): Promise<boolean> {
    const [, old] = NAME.exec(entry.fileName) ?? []
    if (!old || entry.uncompressedSize > MOST_PICTURE_BYTES) return false
    const tx = this.context.database.reader
    const id = idInBranch(branchId, old)
    if (!(await queries.pictureWaits(tx, branchId, id))) return false
    try {
      const { bytes, ...size } = await makePicture(await buffer(await zip.openReadStreamPromise(entry)))
      await tx.update(Picture, { id, branchId }, { bytes: Buffer.from(bytes), ...size })
      return true
    } catch (error) {
      if (error instanceof Problem && error.code === 'NOT_A_PICTURE') return false
      throw error
    }
  }
}

const opened = (path: string): Promise<ZipFile> =>
  openPromise(path, { lazyEntries: true, autoClose: false }).catch(() => {
    throw new Problem('NOT_A_ZIP')
  })
