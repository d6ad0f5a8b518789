import { degToRad, radToDeg } from '../shared/angles.ts'
import { requireFinite, requireNotNegative, requirePositive } from '../shared/require.ts'

/** Something beside the tube's axis: how far, and in which direction. One sense of turning for all, from any zero. */
export interface RollPart {
  readonly massG: number
  readonly radiusMm: number
  readonly angleDeg: number
}

export interface Roll {
  readonly momentGmm: number
  /** Direction that wants to hang down, in [0, 360). 0 when there is no moment. */
  readonly angleDeg: number
  /** What has to sit opposite at `radiusMm`; null where none was given. */
  readonly counterMassG: number | null
  /** Where it has to sit: opposite, in [0, 360). */
  readonly counterAngleDeg: number
}

/** Which way a tube turns in its rings, and the weight opposite that stops it.
 *
 * Vector sum of m·r about the tube's axis; a mass at radius R opposite needs |Σ m·r| ÷ R.
 * @param input radiusMm: where the counterweight would sit, usually the tube's skin
 * Source: law of the lever */
export function tubeRoll(input: {
  readonly parts: readonly RollPart[]
  readonly radiusMm?: number | undefined
}): Roll {
  let x = 0
  let y = 0
  for (const [index, { massG, radiusMm, angleDeg }] of input.parts.entries()) {
    requireNotNegative({ [`parts.${index}.massG`]: massG, [`parts.${index}.radiusMm`]: radiusMm })
    requireFinite({ [`parts.${index}.angleDeg`]: angleDeg })
    x += massG * radiusMm * Math.cos(degToRad(angleDeg))
    y += massG * radiusMm * Math.sin(degToRad(angleDeg))
  }
  if (input.radiusMm !== undefined) requirePositive({ radiusMm: input.radiusMm })
  const momentGmm = Math.hypot(x, y)
  const angleDeg = momentGmm < NOTHING_GMM ? 0 : (radToDeg(Math.atan2(y, x)) + 360) % 360
  return {
    momentGmm,
    angleDeg,
    counterMassG: input.radiusMm === undefined ? null : momentGmm / input.radiusMm,
    counterAngleDeg: (angleDeg + 180) % 360,
  }
}

/** Below this a sum of opposite moments is rounding, not a direction. */
const NOTHING_GMM = 1e-6
