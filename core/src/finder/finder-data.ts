import type { FinderKnob } from './knobs.ts'
import type { Focusing } from './near-focus.ts'
import type { OpticalTrain, Train } from './seen.ts'

export const finderKinds = ['red-dot', 'two-screws', 'three-screws', 'four-screws', 'six-screws', 'peep'] as const
export type FinderKind = (typeof finderKinds)[number]

export const finderKindWords: Readonly<Record<FinderKind, string>> = {
  'red-dot': 'red dot, two knobs',
  'two-screws': 'two screws against a spring',
  'three-screws': 'three screws',
  'four-screws': 'four screws',
  'six-screws': 'two rings of three screws',
  peep: 'peep sight, nothing to turn',
}

/** What a model's finder and focuser are, as far as lining up needs it. */
export interface FinderData {
  readonly kind: FinderKind
  /** How the finder shows things. */
  readonly view: 'correct' | 'turned' | 'mirrored'
  readonly knobs: readonly FinderKnob[]
  /** Marks of the finder's own scale; null without one. */
  readonly arcminPerMark: number | null
  /** How the main tube shows things, and where its focuser or diagonal sticks out. */
  readonly tube: Train
  readonly focusing: Focusing
  readonly spareTravelMm: number | null
  readonly knownNearestM: number | null
}

const trainOf: Readonly<Record<FinderData['view'], OpticalTrain>> = {
  correct: 'correct',
  turned: 'straight',
  mirrored: 'mirror-diagonal',
}

/** The finder's own view as a train: a bent one sticks out upwards. */
export const finderTrain = ({ view }: Pick<FinderData, 'view'>): Train => ({ train: trainOf[view], outDeg: 0 })

const around = (names: readonly string[], firstDeg: number, arcminPerTurn: number): FinderKnob[] =>
  names.map((name, i) => ({
    name,
    angleDeg: (firstDeg + (360 / names.length) * i) % 360,
    arcminPerTurn,
    clockwise: 'towards' as const,
  }))

/**
 * Knobs as they usually are, until somebody measures or turns them: a screw that presses the finder's rear end away brings
 * its aim towards the screw's own side. Threads of 0.5 mm at 45 mm, 0.7 mm at 100 mm. Common practice, no source.
 */
export function usualKnobs(kind: FinderKind): FinderKnob[] {
  const RED_DOT = 38
  const BRACKET = 24
  switch (kind) {
    case 'red-dot':
      return [
        { name: 'Side knob', angleDeg: 90, arcminPerTurn: RED_DOT, clockwise: 'towards' },
        { name: 'Top knob', angleDeg: 0, arcminPerTurn: RED_DOT, clockwise: 'towards' },
      ]
    case 'two-screws':
      return [
        { name: 'Left screw', angleDeg: 315, arcminPerTurn: BRACKET, clockwise: 'towards' },
        { name: 'Right screw', angleDeg: 45, arcminPerTurn: BRACKET, clockwise: 'towards' },
      ]
    case 'three-screws':
      return around(['Top screw', 'Right screw', 'Left screw'], 0, BRACKET)
    case 'four-screws':
      return around(['Upper right', 'Lower right', 'Lower left', 'Upper left'], 45, BRACKET)
    // Only the rear ring is turned; the front one holds the middle.
    case 'six-screws':
      return around(['Rear top', 'Rear right', 'Rear left'], 0, BRACKET)
    case 'peep':
      return []
  }
}

/** A finder nobody described: as it usually is on a tube of this kind. */
export const usualFinder = (optics: {
  readonly kind: 'newtonian' | 'refractor' | 'maksutov'
  readonly finderOffsetMm: { readonly x: number; readonly y: number }
}): FinderData => ({
  kind: 'red-dot',
  view: 'correct',
  knobs: usualKnobs('red-dot'),
  arcminPerMark: null,
  tube: optics.kind === 'newtonian' ? { train: 'newtonian', outDeg: 90 } : { train: 'mirror-diagonal', outDeg: 0 },
  focusing: optics.kind === 'maksutov' ? 'moving-mirror' : 'drawtube',
  spareTravelMm: null,
  knownNearestM: null,
})
