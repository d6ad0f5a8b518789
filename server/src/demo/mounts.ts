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

const armHome: MountDataView['home'] = {
  drawing: 'fork',
  steps: [
    'Level the tripod: bubble in its ring.',
    'Turn the arm against its stop, then back until it stands over the side marked N.',
    'Turn the stand until that side faces north. Tube level, lens to the north.',
  ],
}

const forkHome: MountDataView['home'] = {
  drawing: 'fork',
  steps: [
    'Level the tripod: bubble in its ring.',
    'Turn the arm against its stop, then back until it stands over the side marked N.',
    'Turn the stand until that side faces north. Tube level, glass end to the north.',
  ],
}

export const demoMounts: Readonly<Record<string, MountDataView>> = {
  'slide-125': {
    ...noMount,
    tube: tube(570, 154, { ring: 232, finder: place(168, 114, 60), eyepiece: place(234, 144, 0) }),
    standHeightMm: 205,
  },
  'eq-122': {
    ...noMount,
    ratedLoadG: 4300,
    equatorial: head({ start: 60, end: 318, weight: 41, tubeAxis: 161 }),
    tube: tube(608, 152, { ring: 322, finder: place(146, 109, 96), eyepiece: place(201, 152, 38) }),
    standHeightMm: 745,
    home: equatorialHome,
  },
  'eq-140': {
    ...noMount,
    ratedLoadG: 8400,
    equatorial: head({ start: 72, end: 428, weight: 46, tubeAxis: 164 }),
    tube: tube(655, 172, { ring: 346, finder: place(158, 133, 96), eyepiece: place(216, 164, 38) }),
    standHeightMm: 785,
    home: equatorialHome,
  },
  'eq-118': {
    ...noMount,
    ratedLoadG: 4600,
    equatorial: head({ start: 58, end: 308, weight: 40, tubeAxis: 150 }),
    tube: tube(825, 144, { ring: 432, finder: place(276, 107, 96), eyepiece: place(331, 142, 38) }),
    standHeightMm: 730,
    home: equatorialHome,
  },
  'mak-95': {
    ...noMount,
    ratedLoadG: 3200,
    equatorial: head({ start: 54, end: 296, weight: 32, tubeAxis: 115 }),
    tube: tube(252, 108, { ring: 121, finder: place(18, 84, 96), eyepiece: place(-166, 58, 38) }),
    standHeightMm: 715,
    home: equatorialHome,
  },
  'goto-84': {
    ...noMount,
    ratedLoadG: 4600,
    standHeightMm: 850,
    controller: {
      dateOrder: 'month-first',
      clock: '24h',
      asks: ['date', 'time', 'zone', 'daylight-saving', 'longitude', 'latitude'],
    },
    home: forkHome,
  },
  'goto-72': {
    ...noMount,
    ratedLoadG: 4600,
    standHeightMm: 850,
    controller: {
      dateOrder: 'day-first',
      clock: '12h',
      asks: [
        'site',
        'zone-place',
        'date',
        'time',
        'daylight-saving',
        'mount-mode',
        'telescope',
        'alignment',
        'speed',
        'park',
        'switch-off',
      ],
      answers: { 'mount-mode': 'up and round', telescope: 'refractor, 420 mm', speed: '7 to come near, 3 to centre' },
    },
    home: armHome,
    stop: { highestDeg: 72, meets: 'motor-leg' },
  },
  'large-160': {
    ...noMount,
    ratedLoadG: 15_000,
    use: 'exposure',
    equatorial: head({ start: 94, end: 436, weight: 68, tubeAxis: 208 }, 'turned'),
    tube: tube(745, 194, { ring: 394, finder: place(180, 147, 96), eyepiece: place(244, 180, 38) }),
    standHeightMm: 850,
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
    stop: { highestDeg: 82, meets: 'motor-tube' },
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
    sky: null,
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
    sky: 'dark',
  },
] as const
