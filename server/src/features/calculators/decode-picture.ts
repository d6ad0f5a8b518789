import { type Picture } from '@binoculum/core'
import sharp from 'sharp'

/** The most that is ever decoded; 100 megapixels and more are refused by the header alone. */
export const MOST_DECODED_PIXELS = 64_000_000

export class NotAPicture extends Error {}

/** A file's pixels, upright as its camera held it, made smaller where a longest side is given. @throws NotAPicture for anything else, or one larger than the bound */
export async function decodePicture(bytes: Uint8Array, longestPx?: number): Promise<Picture> {
  try {
    const image = sharp(bytes, { limitInputPixels: MOST_DECODED_PIXELS, failOn: 'error', pages: 1 })
    const { format } = await image.metadata()
    if (format !== 'jpeg' && format !== 'png' && format !== 'webp')
      throw new NotAPicture('A JPEG or PNG picture is wanted.')
    const { data, info } = await image
      .rotate()
      .resize(longestPx ? { width: longestPx, height: longestPx, fit: 'inside', withoutEnlargement: true } : {})
      .toColourspace('srgb')
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true })
    return {
      widthPx: info.width,
      heightPx: info.height,
      rgba: new Uint8Array(data.buffer, data.byteOffset, data.length),
    }
  } catch (error) {
    if (error instanceof NotAPicture) throw error
    throw new NotAPicture('This is no picture that can be read, or it is larger than 64 megapixels.', {
      cause: error,
    })
  }
}
