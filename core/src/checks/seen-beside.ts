import { chargeLeft, powerVerdict, type Chemistry, type PowerNeed, type PowerReading } from './power.ts'
import { COIN_CELL_VOLTS } from '../finder/battery.ts'

/** What stations keep beside their judged readings and nobody is judged by, but what tells how a kit wanders. */
export const besideKinds = [
  'ring-place',
  'charge',
  'coin-cell',
  'dot-put-away',
  'front-cell',
  'finder-o-ring',
  'finder-caps',
  'at-highest-power',
] as const
export type BesideKind = (typeof besideKinds)[number]
export type BesideUnit = 'mm' | 'h' | 'V' | 'judged'

/** One of them as a check found and left it; judged ones are 0 (fine) or 1. */
export interface SeenBeside {
  readonly kind: BesideKind
  readonly asFound: number | null
  readonly asLeft: number
  /** Null where nothing says what is too much. */
  readonly limit: number | null
  /** Whether less than the limit is too little; otherwise more is too much. */
  readonly limitIsLeast: boolean
  readonly unit: BesideUnit
}

/** The part of a station's entry that something is kept beside. */
export type StationBeside =
  | { readonly station: 'let-go'; readonly foundMm: number | null; readonly leftMm: number | null }
  | (PowerNeed & {
      readonly station: 'power'
      readonly chemistry: Chemistry
      readonly cellCount: number
      readonly asFound: PowerReading
      readonly asLeft: PowerReading
    })
  | {
      readonly station: 'finder'
      readonly care: {
        readonly switchedOff: boolean
        readonly tabIn: boolean
        readonly doorScrewed: boolean
        readonly volts: number | null
      } | null
      readonly opticalCare: {
        readonly frontCell: 'sharp-and-locked' | 'blurred' | 'loose' | null
        readonly oRing: 'seated' | 'missing' | 'none' | null
        readonly capsThere: boolean | null
        readonly atHighestPower: 'inside' | 'outside' | null
      } | null
    }

/** What an entry keeps beside its readings. @throws RangeError for volts of other cells than it names */
export function seenBeside(entry: StationBeside): readonly SeenBeside[] {
  switch (entry.station) {
    case 'let-go':
      return entry.leftMm === null ? [] : [figure('ring-place', 'mm', [entry.foundMm, entry.leftMm], null)]
    case 'power': {
      const hours = (reading: PowerReading) => powerVerdict(chargeLeft(reading, entry), entry).hours
      return [figure('charge', 'h', [hours(entry.asFound), hours(entry.asLeft)], entry.neededHours)]
    }
    case 'finder':
      return [...dotSeen(entry.care), ...opticalSeen(entry.opticalCare)]
  }
}

type Finder = Extract<StationBeside, { readonly station: 'finder' }>

function dotSeen(care: Finder['care']): readonly SeenBeside[] {
  if (!care) return []
  const { switchedOff, tabIn, doorScrewed, volts } = care
  return [
    judged('dot-put-away', switchedOff && tabIn && doorScrewed),
    ...(volts === null ? [] : [figure('coin-cell', 'V', [null, volts], COIN_CELL_VOLTS.low)]),
  ]
}

function opticalSeen(care: Finder['opticalCare']): readonly SeenBeside[] {
  if (!care) return []
  const { frontCell, oRing, capsThere, atHighestPower } = care
  return [
    ...(frontCell === null ? [] : [judged('front-cell', frontCell === 'sharp-and-locked')]),
    ...(oRing === null || oRing === 'none' ? [] : [judged('finder-o-ring', oRing === 'seated')]),
    ...(capsThere === null ? [] : [judged('finder-caps', capsThere)]),
    ...(atHighestPower === null ? [] : [judged('at-highest-power', atHighestPower === 'inside')]),
  ]
}

const figure = (
  kind: BesideKind,
  unit: BesideUnit,
  [asFound, asLeft]: readonly [number | null, number],
  least: number | null,
): SeenBeside => ({ kind, unit, asFound, asLeft, limit: least, limitIsLeast: least !== null })

/** Looked at once, as it goes back into its case. */
const judged = (kind: BesideKind, isFine: boolean): SeenBeside => ({
  ...{ kind, unit: 'judged', asFound: null, asLeft: isFine ? 0 : 1, limit: 0, limitIsLeast: false },
})
