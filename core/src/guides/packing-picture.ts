import type { Said } from './said.ts'

/** How one place of the case, or the case at one step of packing, looks when it is right: this kit's own picture. */
export interface PackingPicture {
  /** `place tube well`, `step tube`. */
  readonly key: string
  readonly pictureId: string
  /** Which end lies where, what lies under what; may be empty. */
  readonly words: string
}

/** The same as a guide shows it. */
export interface LiesSo {
  readonly pictureId: string
  readonly words: Said
}
