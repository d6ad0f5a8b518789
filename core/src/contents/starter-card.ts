import { inCaseOrder } from './case-layout.ts'
import { roleFacts, roles, type Family, type Role } from './roles.ts'

/** A card to begin with for each family, with what such a kit usually holds; every line is there to be edited. Names and
 * counts are common practice, no source: no real set stands behind them. */
export interface StarterPart {
  readonly role: Role
  readonly name: string
  readonly count: number
  readonly place: string
  readonly optics: { readonly focalLengthMm?: number; readonly finderKind?: 'red-dot' }
}

type Line = readonly [role: Role, place: string, count?: number, name?: string]

const TRAY = 'Upper tray'
const POUCH = 'Pouch'
const TUBE = 'Tube well'
const MOUNT = 'Mount well'
const LEGS = 'Legs bag'

const always: readonly Line[] = [
  ['contents-card', 'Lid'],
  ['guide', 'Lid'],
  ['tube', TUBE],
  ['front-cap', TUBE],
  ['focuser-cap', TUBE],
  ['sun-label', TUBE],
  ['finder', TRAY, 1, 'Red-dot finder'],
  ['coin-cell', TRAY, 1, 'Coin cell, in the finder'],
  ['hex-key', POUCH],
  ['case', 'Case itself'],
]
const tripod: readonly Line[] = [
  ['tripod-legs', LEGS],
  ['tray', LEGS],
]
const equatorial: readonly Line[] = [
  ['mount-head', MOUNT, 1, 'Equatorial head'],
  ['slow-motion-rod', MOUNT, 2],
  ['counterweight', MOUNT],
  ['weight-slug', MOUNT],
  ['weight-shaft', MOUNT],
  ['shaft-end-stop', MOUNT],
]
const rings: readonly Line[] = [
  ['tube-rings', TUBE, 2],
  ['ring-clamp-screw', TUBE, 2],
]
const diagonal: readonly Line[] = [
  ['diagonal', TRAY, 1, 'Star diagonal 90°'],
  ['diagonal-cap', TRAY, 2],
]
const clamp: Line = ['dovetail-clamp-screw', MOUNT]
const drive: readonly Line[] = [
  ['controller', MOUNT],
  ['mount-cable', MOUNT],
]

const lines: Readonly<Record<Family, readonly Line[]>> = {
  'tabletop-reflector': [['base', MOUNT, 1, 'One-arm base'], clamp, ['collimation-cap', POUCH]],
  'floor-reflector': [
    ['base', MOUNT, 1, 'Rocker box'],
    ['rocker-bolt', MOUNT],
    ['collimation-cap', POUCH],
  ],
  'equatorial-reflector': [...tripod, ...equatorial, ...rings, ['collimation-cap', POUCH]],
  'tripod-refractor': [['tripod-legs', LEGS, 1, 'Photo tripod'], ['pan-handle', MOUNT], ...diagonal],
  'altazimuth-reflector': [...tripod, ['mount-head', MOUNT, 1, 'One-arm head'], clamp, ['collimation-cap', POUCH]],
  'equatorial-maksutov': [...tripod, ...equatorial, clamp, ...diagonal],
  'computer-driven': [
    ...tripod,
    ['mount-head', MOUNT, 1, 'Motor arm'],
    clamp,
    ...drive,
    ['aa-cells', MOUNT, 8],
    ...diagonal,
  ],
  'large-equatorial': [
    ...tripod,
    ['mount-head', MOUNT, 1, 'Motor head'],
    ['counterweight', MOUNT],
    ['weight-slug', MOUNT],
    ['weight-shaft', MOUNT],
    ['shaft-end-stop', MOUNT],
    ...rings,
    clamp,
    ...drive,
    ['power-pack', MOUNT],
    ['charger', MOUNT],
  ],
}

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1)

/** @param eyepiecesMm focal lengths, the longest is the lowest power; none leaves one without a figure, which is asked for */
export function starterCard(family: Family, eyepiecesMm: readonly number[]): readonly StarterPart[] {
  const sorted = [...eyepiecesMm].sort((a, b) => b - a)
  const eyepieces: StarterPart[] =
    sorted.length === 0
      ? [{ role: 'low-eyepiece', name: 'Eyepiece, lowest power', count: 1, place: TRAY, optics: {} }]
      : sorted.map((focalLengthMm, index) => ({
          role: index === 0 ? 'low-eyepiece' : 'eyepiece',
          name: `Eyepiece ${focalLengthMm} mm`,
          count: 1,
          place: TRAY,
          optics: { focalLengthMm },
        }))
  const caps: Line = ['eyepiece-cap', TRAY, 2 * Math.max(sorted.length, 1)]
  const plain = [...always, ...lines[family], caps].map(([role, place, count = 1, name]): StarterPart => ({
    role,
    name: name ?? capital(roles[role].words),
    count,
    place,
    optics: role === 'finder' ? { finderKind: 'red-dot' } : {},
  }))
  return inCaseOrder([...plain, ...eyepieces])
}

/** A whole club's list as it may be typed, to be downloaded, filled in and brought in. */
export const sampleList = (): string =>
  [
    'Kit code,Name,Part,How many,Mass,Where it lies,Note',
    ...(['tabletop-reflector', 'equatorial-reflector'] as const).flatMap((family, index) =>
      starterCard(family, [23, 9]).map(({ name, count, place }, line) => {
        const cells = [
          line === 0 ? `K-0${index + 1}` : '',
          line === 0 ? ['Wren', 'Siskin'][index] : '',
          name,
          count,
          '',
          place,
          '',
        ]
        return cells.map((cell) => (/[",]/.test(String(cell)) ? `"${String(cell)}"` : String(cell))).join(',')
      }),
    ),
  ].join('\r\n') + '\r\n'

/** Criticality and look of a starter part follow from its role. */
export const starterFacts = (role: Role) => {
  const { criticality, lookEveryTime = false } = roleFacts(role)
  return { criticality, lookEveryTime }
}
