import { requireNotNegative, requirePositive } from '../shared/require.ts'
import { VISUAL_WAVELENGTH_NM } from '../optics/view.ts'

/** Maréchal: a wavefront of RMS λ/14 gives a Strehl ratio of about 0.8 [Born & Wolf, §9.3]. */
const MARECHAL_RMS_WAVES = 1 / 14
/** Beyond this RMS the exponential Strehl formula says nothing honest. */
const STREHL_VALID_RMS_WAVES = 0.2
/** RMS of third-order coma about its best position: W₁₃₁/√72 [Born & Wolf, §9.3, via Zernike Z₃¹]. */
const COMA_PEAK_TO_RMS = Math.sqrt(72)
/** RMS of primary spherical aberration at best focus: W₀₄₀/(6√5) [Born & Wolf, §9.3]. */
const SPHERICAL_PEAK_TO_RMS = 6 * Math.sqrt(5)
/** Aim when adjusting, as a share of the limit. Common practice, no source. */
const GOOD_SHARE_OF_LIMIT = 0.5

export type MirrorFigure = 'paraboloid' | 'sphere' | 'unknown'
export type CollimationVerdict = 'good' | 'usable' | 'poor'

export interface QualityInput {
  readonly apertureMm: number
  readonly focalLengthMm: number
  readonly axisErrorMm: number
  readonly wavelengthNm?: number | undefined
  readonly mirrorFigure?: MirrorFigure | undefined
}

export interface Quality {
  readonly comaRmsWaves: number
  readonly strehl: number | null
  readonly limitMm: number
  readonly goodMm: number
  readonly verdict: CollimationVerdict
}

/** What a primary that points past the focuser costs.
 *
 * Derivation. A paraboloid of focal length f used at a field angle h/f has the wavefront coma W(ρ, θ) = W₁₃₁ρ³cos θ.
 * Its transverse coma is sagittal 3h/(16F²) ÷ 3 at the edge of the pupil: the rays of zone ρ = 1 make a circle of
 * radius h/(16F²). Integrating the ray error ε = −2F ∂W/∂ρ over the pupil gives W₁₃₁ = h/(32F³).
 * Setting W₁₃₁/√72 = λ/14 gives the limit h = 32F³·λ·√72/14, that is 0.0107·F³ mm at 550 nm.
 *
 * @param input apertureMm and focalLengthMm of the *primary itself* in mm (> 0); axisErrorMm = distance of the
 *   primary's axis from the focuser's axis at the focal plane, mm (≥ 0); wavelengthNm (default 550)
 * @returns coma RMS in waves; Strehl ratio in (0, 1] or null where it would mislead (a mirror that is or may be a
 *   sphere with more than λ/14 of its own, or beyond 0.2 waves RMS); limits in mm; verdict
 * @throws RangeError for figures outside these intervals
 * Accuracy: third order; W₁₃₁ is 0.1–0.5 % high for f/8–f/4, checked against an exact ray trace in the test.
 * Source: Born & Wolf, Principles of Optics, §5.3 and §9.3; derivation above. */
export function collimationQuality(input: QualityInput): Quality {
  const { apertureMm, focalLengthMm, axisErrorMm, mirrorFigure = 'paraboloid' } = input
  const wavelengthNm = input.wavelengthNm ?? VISUAL_WAVELENGTH_NM
  requirePositive({ apertureMm, focalLengthMm, wavelengthNm })
  requireNotNegative({ axisErrorMm })

  const focalRatio = focalLengthMm / apertureMm
  const wavelengthMm = wavelengthNm * 1e-6
  const rmsWavesPerMm = 1 / (32 * focalRatio ** 3 * COMA_PEAK_TO_RMS * wavelengthMm)
  const comaRmsWaves = axisErrorMm * rmsWavesPerMm
  const limitMm = MARECHAL_RMS_WAVES / rmsWavesPerMm
  const goodMm = limitMm * GOOD_SHARE_OF_LIMIT
  const mayBeSphere = mirrorFigure !== 'paraboloid'
  const mirrorSetsSharpness =
    mayBeSphere && sphereRmsWaves({ apertureMm, focalLengthMm, wavelengthNm }) > MARECHAL_RMS_WAVES
  const strehlMeans = comaRmsWaves <= STREHL_VALID_RMS_WAVES && !mirrorSetsSharpness
  return {
    comaRmsWaves,
    strehl: strehlMeans ? Math.exp(-((2 * Math.PI * comaRmsWaves) ** 2)) : null,
    limitMm,
    goodMm,
    verdict: axisErrorMm <= goodMm ? 'good' : axisErrorMm <= limitMm ? 'usable' : 'poor',
  }
}

/** Spherical aberration that a spherical primary has of its own, for a star, at best focus.
 *
 * Derivation. A sphere of radius R = 2f departs from its paraboloid by y⁴/(8R³) in depth, twice that in the
 * wavefront; at the edge y = D/2 this is W₀₄₀ = D/(512F³).
 * @returns RMS in waves. @throws RangeError for figures that are not positive. Accuracy: third order. */
export function sphereRmsWaves(input: {
  readonly apertureMm: number
  readonly focalLengthMm: number
  readonly wavelengthNm?: number
}): number {
  const { apertureMm, focalLengthMm, wavelengthNm = VISUAL_WAVELENGTH_NM } = input
  requirePositive({ apertureMm, focalLengthMm, wavelengthNm })
  const focalRatio = focalLengthMm / apertureMm
  return apertureMm / (512 * focalRatio ** 3) / SPHERICAL_PEAK_TO_RMS / (wavelengthNm * 1e-6)
}
