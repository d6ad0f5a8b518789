import type { FinderDataView, ModelOptics, MirrorDataView, MountDataView, PartOptics } from '@binoculum/contract'
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
  readonly consumable: { readonly kind: string; readonly pieces: number } | null
}

export interface DemoModel {
  readonly key: string
  readonly name: string
  readonly family: Family
  readonly optics: ModelOptics
  readonly mount: MountDataView | null
  readonly mirror: MirrorDataView | null
  readonly finder: FinderDataView
  readonly parts: readonly DemoPart[]
}

type Rest = Partial<Pick<DemoPart, 'count' | 'costMinor' | 'optics'>>

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
    tray(role, `Eyepiece ${mm} mm`, massG, { costMinor: 4500, optics: { focalLengthMm: mm, apparentFieldDeg } })
  const count = 2 * (1 + others.length)
  return [
    make(lowest, 'low-eyepiece'),
    ...others.map((other) => make(other, 'eyepiece')),
    tray('eyepiece-cap', 'Eyepiece end caps', 4, { count, costMinor: 150 }),
  ]
}

/** The lowest power of a large tube has the wide barrel. */
const widest = (part: DemoPart): DemoPart =>
  part.role === 'low-eyepiece' ? { ...part, optics: { ...part.optics, maleMm: 50.8 } } : part

const barlow = (factor: number, massG: number) => [
  tray('barlow', `Barlow ${factor}×`, massG, { costMinor: 3900, optics: { barlow: factor } }),
  tray('barlow-cap', 'Barlow end caps', 3, { count: 2, costMinor: 150 }),
]

const redDot = [
  tray('finder', 'Red-dot finder', 58, { costMinor: 3500 }),
  tray('coin-cell', 'Coin cell CR2032, in the finder', 3, { costMinor: 200 }),
]

const opticalFinder = [
  tray('finder', 'Finder 6×30 with bracket', 230, { costMinor: 4900 }),
  tray('finder-cap', 'Finder caps', 5, { count: 2, costMinor: 150 }),
  tray('finder-o-ring', 'O-ring of the finder’s bracket', 1, { costMinor: 100 }),
]

const tools = [
  pouch('hex-key', 'Hex key 4 mm', 14, { costMinor: 150 }),
  pouch('spanner', 'Spanner 10 mm', 38, { costMinor: 300 }),
  pouch('spare-screws', 'Spare thumbscrews', 5, { count: 2, costMinor: 200 }),
]
const collimationCap = pouch('collimation-cap', 'Collimation cap', 18, { costMinor: 900 })
const phoneHolder = pouch('phone-holder', 'Phone holder, two pieces', 131, { costMinor: 2500 })
const moonFilter = pouch('moon-filter', 'Moon filter, grey', 11, { costMinor: 1200 })
const bubble = pouch('bubble-level', 'Bubble and compass', 31, { costMinor: 700 })

function tube(name: string, massG: number, costMinor: number): DemoPart[] {
  return [
    tubeWell('tube', name, massG, { costMinor }),
    tubeWell('front-cap', 'Front cap', 92, { costMinor: 800 }),
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
  mountWell('slow-motion-rod', 'Slow-motion rod, short', 61, { costMinor: 1200 }),
  mountWell('slow-motion-rod', 'Slow-motion rod, long', 84, { costMinor: 1400 }),
  mountWell('counterweight', 'Counterweight', weightG, { costMinor: 3900 }),
  mountWell('weight-slug', 'Slug in the weight’s screw', slugG, { costMinor: 300 }),
  mountWell('weight-shaft', 'Counterweight shaft', 358, { costMinor: 1900 }),
  mountWell('shaft-end-stop', 'Shaft end stop', 18, { costMinor: 400 }),
]

const tripod = (legsG: number, trayName: string, trayG: number) => [
  legsBag('tripod-legs', 'Tripod legs', legsG, { costMinor: 8900 }),
  legsBag('tray', trayName, trayG, { costMinor: 1500 }),
  legsBag('bag', 'Legs bag', 310, { costMinor: 1900 }),
]

const rings = [
  tubeWell('tube-rings', 'Tube rings, felt lined', 209, { count: 2, costMinor: 2900 }),
  tubeWell('ring-clamp-screw', 'Ring clamp screws', 13, { count: 2, costMinor: 400 }),
]
const dovetailScrew = mountWell('dovetail-clamp-screw', 'Dovetail clamp screw', 16, { costMinor: 500 })

const diagonal = [
  tray('diagonal', 'Star diagonal 90°', 85, { costMinor: 3900 }),
  tray('diagonal-cap', 'Diagonal caps', 4, { count: 2, costMinor: 150 }),
]

const drive = (power: 'pack' | 'cells') => [
  mountWell('controller', 'Hand controller', 220, { costMinor: 9900 }),
  mountWell('mount-cable', 'Controller cable', 60, { costMinor: 1900 }),
  ...(power === 'pack'
    ? [
        mountWell('power-pack', '12 V pack', 1150, { costMinor: 5900 }),
        mountWell('charger', 'Charger of the 12 V pack', 240, { costMinor: 1900 }),
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

function model(key: string, family: Family, data: ModelOptics, parts: readonly DemoPart[]): DemoModel {
  return {
    key,
    family,
    optics: data,
    mount: demoMounts[key] ?? null,
    mirror: demoMirrors[key] ?? null,
    finder: demoFinder(key, data),
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
  model('table-76', 'tabletop-reflector', optics(76, 300, { collimatable: false, mirrorFigure: 'sphere' }), [
    ...papers,
    ...eyepieces([20, 45, 54], [6, 45, 78]),
    ...barlow(2, 60),
    ...redDot,
    ...tools,
    moonFilter,
    phoneHolder,
    ...tube('Tube 76/300', 1150, 6900),
    ...tabletopBase(1650),
    ...packing(1400, 2),
  ]),
  model('table-114', 'tabletop-reflector', optics(114, 450, { mirrorFigure: 'sphere', peepholeOutsideFocusMm: 12 }), [
    ...papers,
    ...eyepieces([20, 52, 92], [10, 52, 80]),
    ...barlow(2, 78),
    ...redDot,
    ...tools,
    collimationCap,
    moonFilter,
    phoneHolder,
    bubble,
    ...tube('Tube 114/450', 3100, 16900),
    ...tabletopBase(4200),
    ...packing(2200, 3),
  ]),
  model('slide-130', 'tabletop-reflector', optics(130, 650, { collapsible: true, peepholeOutsideFocusMm: 15 }), [
    ...papers,
    ...eyepieces([25, 50, 104], [10, 50, 92]),
    ...barlow(2, 78),
    ...redDot,
    ...tools,
    collimationCap,
    moonFilter,
    phoneHolder,
    bubble,
    ...tube('Tube 130/650, slides open', 3300, 24900),
    ...tabletopBase(3400),
    ...packing(2600, 3),
  ]),
  model(
    'floor-203',
    'floor-reflector',
    optics(203, 1200, { peepholeOutsideFocusMm: 18, finderOffsetMm: { x: -90, y: 120 } }),
    [
      ...papers,
      ...eyepieces([25, 52, 110], [10, 52, 92]).map(widest),
      ...barlow(2, 95),
      ...opticalFinder,
      ...tools,
      collimationCap,
      moonFilter,
      phoneHolder,
      ...tube('Tube 203/1200', 9300, 39900),
      mountWell('base', 'Rocker box', 11800, { costMinor: 14900 }),
      mountWell('rocker-bolt', 'Centre bolt of the rocker', 70, { costMinor: 400 }),
      ...packing(2800, 3),
    ],
  ),
  model('eq-130', 'equatorial-reflector', optics(130, 650, { peepholeOutsideFocusMm: 14 }), [
    ...papers,
    bubble,
    ...eyepieces([25, 50, 104], [10, 50, 92]),
    ...barlow(2, 78),
    moonFilter,
    ...redDot,
    phoneHolder,
    ...tools,
    collimationCap,
    ...tube('Tube 130/650', 3150, 24900),
    ...rings,
    ...equatorialMount(2350, 1980),
    ...tripod(2100, 'Notched tray', 260),
    ...packing(3850, 3),
  ]),
  model('eq-150', 'equatorial-reflector', optics(150, 750, { peepholeOutsideFocusMm: 14 }), [
    ...papers,
    bubble,
    ...eyepieces([25, 50, 104], [10, 50, 92]),
    ...barlow(2, 95),
    moonFilter,
    ...opticalFinder,
    phoneHolder,
    ...tools,
    collimationCap,
    ...tube('Tube 150/750', 5400, 29900),
    ...rings,
    ...equatorialMount(4800, 2700),
    ...tripod(3900, 'Bolted spreader', 480),
    ...packing(4200, 4),
  ]),
  model('eq-114', 'equatorial-reflector', optics(114, 900, { mirrorFigure: 'sphere' }), [
    ...papers,
    bubble,
    ...eyepieces([25, 45, 95], [10, 45, 80], [4, 45, 72]),
    moonFilter,
    ...opticalFinder,
    ...tools,
    collimationCap,
    ...tube('Tube 114/900', 3600, 15900),
    ...rings,
    ...equatorialMount(2100, 1800),
    ...tripod(2000, 'Threaded tray', 230),
    ...packing(3600, 3),
  ]),
  model('photo-70', 'tripod-refractor', optics(70, 400, { kind: 'refractor', finderOffsetMm: { x: -45, y: 62 } }), [
    ...papers,
    ...eyepieces([20, 45, 78], [6, 45, 72]),
    ...barlow(2, 70),
    ...diagonal,
    tray('erecting-diagonal', 'Erecting prism 45°, for land', 90, { costMinor: 2900 }),
    ...redDot,
    ...tools,
    phoneHolder,
    ...tube('Tube 70/400', 1150, 8900),
    mountWell('pan-handle', 'Pan handle', 60, { costMinor: 600 }),
    legsBag('tripod-legs', 'Photo tripod', 1600, { costMinor: 5900 }),
    legsBag('bag', 'Tripod bag', 210, { costMinor: 1500 }),
    ...packing(900, 2),
  ]),
  model('photo-50', 'tripod-refractor', optics(50, 600, { kind: 'refractor', finderOffsetMm: { x: -40, y: 52 } }), [
    ...papers,
    ...eyepieces([20, 40, 60], [12.5, 40, 52], [4, 40, 45]),
    ...barlow(3, 65),
    ...diagonal,
    ...opticalFinder,
    ...tools,
    ...tube('Tube 50/600', 820, 5900),
    mountWell('pan-handle', 'Pan handle', 60, { costMinor: 600 }),
    legsBag('tripod-legs', 'Photo tripod', 1100, { costMinor: 3900 }),
    ...packing(800, 2),
  ]),
  model('light-114', 'altazimuth-reflector', optics(114, 500, { peepholeOutsideFocusMm: 12 }), [
    ...papers,
    ...eyepieces([20, 52, 92], [9, 52, 82]),
    ...barlow(2, 78),
    ...redDot,
    ...tools,
    collimationCap,
    moonFilter,
    phoneHolder,
    ...tube('Tube 114/500', 2600, 15900),
    mountWell('mount-head', 'One-arm head', 1500, { costMinor: 8900 }),
    dovetailScrew,
    ...tripod(1900, 'Locking tray', 240),
    ...packing(2100, 3),
  ]),
  model(
    'mak-102',
    'equatorial-maksutov',
    optics(102, 1300, { kind: 'maksutov', finderOffsetMm: { x: -60, y: 78 } }),
    [
      ...papers,
      bubble,
      ...eyepieces([25, 52, 110], [10, 52, 92]),
      ...diagonal,
      ...redDot,
      ...tools,
      moonFilter,
      phoneHolder,
      ...tube('Maksutov tube 102/1300', 2000, 27900),
      dovetailScrew,
      ...equatorialMount(2000, 1000, 7),
      ...tripod(2000, 'Notched tray', 205),
      ...packing(3100, 3),
    ],
  ),
  model('goto-90', 'computer-driven', optics(90, 1250, { kind: 'maksutov', finderOffsetMm: { x: -58, y: 70 } }), [
    ...papers,
    bubble,
    ...eyepieces([31, 70, 260], [10, 52, 92]),
    ...diagonal,
    ...redDot,
    ...tools,
    moonFilter,
    ...tube('Maksutov tube 90/1250', 1500, 24900),
    mountWell('mount-head', 'Motor arm', 3300, { costMinor: 29900 }),
    dovetailScrew,
    ...drive('cells'),
    ...tripod(2600, 'Locking tray', 260),
    ...packing(3300, 4),
  ]),
  model('goto-80', 'computer-driven', optics(80, 400, { kind: 'refractor', finderOffsetMm: { x: -50, y: 66 } }), [
    ...papers,
    bubble,
    ...eyepieces([25, 52, 110], [10, 52, 92]),
    ...barlow(2, 78),
    ...diagonal,
    ...redDot,
    ...tools,
    ...tube('Refractor tube 80/400', 1600, 19900),
    mountWell('mount-head', 'Motor arm', 3100, { costMinor: 27900 }),
    dovetailScrew,
    ...drive('pack'),
    ...tripod(2600, 'Locking tray', 260),
    ...packing(3300, 4),
  ]),
  model('large-150', 'large-equatorial', optics(150, 750, { peepholeOutsideFocusMm: 14 }), [
    ...papers,
    bubble,
    ...eyepieces([31, 70, 260], [12.5, 60, 140], [6, 60, 130]),
    ...barlow(2, 95),
    moonFilter,
    ...opticalFinder,
    ...tools,
    collimationCap,
    tray('camera-ring', 'Camera ring', 40, { costMinor: 1900 }),
    ...tube('Tube 150/750', 5600, 34900),
    ...rings,
    dovetailScrew,
    mountWell('mount-head', 'Motor head with sighting scope', 11200, { costMinor: 89900 }),
    mountWell('counterweight', 'Counterweight', 5100, { costMinor: 5900 }),
    mountWell('weight-slug', 'Slug in the weight’s screw', 12, { costMinor: 300 }),
    mountWell('weight-shaft', 'Counterweight shaft', 820, { costMinor: 3900 }),
    mountWell('shaft-end-stop', 'Shaft end stop', 24, { costMinor: 400 }),
    ...drive('pack'),
    ...tripod(7200, 'Brace', 700),
    ...packing(5200, 5),
  ]),
]
