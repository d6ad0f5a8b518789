import type { MountDataView } from '@binoculum/contract'

/** What the invented models' mounts and tubes measure, of ordinary dimensions. */

type Place = NonNullable<MountDataView['tube']>['finder']

const place = (alongMm: number, radiusMm: number, angleDeg: number): Place => ({ alongMm, radiusMm, angleDeg })

const noMount: MountDataView = {
  ratedLoadG: null,
  use: 'visual',
  equatorial: null,
  tube: null,
  standHeightMm: null,
  controller: null,
  home: null,
}

function head(
  figures: { start: number; end: number; weight: number; tubeAxis: number },
  sightingScope: 'none' | 'upright' | 'turned' = 'none',
): MountDataView['equatorial'] {
  return {
    shaftStartMm: figures.start,
    shaftEndMm: figures.end,
    weightThicknessMm: figures.weight,
    tubeAxisMm: figures.tubeAxis,
    latitudeScale: { minDeg: 20, maxDeg: 70, stepDeg: 2 },
    sightingScope,
  }
}

function tube(
  lengthMm: number,
  diameterMm: number,
  rest: { ring: number; finder: Place; eyepiece: Place },
): MountDataView['tube'] {
  return { lengthMm, diameterMm, frontRingMm: rest.ring, finder: rest.finder, eyepiece: rest.eyepiece }
}

const equatorialHome: MountDataView['home'] = {
  drawing: 'equatorial',
  steps: [
    'Weight straight down: loosen the first clutch, a hand on the tube, turn, close it.',
    'Tube to the pole: loosen the second clutch, turn until its scale reads 90°, close it.',
  ],
}

const forkHome: MountDataView['home'] = {
  drawing: 'fork',
  steps: [
    'Level the tripod: bubble in its ring.',
    'Turn the arm against its stop, then back until it stands over the side marked N.',
    'Turn the stand until that side faces north. Tube level, open end to the north.',
  ],
}

export const demoMounts: Readonly<Record<string, MountDataView>> = {
  'slide-130': {
    ...noMount,
    tube: tube(610, 160, { ring: 250, finder: place(180, 118, 60), eyepiece: place(250, 150, 0) }),
    standHeightMm: 220,
  },
  'eq-130': {
    ...noMount,
    ratedLoadG: 4500,
    equatorial: head({ start: 62, end: 314, weight: 43, tubeAxis: 166 }),
    tube: tube(620, 160, { ring: 330, finder: place(148, 112, 96), eyepiece: place(205, 158, 38) }),
    standHeightMm: 760,
    home: equatorialHome,
  },
  'eq-150': {
    ...noMount,
    ratedLoadG: 9000,
    equatorial: head({ start: 74, end: 420, weight: 48, tubeAxis: 168 }),
    tube: tube(700, 182, { ring: 370, finder: place(170, 140, 96), eyepiece: place(230, 172, 38) }),
    standHeightMm: 800,
    home: equatorialHome,
  },
  'eq-114': {
    ...noMount,
    ratedLoadG: 4500,
    equatorial: head({ start: 60, end: 300, weight: 42, tubeAxis: 152 }),
    tube: tube(860, 140, { ring: 450, finder: place(290, 108, 96), eyepiece: place(345, 145, 38) }),
    standHeightMm: 740,
    home: equatorialHome,
  },
  'mak-102': {
    ...noMount,
    ratedLoadG: 3000,
    equatorial: head({ start: 55, end: 290, weight: 34, tubeAxis: 118 }),
    tube: tube(270, 115, { ring: 130, finder: place(20, 88, 96), eyepiece: place(-175, 60, 38) }),
    standHeightMm: 720,
    home: equatorialHome,
  },
  'goto-90': {
    ...noMount,
    ratedLoadG: 4500,
    standHeightMm: 850,
    controller: {
      dateOrder: 'month-first',
      clock: '24h',
      asks: ['date', 'time', 'zone', 'daylight-saving', 'longitude', 'latitude'],
    },
    home: forkHome,
  },
  'goto-80': {
    ...noMount,
    ratedLoadG: 4500,
    standHeightMm: 850,
    controller: {
      dateOrder: 'day-first',
      clock: '12h',
      asks: ['latitude', 'longitude', 'zone', 'date', 'time', 'daylight-saving'],
    },
    home: forkHome,
  },
  'large-150': {
    ...noMount,
    ratedLoadG: 14_000,
    use: 'exposure',
    equatorial: head({ start: 96, end: 420, weight: 70, tubeAxis: 205 }, 'turned'),
    tube: tube(700, 182, { ring: 370, finder: place(170, 140, 96), eyepiece: place(230, 172, 38) }),
    standHeightMm: 860,
    controller: {
      dateOrder: 'month-first',
      clock: '24h',
      asks: ['date', 'time', 'zone', 'daylight-saving', 'longitude', 'latitude', 'elevation'],
    },
    home: {
      drawing: 'marks',
      steps: [
        'Weights straight down, tube to the pole: one clutch at a time, a hand on the tube.',
        'Turn each axis by hand until its two index marks stand in one line, then close its clutch.',
      ],
    },
  },
}

/** The head's own moment of an invented kit lies about this, in g·mm: motors and housing on the weight's side. */
export const demoHeadMomentGmm = { mean: -42_000, spread: 9000 }

/** Places that the invented programme observes from. */
export const demoSites = [
  {
    branch: 'library',
    name: 'Library yard',
    zone: 'Europe/Dublin',
    latitudeDeg: 52.7,
    longitudeDeg: -8.2,
    heightM: 60,
    needleDeg: null,
    needleOn: null,
  },
  {
    branch: 'club',
    name: 'Ferncliff field',
    zone: 'Europe/Dublin',
    latitudeDeg: 52.9,
    longitudeDeg: -8.4,
    heightM: 140,
    needleDeg: null,
    needleOn: null,
  },
] as const
