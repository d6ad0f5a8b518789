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
  'table-114': mirrors({
    apertureMm: 114,
    focalRatio: 3.9,
    secondaryMm: 41,
    drawtubeMm: 31.8,
    screwRadiusMm: 38,
    pitchMm: 0.7,
    vanes: 1,
  }),
  'slide-130': mirrors({
    apertureMm: 130,
    focalRatio: 5,
    secondaryMm: 41,
    drawtubeMm: 31.8,
    screwRadiusMm: 52,
    pitchMm: 0.8,
    firstScrewDeg: 60,
    clockwise: 'away-from-sky',
    vanes: 3,
  }),
  'eq-130': mirrors({
    apertureMm: 130,
    focalRatio: 5,
    secondaryMm: 37,
    drawtubeMm: 31.8,
    screwRadiusMm: 52,
    pitchMm: 0.8,
    firstScrewDeg: 30,
  }),
  'eq-150': mirrors({
    apertureMm: 150,
    focalRatio: 5,
    secondaryMm: 47,
    drawtubeMm: 50.8,
    screwRadiusMm: 60,
    pitchMm: 0.8,
    vanes: 4,
  }),
  'eq-114': mirrors({
    apertureMm: 114,
    focalRatio: 7.9,
    secondaryMm: 29,
    drawtubeMm: 31.8,
    screwRadiusMm: 45,
    pitchMm: 0.7,
    clockwise: 'away-from-sky',
  }),
  'light-114': mirrors({
    apertureMm: 114,
    focalRatio: 4.4,
    secondaryMm: 38,
    drawtubeMm: 31.8,
    screwRadiusMm: 42,
    pitchMm: 0.7,
    vanes: 1,
  }),
  'large-150': mirrors({
    apertureMm: 150,
    focalRatio: 5,
    secondaryMm: 47,
    drawtubeMm: 50.8,
    screwRadiusMm: 60,
    pitchMm: 1,
    vanes: 4,
  }),
  'floor-203': mirrors({
    apertureMm: 203,
    focalRatio: 5.9,
    secondaryMm: 50,
    drawtubeMm: 50.8,
    screwRadiusMm: 80,
    pitchMm: 1,
    vanes: 4,
  }),
}
