import { radToArcsec, radToDeg } from '../shared/angles.ts'
import { requirePositive } from '../shared/require.ts'

/** Widest pupil of a young eye in the dark; a wider exit pupil wastes light. Common practice, no source. */
const WIDEST_PUPIL_MM = 7
/** Visual wavelength used throughout: the eye's peak by day and night lies on either side of it. */
export const VISUAL_WAVELENGTH_NM = 550
/** First zero of the Airy pattern in units of λ/D: j₁,₁/π, j₁,₁ = 3.8317 [Abramowitz & Stegun, table 9.5]. */
const AIRY_FIRST_ZERO = 3.8317059702 / Math.PI
/** Dawes: 4.56″ divided by the aperture in inches [Dawes, Mem. R.A.S. 35 (1867); from memory]. */
const DAWES_ARCSEC_MM = 4.56 * 25.4
/** The sky turns once in a sidereal day: 360° × 3600 / 86164.09 s. */
const SKY_ARCSEC_PER_SECOND = (360 * 3600) / 86164.0905

export interface ViewInput {
  readonly apertureMm: number
  readonly focalLengthMm: number
  readonly eyepieceMm: number
  readonly apparentFieldDeg?: number | undefined
  readonly fieldStopMm?: number | undefined
  readonly barlow?: number | undefined
}

export type PowerVerdict = 'too-low' | 'good' | 'steady-air-only' | 'empty'

export interface View {
  readonly magnification: number
  readonly focalRatio: number
  readonly exitPupilMm: number
  readonly trueFieldDeg: number | null
  readonly rayleighArcsec: number
  readonly dawesArcsec: number
  readonly verdict: PowerVerdict
  readonly driftSeconds: number | null
}

/** What an eyepiece shows in a telescope.
 * @param input apertureMm, focalLengthMm, eyepieceMm, fieldStopMm in mm (> 0); apparentFieldDeg in (0, 180);
 *   barlow, dimensionless factor > 0, default 1
 * @returns magnification (dimensionless), exit pupil in mm, true field in degrees or null where neither stop nor
 *   apparent field is known, resolution limits in arcseconds (Rayleigh at 550 nm), seconds that a star on the
 *   celestial equator takes across the field's diameter through a still tube, and the verdict on the power
 * @throws RangeError for a figure that is not positive
 * Accuracy: apparent field ÷ magnification ignores the eyepiece's distortion (some per cent); the field stop is exact.
 * Source: geometric optics; highest useful powers 1 × and 2 × aperture in mm are common practice, no source. */
export function opticalView(input: ViewInput): View {
  const { apertureMm, focalLengthMm, eyepieceMm, apparentFieldDeg, fieldStopMm, barlow = 1 } = input
  requirePositive({ apertureMm, focalLengthMm, eyepieceMm, barlow })
  if (fieldStopMm !== undefined) requirePositive({ fieldStopMm })
  if (apparentFieldDeg !== undefined) requirePositive({ apparentFieldDeg })

  const magnification = (focalLengthMm * barlow) / eyepieceMm
  const exitPupilMm = apertureMm / magnification
  const trueFieldDeg = trueField({ focalLengthMm, barlow, magnification, apparentFieldDeg, fieldStopMm })
  const apertureNm = apertureMm * 1e6
  return {
    magnification,
    focalRatio: focalLengthMm / apertureMm,
    exitPupilMm,
    trueFieldDeg,
    rayleighArcsec: radToArcsec((AIRY_FIRST_ZERO * VISUAL_WAVELENGTH_NM) / apertureNm),
    dawesArcsec: DAWES_ARCSEC_MM / apertureMm,
    verdict: powerVerdict(magnification, exitPupilMm, apertureMm),
    driftSeconds: trueFieldDeg === null ? null : (trueFieldDeg * 3600) / SKY_ARCSEC_PER_SECOND,
  }
}

function trueField(given: {
  focalLengthMm: number
  barlow: number
  magnification: number
  apparentFieldDeg: number | undefined
  fieldStopMm: number | undefined
}): number | null {
  if (given.fieldStopMm !== undefined)
    return 2 * radToDeg(Math.atan(given.fieldStopMm / (2 * given.focalLengthMm * given.barlow)))
  return given.apparentFieldDeg === undefined ? null : given.apparentFieldDeg / given.magnification
}

function powerVerdict(magnification: number, exitPupilMm: number, apertureMm: number): PowerVerdict {
  if (exitPupilMm > WIDEST_PUPIL_MM) return 'too-low'
  if (magnification <= apertureMm) return 'good'
  return magnification <= 2 * apertureMm ? 'steady-air-only' : 'empty'
}
