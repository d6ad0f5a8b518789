import type { Phase } from '../procedures/procedure.ts'
import { judgedReading, type Judged, type KeptReading } from './kept-reading.ts'

/** One step of putting together, run through at the bench. */
export interface StepFinding {
  readonly key: string
  readonly phase: Phase
  readonly asFound: Judged
  readonly asLeft: Judged
}

/** How long the tube trembles after a tap, before and after what was loose was tightened. */
export interface ShakeReading {
  readonly asFoundS: number
  readonly asLeftS: number
  readonly way: 'sensor' | 'stopwatch' | 'video'
}

/** A good stand is still within two seconds of a tap, a usable one within three. Common practice, no source. */
export const SHAKE_LIMITS_S = { limit: 3, good: 2 } as const

const assembled: readonly Exclude<Phase, 'unpack'>[] = ['stand', 'mount', 'tube', 'fit-out']

export function assemblyReadings(steps: readonly StepFinding[]): readonly KeptReading[] {
  return assembled.flatMap((phase) => {
    const own = steps.filter((step) => step.phase === phase)
    if (own.length === 0) return []
    const fine = (pick: (step: StepFinding) => Judged) => own.every((step) => pick(step) === 'fine')
    return [
      judgedReading(
        phase,
        fine(({ asFound }) => asFound),
        fine(({ asLeft }) => asLeft),
      ),
    ]
  })
}

export function shakeReadings(shake: ShakeReading | null): readonly KeptReading[] {
  if (!shake) return []
  const { asFoundS, asLeftS, way } = shake
  const source = way === 'stopwatch' ? 'typed' : 'measured'
  const { limit, good } = SHAKE_LIMITS_S
  return [{ kind: 'shake', asFound: asFoundS, asLeft: asLeftS, limit, good, unit: 's', source }]
}
