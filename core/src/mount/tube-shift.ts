import { requireFinite, requirePositive } from '../shared/require.ts'

/** Something put on the tube, or taken off it (negative mass). Its place along the tube from the balance point, + towards
 * the sky. */
export interface TubeChange {
  readonly massG: number
  readonly positionMm: number
}

/** How far the tube slides in its rings to balance again after something changed on it.
 *
 * Before, the moment about the rings is 0. Afterwards the tube carries Σ m·x too much, and sliding everything by s adds
 * (M + Σ m)·s: s = −Σ(m·x) ÷ (M + Σ m), + towards the sky.
 * @param input slidingMassG: all that slides before the changes, in g above 0
 * @throws RangeError when as much is taken off as slides. Source: law of the lever, DOMAIN section 5 */
export function tubeShift(input: { readonly slidingMassG: number; readonly changes: readonly TubeChange[] }): {
  readonly shiftMm: number
} {
  requirePositive({ slidingMassG: input.slidingMassG })
  let massG = input.slidingMassG
  let momentGmm = 0
  for (const [index, change] of input.changes.entries()) {
    requireFinite({ [`changes.${index}.massG`]: change.massG, [`changes.${index}.positionMm`]: change.positionMm })
    massG += change.massG
    momentGmm += change.massG * change.positionMm
  }
  if (!(massG > 0)) throw new RangeError(`changes take off all that slides: ${massG} g would be left`)
  return { shiftMm: momentGmm === 0 ? 0 : -momentGmm / massG }
}
