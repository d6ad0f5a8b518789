import type {
  FinderDataView,
  ModelOptics,
  MirrorDataView,
  MountDataView,
  StandView,
  PartOptics,
} from '@binoculum/contract'
import { inCaseOrder, families, type Family, type Role } from '@binoculum/core'
import { demoFinder } from './finders.ts'
import { demoMirrors } from './mirrors.ts'
import { demoMounts } from './mounts.ts'

/** Invented models of ordinary dimensions, with full contents. Masses are of one piece. */
export interface DemoPart {
  readonly role: Role
  readonly name: string
  readonly massG: number
  readonly count: number
  readonly place: string
  readonly costMinor: number
  readonly optics: PartOptics
  readonly weighGroup: string
  /** Name of what it is lost with, all at once. */
  readonly together: string
  readonly consumable: { readonly kind: string; readonly pieces: number } | null
}

export interface DemoModel {
  readonly key: string
  readonly name: string
  readonly family: Family
  readonly optics: ModelOptics
  readonly mount: MountDataView | null
  readonly mirror: MirrorDataView | null
  readonly stand: StandView | null
  readonly finder: FinderDataView
  readonly parts: readonly DemoPart[]
}

type Rest = Partial<Pick<DemoPart, 'count' | 'costMinor' | 'optics' | 'together'>>

const partMaker =
  (place: string) =>
  (role: Role, name: string, massG: number, rest: Rest = {}): DemoPart => ({
    role,
    name,
    massG,
    place,
    count: rest.count ?? 1,
    costMinor: rest.costMinor ?? Math.max(100, Math.round(massG * 1.5) * 10),
    optics: rest.optics ?? {},
    weighGroup: weighGroupOf(role, place),
    together: rest.together ?? '',
    consumable: consumables[role] ?? null,
  })

/** Small things on a kitchen scale, the weight with its slug by itself, the packed rest on a parcel scale. */
export const demoWeighGroups = [
  { name: 'tray', scaleStepG: 1 },
  { name: 'pouch', scaleStepG: 1 },
  { name: 'weight', scaleStepG: 1 },
  { name: 'rest', scaleStepG: 10 },
]

function weighGroupOf(role: Role, place: string): string {
  if (role === 'counterweight' || role === 'weight-slug') return 'weight'
  if (place === 'Upper tray') return 'tray'
  return place === 'Pouch' ? 'pouch' : 'rest'
}

const consumables: Readonly<Partial<Record<Role, { kind: string; pieces: number }>>> = {
  'coin-cell': { kind: 'CR2032', pieces: 1 },
  'aa-cells': { kind: 'AA', pieces: 8 },
  'power-pack': { kind: '12 V pack', pieces: 1 },
}

const lid = partMaker('Lid')
const tray = partMaker('Upper tray')
const pouch = partMaker('Pouch')
const tubeWell = partMaker('Tube well')
const mountWell = partMaker('Mount well')
const legsBag = partMaker('Legs bag')
const outside = partMaker('Case itself')

const papers = [
  lid('contents-card', 'Contents card', 12, { costMinor: 0 }),
  lid('guide', 'Borrower’s guide, printed', 46, { costMinor: 0 }),
  lid('manual', 'Maker’s manual', 95, { costMinor: 500 }),
]

function eyepieces(
  lowest: [mm: number, fieldDeg: number, massG: number],
  ...others: [number, number, number][]
): DemoPart[] {
  const make = ([mm, apparentFieldDeg, massG]: [number, number, number], role: Role) =>
    tray(role, `Eyepiece ${mm} mm`, massG, {
      costMinor: 4500,
      optics: { focalLengthMm: mm, apparentFieldDeg, outerMm: mm < 20 ? 33 : 41 },
    })
  const count = 2 * (1 + others.length)
  return [
    make(lowest, 'low-eyepiece'),
    ...others.map((other) => make(other, 'eyepiece')),
    tray('eyepiece-cap', 'Eyepiece end caps', 4, { count, costMinor: 150 }),
  ]
}

/** The lowest power of a large tube has the wide barrel. */
const WIDE_BARREL_MM = 50.8
const widest = (part: DemoPart): DemoPart =>
  part.role === 'low-eyepiece' ? { ...part, optics: { ...part.optics, maleMm: WIDE_BARREL_MM } } : part

const barlow = (factor: number, massG: number) => [
  tray('barlow', `Barlow ${factor}×`, massG, { costMinor: 3900, optics: { barlow: factor }, together: 'Barlow' }),
  tray('barlow-cap', 'Barlow end caps', 3, { count: 2, costMinor: 150, together: 'Barlow' }),
]

const redDot = [
  tray('finder', 'Red-dot finder', 51, { costMinor: 3500, optics: { finderKind: 'red-dot' } }),
  tray('coin-cell', 'Coin cell CR2032, in the finder', 3, { costMinor: 200 }),
]

const opticalFinder = (finderKind: 'two-screws' | 'three-screws' | 'four-screws' | 'six-screws') => [
  tray('finder', 'Finder 7×35 with bracket', 246, { costMinor: 4900, optics: { finderKind } }),
  tray('finder-cap', 'Finder caps', 5, { count: 2, costMinor: 150, together: 'finder caps' }),
  tray('finder-o-ring', 'O-ring of the finder’s bracket', 1, { costMinor: 100 }),
]

const peepSight = [
  tubeWell('finder', 'Peep sight, on the tube', 14, { costMinor: 900, optics: { finderKind: 'peep' } }),
]

const tools = [
  pouch('hex-key', 'Hex key 4 mm', 13, { costMinor: 150 }),
  pouch('spanner', 'Spanner 10 mm', 41, { costMinor: 300 }),
  pouch('spare-screws', 'Spare thumbscrews', 5, { count: 2, costMinor: 200 }),
]
const collimationCap = pouch('collimation-cap', 'Collimation cap', 17, { costMinor: 900 })
const phoneHolder = pouch('phone-holder', 'Phone holder, two pieces', 124, {
  costMinor: 2500,
  optics: { gripsFromMm: 29, gripsUntilMm: 47 },
})
const moonFilter = pouch('moon-filter', 'Moon filter, grey', 11, { costMinor: 1200 })
const bubble = pouch('bubble-level', 'Bubble and compass', 27, { costMinor: 700 })

function tube(name: string, massG: number, costMinor: number): DemoPart[] {
  return [
    tubeWell('tube', name, massG, { costMinor }),
    tubeWell('front-cap', 'Front cap', 86, { costMinor: 800 }),
    tubeWell('inner-cap', 'Small cap in the front cap', 11, { costMinor: 300 }),
    tubeWell('focuser-cap', 'Focuser cap', 5, { costMinor: 200 }),
    tubeWell('sun-label', 'Sun warning label, on the tube', 1, { costMinor: 50 }),
  ]
}

const packing = (caseG: number, foams: number) => [
  outside('foam', 'Foam cushions', 160, { count: foams, costMinor: 600 }),
  outside('strap', 'Carrying strap', 140, { costMinor: 900 }),
  outside('case', 'Case', caseG, { costMinor: 8900 }),
]

const equatorialMount = (headG: number, weightG: number, slugG = 9) => [
  mountWell('mount-head', 'Equatorial head', headG, { costMinor: 16900 }),
  mountWell('slow-motion-rod', 'Slow-motion rod, short', 58, { costMinor: 1200 }),
  mountWell('slow-motion-rod', 'Slow-motion rod, long', 79, { costMinor: 1400 }),
  mountWell('counterweight', 'Counterweight', weightG, { costMinor: 3900 }),
  mountWell('weight-slug', 'Slug in the weight’s screw', slugG, { costMinor: 300 }),
  mountWell('weight-shaft', 'Counterweight shaft', 341, { costMinor: 1900 }),
  mountWell('shaft-end-stop', 'Shaft end stop', 18, { costMinor: 400 }),
]

const tripod = (legsG: number, trayName: string, trayG: number) => [
  legsBag('tripod-legs', 'Tripod legs', legsG, { costMinor: 8900 }),
  legsBag('tray', trayName, trayG, { costMinor: 1500 }),
  legsBag('bag', 'Legs bag', 310, { costMinor: 1900 }),
]

const rings = [
  tubeWell('tube-rings', 'Tube rings, felt lined', 197, { count: 2, costMinor: 2900 }),
  tubeWell('ring-clamp-screw', 'Ring clamp screws', 12, { count: 2, costMinor: 400, together: 'ring clamp screws' }),
]
const dovetailScrew = mountWell('dovetail-clamp-screw', 'Dovetail clamp screw', 16, { costMinor: 500 })

const diagonal = [
  tray('diagonal', 'Star diagonal 90°', 82, { costMinor: 3900 }),
  tray('diagonal-cap', 'Diagonal caps', 4, { count: 2, costMinor: 150 }),
]

const drive = (power: 'pack' | 'cells') => [
  mountWell('controller', 'Hand controller', 194, { costMinor: 9900 }),
  mountWell('mount-cable', 'Controller cable', 57, { costMinor: 1900 }),
  ...(power === 'pack'
    ? [
        mountWell('power-pack', '12 V pack', 1210, { costMinor: 5900 }),
        mountWell('charger', 'Charger of the 12 V pack', 228, { costMinor: 1900 }),
      ]
    : [mountWell('aa-cells', 'AA cells', 23, { count: 8, costMinor: 100 })]),
]

function optics(apertureMm: number, focalLengthMm: number, rest: Partial<ModelOptics> = {}): ModelOptics {
  const kind = rest.kind ?? 'newtonian'
  return {
    apertureMm,
    focalLengthMm,
    primaryFocalLengthMm: focalLengthMm,
    kind,
    collimatable: kind === 'newtonian',
    mirrorFigure: 'paraboloid',
    collapsible: false,
    finderOffsetMm: { x: -70, y: 96 },
    peepholeOutsideFocusMm: 0,
    ...rest,
  }
}

function model(
  key: string,
  family: Family,
  data: ModelOptics,
  parts: readonly DemoPart[],
  stand: StandView | null = null,
): DemoModel {
  return {
    key,
    family,
    optics: data,
    mount: demoMounts[key] ?? null,
    mirror: demoMirrors[key] ?? null,
    stand,
    finder: demoFinder(key, data, parts),
    parts: inCaseOrder(parts),
    name: `${families[family]} ${data.apertureMm}/${data.focalLengthMm}`,
  }
}

const tabletopBase = (massG: number) => [
  mountWell('base', 'One-arm base', massG, { costMinor: 7900 }),
  mountWell('dovetail-clamp-screw', 'Clamp screw of the arm', 16, { costMinor: 500 }),
  mountWell('rocker-bolt', 'Centre bolt of the base', 45, { costMinor: 300 }),
]

export const demoModels: readonly DemoModel[] = [
  model('table-84', 'tabletop-reflector', optics(84, 340, { collimatable: false, mirrorFigure: 'sphere' }), [
    ...papers,
    ...eyepieces([22, 46, 57], [8, 46, 71]),
    ...barlow(2.2, 63),
    ...redDot,
    ...tools,
    moonFilter,
    phoneHolder,
    ...tube('Tube 84/340', 1270, 7200),
    ...tabletopBase(1720),
    ...packing(1480, 2),
  ]),
  model('table-110', 'tabletop-reflector', optics(110, 480, { mirrorFigure: 'sphere', peepholeOutsideFocusMm: 12 }), [
    ...papers,
    ...eyepieces([23, 51, 96], [9, 51, 84]),
    ...barlow(2.2, 82),
    ...redDot,
    ...tools,
    collimationCap,
    moonFilter,
    phoneHolder,
    bubble,
    ...tube('Tube 110/480', 2960, 16400),
    ...tabletopBase(4050),
    ...packing(2290, 3),
  ]),
  model('slide-125', 'tabletop-reflector', optics(125, 600, { collapsible: true, peepholeOutsideFocusMm: 15 }), [
    ...papers,
    ...eyepieces([24, 48, 99], [11, 48, 88]),
    ...barlow(2.2, 82),
    ...redDot,
    ...tools,
    collimationCap,
    moonFilter,
    phoneHolder,
    bubble,
    ...tube('Tube 125/600, slides open', 3140, 23800),
    ...tabletopBase(3280),
    ...packing(2680, 3),
  ]),
  model(
    'floor-180',
    'floor-reflector',
    optics(180, 1080, {
      peepholeOutsideFocusMm: 18,
      finderOffsetMm: { x: -86, y: 114 },
      focuserFemaleMm: WIDE_BARREL_MM,
    }),
    [
      ...papers,
      ...eyepieces([27, 54, 214], [12, 54, 97]).map(widest),
      ...barlow(2.5, 101),
      tray('barrel-adapter', 'Adapter 50.8 mm to 31.75 mm', 66, {
        costMinor: 1800,
        optics: { maleMm: WIDE_BARREL_MM, femaleMm: 31.75 },
      }),
      ...opticalFinder('four-screws'),
      ...tools,
      collimationCap,
      moonFilter,
      phoneHolder,
      ...tube('Tube 180/1080', 8150, 36900),
      mountWell('base', 'Rocker box', 10_900, { costMinor: 14900 }),
      mountWell('rocker-bolt', 'Centre bolt of the rocker', 66, { costMinor: 400 }),
      ...packing(2740, 3),
    ],
    { tray: 'none', fixing: 'rocker-ears', armJoint: null, axisLocks: false },
  ),
  model('eq-122', 'equatorial-reflector', optics(122, 640, { peepholeOutsideFocusMm: 14 }), [
    ...papers,
    bubble,
    ...eyepieces([24, 48, 99], [11, 48, 88]),
    ...barlow(2.2, 82),
    moonFilter,
    ...redDot,
    phoneHolder,
    ...tools,
    collimationCap,
    ...tube('Tube 122/640', 2980, 23400),
    ...rings,
    ...equatorialMount(2260, 1870),
    ...tripod(2180, 'Twist-on tray', 272),
    ...packing(3720, 3),
  ]),
  model(
    'eq-140',
    'equatorial-reflector',
    optics(140, 680, { peepholeOutsideFocusMm: 14, focuserFemaleMm: 31.75 }),
    [
      ...papers,
      bubble,
      ...eyepieces([24, 48, 99], [8.5, 48, 86]),
      ...barlow(2.5, 101),
      moonFilter,
      ...opticalFinder('three-screws'),
      phoneHolder,
      ...tools,
      collimationCap,
      ...tube('Tube 140/680', 4720, 28400),
      ...rings,
      ...equatorialMount(4180, 2440),
      ...tripod(3680, 'Bolted spreader', 455),
      ...packing(4090, 4),
    ],
    { tray: 'bolted', fixing: 'rings', armJoint: 'bolts-below', axisLocks: true },
  ),
  model(
    'eq-118',
    'equatorial-reflector',
    optics(118, 860, { mirrorFigure: 'sphere' }),
    [
      ...papers,
      bubble,
      ...eyepieces([24, 46, 93], [12, 46, 84], [5, 46, 69]),
      moonFilter,
      ...opticalFinder('two-screws'),
      ...tools,
      collimationCap,
      ...tube('Tube 118/860', 3480, 15400),
      ...rings,
      ...equatorialMount(2040, 1730),
      ...tripod(2060, 'Screw-on tray', 241),
      ...packing(3510, 3),
    ],
    { tray: 'screwed', fixing: 'rings', armJoint: 'bolts-below', axisLocks: true },
  ),
  model('photo-76', 'tripod-refractor', optics(76, 430, { kind: 'refractor', finderOffsetMm: { x: -47, y: 64 } }), [
    ...papers,
    ...eyepieces([18, 46, 74], [9, 46, 70]),
    ...barlow(2.2, 74),
    ...diagonal,
    tray('erecting-diagonal', 'Erecting prism 45°, for land', 94, { costMinor: 2900 }),
    ...redDot,
    ...tools,
    phoneHolder,
    ...tube('Tube 76/430', 1310, 9400),
    mountWell('pan-handle', 'Pan handle', 58, { costMinor: 600 }),
    legsBag('tripod-legs', 'Photo tripod', 1540, { costMinor: 5900 }),
    legsBag('bag', 'Tripod bag', 224, { costMinor: 1500 }),
    ...packing(960, 2),
  ]),
  model('photo-56', 'tripod-refractor', optics(56, 580, { kind: 'refractor', finderOffsetMm: { x: -41, y: 53 } }), [
    ...papers,
    ...eyepieces([22, 42, 63], [14, 42, 55], [7, 42, 48]),
    ...barlow(2, 61),
    ...diagonal,
    ...peepSight,
    ...tools,
    ...tube('Tube 56/580', 890, 6200),
    mountWell('pan-handle', 'Pan handle', 58, { costMinor: 600 }),
    legsBag('tripod-legs', 'Photo tripod', 1180, { costMinor: 3900 }),
    ...packing(860, 2),
  ]),
  model(
    'light-108',
    'altazimuth-reflector',
    optics(108, 470, { peepholeOutsideFocusMm: 12 }),
    [
      ...papers,
      ...eyepieces([23, 51, 96], [9, 51, 84]),
      ...barlow(2.2, 82),
      ...redDot,
      ...tools,
      collimationCap,
      moonFilter,
      phoneHolder,
      ...tube('Tube 108/470', 2490, 15100),
      mountWell('mount-head', 'One-arm head', 1420, { costMinor: 8900 }),
      dovetailScrew,
      ...tripod(1980, 'Twist-on tray', 252),
      ...packing(2190, 3),
    ],
    { tray: 'twisted', fixing: 'dovetail', armJoint: 'cone', axisLocks: false },
  ),
  model('mak-95', 'equatorial-maksutov', optics(95, 1180, { kind: 'maksutov', finderOffsetMm: { x: -57, y: 74 } }), [
    ...papers,
    bubble,
    ...eyepieces([26, 51, 106], [12, 51, 95]),
    ...diagonal,
    ...redDot,
    ...tools,
    moonFilter,
    phoneHolder,
    ...tube('Maksutov tube 95/1180', 1840, 26400),
    dovetailScrew,
    ...equatorialMount(1940, 930, 7),
    ...tripod(2070, 'Twist-on tray', 214),
    ...packing(2980, 3),
  ]),
  model(
    'goto-84',
    'computer-driven',
    optics(84, 1120, { kind: 'maksutov', finderOffsetMm: { x: -54, y: 67 } }),
    [
      ...papers,
      bubble,
      ...eyepieces([28, 66, 187], [12, 51, 95]),
      ...diagonal,
      ...redDot,
      ...tools,
      moonFilter,
      ...tube('Maksutov tube 84/1120, fixed to its arm', 1390, 23400),
      mountWell('mount-head', 'Motor arm', 3080, { costMinor: 28900 }),
      ...drive('cells'),
      ...tripod(2480, 'Twist-on tray', 271),
      ...packing(3190, 4),
    ],
    { tray: 'twisted', fixing: 'fork', armJoint: 'knob', axisLocks: true },
  ),
  model('goto-72', 'computer-driven', optics(72, 420, { kind: 'refractor', finderOffsetMm: { x: -48, y: 63 } }), [
    ...papers,
    bubble,
    ...eyepieces([26, 51, 106], [12, 51, 95]),
    ...barlow(2.2, 82),
    ...diagonal,
    ...redDot,
    ...tools,
    ...tube('Refractor tube 72/420', 1480, 18900),
    mountWell('mount-head', 'Motor arm', 2960, { costMinor: 26900 }),
    dovetailScrew,
    ...drive('pack'),
    ...tripod(2480, 'Twist-on tray', 271),
    ...packing(3190, 4),
  ]),
  model(
    'large-160',
    'large-equatorial',
    optics(160, 780, { peepholeOutsideFocusMm: 14, focuserFemaleMm: WIDE_BARREL_MM }),
    [
      ...papers,
      bubble,
      ...eyepieces([34, 68, 312], [14, 58, 148], [7, 58, 134]).map(widest),
      ...barlow(2.5, 101),
      tray('barrel-adapter', 'Adapter 50.8 mm to 31.75 mm', 66, {
        costMinor: 1800,
        optics: { maleMm: WIDE_BARREL_MM, femaleMm: 31.75 },
      }),
      moonFilter,
      ...opticalFinder('six-screws'),
      ...tools,
      collimationCap,
      tray('camera-ring', 'Camera ring', 43, { costMinor: 1900 }),
      tubeWell('front-filter', 'Front filter, full aperture', 186, {
        costMinor: 7900,
        optics: { filterMaterial: 'film', filterFastening: 'screwed' },
      }),
      ...tube('Tube 160/780', 5930, 36900),
      ...rings,
      dovetailScrew,
      mountWell('mount-head', 'Motor head with sighting scope', 10_700, { costMinor: 89900 }),
      mountWell('counterweight', 'Counterweight', 4870, { costMinor: 5900 }),
      mountWell('weight-slug', 'Slug in the weight’s screw', 11, { costMinor: 300 }),
      mountWell('weight-shaft', 'Counterweight shaft', 790, { costMinor: 3900 }),
      mountWell('shaft-end-stop', 'Shaft end stop', 26, { costMinor: 400 }),
      ...drive('pack'),
      ...tripod(6840, 'Folding brace', 720),
      ...packing(5060, 5),
    ],
    { tray: 'brace', fixing: 'rings-on-rail', armJoint: 'bolts-below', axisLocks: true },
  ),
]

/** What was paid for a kit, a little less than all its parts cost one by one; rounded to five. */
export const demoPriceMinor = ({ parts }: { parts: readonly { costMinor: number; count: number }[] }): number =>
  500 * Math.round((0.9 * parts.reduce((sum, { costMinor, count }) => sum + costMinor * count, 0)) / 500)
