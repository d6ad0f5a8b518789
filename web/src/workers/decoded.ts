import { MOST_PIXELS, type Picture } from '@binoculum/core'
import { imageSize } from 'image-size'

/** The file's pixels, upright, at most so many along the longer side: its header is read first, so that a bomb is never unpacked. */
export async function decoded(file: Blob, longestPx = Infinity): Promise<Picture | 'not-a-picture' | 'too-large'> {
  try {
    const { width, height } = imageSize(new Uint8Array(await file.arrayBuffer()))
    if (width * height > MOST_PIXELS) return 'too-large'
    const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' })
    const scale = Math.min(1, longestPx / Math.max(bitmap.width, bitmap.height))
    const [widthPx, heightPx] = [Math.round(bitmap.width * scale), Math.round(bitmap.height * scale)]
    const canvas = new OffscreenCanvas(widthPx, heightPx)
    const context = canvas.getContext('2d', { willReadFrequently: true })
    if (!context) return 'not-a-picture'
    context.imageSmoothingQuality = 'high'
    context.drawImage(bitmap, 0, 0, widthPx, heightPx)
    const { data } = context.getImageData(0, 0, widthPx, heightPx)
    bitmap.close()
    return { widthPx, heightPx, rgba: data }
  } catch {
    return 'not-a-picture'
  }
}
