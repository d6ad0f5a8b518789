import {
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
  async lens(
    file: Blob,
    other: Blob | null,
    given: Omit<StarJudgeInput, 'image' | 'otherSide'>,
  ): Promise<PhotoAnswer<StarJudged>> {
    const image = await decoded(file)
    const otherSide = other ? await decoded(other) : undefined
    if (typeof image === 'string') return { ok: false, reason: image }
    if (typeof otherSide === 'string') return { ok: false, reason: otherSide }
    const value = starJudge({ ...given, image, otherSide })
    return { ok: true, value, widthPx: image.widthPx, heightPx: image.heightPx }
  },
}
export type MeasurePhotoWork = typeof work
expose(work)
