import {
  measurePhoto,
  MOST_PIXELS,
  starTest,
  type MeasuredPhoto,
  type MeasurePhotoInput,
  type Picture,
  type StarTested,
  type StarTestInput,
} from '@binoculum/core'
import { expose } from 'comlink'
import { imageSize } from 'image-size'

export type PhotoAnswer<T> =
  | { readonly ok: true; readonly value: T; readonly widthPx: number; readonly heightPx: number }
  | { readonly ok: false; readonly reason: 'not-a-picture' | 'too-large' }

/** The file's pixels, upright: its header is read first, so that a bomb is never unpacked. */
async function decoded(file: Blob): Promise<Picture | 'not-a-picture' | 'too-large'> {
  try {
    const { width, height } = imageSize(new Uint8Array(await file.arrayBuffer()))
    if (width * height > MOST_PIXELS) return 'too-large'
    const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' })
    const canvas = new OffscreenCanvas(bitmap.width, bitmap.height)
    const context = canvas.getContext('2d', { willReadFrequently: true })
    if (!context) return 'not-a-picture'
    context.drawImage(bitmap, 0, 0)
    const { data } = context.getImageData(0, 0, bitmap.width, bitmap.height)
    const picture = { widthPx: bitmap.width, heightPx: bitmap.height, rgba: data }
    bitmap.close()
    return picture
  } catch {
    return 'not-a-picture'
  }
}

const DECODED_SHARE = 0.3

const work = {
  async photo(
    file: Blob,
    given: Omit<MeasurePhotoInput, 'image'>,
    onProgress: (fraction: number) => void,
  ): Promise<PhotoAnswer<MeasuredPhoto>> {
    const image = await decoded(file)
    if (typeof image === 'string') return { ok: false, reason: image }
    onProgress(DECODED_SHARE)
    const value = measurePhoto({ ...given, image }, (done) => onProgress(DECODED_SHARE + (1 - DECODED_SHARE) * done))
    return { ok: true, value, widthPx: image.widthPx, heightPx: image.heightPx }
  },
  async star(
    file: Blob,
    other: Blob | null,
    given: Omit<StarTestInput, 'image' | 'otherSide'>,
  ): Promise<PhotoAnswer<StarTested>> {
    const image = await decoded(file)
    const otherSide = other ? await decoded(other) : undefined
    if (typeof image === 'string') return { ok: false, reason: image }
    if (typeof otherSide === 'string') return { ok: false, reason: otherSide }
    const value = starTest({ ...given, image, otherSide })
    return { ok: true, value, widthPx: image.widthPx, heightPx: image.heightPx }
  },
}
export type MeasurePhotoWork = typeof work
expose(work)
