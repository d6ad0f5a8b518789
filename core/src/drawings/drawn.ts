import type { DrawnPath } from './solid.ts'

export interface DrawnText {
  readonly kind: 'text'
  readonly x: number
  readonly y: number
  readonly text: string
  readonly look: string
}

/** What stands in a circle, cut off at its rim. */
export interface DrawnCircle {
  readonly kind: 'circle'
  readonly x: number
  readonly y: number
  readonly radiusPx: number
  readonly items: readonly (DrawnPath | DrawnText)[]
}

export type DrawnItem = DrawnPath | DrawnText | DrawnCircle
