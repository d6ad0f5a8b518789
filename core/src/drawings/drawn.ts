import type { DrawnCircle } from './close-ups.ts'
import type { DrawnLabel } from './labels.ts'
import type { DrawnPath } from './solid.ts'

export interface DrawnText {
  readonly kind: 'text'
  readonly x: number
  readonly y: number
  readonly text: string
  readonly look: string
}
export type DrawnItem = DrawnPath | DrawnText | DrawnCircle
export interface StepPicture {
  readonly widthPx: number
  readonly heightPx: number
  readonly items: readonly DrawnItem[]
  /** Words beside the picture. */
  readonly labels: readonly DrawnLabel[]
}
