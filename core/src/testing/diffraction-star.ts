import FFT from 'fft.js'
import type { Picture } from '../collimation/picture/planes.ts'
import { seeded } from '../shared/seeded.ts'

export interface Aberrated {
  /** Seidel terms in waves at the edge of the pupil. */
  readonly defocusWaves: number
  readonly comaWaves?: number
  /** Direction of the coma, and of the astigmatism's line, clockwise from right in the picture. */
  readonly comaDeg?: number
  readonly astigmatismWaves?: number
  readonly astigmatismDeg?: number
  readonly sphericalWaves?: number
  readonly obstructionFraction?: number
  readonly noise?: number
  readonly seed?: number
}

const SIDE = 512
/** Pupil's radius in cells of its own plane: the rest is empty, so that the picture is sampled finely enough. */
const PUPIL_CELLS = 96

/** A star out of focus by scalar diffraction: the squared Fourier transform of a pupil with Seidel aberrations (Born & Wolf,
 * §8.3, §9.2), as a square grey picture. The picture lies in the frame of the rays. */
export function diffractionStar(given: Aberrated): Picture {
  const { defocusWaves, comaWaves = 0, comaDeg = 0, astigmatismWaves = 0, astigmatismDeg = 0 } = given
  const { sphericalWaves = 0, obstructionFraction = 0, noise = 0, seed = 1 } = given
  const fft = new FFT(SIDE)
  const field = new Float64Array(SIDE * SIDE * 2)
  const rad = Math.PI / 180
  for (let row = 0; row < SIDE; row++)
    for (let column = 0; column < SIDE; column++) {
      const px = (column - SIDE / 2) / PUPIL_CELLS
      const py = (row - SIDE / 2) / PUPIL_CELLS
      const rho = Math.hypot(px, py)
      if (rho > 1 || rho < obstructionFraction) continue
      const theta = Math.atan2(py, px)
      const waves =
        defocusWaves * rho ** 2 +
        comaWaves * rho ** 3 * Math.cos(theta - comaDeg * rad) +
        astigmatismWaves * rho ** 2 * Math.cos(theta - astigmatismDeg * rad) ** 2 +
        sphericalWaves * rho ** 4
      const at = 2 * (row * SIDE + column)
      field[at] = Math.cos(2 * Math.PI * waves)
      field[at + 1] = Math.sin(2 * Math.PI * waves)
    }
  transform(fft, field)
  const light = new Float64Array(SIDE * SIDE)
  let most = 0
  for (let row = 0; row < SIDE; row++)
    for (let column = 0; column < SIDE; column++) {
      const from = 2 * (((row + SIDE / 2) % SIDE) * SIDE + ((column + SIDE / 2) % SIDE))
      const value = (field[from] ?? 0) ** 2 + (field[from + 1] ?? 0) ** 2
      light[row * SIDE + column] = value
      most = Math.max(most, value)
    }
  const chance = seeded(seed)
  const rgba = new Uint8ClampedArray(SIDE * SIDE * 4)
  for (let at = 0; at < light.length; at++) {
    const grain = noise * (chance() + chance() + chance() - 1.5) * 2
    const level = 255 * (0.02 + 0.9 * ((light[at] ?? 0) / most) + grain)
    rgba.set([level, level, level, 255], 4 * at)
  }
  return { widthPx: SIDE, heightPx: SIDE, rgba }
}

/** Radius of the geometric disc: a phase that changes by 2W₀₂₀ waves across the pupil's radius moves light by as many lines. */
export const discRadiusPx = (defocusWaves: number): number => (2 * Math.abs(defocusWaves) * SIDE) / PUPIL_CELLS

/** Rows first, then columns. */
function transform(fft: FFT, field: Float64Array): void {
  const line = fft.createComplexArray()
  const out = fft.createComplexArray()
  for (const byRow of [true, false])
    for (let k = 0; k < SIDE; k++) {
      const at = (i: number) => 2 * (byRow ? k * SIDE + i : i * SIDE + k)
      for (let i = 0; i < SIDE; i++) {
        line[2 * i] = field[at(i)] ?? 0
        line[2 * i + 1] = field[at(i) + 1] ?? 0
      }
      fft.transform(out, line)
      for (let i = 0; i < SIDE; i++) {
        field[at(i)] = out[2 * i] ?? 0
        field[at(i) + 1] = out[2 * i + 1] ?? 0
      }
    }
}
