import { guideKit } from '../testing/guide-kit.ts'
import { axisErrorMm } from '../checks/station-collimation.ts'
import type { MirrorData } from '../collimation/mirror-data.ts'
import { tiltedAxisAtFocus } from '../testing/tilted-mirror.ts'
import { composeGuide } from './compose.ts'
import type { GuideInput } from './guide.ts'
import { plain } from './said.ts'
import { helpSheet } from './help-sheet.ts'

const mirror: MirrorData = {
  correctorLens: false,
  cell: {
    screws: ['A', 'B', 'C'].map((name, i) => ({ name, angleDeg: 60 + 120 * i })),
    circleRadiusMm: 52,
    pitchMm: 0.8,
    clockwise: 'away-from-sky',
    locks: true,
  },
  holder: null,
  secondary: { minorAxisMm: 37, offsetMm: 1.9, toFocusMm: 150, vanes: 4 },
  mark: { outerDiameterMm: 8, innerDiameterMm: 4 },
  cap: { ringDiameterMm: 18, holeDiameterMm: 2 },
  drawtube: { innerDiameterMm: 31.8, endToFocusMm: 60 },
  clips: 3,
}
const optics = {
  apertureMm: 125,
  focalLengthMm: 600,
  kind: 'newtonian' as const,
  collimatable: true,
  collapsible: false,
  primaryFocalLengthMm: 600,
  peepholeOutsideFocusMm: 12,
}
const textOf = (given: MirrorData) => (helpSheet(given, optics)?.steps ?? []).map(plain).join('\n')

it('an eighth of a turn goes as far on the mirror as a traced one', () => {
  const said = Number(/moves by about ([\d.]+) mm/.exec(textOf(mirror))?.[1])
  const at = (deg: number, z: number) => ({
    x: 52 * Math.cos((deg * Math.PI) / 180),
    y: 52 * Math.sin((deg * Math.PI) / 180),
    z,
  })
  const axis = tiltedAxisAtFocus({ focalLengthMm: 600, points: [at(60, 0.8 / 8), at(180, 0), at(300, 0)] })
  // Seen on the mirror the mark goes twice as far as the axis at the focal plane.
  expect(said).toBeCloseTo(2 * Math.hypot(axis.x, axis.y), 0)
})

it('the offset it calls good enough is the limit’s, through this kit’s own cap', () => {
  const said = Number(/no more than ([\d.]+) mm/.exec(textOf(mirror))?.[1])
  const error = axisErrorMm({ offsetMm: said, clockHours: 12 }, { ...optics, mirrorFigure: 'paraboloid' } as never)
  // 0.0107 F³ for λ/14 of coma at 550 nm.
  expect(error).toBeCloseTo(0.0107 * (600 / 125) ** 3, 1)
})

it('says which way this cell’s screws move it, and speaks of locks only where there are some', () => {
  expect(textOf(mirror)).toContain('clockwise moves the mirror away from the sky')
  expect(textOf(mirror)).toContain('Tighten the locks')
  const other = {
    ...mirror,
    cell: mirror.cell && { ...mirror.cell, clockwise: 'towards-sky' as const, locks: false },
  }
  expect(textOf(other)).toContain('clockwise moves the mirror towards the sky')
  expect(textOf(other)).not.toContain('locks')
})

it('without a mark it goes by the mirror’s edge; without a cell, or behind a lens, there is no sheet', () => {
  expect(textOf({ ...mirror, mark: null })).toContain('mirror’s middle')
  expect(textOf({ ...mirror, mark: null })).not.toMatch(/\bring\b/)
  expect(helpSheet({ ...mirror, cell: null }, optics)).toBeNull()
  expect(helpSheet({ ...mirror, correctorLens: true }, optics)).toBeNull()
  expect(helpSheet(null, optics)).toBeNull()
})

describe('the guide carries it', () => {
  const input: GuideInput = { ...guideKit, optics, parts: [], collimationPolicy: 'with-help-sheet', mirror }
  const sheetOf = (change: Partial<GuideInput>) => composeGuide({ ...input, ...change }).texts.en?.helpSheet
  const mirrorLines = (change: Partial<GuideInput>) =>
    composeGuide({ ...input, ...change })
      .texts.en?.blocks.find(({ key }) => key === 'mirror')
      ?.lines.map(plain)
  it('only where the policy allows it', () => {
    expect(sheetOf({})?.steps.length).toBeGreaterThan(5)
    expect(mirrorLines({})?.[0]).toContain('with the help sheet')
    expect(sheetOf({ collimationPolicy: 'leave-it-to-us' })).toBeNull()
    expect(mirrorLines({ collimationPolicy: 'leave-it-to-us' })?.[0]).toContain('to us')
    expect(sheetOf({ optics: { ...optics, collimatable: false } })).toBeNull()
  })
  it('has none where nobody measured the mirrors', () => {
    expect(sheetOf({ mirror: null })).toBeNull()
  })
})
