import type { Place } from './place.ts'
import { laidOn, type Laid, type Levels } from './place-match.ts'

/** Taken out of the global object once: inner loops ask for them millions of times. */
const { cos, floor, max, min, sin, sqrt } = Math

/** A place with what is needed to lay it on another. */
export interface Seen extends Place {
  readonly levels: Levels
}

export interface Likeness {
  /** The share of what is seen that no light on what was seen before explains; 0 is the same. */
  readonly unlike: number
  /** The same for the likest single reference alone. */
  readonly unlikeOne: number
  /** How much there is to see: variance of brightness and slopes, in squares of the foam's brightness. */
  readonly content: number
  /** The same for the references: their middle. */
  readonly contentBefore: number
}

/** Edges count beside areas. */
const SLOPE_SHARE = 1.5
const PASSES = 60

/**
 * How unlike today's place is to the same place as it was seen before.
 *
 * Brightness under another light is a sum of brightnesses under single lamps (as long as shadows stay small): each reference is
 * laid on today's, and the best sum of them with no negative share is taken away. Another part in the place leaves its edges.
 * Source: the images of a matt body under all lights lie in a low-dimensional cone (Belhumeur & Kriegman 1998, from memory)
 */
export function likeness(today: Seen, before: readonly Seen[]): Likeness & { readonly laid: readonly Laid[] } {
  const laid = before.map((reference) => laidOn(today.levels, reference.levels))
  const target = channels(today, today.tone)
  const parts = before.map((reference, k) => channels(today, moved(reference, laid[k] as Laid)))
  const gram = parts.map((a) => parts.map((b) => product(a, b)))
  const right = parts.map((a) => product(a, target))
  const all = product(target, target)
  const shares = notNegative(gram, right)
  let left = all
  shares.forEach((share, a) => {
    left -= 2 * share * (right[a] ?? 0)
    shares.forEach((other, b) => (left += share * other * (gram[a]?.[b] ?? 0)))
  })
  const cells = weightSum(today)
  const contents = parts.map((_part, a) => (gram[a]?.[a] ?? 0) / cells).toSorted((a, b) => a - b)
  return {
    unlike: max(left, 0) / max(all, 1e-9),
    unlikeOne: leastOf(right.map((value, a) => 1 - (value * max(value, 0)) / ((gram[a]?.[a] ?? 0) * all + 1e-9))),
    content: all / cells,
    contentBefore: contents[contents.length >> 1] ?? 0,
    laid,
  }
}

const leastOf = (values: readonly number[]) => max(0, min(1, ...values))

/** Non-negative least squares by going round the shares one by one: few of them, and all alike. */
function notNegative(gram: readonly (readonly number[])[], right: readonly number[]): number[] {
  const shares = right.map(() => 0)
  for (let pass = 0; pass < PASSES; pass++)
    right.forEach((value, a) => {
      const row = gram[a] ?? []
      const others = row.reduce((sum, g, b) => (b === a ? sum : sum + g * (shares[b] ?? 0)), 0)
      shares[a] = max(0, (value - others) / ((row[a] ?? 0) * 1.001 + 1e-9))
    })
  return shares
}

/** Brightness about its mean, and slopes, each cell by how far it is from a wall. */
function channels({ width, height, weight }: Place, tone: Float32Array): Float32Array {
  const cells = width * height
  const out = new Float32Array(3 * cells)
  let [sum, weights] = [0, 0]
  for (let y = 1; y < height - 1; y++)
    for (let x = 1; x < width - 1; x++) {
      const i = y * width + x
      const q = weight[i] as number
      const root = sqrt(q)
      out[i] = root * (tone[i] as number)
      sum += q * (tone[i] as number)
      weights += q
      out[cells + i] = SLOPE_SHARE * root * ((tone[i + 1] as number) - (tone[i - 1] as number))
      out[2 * cells + i] = SLOPE_SHARE * root * ((tone[i + width] as number) - (tone[i - width] as number))
    }
  const mean = sum / weights
  for (let y = 1; y < height - 1; y++)
    for (let x = 1; x < width - 1; x++) {
      const i = y * width + x
      out[i] = (out[i] as number) - mean * sqrt(weight[i] as number)
    }
  return out
}

function weightSum({ width, height, weight }: Place): number {
  let sum = 0
  for (let y = 1; y < height - 1; y++) for (let x = 1; x < width - 1; x++) sum += weight[y * width + x] as number
  return sum
}

function product(a: Float32Array, b: Float32Array): number {
  let sum = 0
  for (let i = 0; i < a.length; i++) sum += (a[i] as number) * (b[i] as number)
  return sum
}

/** A place's brightness as it has been laid; beyond its border its own floor. */
function moved({ width, height, tone }: Place, { dx, dy, turn }: Laid): Float32Array {
  const bed = tone.toSorted()[tone.length >> 2] ?? 1
  const out = new Float32Array(width * height).fill(bed)
  const [c, s] = [cos(turn), sin(turn)]
  const [cx, cy] = [(width - 1) / 2, (height - 1) / 2]
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const u = c * (x - cx) - s * (y - cy) + cx + dx
      const v = s * (x - cx) + c * (y - cy) + cy + dy
      const [iu, iv] = [floor(u), floor(v)]
      if (iu < 0 || iv < 0 || iu >= width - 1 || iv >= height - 1) continue
      const [fu, fv] = [u - iu, v - iv]
      const k = iv * width + iu
      out[y * width + x] =
        (1 - fu) * (1 - fv) * (tone[k] as number) +
        fu * (1 - fv) * (tone[k + 1] as number) +
        (1 - fu) * fv * (tone[k + width] as number) +
        fu * fv * (tone[k + width + 1] as number)
    }
  return out
}
