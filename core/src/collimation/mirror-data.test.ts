import {
  cellThreads,
  eyeOffsetMm,
  eyePlaces,
  inView,
  peepholeTubeOf,
  screwPlace,
  type MirrorData,
} from './mirror-data.ts'

// ISO 261 and 262, coarse pitches of M3 to M6; inch threads are 25.4 mm over their number of turns.
it.each([
  ['M3', 0.5],
  ['M4', 0.7],
  ['M5', 0.8],
  ['M6', 1],
  ['8-32', 0.79375],
  ['10-32', 0.79375],
  ['1/4-20', 1.27],
])('%s has a pitch of %f mm', (name, pitchMm) => {
  expect(cellThreads.find((thread) => thread.name === name)?.pitchMm).toBeCloseTo(pitchMm, 9)
})

it('the focuser’s side is up in the view and at the cell, a quarter clockwise is right in both', () => {
  expect(inView({ x: 1, y: 0 })).toEqual({ x: 0, y: -1 })
  expect(inView({ x: 0, y: 1 })).toEqual({ x: 1, y: 0 })
  expect(screwPlace(0, 10)).toMatchObject({ x: 0, y: -10 })
  expect(screwPlace(90, 10).x).toBeCloseTo(10, 9)
})

it('what an eye sees farther off counts for more, and is less sure', () => {
  const seen = eyePlaces.map((place) => eyeOffsetMm(place, 8))
  for (const [i, each] of seen.entries())
    if (i > 0) {
      expect(each.offsetMm).toBeGreaterThan(seen[i - 1]?.offsetMm ?? 0)
      expect(each.doubtMm).toBeGreaterThanOrEqual(seen[i - 1]?.doubtMm ?? 0)
    }
})

it('what is seen through the peephole: clips stand between the screws, the vanes from the focuser on', () => {
  const mirror: MirrorData = {
    correctorLens: false,
    cell: {
      screws: [30, 150, 270].map((angleDeg, i) => ({ name: `${i}`, angleDeg })),
      ...{ circleRadiusMm: 38, pitchMm: 0.7, clockwise: 'towards-sky', locks: true },
    },
    holder: null,
    secondary: { minorAxisMm: 37, offsetMm: 2, toFocusMm: 140, vanes: 4 },
    mark: null,
    cap: { ringDiameterMm: 18, holeDiameterMm: 2 },
    drawtube: { innerDiameterMm: 31.8, endToFocusMm: 60 },
    clips: 3,
  }
  const optics = { apertureMm: 130, primaryFocalLengthMm: 650, peepholeOutsideFocusMm: 12 }
  const tube = peepholeTubeOf(mirror, optics)
  expect(tube).toMatchObject({
    ...{ apertureMm: 130, focalLengthMm: 650, peepholeOutsideFocusMm: 12 },
    ...{ secondaryMinorAxisMm: 37, secondaryOffsetMm: 2, secondaryToFocusMm: 140 },
    ...{ drawtubeInnerDiameterMm: 31.8, drawtubeEndToFocusMm: 60, capRingDiameterMm: 18, peepholeDiameterMm: 2 },
    ...{ markOuterDiameterMm: 0, markInnerDiameterMm: 0 },
    vanes: { count: 4, firstAngleDeg: 0 },
    clips: { count: 3, firstAngleDeg: 90 },
  })
  expect(tube.tubeInnerDiameterMm).toBeGreaterThan(130)
  expect(peepholeTubeOf({ ...mirror, mark: { outerDiameterMm: 8, innerDiameterMm: 4 } }, optics)).toMatchObject({
    markOuterDiameterMm: 8,
    markInnerDiameterMm: 4,
  })
  expect(peepholeTubeOf({ ...mirror, cell: null }, optics).clips.firstAngleDeg).toBe(60)
})
