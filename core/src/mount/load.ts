import { requireNotNegative, requirePositive } from '../shared/require.ts'

export type LoadVerdict = 'good' | 'usable' | 'over'

/** Share of the rated load up to which a mount is called good: looking forgives more than exposing. Common practice, no
 * source. */
export const goodLoadFraction: Readonly<Record<'visual' | 'exposure', number>> = { visual: 0.9, exposure: 0.6 }

/** What a mount carries against what it is rated for. Counterweights don't count in rated loads; leave them out.
 * @returns good up to 0.9 (visual) or 0.6 (exposure) of the rated load, usable up to it, over beyond
 * Source: common practice, no source */
export function mountLoad(input: {
  readonly parts: readonly { readonly massG: number }[]
  readonly ratedLoadG: number
  readonly use: 'visual' | 'exposure'
}): {
  readonly loadG: number
  readonly fractionOfRated: number
  readonly verdict: LoadVerdict
  readonly marginG: number
} {
  requirePositive({ ratedLoadG: input.ratedLoadG })
  const loadG = input.parts.reduce((sum, { massG }, index) => {
    requireNotNegative({ [`parts.${index}.massG`]: massG })
    return sum + massG
  }, 0)
  const fractionOfRated = loadG / input.ratedLoadG
  const verdict = fractionOfRated > 1 ? 'over' : fractionOfRated > goodLoadFraction[input.use] ? 'usable' : 'good'
  return { loadG, fractionOfRated, verdict, marginG: input.ratedLoadG - loadG }
}
