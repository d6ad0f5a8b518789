import type { Family } from '../contents/roles.ts'

export const borrowerLevels = ['first', 'some', 'expert'] as const
export const observerAges = ['child', 'family', 'adult'] as const
export const carriers = ['on-foot', 'bus', 'car'] as const

/** What somebody can do and carry; left out where nobody asked. */
export interface BorrowerCan {
  readonly level?: (typeof borrowerLevels)[number] | undefined
  readonly carries?: (typeof carriers)[number] | undefined
  /** Who looks through it mostly. */
  readonly age?: (typeof observerAges)[number] | undefined
  /** Sits while observing. */
  readonly seated?: boolean | undefined
}

export interface KitFit {
  /** False puts a kit behind others; it never bars it. */
  readonly suits: boolean
  readonly reasons: readonly string[]
}

/** Kits that a first-timer gets going alone. Common practice, no source. */
const easy: ReadonlySet<Family> = new Set<Family>([
  'tabletop-reflector',
  'tripod-refractor',
  'floor-reflector',
  'altazimuth-reflector',
])
/** Those that stand low and are moved by a push. */
const forChildren: ReadonlySet<Family> = new Set<Family>([
  'tabletop-reflector',
  'tripod-refractor',
  'altazimuth-reflector',
])
const demanding: ReadonlySet<Family> = new Set<Family>(['large-equatorial'])
/** What one person carries to the bus, and on foot for a while; two people or a trolley beyond 10 kg. Common practice. */
const MOST_KG = { 'on-foot': 6, bus: 10, car: 25 } as const

/** Whether a kit suits somebody, by what it asks of them: a suggestion, never a bar. @param kit.massKg 0 where unknown */
export function kitSuits(kit: { readonly family: Family; readonly massKg: number }, can: BorrowerCan): KitFit {
  const { family, massKg } = kit
  const reasons: string[] = []
  let suits = true
  if (can.level === 'first' && !easy.has(family)) {
    suits = false
    reasons.push('asks for some practice')
  }
  if (can.level === 'some' && demanding.has(family)) {
    suits = false
    reasons.push('asks for much practice')
  }
  if (can.carries && massKg > MOST_KG[can.carries]) {
    suits = false
    reasons.push(`${Math.round(massKg)} kg is much to carry`)
  }
  if (can.age === 'child' && !forChildren.has(family)) {
    suits = false
    reasons.push(family === 'floor-reflector' ? 'a child needs a step' : 'asks for grown-up hands')
  }
  if (can.seated && family === 'floor-reflector') {
    suits = false
    reasons.push('one stands at it')
  }
  return { suits, reasons }
}
