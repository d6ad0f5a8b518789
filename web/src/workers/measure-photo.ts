import {
  madeUpView,
  measurePhoto,
  starJudge,
  starTest,
  type MeasuredPhoto,
  type MeasurePhotoInput,
  type StarJudged,
  type StarJudgeInput,
  type StarTested,
  type StarTestInput,
} from '@binoculum/core'
import { expose } from 'comlink'
import { decoded } from './decoded.ts'

export type PhotoAnswer<T> =
  | { readonly ok: true; readonly value: T; readonly widthPx: number; readonly heightPx: number }
  | { readonly ok: false; readonly reason: 'not-a-picture' | 'too-large' }

const DECODED_SHARE = 0.3
/** After as many views a picture takes what the next one will; by measuring. */
const MADE_UP = { views: 4, apertureMm: 114, focalLengthMm: 500, peepholeOutsideFocusMm: 12 }

let isAsked = false
const pictureOf = (file: Blob) => {
  isAsked = true
  return decoded(file)
}
/** Lets what was asked meanwhile come in. */
const afterOthers = () => new Promise((resolve) => setTimeout(resolve))

const work = {
  /** Reading a first picture takes twice as long as the next, since every step of it is compiled on the way: made-up ones are
   * read before, while nobody waits. A real one goes first. */
  async warmUp(): Promise<void> {
    const { views, ...optics } = MADE_UP
    const image = madeUpView()
    for (let view = 0; view < views && !isAsked; view += 1) {
      measurePhoto({ ...optics, image })
      await afterOthers()
    }
  },
  async photo(
    file: Blob,
    given: Omit<MeasurePhotoInput, 'image'>,
    onProgress: (fraction: number) => void,
  ): Promise<PhotoAnswer<MeasuredPhoto>> {
    const image = await pictureOf(file)
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
    const image = await pictureOf(file)
    const otherSide = other ? await pictureOf(other) : undefined
    if (typeof image === 'string') return { ok: false, reason: image }
    if (typeof otherSide === 'string') return { ok: false, reason: otherSide }
    const value = starTest({ ...given, image, otherSide })
    return { ok: true, value, widthPx: image.widthPx, heightPx: image.heightPx }
  },
  async lens(
    file: Blob,
    other: Blob | null,
    given: Omit<StarJudgeInput, 'image' | 'otherSide'>,
  ): Promise<PhotoAnswer<StarJudged>> {
    const image = await pictureOf(file)
    const otherSide = other ? await pictureOf(other) : undefined
    if (typeof image === 'string') return { ok: false, reason: image }
    if (typeof otherSide === 'string') return { ok: false, reason: otherSide }
    const value = starJudge({ ...given, image, otherSide })
    return { ok: true, value, widthPx: image.widthPx, heightPx: image.heightPx }
  },
}
export type MeasurePhotoWork = typeof work
expose(work)
