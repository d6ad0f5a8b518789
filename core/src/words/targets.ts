import type { WantedPower } from '../sky/showpieces.ts'
import type { TargetsInput, Target, TargetWhy, Stretch } from '../sky/target-stretches.ts'
import { eveningTargets } from '../sky/targets.ts'

/** Why a target is sure, or what it hangs on. */
export const whyWords: Readonly<Record<TargetWhy, string>> = {
  'bright-in-any-sky': 'bright enough for any sky',
  'needs-dark-sky': 'wants a dark sky, away from lamps',
  'low-shadows': 'the Sun stands low over it, so its shadows are long',
  'moonlight-takes-some': 'dimmer than usual in this moonlight',
}

/** A power of the case, as an eyepiece is named by. */
export interface NamedPower {
  readonly name: string
  readonly magnification: number
}

/** A medium power shows most at half a magnification for each mm of aperture, a high one at one. Common practice. */
const wantedShare: Readonly<Record<Exclude<WantedPower, 'low'>, number>> = { medium: 0.5, high: 1 }

/** The case's powers for a target: always the lowest to find it, then the one nearest to what shows it best.
 * @param powers any order; those that the tube can't use left out by the caller */
export function powersFor(
  power: WantedPower,
  apertureMm: number,
  powers: readonly NamedPower[],
): readonly NamedPower[] {
  const [lowest, ...others] = [...powers].sort((a, b) => a.magnification - b.magnification)
  if (!lowest) return []
  if (power === 'low') return [lowest]
  const wanted = wantedShare[power] * apertureMm
  const off = ({ magnification }: NamedPower) => Math.abs(Math.log(magnification / wanted))
  const best = others.reduce((a, b) => (off(b) < off(a) ? b : a), lowest)
  return best === lowest ? [lowest] : [lowest, best]
}

/** Without a case's powers, as a power to aim at. */
function eyepieceWords(target: Target, apertureMm: number, powers: readonly NamedPower[] | undefined): string {
  if (powers && powers.length > 0)
    return powersFor(target.power, apertureMm, powers)
      .map(({ name }) => name)
      .join(', then ')
  return target.power === 'low'
    ? 'the lowest power'
    : `the lowest power, then about ${Math.round(wantedShare[target.power] * apertureMm)}×`
}

export interface SkyTargets {
  readonly targets: readonly {
    readonly name: string
    readonly kind: string
    readonly bestUtc: string
    readonly altitudeDeg: number
    readonly azimuthDeg: number
    readonly why: string
    readonly eyepiece: string
    readonly stretches: readonly Stretch[]
    readonly find: string
    readonly look: string
  }[]
  readonly fromUtc: string | null
  readonly untilUtc: string | null
  readonly reason: string | null
}

/** `eveningTargets` in words. @param input as there; powers: the case's own, for naming its eyepieces */
export function skyTargets(
  input: TargetsInput & { readonly powers?: readonly NamedPower[] | undefined },
): SkyTargets {
  const mostMagnification = input.powers?.length
    ? Math.max(...input.powers.map(({ magnification }) => magnification))
    : input.mostMagnification
  const { targets, fromUtc, untilUtc, reason } = eveningTargets({ ...input, mostMagnification })
  return {
    targets: targets.map((target) => {
      const { catalogue, kind, bestUtc, altitudeDeg, azimuthDeg, stretches, find, look } = target
      const name = catalogue === null ? target.name : `${target.name} (${catalogue})`
      const eyepiece = eyepieceWords(target, input.apertureMm, input.powers)
      return {
        name,
        kind,
        bestUtc,
        altitudeDeg,
        azimuthDeg,
        why: whyWords[target.why],
        eyepiece,
        stretches,
        find,
        look,
      }
    }),
    fromUtc,
    untilUtc,
    reason: reason && noTargetWords[reason],
  }
}

export const noTargetWords = {
  SUN_UP: 'The Sun doesn’t get low enough: nothing is safe or dark enough to look for.',
  NOTHING_SURE: 'Nothing good tonight: what is up is too low, or too faint for this sky.',
} as const
