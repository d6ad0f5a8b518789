import type { Solid, Vector3 } from './solid.ts'

/** A drawn kit: its solids, the places that movements and circles refer to, and its directions. */
export interface KitPlaces {
  readonly solids: readonly Solid[]
  readonly at: Readonly<Partial<Record<PlaceName, Vector3>>>
  /** Where the tube points. */
  readonly tube: Vector3
  /** Away from the mount, square to the tube. */
  readonly eyepieceOut: Vector3
  /** Middle of its movement, and its two axes. */
  readonly pivot: Vector3
  readonly axes: readonly [Vector3, Vector3]
  /** Highest point, for the framing. */
  readonly topMm: number
}

export type PlaceName =
  | 'tray'
  | 'head'
  | 'latitude'
  | 'rods'
  | 'weight'
  | 'rings'
  | 'clamp'
  | 'handle'
  | 'finder'
  | 'open-end'
  | 'low-end'
  | 'eyepiece'
  | 'diagonal'
  | 'base'
  | 'knob'
  | 'slide-rods'
  | 'controller'

export const topOf = (solids: readonly Solid[]): number =>
  Math.max(...solids.flatMap(({ points }) => points.map(([, y]) => y)))
