import { roleFacts, type Mark, type Role } from '../contents/roles.ts'
import { seeded } from '../shared/seeded.ts'

/** What somebody sees who takes a part in the hand. The judgement is theirs. */
export type Sight =
  | { readonly kind: 'plain' }
  | { readonly kind: 'absent' }
  | { readonly kind: 'pieces'; readonly count: number }
  | { readonly kind: 'eyepiece'; readonly focalLengthMm: number }
  | { readonly kind: 'cap'; readonly openingMm: number }
  | { readonly kind: 'weight'; readonly slugInside: boolean }
  | { readonly kind: 'battery-door'; readonly closed: boolean }

export interface PracticePart {
  readonly id: string
  readonly name: string
  readonly role: Role
  readonly place: string
  readonly count: number
  readonly lookFor: string
  /** How it lies in this case. */
  readonly sight: Sight
}

export interface PracticeFault {
  readonly partId: string
  readonly mark: Exclude<Mark, 'present' | 'unseen'>
  /** What is wrong, and what would have come of it. */
  readonly truth: string
}

export interface PracticeCase {
  readonly parts: readonly PracticePart[]
  readonly faults: readonly PracticeFault[]
}

type Spec = readonly [id: string, name: string, role: Role, place: string, sight?: Sight, count?: number]

const eyepiece = (focalLengthMm: number): Sight => ({ kind: 'eyepiece', focalLengthMm })
const cap = (openingMm: number): Sight => ({ kind: 'cap', openingMm })
const pieces = (count: number): Sight => ({ kind: 'pieces', count })

/** A made-up kit. Barrels of 1¼ inch are 31.75 mm wide, of 2 inches 50.8 mm. */
const card: readonly Spec[] = [
  ['card', 'Contents card', 'contents-card', 'Lid'],
  ['guide', 'Borrower’s guide', 'guide', 'Lid'],
  ['low', 'Eyepiece 25 mm', 'low-eyepiece', 'Tray', eyepiece(25)],
  ['high', 'Eyepiece 10 mm', 'eyepiece', 'Tray', eyepiece(10)],
  ['barlow', 'Barlow 2×', 'barlow', 'Tray'],
  ['caps', 'Eyepiece end caps', 'eyepiece-cap', 'Tray', pieces(4), 4],
  ['moon', 'Moon filter', 'moon-filter', 'Tray'],
  ['finder', 'Red-dot finder', 'finder', 'Tray'],
  ['cell', 'Coin cell in the finder', 'coin-cell', 'Tray', { kind: 'battery-door', closed: true }],
  ['key', 'Hex key 4 mm', 'hex-key', 'Pouch'],
  ['peephole', 'Collimation cap', 'collimation-cap', 'Pouch', cap(31.75)],
  ['screws', 'Spare thumbscrews', 'other', 'Pouch', pieces(2), 2],
  ['tube', 'Tube 125/600', 'tube', 'Tube well'],
  ['front', 'Front cap', 'front-cap', 'Tube well'],
  ['focuser', 'Focuser cap, 1¼ inch', 'focuser-cap', 'Tube well', cap(31.75)],
  ['rings', 'Tube rings', 'tube-rings', 'Tube well', pieces(2), 2],
  ['clamps', 'Ring clamp screws', 'ring-clamp-screw', 'Tube well', pieces(2), 2],
  ['head', 'Mount head', 'mount-head', 'Mount well'],
  ['rods', 'Slow-motion rods', 'slow-motion-rod', 'Mount well', pieces(2), 2],
  ['weight', 'Counterweight', 'counterweight', 'Mount well'],
  ['slug', 'Slug in the weight’s screw', 'weight-slug', 'Mount well', { kind: 'weight', slugInside: true }],
  ['shaft', 'Shaft', 'weight-shaft', 'Mount well'],
  ['stop', 'End stop of the shaft', 'shaft-end-stop', 'Mount well'],
  ['legs', 'Tripod legs', 'tripod-legs', 'Legs bag'],
  ['tray', 'Tray that locks the legs', 'tray', 'Legs bag'],
]

interface FaultSpec extends PracticeFault {
  readonly sight: Sight
}

const slug: readonly FaultSpec[] = [
  {
    partId: 'slug',
    mark: 'missing',
    sight: { kind: 'weight', slugInside: false },
    truth: 'The slug is gone from the weight’s screw: the screw bites the shaft, and the weight slips.',
  },
]
const swaps: readonly FaultSpec[] = [
  {
    partId: 'high',
    mark: 'wrong',
    sight: eyepiece(12.5),
    truth: 'A 12.5 mm is in place of the 10 mm: some other kit lacks it.',
  },
  {
    partId: 'high',
    mark: 'wrong',
    sight: eyepiece(6),
    truth: 'A 6 mm is in place of the 10 mm: the guide’s powers are wrong for it.',
  },
  {
    partId: 'low',
    mark: 'wrong',
    sight: eyepiece(20),
    truth: 'A 20 mm is in place of the 25 mm: finding things becomes harder, and some other kit lacks it.',
  },
]
const capSizes: readonly FaultSpec[] = [
  {
    partId: 'focuser',
    mark: 'wrong',
    sight: cap(50.8),
    truth: 'The focuser’s cap is for 2 inches: it falls off, and dust gets in.',
  },
  {
    partId: 'peephole',
    mark: 'wrong',
    sight: cap(24.5),
    truth: 'The collimation cap is for a narrower barrel: it does not sit square, and the mirror is set wrong by it.',
  },
]
/** One more now and then, so that nobody stops at three. */
const others: readonly (FaultSpec | null)[] = [
  null,
  { partId: 'caps', mark: 'missing', sight: pieces(3), truth: 'Three end caps, not four.' },
  {
    partId: 'stop',
    mark: 'missing',
    sight: { kind: 'absent' },
    truth: 'The end stop is gone: a weight that slips falls on a foot.',
  },
  {
    partId: 'cell',
    mark: 'damaged',
    sight: { kind: 'battery-door', closed: false },
    truth: 'The battery door is open: a child can take the cell out, and swallowed it burns within two hours.',
  },
  { partId: 'clamps', mark: 'missing', sight: pieces(1), truth: 'One ring clamp screw, not two: the tube can fall.' },
]

/** A case with hidden faults: the slug, an eyepiece of another kit, a cap of the wrong size, and sometimes one more.
 * @param seed any whole number; the same seed gives the same case */
export function practiceCase(seed: number): PracticeCase {
  const random = seeded(seed)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T
  const faults = [pick(slug), pick(swaps), pick(capSizes), pick(others)].filter((fault) => fault !== null)
  const sights = new Map(faults.map(({ partId, sight }) => [partId, sight]))
  return {
    parts: card.map(([id, name, role, place, sight = { kind: 'plain' }, count = 1]) => ({
      id,
      name,
      role,
      place,
      count,
      lookFor: roleFacts(role).lookFor,
      sight: sights.get(id) ?? sight,
    })),
    faults: faults.map(({ partId, mark, truth }) => ({ partId, mark, truth })),
  }
}

/** Points for what was found, and for being quick about it once everything was. */
const FOR_FINDING = 70
const FOR_SPEED = 30
const PER_FALSE_ALARM = 10
/** As quick as somebody who knows the case, and as slow as ticking a paper list. Common practice, no source. */
const QUICK_S = 90
const SLOW_S = 300

export interface PracticeScore {
  readonly points: number
  readonly seconds: number
  readonly faults: readonly (PracticeFault & { readonly result: 'found' | 'noticed' | 'overlooked' })[]
  /** Parts that were marked although nothing is wrong with them. */
  readonly falseAlarms: readonly string[]
}

/** Scores marks against the truth. Half the points for a fault that was noticed but named wrongly.
 * @param seconds ≥ 0
 * @returns points 0 … 100 */
export function scorePractice(given: PracticeCase, marks: ReadonlyMap<string, Mark>, seconds: number): PracticeScore {
  if (!(seconds >= 0)) throw new RangeError(`seconds must be 0 or more; got ${seconds}`)
  const isOff = (id: string) => !['present', 'unseen'].includes(marks.get(id) ?? 'unseen')
  const faults = given.faults.map((fault) => {
    const result =
      marks.get(fault.partId) === fault.mark
        ? ('found' as const)
        : isOff(fault.partId)
          ? ('noticed' as const)
          : ('overlooked' as const)
    return { ...fault, result }
  })
  const falseAlarms = given.parts
    .map(({ id }) => id)
    .filter((id) => isOff(id) && !given.faults.some(({ partId }) => partId === id))
  const share = faults.reduce((sum, { result }) => sum + (result === 'found' ? 1 : result === 'noticed' ? 0.5 : 0), 0)
  const isAll = faults.every(({ result }) => result === 'found')
  const speed = isAll ? Math.min(1, Math.max(0, (SLOW_S - seconds) / (SLOW_S - QUICK_S))) : 0
  const points = (FOR_FINDING * share) / faults.length + FOR_SPEED * speed - PER_FALSE_ALARM * falseAlarms.length
  return { points: Math.max(0, Math.round(points)), seconds, faults, falseAlarms }
}

/** What one sees with the part in the hand, in words. */
export function sightWords({ sight, count }: PracticePart): string {
  switch (sight.kind) {
    case 'plain':
      return 'It lies in its place, whole.'
    case 'absent':
      return 'Nothing lies here.'
    case 'pieces':
      return sight.count === 1 ? 'You count one.' : `You count ${sight.count}.`
    case 'eyepiece':
      return `On its ring stands ${sight.focalLengthMm} mm. The glass is clean.`
    case 'cap':
      return `Its opening is ${sight.openingMm} mm wide.`
    case 'weight':
      return sight.slugInside
        ? 'You tilt the weight: something slides and clicks.'
        : 'You tilt the weight: not a sound.'
    case 'battery-door':
      return sight.closed
        ? 'The door is shut, its screw is in.'
        : `The door stands open; ${count === 1 ? 'the cell' : 'the cells'} can be seen.`
  }
}
