import type { Alignment, PeepholeTube } from '../collimation/peephole-view.ts'
import { seeded } from '../shared/seeded.ts'
import type { Camera, Light } from './peephole-scene.ts'

/** A tube, a light and a phone as they come: nothing is chosen to suit the program. Same seed, same scene. For tests. */
export function anyPeepholeScene(seed: number): {
  readonly tube: PeepholeTube
  readonly alignment: Alignment
  readonly light: Light
  readonly camera: Camera
} {
  const next = seeded(1000 + seed * 17)
  const between = (a: number, b: number) => a + (b - a) * next()
  const apertureMm = Math.round(between(76, 200))
  const focalLengthMm = Math.round(apertureMm * between(3.8, 7))
  const drawtube = next() < 0.6 ? 31.8 : 50.8
  const endToFocus = between(40, 100)
  const tube = {
    apertureMm,
    focalLengthMm,
    secondaryMinorAxisMm: 0,
    secondaryOffsetMm: between(0, 3),
    secondaryToFocusMm: apertureMm / 2 + between(50, 100),
    peepholeOutsideFocusMm: between(0, 25),
    drawtubeInnerDiameterMm: drawtube,
    drawtubeEndToFocusMm: endToFocus,
    capRingDiameterMm: between(12, drawtube - 4),
    peepholeDiameterMm: between(1.2, 2.5),
    markOuterDiameterMm: between(5, 13),
    markInnerDiameterMm: 0,
    tubeInnerDiameterMm: apertureMm * 1.15,
    vanes: { count: next() < 0.5 ? 3 : 4, firstAngleDeg: between(0, 90), thicknessMm: 1 },
    clips: { count: 3, firstAngleDeg: between(0, 120), lengthMm: between(2, 5), widthMm: 8 },
  }
  tube.secondaryMinorAxisMm = ((apertureMm * tube.secondaryToFocusMm) / focalLengthMm) * between(1.08, 1.4)
  tube.markInnerDiameterMm = tube.markOuterDiameterMm * (next() < 0.3 ? 0 : between(0.35, 0.6))
  const white = next() < 0.25
  const cap = between(0.5, 0.92)
  const light = {
    sky: [between(0.4, 0.95), between(0.4, 0.9), between(0.35, 0.9)] as const,
    cap,
    mark: (white
      ? [cap + 0.03, cap + 0.03, cap + 0.03]
      : [between(0.3, 0.8), between(0.02, 0.5), between(0.02, 0.3)]) as unknown as [number, number, number],
    wall: between(0.03, 0.25),
    drawtube: between(0.08, 0.6),
    dust: 6,
  }
  const fieldPx = 460
  const camera = {
    widthPx: fieldPx,
    heightPx: fieldPx,
    focalPx:
      ((between(0.75, 1.5) * (fieldPx / 2) * (endToFocus + tube.peepholeOutsideFocusMm)) / (drawtube / 2)) * 0.95,
    aimRad: { x: between(-0.02, 0.02), y: between(-0.02, 0.02) },
    openEndDeg: between(0, 360),
    besideHoleMm: { x: between(-0.4, 0.4), y: between(-0.4, 0.4) },
    blurPx: between(0.6, 2.2),
    noise: between(0.003, 0.02),
    seed,
    gain: 1,
  }
  const axisErrorMm = { x: between(-3.2, 3.2), y: between(-3.2, 3.2) }
  const alignment = { axisErrorMm, secondaryErrorMm: { x: between(-3, 3), y: between(-3, 3) } }
  return { tube, alignment, light, camera }
}
