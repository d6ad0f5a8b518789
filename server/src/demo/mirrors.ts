import type { MirrorDataView } from '@binoculum/contract'

/** What the invented models' mirrors, cells and caps measure, of ordinary dimensions. */

const LETTERS = ['A', 'B', 'C'] as const

const three = (firstDeg: number) => LETTERS.map((name, i) => ({ name, angleDeg: firstDeg + 120 * i }))
const numbered = (firstDeg: number) =>
  [1, 2, 3].map((number, i) => ({ name: `${number}`, angleDeg: firstDeg + 120 * i }))

interface Ordinary {
  readonly apertureMm: number
  readonly focalRatio: number
  readonly secondaryMm: number
  readonly drawtubeMm: number
  readonly screwRadiusMm: number
  readonly pitchMm: number
  readonly clockwise?: 'towards-sky' | 'away-from-sky'
  readonly firstScrewDeg?: number
  readonly holder?: boolean
  readonly vanes?: number
  readonly locks?: boolean
}

/** A secondary is set back by about a quarter of its minor axis over the focal ratio. */
function mirrors(given: Ordinary): MirrorDataView {
  const { apertureMm, focalRatio, secondaryMm, drawtubeMm, screwRadiusMm, pitchMm } = given
  const toFocusMm = apertureMm / 2 + 85
  return {
    correctorLens: false,
    cell: {
      screws: three(given.firstScrewDeg ?? 0),
      circleRadiusMm: screwRadiusMm,
      pitchMm,
      clockwise: given.clockwise ?? 'towards-sky',
      locks: given.locks ?? true,
    },
    holder:
      given.holder === false
        ? null
        : { screws: numbered(0), circleRadiusMm: secondaryMm / 4, pitchMm: 0.7, clockwise: 'towards-primary' },
    secondary: {
      minorAxisMm: secondaryMm,
      offsetMm: Math.round((secondaryMm / 4 / focalRatio) * 10) / 10,
      toFocusMm,
      vanes: given.vanes ?? 3,
    },
    mark: { outerDiameterMm: 8, innerDiameterMm: 4 },
    cap: { ringDiameterMm: 18, holeDiameterMm: 2 },
    drawtube: { innerDiameterMm: drawtubeMm, endToFocusMm: 62 },
    clips: 3,
  }
}

export const demoMirrors: Readonly<Record<string, MirrorDataView>> = {
  'table-110': mirrors({
    apertureMm: 110,
    focalRatio: 4.4,
    secondaryMm: 38,
    drawtubeMm: 31.8,
    screwRadiusMm: 37,
    pitchMm: 0.7,
    vanes: 1,
  }),
  'slide-125': mirrors({
    apertureMm: 125,
    focalRatio: 4.8,
    secondaryMm: 39,
    drawtubeMm: 31.8,
    screwRadiusMm: 50,
    pitchMm: 0.8,
    firstScrewDeg: 60,
    clockwise: 'away-from-sky',
    vanes: 3,
  }),
  'eq-122': mirrors({
    apertureMm: 122,
    focalRatio: 5.2,
    secondaryMm: 35,
    drawtubeMm: 31.8,
    screwRadiusMm: 49,
    pitchMm: 0.8,
    firstScrewDeg: 30,
  }),
  'eq-140': mirrors({
    apertureMm: 140,
    focalRatio: 4.9,
    secondaryMm: 44,
    drawtubeMm: 31.8,
    screwRadiusMm: 56,
    pitchMm: 0.8,
    vanes: 4,
  }),
  'eq-118': mirrors({
    apertureMm: 118,
    focalRatio: 7.3,
    secondaryMm: 30,
    drawtubeMm: 31.8,
    screwRadiusMm: 46,
    pitchMm: 0.7,
    clockwise: 'away-from-sky',
  }),
  'light-108': mirrors({
    apertureMm: 108,
    focalRatio: 4.4,
    secondaryMm: 36,
    drawtubeMm: 31.8,
    screwRadiusMm: 40,
    pitchMm: 0.7,
    vanes: 1,
  }),
  'large-160': mirrors({
    apertureMm: 160,
    focalRatio: 4.9,
    secondaryMm: 50,
    drawtubeMm: 50.8,
    screwRadiusMm: 64,
    pitchMm: 1,
    vanes: 4,
  }),
  'floor-180': mirrors({
    apertureMm: 180,
    focalRatio: 6,
    secondaryMm: 45,
    drawtubeMm: 50.8,
    screwRadiusMm: 72,
    pitchMm: 1,
    vanes: 4,
  }),
}
