/** Taken out of the global object once: inner loops ask for them millions of times. */
const { abs, ceil, exp, floor, max, min, sqrt } = Math

/** Pixels as a decoder hands them over: four bytes each (red, green, blue, alpha), row by row from the top-left. */
export interface Picture {
  readonly widthPx: number
  readonly heightPx: number
  readonly rgba: Uint8Array | Uint8ClampedArray
}

/** A single brightness per pixel, 0 to 1. */
export interface Plane {
  readonly width: number
  readonly height: number
  readonly values: Float32Array
}

/** A picture made smaller by a whole factor, with its three colours apart. */
export interface Planes {
  readonly width: number
  readonly height: number
  /** Pixels of the picture that make one here, along a side. */
  readonly reducedBy: number
  readonly colours: readonly Plane[]
  readonly grey: Plane
}

/** Luma of ITU-R BT.601. */
const LUMA = [0.299, 0.587, 0.114] as const
const BYTE = 255

/** More pixels than any phone's usual picture has; a file that claims more is refused before it is decoded. */
export const MOST_PIXELS = 64_000_000

/**
 * The picture with its longer side at `longestPx` at most, by averaging whole squares of pixels: no pixel is left out, so
 * noise falls and edges stay where they are.
 * @throws RangeError for sides that are no whole positive numbers, or bytes that don't make four for each pixel
 */
export function reducedPlanes(picture: Picture, longestPx: number): Planes {
  const { widthPx, heightPx, rgba } = picture
  if (!(Number.isInteger(widthPx) && Number.isInteger(heightPx) && widthPx > 0 && heightPx > 0))
    throw new RangeError(`picture sides must be whole and positive; got ${widthPx} × ${heightPx}`)
  if (rgba.length !== widthPx * heightPx * 4)
    throw new RangeError(`picture has ${rgba.length} bytes; ${widthPx} × ${heightPx} needs four for each pixel`)
  const reducedBy = max(1, ceil(max(widthPx, heightPx) / longestPx))
  const width = max(1, floor(widthPx / reducedBy))
  const height = max(1, floor(heightPx / reducedBy))
  const red = new Float32Array(width * height)
  const green = new Float32Array(width * height)
  const blue = new Float32Array(width * height)
  const grey = new Float32Array(width * height)
  const share = 1 / (reducedBy * reducedBy * BYTE)
  const pixels = packedPixels(rgba)
  const set = (to: number, r: number, g: number, b: number) => {
    red[to] = r * share
    green[to] = g * share
    blue[to] = b * share
    grey[to] = (LUMA[0] * r + LUMA[1] * g + LUMA[2] * b) * share
  }
  // A small picture's pixels are what they are: nothing to add up.
  if (reducedBy === 1)
    for (let at = 0; at < pixels.length; at++) {
      const pixel = pixels[at] as number
      const r = pixel & 0xff
      const g = (pixel >>> 8) & 0xff
      const b = (pixel >>> 16) & 0xff
      red[at] = r * share
      green[at] = g * share
      blue[at] = b * share
      grey[at] = (LUMA[0] * r + LUMA[1] * g + LUMA[2] * b) * share
    }
  for (let row = 0; reducedBy > 1 && row < height; row++) {
    for (let column = 0; column < width; column++) {
      let r = 0
      let g = 0
      let b = 0
      for (let v = 0; v < reducedBy; v++) {
        let redAndBlue = 0
        const from = (row * reducedBy + v) * widthPx + column * reducedBy
        for (let at = from; at < from + reducedBy; at++) {
          const pixel = pixels[at] ?? 0
          // Two colours in one sum: a row of 256 pixels still fits into the sixteen bits that each has.
          redAndBlue = (redAndBlue + (pixel & 0xff00ff)) | 0
          g += (pixel >>> 8) & 0xff
        }
        r += redAndBlue & 0xffff
        b += redAndBlue >>> 16
      }
      set(row * width + column, r, g, b)
    }
  }
  const plane = (values: Float32Array): Plane => ({ width, height, values })
  return { width, height, reducedBy, colours: [plane(red), plane(green), plane(blue)], grey: plane(grey) }
}

/** Four bytes as one number, red in the lowest: every machine that browsers and servers run on is little-endian. */
const packedPixels = (rgba: Uint8Array | Uint8ClampedArray): Int32Array => {
  const aligned = rgba.byteOffset % 4 === 0 ? rgba : rgba.slice()
  return new Int32Array(aligned.buffer, aligned.byteOffset, aligned.length / 4)
}

/** A plane made smaller by a whole factor. */
export function smaller({ width, height, values }: Plane, by: number): Plane {
  const across = max(1, floor(width / by))
  const down = max(1, floor(height / by))
  const out = new Float32Array(across * down)
  for (let row = 0; row < down; row++)
    for (let column = 0; column < across; column++) {
      let sum = 0
      for (let v = 0; v < by; v++)
        for (let u = 0; u < by; u++) sum += values[(row * by + v) * width + column * by + u] ?? 0
      out[row * across + column] = sum / (by * by)
    }
  return { width: across, height: down, values: out }
}

/** Neighbours to either side that are read in one go; a usual blur has no more. */
const PAIRS = 4

/** A line blurred along or across: each place of `from` and its neighbours `before` and `after` it, as offsets of the line's
 * beginning, nearest first. Over the whole line at once: what is read next lies beside what was read last. `weights` are the
 * place's own and its neighbours', noughts up to whole goes. */
function blurLine(
  from: Float32Array,
  { at, before, after }: { at: number; before: Int32Array; after: Int32Array },
  weights: Float64Array,
  { out, to, length }: { out: Float32Array; to: number; length: number },
): void {
  for (let first = 0; first < before.length; first += PAIRS) {
    // Each by itself: as one list they would be unpacked anew for every line, which takes longer than the line.
    const b1 = before[first] as number
    const b2 = before[first + 1] as number
    const b3 = before[first + 2] as number
    const b4 = before[first + 3] as number
    const a1 = after[first] as number
    const a2 = after[first + 1] as number
    const a3 = after[first + 2] as number
    const a4 = after[first + 3] as number
    const w1 = weights[first + 1] as number
    const w2 = weights[first + 2] as number
    const w3 = weights[first + 3] as number
    const w4 = weights[first + 4] as number
    const so = first === 0 ? from : out
    const soAt = first === 0 ? at : to
    const own = first === 0 ? (weights[0] as number) : 1
    for (let i = 0; i < length; i++)
      out[to + i] =
        own * (so[soAt + i] as number) +
        w1 * ((from[b1 + i] as number) + (from[a1 + i] as number)) +
        w2 * ((from[b2 + i] as number) + (from[a2 + i] as number)) +
        w3 * ((from[b3 + i] as number) + (from[a3 + i] as number)) +
        w4 * ((from[b4 + i] as number) + (from[a4 + i] as number))
  }
}

/** Gaussian blur; the border repeats its last pixel. */
export function blurred({ width, height, values }: Plane, sigmaPx: number): Plane {
  const reach = max(1, ceil(2.8 * sigmaPx))
  const whole = ceil(reach / PAIRS) * PAIRS
  const weights = Float64Array.from({ length: whole + 1 }, (_, k) =>
    k > reach ? 0 : exp(-(k ** 2) / (2 * sigmaPx ** 2)),
  )
  const total = weights.reduce((sum, weight, k) => sum + (k === 0 ? weight : 2 * weight), 0)
  for (let k = 0; k <= whole; k++) weights[k] = (weights[k] as number) / total
  const rows = new Float32Array(values.length)
  const padded = new Float32Array(width + 2 * whole)
  const along = {
    at: whole,
    before: Int32Array.from({ length: whole }, (_, k) => whole - k - 1),
    after: Int32Array.from({ length: whole }, (_, k) => whole + k + 1),
  }
  for (let start = 0; start < values.length; start += width) {
    padded.set(values.subarray(start, start + width), whole)
    padded.fill(values[start] ?? 0, 0, whole)
    padded.fill(values[start + width - 1] ?? 0, width + whole)
    blurLine(padded, along, weights, { out: rows, to: start, length: width })
  }
  const out = new Float32Array(values.length)
  const across = { at: 0, before: new Int32Array(whole), after: new Int32Array(whole) }
  for (let row = 0; row < height; row++) {
    across.at = row * width
    for (let k = 0; k < whole; k++) {
      across.before[k] = max(row - k - 1, 0) * width
      across.after[k] = min(row + k + 1, height - 1) * width
    }
    blurLine(rows, across, weights, { out, to: across.at, length: width })
  }
  return { width, height, values: out }
}

/** Brightness at a place between pixels; (0.5, 0.5) is the middle of the first. Outside, the border's. */
export function sampled({ width, height, values }: Plane, x: number, y: number): number {
  const u = min(max(x - 0.5, 0), width - 1)
  const v = min(max(y - 0.5, 0), height - 1)
  const column = min(floor(u), width - 2 < 0 ? 0 : width - 2)
  const row = min(floor(v), height - 2 < 0 ? 0 : height - 2)
  const a = u - column
  const b = v - row
  const at = row * width + column
  const right = width > 1 ? 1 : 0
  const below = height > 1 ? width : 0
  const top = (values[at] ?? 0) * (1 - a) + (values[at + right] ?? 0) * a
  const bottom = (values[at + below] ?? 0) * (1 - a) + (values[at + below + right] ?? 0) * a
  return top * (1 - b) + bottom * b
}

/** Brightness of several planes of one size along a line, at `count` places from (x, y) on, (dx, dy) apart: into `into`, plane
 * after plane. The places between pixels are the same for all of them, so they are worked out once. */
export function sampledAlong(
  planes: readonly Plane[],
  { x, y, dx, dy, count }: { x: number; y: number; dx: number; dy: number; count: number },
  into: Float32Array,
): void {
  const [first] = planes
  if (!first) return
  const { width, height } = first
  const mostColumn = max(width - 2, 0)
  const mostRow = max(height - 2, 0)
  const right = width > 1 ? 1 : 0
  const below = height > 1 ? width : 0
  for (let i = 0; i < count; i++) {
    const u = min(max(x + dx * i - 0.5, 0), width - 1)
    const v = min(max(y + dy * i - 0.5, 0), height - 1)
    const column = min(floor(u), mostColumn)
    const row = min(floor(v), mostRow)
    const a = u - column
    const b = v - row
    const at = row * width + column
    for (let p = 0; p < planes.length; p++) {
      const { values } = planes[p] as Plane
      const top = (values[at] as number) * (1 - a) + (values[at + right] as number) * a
      const bottom = (values[at + below] as number) * (1 - a) + (values[at + below + right] as number) * a
      into[p * count + i] = top * (1 - b) + bottom * b
    }
  }
}

/** Spread of the noise, from differences of neighbours that are mostly on even ground: the median of |Laplacian|. */
export function noiseOf({ width, height, values }: Plane): number {
  const found: number[] = []
  const stride = max(1, floor((width * height) / 20_000))
  for (let at = width + 1; at < values.length - width - 1; at += stride) {
    const value =
      4 * (values[at] ?? 0) -
      (values[at - 1] ?? 0) -
      (values[at + 1] ?? 0) -
      (values[at - width] ?? 0) -
      (values[at + width] ?? 0)
    found.push(abs(value))
  }
  // Numbers of one kind are sorted several times faster than what might be anything.
  const sorted = Float64Array.from(found).sort()
  // |N(0, 1)| has its median at 0.6745; five samples add up to √20 of one's spread.
  return (sorted[sorted.length >> 1] ?? 0) / 0.6745 / sqrt(20)
}

/** A square cut out of a plane, with where its corner lies. */
export function cut({ width, height, values }: Plane, about: { x: number; y: number; reach: number }) {
  const left = max(0, floor(about.x - about.reach))
  const top = max(0, floor(about.y - about.reach))
  const right = min(width, ceil(about.x + about.reach))
  const bottom = min(height, ceil(about.y + about.reach))
  const across = max(right - left, 1)
  const down = max(bottom - top, 1)
  const out = new Float32Array(across * down)
  for (let row = 0; row < down; row++)
    out.set(values.subarray((top + row) * width + left, (top + row) * width + left + across), row * across)
  return { plane: { width: across, height: down, values: out } satisfies Plane, left, top }
}
