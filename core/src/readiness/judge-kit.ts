import type { Mark, Role } from '../contents/roles.ts'
import type { CantBalance } from '../mount/kit-balance.ts'
import { highestMagnification, powersOf, type OpticalPart, type Power, type Tube } from '../optics/powers.ts'
import { judgeReadiness } from './judge.ts'
import type { JudgeInput, Judgement, ModelUnknown, JudgedModel, ReadingSource, ReadingKind } from './judged.ts'

/** A reading as kept with a kit. */
export interface LeftReading {
  readonly kind: ReadingKind
  readonly asLeft: number
  readonly limit: number
  readonly uncertainty?: number | null | undefined
  readonly source: ReadingSource
  readonly atUtc: string
}

export interface KitState extends Omit<JudgeInput, 'model' | 'readings' | 'cantBalance'> {
  readonly family: JudgedModel['family']
  /** With what was only guessed of the model, where something was. */
  readonly optics: JudgedModel['optics'] & { readonly guessed?: readonly ModelUnknown[] | undefined }
  /** What its case gives, from `powersThere`. */
  readonly powers: readonly Power[]
  /** Whether its card says an eyepiece's focal length, there or missing. */
  readonly eyepieceKnown: boolean
  readonly readings: readonly LeftReading[]
  /** What its weight can't balance, from `cantBalance`; null where nobody measured the mount, or nothing hangs on a shaft. */
  readonly cantBalance: CantBalance | null
}

/** Powers of what is there: what is missing or wrong gives none. */
export const powersThere = (
  tube: Tube,
  parts: readonly {
    readonly name: string
    readonly role: Role
    readonly mark: Mark
    readonly optics: Omit<OpticalPart, 'name' | 'role'>
  }[],
): readonly Power[] =>
  powersOf(
    tube,
    parts
      .filter(({ mark }) => mark !== 'missing' && mark !== 'wrong')
      .map(({ name, role, optics }) => ({ ...optics, name, role })),
  )

/** The one maker of a judge's input: desk, bench and server judge a kit by this and nothing else.
 * @param kit as it stands, or as it would stand after what is on a screen @throws RangeError as `judgeReadiness` */
export function judgeKit({ family, optics, powers, eyepieceKnown, readings, ...kit }: KitState): Judgement {
  return judgeReadiness({
    ...kit,
    model: {
      family,
      optics,
      highestMagnification: highestMagnification(powers),
      unknown: [...(optics.guessed ?? []), ...(eyepieceKnown ? [] : (['eyepiece'] as const))],
    },
    // Field by field: spread, the readings of a full shelf took as long as judging them.
    readings: readings.map(({ kind, asLeft, limit, uncertainty, source, atUtc }) => ({
      kind,
      value: asLeft,
      limit,
      uncertainty,
      source,
      atUtc,
    })),
  })
}
