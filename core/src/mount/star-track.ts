import type { ShakeSample } from './vibration.ts'

/** One frame of a video of a star: brightness 0 to 255, row after row. */
export interface VideoFrame {
  readonly tS: number
  readonly widthPx: number
  readonly heightPx: number
  readonly grey: Uint8Array | Uint8ClampedArray
}
export interface StarTrack {
  /** The star along the line on which it moves most, as a share of its farthest: what `vibration` takes. */
  readonly samples: readonly ShakeSample[]
  readonly refused: 'no-star' | 'too-few' | null
}

/** A star stands so far over the sky around it. Common practice, no source. */
const LEAST_OVER_SKY = 40
/** As much of a star's height is counted to it. */
const PART_OF_STAR = 0.5
/** More of the picture than this is a lamp, a window or the Moon. */
const MOST_OF_PICTURE = 0.02
const LEAST_FRAMES = 12
/** A star that leaves the picture for longer than this share of the frames is none to go by. */
const MOST_LOST = 0.3
/** Less than this is the picture's own noise, px. */
const LEAST_SWING_PX = 1

/** Follows one star through a video, to tell how a stand swings after a tap.
 *
 * Its place in each frame is the mean of what stands over half its height, weighed by brightness. A swing's displacement
 * dies as its acceleration does, so the time until it is still follows from either; the line on which it moves most is the
 * long axis of its places. Frames without it are left out as gaps.
 * @param frames in order of time. Source: moments of brightness; principal axis of a plane scatter */
export function starTrack(frames: readonly VideoFrame[]): StarTrack {
  if (frames.length < LEAST_FRAMES) return { samples: [], refused: 'too-few' }
  const places = frames.flatMap((frame) => {
    const at = starIn(frame)
    return at ? [{ tS: frame.tS, ...at }] : []
  })
  if (places.length < (1 - MOST_LOST) * frames.length) return { samples: [], refused: 'no-star' }
  const rest = { x: median(places.map(({ x }) => x)), y: median(places.map(({ y }) => y)) }
  let [xx, xy, yy] = [0, 0, 0]
  for (const { x, y } of places) {
    xx += (x - rest.x) ** 2
    xy += (x - rest.x) * (y - rest.y)
    yy += (y - rest.y) ** 2
  }
  const angle = Math.atan2(2 * xy, xx - yy) / 2
  const along = withoutDrift(
    places.map(({ tS, x, y }) => ({
      tS,
      px: (x - rest.x) * Math.cos(angle) + (y - rest.y) * Math.sin(angle),
    })),
  )
  const most = Math.max(...along.map(({ px }) => Math.abs(px)))
  // A star that never moved is as still as can be: nobody tapped.
  if (most < LEAST_SWING_PX) return { samples: along.map(({ tS }) => ({ tS, accelMps2: 0 })), refused: null }
  return { samples: along.map(({ tS, px }) => ({ tS, accelMps2: px / most })), refused: null }
}

/** On a stand that isn't driven the sky goes on: that is told by the end, when the tube is still, and taken off. */
function withoutDrift(along: readonly { readonly tS: number; readonly px: number }[]) {
  const fifth = Math.floor(along.length / 5)
  const middleOfPart = (part: typeof along) => ({
    tS: median(part.map(({ tS }) => tS)),
    px: median(part.map(({ px }) => px)),
  })
  const [before, end] = [middleOfPart(along.slice(-2 * fifth, -fifth)), middleOfPart(along.slice(-fifth))]
  const perS = end.tS > before.tS ? (end.px - before.px) / (end.tS - before.tS) : 0
  return along.map(({ tS, px }) => ({ tS, px: px - end.px - perS * (tS - end.tS) }))
}

function starIn({ widthPx, heightPx, grey }: VideoFrame): { readonly x: number; readonly y: number } | null {
  const counts = new Uint32Array(256)
  for (const value of grey) counts[value] = (counts[value] ?? 0) + 1
  const sky = middleOf(counts, grey.length)
  let brightest = 255
  while (brightest > 0 && counts[brightest] === 0) brightest--
  if (brightest - sky < LEAST_OVER_SKY) return null
  const least = sky + (brightest - sky) * PART_OF_STAR
  let [sum, sx, sy, count] = [0, 0, 0, 0]
  for (let y = 0, i = 0; y < heightPx; y++)
    for (let x = 0; x < widthPx; x++, i++) {
      const over = (grey[i] as number) - least
      if (over <= 0) continue
      count++
      sum += over
      sx += over * x
      sy += over * y
    }
  if (count > MOST_OF_PICTURE * grey.length || sum === 0) return null
  return { x: sx / sum, y: sy / sum }
}

function middleOf(counts: Uint32Array, total: number): number {
  let below = 0
  for (let value = 0; value < counts.length; value++) {
    below += counts[value] ?? 0
    if (below * 2 >= total) return value
  }
  return counts.length - 1
}

function median(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b)
  return sorted[Math.floor(sorted.length / 2)] ?? 0
}
