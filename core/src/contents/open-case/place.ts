import type { PointXY } from '../../shared/angles.ts'
import { sampled, type Plane } from '../../collimation/picture/planes.ts'
import type { CasePose } from './case-pose.ts'
import { cellWeights, distanceOutside } from './outline.ts'

/** Taken out of the global object once: inner loops ask for them millions of times. */
const { max, min, round } = Math

/** A compartment of the open case: where its well is cut, seen from above; mm of the case's plane. */
export interface Compartment {
  readonly id: string
  readonly outlineMm: readonly PointXY[]
}

/** What lies in a compartment, straightened: one cell per mm, row by row. */
export interface Place {
  readonly width: number
  readonly height: number
  /** Brightness as a multiple of the foam's beside it, so that lamps and clouds don't count. */
  readonly tone: Float32Array
  /** How much is made of each cell, 0 to 1: nothing outside its outline, little beside its walls. */
  readonly weight: Float32Array
  /** The foam beside it, 0 to 1. */
  readonly foam: number
  /** The share of the foam beside it that isn't seen as foam: a hand, a lid, a strap over it. */
  readonly covered: number
  /** The share of it that is burnt out. */
  readonly burnt: number
}

/** Parts lie in wells: what is looked at is a plane below the rim, about where their upper sides are. */
const LOOKED_AT_MM = 12
/** Foam is looked at in a band outside the well. */
const [BAND_FROM_MM, BAND_TO_MM] = [2, 8]
/** Brighter than this many times the foam, or darker, isn't foam. */
const [FOAM_BRIGHTEST, FOAM_DARKEST] = [1.7, 0.35]
const BRIGHTEST_TONE = 2.5
const BURNT = 0.985

/** One compartment of a picture, straightened.
 * @param grey brightness, 0 to 1, in whose pixels the pose projects @param others outlines beside it, which aren't foam
 * @param foamOfCase the foam's brightness over the whole case: what covers one place leaves the rest as it is */
export function placeOf(
  grey: Plane,
  pose: CasePose,
  given: { readonly compartment: Compartment; readonly others: readonly Compartment[]; readonly foamOfCase: number },
): Place {
  const { compartment, others, foamOfCase } = given
  const box = boxOf(compartment.outlineMm)
  const [width, height] = [max(3, round(box.width)), max(3, round(box.height))]
  const band = foamBeside(grey, pose, { compartment, others })
  const foam = band.length > 0 ? middleOf(band) : foamOfCase
  const strange = band.filter((level) => level > FOAM_BRIGHTEST * foamOfCase || level < FOAM_DARKEST * foamOfCase)
  const tone = new Float32Array(width * height)
  const weight = cellWeights(compartment.outlineMm, { ...box, width, height })
  let [burnt, inside] = [0, 0]
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      // What isn't in the well is taken for its foam.
      if (weight[row * width + column] === 0) {
        tone[row * width + column] = 1
        continue
      }
      inside++
      const at = pose.project(box.left + column + 0.5, box.top + row + 0.5, LOOKED_AT_MM)
      const level = sampled(grey, at.x, at.y)
      if (level > BURNT) burnt++
      tone[row * width + column] = min(BRIGHTEST_TONE, (level + DARK) / (foam + DARK))
    }
  return {
    ...{ width, height, tone, weight, foam, covered: band.length > 0 ? strange.length / band.length : 0 },
    burnt: burnt / max(inside, 1),
  }
}
/** Keeps a ratio from being carried away where there is no light. */
const DARK = 0.015

export function boxOf(outline: readonly PointXY[]) {
  const [xs, ys] = [outline.map(({ x }) => x), outline.map(({ y }) => y)]
  const [left, top] = [min(...xs), min(...ys)]
  return { left, top, width: max(...xs) - left, height: max(...ys) - top }
}

/** Brightness of the foam about a well, on the marks' own plane. */
export function foamBeside(
  grey: Plane,
  pose: CasePose,
  { compartment, others }: { readonly compartment: Compartment; readonly others: readonly Compartment[] },
): number[] {
  const box = boxOf(compartment.outlineMm)
  const neighbours = others.map(({ outlineMm }) => outlineMm).filter((outline) => areNear(boxOf(outline), box))
  const levels: number[] = []
  const step = 2
  for (let y = box.top - BAND_TO_MM; y <= box.top + box.height + BAND_TO_MM; y += step)
    for (let x = box.left - BAND_TO_MM; x <= box.left + box.width + BAND_TO_MM; x += step) {
      const away = distanceOutside(compartment.outlineMm, x, y)
      if (away < BAND_FROM_MM || away > BAND_TO_MM) continue
      if (neighbours.some((outline) => distanceOutside(outline, x, y) < 1)) continue
      const at = pose.project(x, y, 0)
      if (at.x < 0 || at.y < 0 || at.x >= grey.width || at.y >= grey.height) continue
      levels.push(sampled(grey, at.x, at.y))
    }
  return levels
}

type Box = ReturnType<typeof boxOf>
const areNear = (one: Box, other: Box) =>
  one.left < other.left + other.width + BAND_TO_MM + 1 &&
  other.left < one.left + one.width + BAND_TO_MM + 1 &&
  one.top < other.top + other.height + BAND_TO_MM + 1 &&
  other.top < one.top + one.height + BAND_TO_MM + 1

export function middleOf(values: readonly number[]): number {
  return values.toSorted((a, b) => a - b)[values.length >> 1] ?? 0
}
