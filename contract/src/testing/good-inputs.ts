import { hazardSchema, jobCodeSchema, readingKindSchema } from '../readiness.ts'

const judge = {
  model: { family: 'tabletop-reflector', optics: { apertureMm: 110, focalLengthMm: 480 }, highestMagnification: 90 },
  parts: (['tube', 'low-eyepiece', 'finder', 'coin-cell', 'counterweight', 'front-cap', 'sun-label'] as const).map(
    (role) => ({ role, mark: 'present', count: 1 }),
  ),
  readings: readingKindSchema.options.map((kind) => ({
    ...{ kind, value: 1, limit: 1, source: 'typed', atUtc: '2026-03-10T18:00:00Z' },
  })),
  hazards: [...hazardSchema.options],
  openJobs: jobCodeSchema.options.map((code) => ({ code })),
  policies: { maxAgeDays: 120, collimation: 'leave-it-to-us' },
  atUtc: '2026-03-12T18:00:00Z',
}
const blackPicture = { widthPx: 40, heightPx: 30, rgba: new Uint8Array(40 * 30 * 4) }
const greyPicture = { widthPx: 200, heightPx: 150, rgba: new Uint8Array(200 * 150 * 4).fill(120) }
/** Straight from above, one pixel to the millimetre. */
const squareAt = (x: number, y: number) => [
  [x, y],
  [x + 46, y],
  [x + 46, y + 46],
  [x, y + 46],
]
const caseMarks = {
  ...{ TL: squareAt(0, 0), TR: squareAt(154, 0), BR: squareAt(154, 104), BL: squareAt(0, 104) },
}
/** One input that each calculator answers. */
export const good: Readonly<Record<string, object>> = {
  'optics.view': { apertureMm: 125, focalLengthMm: 600, eyepieceMm: 25, apparentFieldDeg: 50 },
  'collimation.quality': { apertureMm: 110, focalLengthMm: 480, axisErrorMm: 1.9 },
  'collimation.turns': {
    focalLengthMm: 480,
    axisErrorMm: { x: -0.95, y: 1.65 },
    screws: ['A', 'B', 'C'].map((name, i) => ({ name, angleDeg: 120 * i })),
    circleRadiusMm: 38,
    pitchMm: 0.7,
    clockwise: 'towards-sky',
  },
  'optics.chains': {
    focuserFemaleMm: 50.8,
    parts: [
      { id: 'high', kind: 'eyepiece', maleMm: 31.75 },
      { id: 'adapter', kind: 'adapter', maleMm: 50.8, femaleMm: 31.75 },
    ],
  },
  'collimation.secondaryTurns': {
    apertureMm: 125,
    secondaryErrorMm: { x: 5, y: -2 },
    secondaryToPrimaryMm: 500,
    screws: ['1', '2', '3'].map((name, i) => ({ name, angleDeg: 120 * i })),
    circleRadiusMm: 11,
    pitchMm: 0.7,
    clockwise: 'towards-primary',
  },
  'collimation.measurePhoto': { image: blackPicture, apertureMm: 110, focalLengthMm: 480 },
  'collimation.starTest': { image: blackPicture, apertureMm: 110, focalLengthMm: 480 },
  'collimation.starJudge': { image: blackPicture, kind: 'refractor', apertureMm: 80, focalLengthMm: 640 },
  'collimation.repeat': { readings: [1, 2, 3].map((x) => ({ x: x / 10, y: 0 })) },
  'sky.sunSafety': {
    latitudeDeg: 52.3,
    longitudeDeg: 0.1,
    atUtc: '2026-04-17T12:00:00Z',
    zone: 'Europe/London',
    target: { azimuthDeg: 20, altitudeDeg: 1 },
  },
  'sky.night': { latitudeDeg: 52.3, longitudeDeg: 0.1, date: '2026-04-17', zone: 'Europe/London' },
  'finder.parallax': { offsetMm: { x: 0, y: 120 }, distanceM: 60 },
  'finder.nearFocus': { focalLengthMm: 600, focusing: 'drawtube', spareTravelMm: 30, distanceM: 60 },
  'finder.knobs': {
    misalignment: { x: 19, y: -11 },
    knobs: [{ name: 'side', angleDeg: 90, arcminPerTurn: 38, clockwise: 'towards' }],
  },
  'finder.verdict': { misalignmentArcmin: 20, trueFieldDeg: 1 },
  'contents.compareCase': {
    reference: {
      images: [greyPicture, greyPicture, greyPicture],
      marks: [caseMarks, caseMarks, caseMarks],
      compartments: [{ id: 'a', outlineMm: squareAt(70, 50) }],
      caseMm: { width: 200, height: 150 },
    },
    image: greyPicture,
    marks: caseMarks,
  },
  'readiness.judge': judge,
  'loans.freeSlots': {
    ...{ bookings: [{ from: '2026-04-01', until: '2026-04-14' }], from: '2026-04-13', until: '2026-05-10' },
    ...{ lengthDays: 14, turnaroundDays: 2, openWeekdays: [1, 2, 3, 4, 5, 6], closedDates: ['2026-05-01'] },
  },
  'loans.plan': {
    kits: [
      { id: 'a', kinds: ['table'], bookings: [{ from: '2026-04-20', until: '2026-04-23' }] },
      { id: 'b', kinds: ['table', 'tall'], bookings: [] },
    ],
    requests: ['r', 's', 't', 'u', 'v'].map((id, i) => ({
      ...{ id, kinds: i === 3 ? ['tall'] : ['table'], earliest: `2026-04-${13 + i}`, latest: '2026-05-04' },
      ...{ lengthDays: 7, wantsDark: i === 2 },
    })),
    dark: Array.from({ length: 20 }, (_, i) => ({ date: `2026-04-${11 + i}`, hours: (i * 7) % 9 })),
    ...{ turnaroundDays: 1, openWeekdays: [1, 2, 3, 4, 5] },
  },
  'trends.forecast': {
    history: [{ asLeftMm: { x: 0, y: 0.1 }, asFoundMm: { lengthMm: 0.6 }, loans: 2 }],
    now: { asLeftMm: { x: 0.1, y: 0 }, loansSince: 0 },
    limitMm: 0.7,
    prior: { sigmaMm: 0.3, weight: 4 },
  },
  'mount.balance': {
    counterweights: [{ massG: 1980 }],
    shaft: { minMm: 80, maxMm: 301 },
    tubeSide: [{ massG: 3000, distanceMm: 166, massUncertaintyG: 30 }],
  },
  'mount.headMoment': {
    counterweights: [{ massG: 1980 }],
    shaft: { minMm: 80, maxMm: 301 },
    tubeSide: [{ massG: 3000, distanceMm: 166 }],
    positionMm: 240,
  },
  'mount.tubeShift': { slidingMassG: 3500, changes: [{ massG: 120, positionMm: 200 }] },
  'mount.load': { parts: [{ massG: 3760 }], ratedLoadG: 4500, use: 'visual' },
  'mount.roll': { parts: [{ massG: 200, radiusMm: 150, angleDeg: 40 }], radiusMm: 80 },
  'mount.side': { latitudeDeg: 52, hourAngleHours: -3.5 },
  'mount.poleStar': { latitudeDeg: 52.3, longitudeDeg: 0.1, atUtc: '2026-04-17T21:00:00Z' },
  'mount.polarDrift': { errorDeg: 1 },
  'mount.vibration': {
    samples: Array.from({ length: 120 }, (_, i) => ({
      tS: i / 60,
      accelMps2: Math.exp(-i / 60) * Math.cos((i / 60) * 2 * Math.PI * 4),
    })),
  },
  'mount.reach': {
    ...{ pivotHeightMm: 1200, pivotToEyepieceMm: 420, eyepieceOffsetMm: 140, rollDeg: 30, altitudeDeg: 60 },
  },
  'mount.controllerEntries': {
    zone: 'Europe/London',
    local: '2026-04-17T22:00',
    latitudeDeg: 52.3,
    longitudeDeg: 0.1,
  },
  'sky.alignmentStars': { latitudeDeg: 52.3, longitudeDeg: 0.1, atUtc: '2026-04-17T21:00:00Z' },
  'sky.targets': { latitudeDeg: 52.3, longitudeDeg: 0.1, date: '2026-04-22', zone: 'Europe/London', apertureMm: 125 },
  'guides.readingGrade': { text: 'Turn the knob. Look again.', language: 'en' },
  'sky.needle': { latitudeDeg: 52.3, longitudeDeg: 0.1, atUtc: '2026-04-17T21:00:00Z' },
  'contents.explainWeight': {
    parts: [
      { id: 'eyepiece', massG: 92, toleranceG: 2, count: 1, group: 'tray' },
      { id: 'caps', massG: 4, toleranceG: 1, count: 6, group: 'tray' },
      { id: 'tube', massG: 3000, toleranceG: 40, count: 1, group: 'well' },
      { id: 'rings', massG: 200, toleranceG: 9, count: 2, group: 'well' },
    ],
    foreign: [{ id: 'heavier eyepiece', massG: 130, toleranceG: 3 }],
    weighings: [
      { group: 'tray', measuredG: 24, scaleResolutionG: 1, baselineG: 116 },
      { group: 'well', measuredG: 3205, scaleResolutionG: 5 },
    ],
  },
}
