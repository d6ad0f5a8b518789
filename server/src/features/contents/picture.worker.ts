import sharp from 'sharp'
import { isBareJpeg } from './bare-jpeg.ts'
import type { WorkerAnswer } from '../../platform/bounded-worker.ts'
import { answerEach } from '../../platform/worker-side.ts'

/** Longest side of a kept picture, and the most that is ever decoded. */
const KEPT_PX = 1600
const MOST_PIXELS = 40_000_000
const QUALITY = 80

export interface PictureMade {
  readonly bytes: Uint8Array
  readonly widthPx: number
  readonly heightPx: number
}

/** Turns the picture upright, makes it smaller and writes it anew as JPEG: place, camera and all else beside it is gone. */
async function make(bytes: Uint8Array): Promise<WorkerAnswer> {
  try {
    const image = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error', pages: 1 })
    const { format, width, height } = await image.metadata()
    if (!format || !['jpeg', 'png', 'webp', 'heif', 'gif'].includes(format))
      return { ok: false, code: 'NOT_A_PICTURE' }
    // What we wrote ourselves comes back from an archive: decoded once to be sure, and kept byte for byte.
    const isOurs = format === 'jpeg' && isBareJpeg(bytes) && Math.max(width, height) <= KEPT_PX
    if (isOurs) {
      await image.clone().stats()
      return { ok: true, value: { bytes, widthPx: width, heightPx: height } }
    }
    const { data, info } = await image
      .rotate()
      .resize(KEPT_PX, KEPT_PX, { fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: QUALITY })
      .toBuffer({ resolveWithObject: true })
    return { ok: true, value: { bytes: new Uint8Array(data), widthPx: info.width, heightPx: info.height } }
  } catch {
    return { ok: false, code: 'NOT_A_PICTURE' }
  }
}

answerEach(make)
