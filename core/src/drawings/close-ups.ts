import { axis, disc, rect, strokes, type CloseUp, type Stroke } from './close-up-strokes.ts'
import type { DrawnCircle, DrawnText } from './drawn.ts'
import type { DrawnPath } from './solid.ts'

/** Numbers and letters in a close-up, from its middle as the strokes are. */
type Figure = readonly [x: number, y: number, text: string, look?: 'figure' | 'scale' | 'on-fill']

const figures: Readonly<Partial<Record<CloseUp, readonly Figure[]>>> = {
  'rod-flat': [[-33, 20, '6 mm', 'scale']],
  diagonal: [
    [-36, -15, '90°', 'scale'],
    [32, 25, '45°', 'scale'],
  ],
  cell: [
    [0, -22, 'A', 'on-fill'],
    [21.6, 15.5, 'B', 'on-fill'],
    [-21.6, 15.5, 'C', 'on-fill'],
  ],
}

const PIVOT = [0, -32] as const
const SCALE_PX = { inner: 26, words: 31, outer: 40 } as const
const radians = (deg: number) => (deg * Math.PI) / 180
/** A point about the pivot, by the angle from level right, counter-clockwise. */
const about = (radius: number, deg: number): readonly [number, number] => [
  PIVOT[0] + radius * Math.cos(radians(deg)),
  PIVOT[1] - radius * Math.sin(radians(deg)),
]

/** Pointer fixed under the pivot, scale on the moving housing, bolts opposed: the mark of the latitude stands over the
 * pointer, and a higher one has gone by to the side away from the pole. */
function latitudeCloseUp(latitudeDeg: number): {
  readonly strokes: readonly Stroke[]
  readonly figures: readonly Figure[]
} {
  const point = ([x, y]: readonly [number, number]) => `${x.toFixed(2)} ${y.toFixed(2)}`
  const markAt = (mark: number) => 270 - (mark - latitudeDeg)
  const [least, most] = [Math.max(latitudeDeg - 35, 0), Math.min(latitudeDeg + 35, 90)]
  const marks = Array.from({ length: 19 }, (_each, index) => index * 5).filter(
    (mark) => mark >= least && mark <= most,
  )
  const arc = (radius: number, from: number, to: number) =>
    Array.from({ length: 13 }, (_each, index) => point(about(radius, from + ((to - from) * index) / 12)))
  const sector = [
    ...arc(SCALE_PX.outer, markAt(most), markAt(least)),
    ...arc(SCALE_PX.inner, markAt(least), markAt(most)),
  ].join('L')
  const tilted = (alongPx: number, acrossPx: number): readonly [number, number] => {
    const [x, y] = about(alongPx, latitudeDeg)
    return [x - acrossPx * Math.sin(radians(latitudeDeg)), y - acrossPx * Math.cos(radians(latitudeDeg))]
  }
  const housing = [tilted(-20, 15), tilted(62, 15), tilted(62, -15), tilted(-20, -15)].map(point).join('L')
  const [axisFrom, axisTo] = [about(-26, latitudeDeg), about(56, latitudeDeg)]
  return {
    strokes: [
      ['outline', `M${housing}Z`],
      ['outline', `M${sector}Z`],
      [
        'inner',
        marks
          .map((mark) => {
            const from = mark % 10 === 0 ? SCALE_PX.outer - 6 : SCALE_PX.outer - 3.5
            return `M${point(about(SCALE_PX.outer, markAt(mark)))}L${point(about(from, markAt(mark)))}`
          })
          .join(''),
      ],
      ['outline', disc(...PIVOT, 8)],
      ['outline', disc(...PIVOT, 3)],
      axis(...PIVOT, 46, PIVOT[1]),
      axis(...axisFrom, ...axisTo),
      ['fill', 'M-5 21L0 9L5 21Z'],
      ['outline', rect(-7, 21, 14, 13)],
      ['outline', rect(-37, 20, 8, 14)],
      ['outline', rect(-29, 24, 22, 6)],
      ['outline', rect(29, 20, 8, 14)],
      ['outline', rect(7, 24, 22, 6)],
      ['inner', 'M-24 24v6M-19 24v6M-14 24v6M14 24v6M19 24v6M24 24v6'],
      ['outline', 'M-20 50V42H20V50'],
      ['move', 'M-40 18a6 10 0 0 0 0 -12'],
      ['move-head', 'M-44 9l4 -7l5 6Z'],
      ['move', 'M40 18a6 10 0 0 1 0 -12'],
      ['move-head', 'M44 9l-4 -7l-5 6Z'],
    ],
    figures: [
      [17, -23, `${Math.round(latitudeDeg)}°`],
      ...marks
        .filter((mark) => Math.abs(mark - Math.round(latitudeDeg / 10) * 10) % 20 === 0)
        .map((mark): Figure => [...about(SCALE_PX.words, markAt(mark)), String(mark), 'scale']),
    ],
  }
}

const ORDINARY_LATITUDE_DEG = 52

/** A close-up in its circle on the page. @param latitudeDeg 0 to 90, for the scale of the latitude */
export function closeUp(
  name: CloseUp,
  [x, y]: readonly [number, number],
  radiusPx: number,
  latitudeDeg = ORDINARY_LATITUDE_DEG,
): DrawnCircle {
  const by = radiusPx / 50
  const drawn =
    name === 'latitude' ? latitudeCloseUp(latitudeDeg) : { strokes: strokes[name], figures: figures[name] ?? [] }
  const paths = drawn.strokes.map(([look, d]): DrawnPath => ({
    kind: 'path',
    d: transform(d, [x, y], by),
    // What isn't closed is an edge, not an area.
    look: look === 'outline' && !d.endsWith('Z') ? 'line' : look,
  }))
  const texts = drawn.figures.map(([atX, atY, text, look = 'figure']): DrawnText => ({
    kind: 'text',
    x: x + atX * by,
    y: y + atY * by,
    text,
    look,
  }))
  return { kind: 'circle', x, y, radiusPx, items: [...paths, ...texts] }
}

/** Moves and scales a path of M L H V h v l a A q Z commands. */
function transform(d: string, [cx, cy]: readonly [number, number], by: number): string {
  return d.replace(/([MLHVhvlaAqZ])([^MLHVhvlaAqZ]*)/g, (_all, command: string, rest: string) => {
    const numbers = (rest.match(/-?\d*\.?\d+/g) ?? []).map(Number)
    const scale = (index: number, value: number): number => {
      if (command === 'H') return value * by + cx
      if (command === 'V') return value * by + cy
      if (command === 'M' || command === 'L') return value * by + (index % 2 === 0 ? cx : cy)
      if (command === 'A' || command === 'a') {
        const place = index % 7
        if (place >= 2 && place <= 4) return value
        const offset = command === 'A' ? (place === 5 ? cx : place === 6 ? cy : 0) : 0
        return value * by + offset
      }
      return value * by
    }
    return command + numbers.map((value, index) => +scale(index, value).toFixed(2)).join(' ')
  })
}
