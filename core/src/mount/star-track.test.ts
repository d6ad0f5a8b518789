import { seeded } from '../shared/seeded.ts'
import { starTrack, type VideoFrame } from './star-track.ts'
import { vibration } from './vibration.ts'

const [W, H] = [160, 120]
/** A star of 2 px on a noisy sky, at a place. */
function frame(tS: number, at: { x: number; y: number } | null, chance: () => number, peak = 200): VideoFrame {
  const grey = new Uint8Array(W * H)
  for (let y = 0, i = 0; y < H; y++)
    for (let x = 0; x < W; x++, i++) {
      const star = at ? peak * Math.exp(-((x - at.x) ** 2 + (y - at.y) ** 2) / (2 * 2 ** 2)) : 0
      grey[i] = Math.min(255, 12 + 6 * chance() + star)
    }
  return { tS, widthPx: W, heightPx: H, grey }
}

/** A video of a tapped stand: exact damped swing at an angle, on a sky that goes on. */
function video(given: {
  frequencyHz: number
  settleS: number
  fps?: number
  driftPxPerS?: number
  towardsRad?: number
  seed?: number
  lastS?: number
}): VideoFrame[] {
  const { frequencyHz, settleS, fps = 30, driftPxPerS = 0, towardsRad = 0.6, seed = 1, lastS = 5 } = given
  const chance = seeded(seed)
  const decay = Math.log(20) / settleS
  return Array.from({ length: Math.round(lastS * fps) }, (_each, at) => {
    const tS = at / fps
    const since = tS - 0.5
    const swing = since < 0 ? 0 : 22 * Math.exp(-decay * since) * Math.sin(2 * Math.PI * frequencyHz * since)
    const place = { x: 80 + swing * Math.cos(towardsRad) + driftPxPerS * tS, y: 60 + swing * Math.sin(towardsRad) }
    return frame(tS, place, chance)
  })
}

it.each([
  [2.2, 1.2, 0],
  [3.5, 2.4, 0],
  [2.2, 1.5, 4],
  [5, 0.9, -3],
])(
  'a stand of %d Hz that is still after %d s, on a sky that drifts %d px a second',
  (frequencyHz, settleS, driftPxPerS) => {
    const { samples, refused } = starTrack(video({ frequencyHz, settleS, driftPxPerS }))
    expect(refused).toBeNull()
    const found = vibration({ samples })
    expect(found.refused).toBeNull()
    expect(Math.abs((found.settleS ?? 0) / settleS - 1)).toBeLessThan(0.12)
    expect(Math.abs((found.frequencyHz ?? 0) / frequencyHz - 1)).toBeLessThan(0.03)
  },
)

it.each([0, 0.3, 0.8, 1.3, 1.57, 1.9, 2.4, 2.9])('whichever way it swings: %d', (towardsRad) => {
  const { samples } = starTrack(video({ frequencyHz: 2.5, settleS: 1.6, towardsRad }))
  const found = vibration({ samples })
  expect(Math.abs((found.settleS ?? 0) / 1.6 - 1)).toBeLessThan(0.12)
  expect(Math.abs((found.frequencyHz ?? 0) / 2.5 - 1)).toBeLessThan(0.03)
})

it('frames in which the star is gone are gaps; where it is gone too often, nothing is said', () => {
  const frames = video({ frequencyHz: 2.5, settleS: 1.6 })
  const chance = seeded(9)
  const without = (every: number) =>
    frames.map((each, at) => (at % every === every - 1 ? frame(each.tS, null, chance) : each))
  const { samples, refused } = starTrack(without(8))
  expect([refused, samples.length]).toEqual([null, frames.length - Math.floor(frames.length / 8)])
  expect(Math.abs((vibration({ samples }).settleS ?? 0) / 1.6 - 1)).toBeLessThan(0.15)
  expect(starTrack(without(2))).toEqual({ samples: [], refused: 'no-star' })
})

it('of nothing, of a lamp that fills the picture, of a moment, and of a star that nobody shook, nothing is claimed', () => {
  const chance = seeded(4)
  const many = (make: (tS: number) => VideoFrame) => Array.from({ length: 60 }, (_each, at) => make(at / 30))
  expect(starTrack(many((tS) => frame(tS, null, chance))).refused).toBe('no-star')
  const lamp = many((tS) => ({
    ...frame(tS, null, chance),
    grey: new Uint8Array(W * H).map((_v, i) => (i % W < 40 ? 240 : 10)),
  }))
  expect(starTrack(lamp).refused).toBe('no-star')
  expect(starTrack(video({ frequencyHz: 2, settleS: 1 }).slice(0, 8)).refused).toBe('too-few')
  const still = starTrack(many((tS) => frame(tS, { x: 80, y: 60 }, chance)))
  expect(vibration({ samples: still.samples }).refused).toBe('no-tap')
})
