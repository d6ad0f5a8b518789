import { requireNotNegative, requirePositive } from '../shared/require.ts'

/** Good and usable, as shares of half the true field of the lowest-power eyepiece. Common practice, no source. */
const GOOD_FRACTION = 0.5
const USABLE_FRACTION = 1

export type FinderVerdict = 'good' | 'usable' | 'off'

/** Arcminutes up to which a finder still brings its object into the field: half the true field. */
export const usableMisalignmentArcmin = (trueFieldDeg: number): number => (trueFieldDeg * 60) / 2

/** Whether what stands in the finder will stand in the eyepiece.
 * @param input misalignmentArcmin ≥ 0; trueFieldDeg > 0 of the lowest-power eyepiece
 * @returns the misalignment as a fraction of half the field, and the verdict
 * @throws RangeError outside these intervals. Source: geometry; the two shares are common practice. */
export function finderVerdict(input: { readonly misalignmentArcmin: number; readonly trueFieldDeg: number }): {
  readonly fractionOfHalfField: number
  readonly verdict: FinderVerdict
} {
  const { misalignmentArcmin, trueFieldDeg } = input
  requireNotNegative({ misalignmentArcmin })
  requirePositive({ trueFieldDeg })
  const fractionOfHalfField = misalignmentArcmin / usableMisalignmentArcmin(trueFieldDeg)
  const verdict =
    fractionOfHalfField <= GOOD_FRACTION ? 'good' : fractionOfHalfField <= USABLE_FRACTION ? 'usable' : 'off'
  return { fractionOfHalfField, verdict }
}
