import sharp from 'sharp'
import { demoMirrors } from '../../server/src/demo/mirrors.ts'
import { peepholeTubeOf } from '../../core/src/collimation/mirror-data.ts'
import { renderPeephole } from '../../core/src/testing/peephole-scene.ts'

export interface PhotoOf {
  /** Key of a demo model with its optics. */
  readonly model: 'table-110' | 'slide-125'
  readonly axisErrorMm: { readonly x: number; readonly y: number }
  readonly secondaryErrorMm?: { readonly x: number; readonly y: number }
  readonly openEndDeg?: number
  /** Side of the square picture. */
  readonly px?: number
}

const optics = {
  'table-110': { apertureMm: 110, primaryFocalLengthMm: 480, peepholeOutsideFocusMm: 12 },
  'slide-125': { apertureMm: 125, primaryFocalLengthMm: 600, peepholeOutsideFocusMm: 15 },
} as const

/** A phone's picture of a demo kit, traced ray by ray: what the second picture shows is what the screws did. */
export async function peepholePhoto(given: PhotoOf): Promise<Buffer> {
  const { model, axisErrorMm, secondaryErrorMm = { x: 0, y: 0 }, openEndDeg = 0, px = 900 } = given
  const mirror = demoMirrors[model]
  if (!mirror) throw new Error(`no mirrors for ${model}`)
  const tube = peepholeTubeOf(mirror, optics[model])
  const focalPx =
    ((0.44 * px) / (tube.drawtubeInnerDiameterMm / 2)) * (tube.drawtubeEndToFocusMm + tube.peepholeOutsideFocusMm)
  const { widthPx, heightPx, rgba } = renderPeephole(
    tube,
    { axisErrorMm, secondaryErrorMm },
    { sky: [0.82, 0.8, 0.74], cap: 0.86, mark: [0.75, 0.4, 0.05], wall: 0.07, drawtube: 0.2, dust: 6 },
    {
      widthPx: px,
      heightPx: px,
      focalPx,
      aimRad: { x: 0.01, y: -0.012 },
      openEndDeg,
      besideHoleMm: { x: 0.05, y: -0.04 },
      blurPx: 0.9,
      noise: 0.008,
      seed: 5,
      gain: 0.95,
    },
  )
  const raw = { width: widthPx, height: heightPx, channels: 4 as const }
  return sharp(Buffer.from(rgba.buffer), { raw }).removeAlpha().jpeg({ quality: 85 }).toBuffer()
}
