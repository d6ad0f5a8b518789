import type { Role } from './roles.ts'

/** How a part is drawn in the plan of its case. */
export type PartShape = 'paper' | 'round' | 'box' | 'tube' | 'long' | 'block'

const shapes: Readonly<Partial<Record<Role, PartShape>>> = {
  tube: 'tube',
  'tripod-legs': 'long',
  'slow-motion-rod': 'long',
  'weight-shaft': 'long',
  'pan-handle': 'long',
  'pier-extension': 'long',
  'hex-key': 'long',
  spanner: 'long',
  manual: 'paper',
  guide: 'paper',
  'contents-card': 'paper',
  'sun-label': 'paper',
  'mount-head': 'block',
  base: 'block',
  'power-pack': 'block',
  charger: 'block',
  foam: 'block',
  case: 'block',
  bag: 'block',
  controller: 'box',
  'phone-holder': 'box',
  diagonal: 'box',
  'erecting-diagonal': 'box',
  finder: 'box',
  tray: 'block',
}

export const shapeOf = (role: Role): PartShape => shapes[role] ?? 'round'

export interface PlacedPart {
  readonly id: string
  /** Number on the card, from 1. */
  readonly number: number
  readonly shape: PartShape
  /** Middle and size of its cell, in the plan's units. */
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

export interface Compartment {
  readonly place: string
  readonly isLid: boolean
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
  readonly parts: readonly PlacedPart[]
}

/** Parts place by place, as the card is read: places in the order of their first part, the order inside kept. */
export function inCaseOrder<T extends { readonly place: string }>(parts: readonly T[]): T[] {
  const places = [...new Set(parts.map(({ place }) => place))]
  return places.flatMap((place) => parts.filter((part) => part.place === place))
}

const LID_HEIGHT = 0.2
const GAP = 0.02
/** Room for a compartment's name above its parts. */
const NAME_HEIGHT = 0.085
const isLidPlace = (place: string) => /\b(lid|pouch)\b/i.test(place)

/**
 * The plan of a case seen from above, from the order of its contents card: the lid and its pouch in a strip at the far
 * side, every other place a compartment whose area grows with what lies in it, in rows. Lengths are shares of the width.
 * @param aspect height over width of the plan, above 0
 * @returns compartments in card order; none where the kit has no parts */
export function caseLayout(
  parts: readonly { readonly id: string; readonly role: Role; readonly place: string }[],
  aspect = 0.6,
): readonly Compartment[] {
  if (!(aspect > 0)) throw new RangeError(`aspect must be above 0; got ${aspect}`)
  const numbered = parts.map((part, index) => ({ ...part, number: index + 1 }))
  const places = [...new Set(parts.map(({ place }) => place))]
  const inside = (place: string) => numbered.filter((part) => part.place === place)
  const lid = places.filter(isLidPlace)
  const wells = places.filter((place) => !isLidPlace(place))
  const lidHeight = lid.length > 0 ? LID_HEIGHT : 0
  const frames = [
    ...row(lid, inside, { y: 0, height: lidHeight - GAP, isLid: true }),
    ...rows(wells, inside, { y: lidHeight, height: aspect - lidHeight }),
  ]
  const order = new Map(places.map((place, index) => [place, index]))
  return frames
    .sort((a, b) => (order.get(a.place) ?? 0) - (order.get(b.place) ?? 0))
    .map((frame) => ({ ...frame, parts: placeParts(frame, inside(frame.place)) }))
}

type Numbered = { readonly id: string; readonly role: Role; readonly number: number }
type Inside = (place: string) => readonly Numbered[]
type Frame = Omit<Compartment, 'parts'>

/** What a compartment asks for: its parts, long and large ones more. */
const need = (parts: readonly Numbered[]) =>
  2 + parts.reduce((sum, { role }) => sum + (shapeOf(role) === 'tube' ? 5 : shapeOf(role) === 'block' ? 2 : 1), 0)

function row(
  places: readonly string[],
  inside: Inside,
  given: { readonly y: number; readonly height: number; readonly isLid: boolean },
): Frame[] {
  const total = places.reduce((sum, place) => sum + need(inside(place)), 0)
  let x = 0
  return places.map((place) => {
    const width = need(inside(place)) / total
    const frame = { place, isLid: given.isLid, x, y: given.y, width: width - GAP, height: given.height }
    x += width
    return frame
  })
}

const PLACES_PER_ROW = 3

function rows(places: readonly string[], inside: Inside, given: { y: number; height: number }): Frame[] {
  const count = Math.ceil(places.length / PLACES_PER_ROW)
  const perRow = Math.ceil(places.length / Math.max(count, 1))
  const chunks = Array.from({ length: count }, (_, index) => places.slice(index * perRow, (index + 1) * perRow))
  const needs = chunks.map((chunk) => chunk.reduce((sum, place) => sum + Math.sqrt(need(inside(place))), 0))
  const total = needs.reduce((sum, each) => sum + each, 0)
  let { y } = given
  return chunks.flatMap((chunk, index) => {
    const height = ((needs[index] ?? 0) / total) * given.height
    const frames = row(chunk, inside, { y, height: height - GAP, isLid: false })
    y += height
    return frames
  })
}

/** Parts on a grid whose cells come out as square as they can. */
function placeParts(frame: Frame, parts: readonly Numbered[]): PlacedPart[] {
  const nameHeight = Math.min(NAME_HEIGHT, frame.height * 0.46)
  const top = frame.y + nameHeight
  const height = frame.height - nameHeight
  const columns = Math.max(1, Math.min(parts.length, Math.round(Math.sqrt((parts.length * frame.width) / height))))
  const lines = Math.max(1, Math.ceil(parts.length / columns))
  return parts.map(({ id, role, number }, index) => ({
    id,
    number,
    shape: shapeOf(role),
    x: frame.x + ((index % columns) + 0.5) * (frame.width / columns),
    y: top + (Math.floor(index / columns) + 0.5) * (height / lines),
    width: frame.width / columns,
    height: height / lines,
  }))
}
