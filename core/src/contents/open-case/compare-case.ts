import type { PointXY } from '../../shared/angles.ts'
import { blurred, reducedPlanes, type Picture, type Plane } from '../../collimation/picture/planes.ts'
import { markCount, markPoints, type FoundMarks } from './case-marks.ts'
import { casePose, type CasePose, type CaseSize } from './case-pose.ts'
import { likeness, type Likeness, type Seen } from './place-likeness.ts'
import { levelsOf } from './place-match.ts'
import { foamBeside, middleOf, placeOf, type Compartment } from './place.ts'

export type CaseRefusal =
  'no-marks' | 'other-case' | 'mirrored' | 'slanted' | 'too-small' | 'too-dark' | 'marks-off' | 'kept-before'
export type CaseWarning = 'mark-missing' | 'glare' | 'covered'
export type CompartmentVerdict = 'same' | 'different' | 'can’t-tell'

export interface CasePicture {
  readonly image: Picture
  /** Three are enough: a hand may lie on the fourth. */
  readonly marks: FoundMarks
}

/** One picture of the open case: each compartment straightened. */
export interface ReadCase {
  readonly places: ReadonlyMap<string, Seen>
  readonly tiltDeg: number
  readonly refused: null
  readonly warnings: readonly CaseWarning[]
}
export interface RefusedCase {
  readonly refused: CaseRefusal
}

/** What a complete case looks like, from three pictures or more. */
export interface CaseReference {
  readonly compartments: readonly LearntCompartment[]
}
interface LearntCompartment {
  readonly id: string
  readonly before: readonly Seen[]
  /** How unlike each reference is to the others: the spread that light and loose parts make. */
  readonly usualUnlike: number
}

export interface ComparedCompartment {
  readonly id: string
  readonly verdict: CompartmentVerdict
  /** 0 to 1. */
  readonly chanceDifferent: number
}
export interface ComparedCase {
  readonly compartments: readonly ComparedCompartment[]
  readonly refused: CaseRefusal | null
  readonly warnings: readonly CaseWarning[]
}

export const LEAST_REFERENCES = 3
const LEAST_MARKS = 3
/** Wells are deep and parts stand up: beyond this their sides are seen and not what the references show. */
export const MOST_TILT_DEG = 17
/** Fewer pixels to the millimetre don't show a hex key. */
const LEAST_PX_PER_MM = 0.8
const MOST_MISFIT_MM = 2.5
const LEAST_LIGHT = 0.012
/** Longest side at which a case is looked at. */
const LOOKED_AT_PX = 2000
/** Cells of a millimetre want a picture as soft as that. */
const SOFT_MM = 0.4

/** Straightens a picture of the open case.
 * @param given marks in the picture's px; outlines in mm of the case frame
 * @returns why not, where it can't be compared */
export function readCase(
  { image, marks }: CasePicture,
  given: { readonly compartments: readonly Compartment[]; readonly caseMm: CaseSize },
): ReadCase | RefusedCase {
  if (markCount(marks) < LEAST_MARKS) return { refused: 'no-marks' }
  const points = markPoints(marks, given.caseMm)
  if (isMirrored(points)) return { refused: 'mirrored' }
  const pose = casePose(points, image)
  if (!pose) return { refused: 'mirrored' }
  if (pose.misfitMm > MOST_MISFIT_MM) return { refused: 'marks-off' }
  if (pose.tiltDeg > MOST_TILT_DEG) return { refused: 'slanted' }
  if (pose.pxPerMm < LEAST_PX_PER_MM) return { refused: 'too-small' }
  const { grey, reducedBy } = reducedPlanes(image, LOOKED_AT_PX)
  const scaled: CasePose = {
    ...pose,
    project: (x, y, depth) => {
      const at = pose.project(x, y, depth)
      return { x: at.x / reducedBy, y: at.y / reducedBy }
    },
  }
  return placesOf(grey, scaled, { ...given, softPx: (SOFT_MM * pose.pxPerMm) / reducedBy, few: markCount(marks) < 4 })
}

/** The case's plane as seen straight from above, at so many pixels to the millimetre; null where it can't be. */
export function straightenedCase({ image, marks }: CasePicture, caseMm: CaseSize, pxPerMm: number): Picture | null {
  const pose = markCount(marks) < LEAST_MARKS ? null : casePose(markPoints(marks, caseMm), image)
  if (!pose) return null
  const [widthPx, heightPx] = [Math.round(caseMm.width * pxPerMm), Math.round(caseMm.height * pxPerMm)]
  const rgba = new Uint8ClampedArray(widthPx * heightPx * 4).fill(255)
  for (let row = 0; row < heightPx; row++)
    for (let column = 0; column < widthPx; column++) {
      const at = pose.project((column + 0.5) / pxPerMm, (row + 0.5) / pxPerMm, 0)
      const [x, y] = [Math.floor(at.x), Math.floor(at.y)]
      if (x < 0 || y < 0 || x >= image.widthPx || y >= image.heightPx) continue
      const from = 4 * (y * image.widthPx + x)
      rgba.set(image.rgba.subarray(from, from + 3), 4 * (row * widthPx + column))
    }
  return { widthPx, heightPx, rgba }
}

function placesOf(
  grey: Plane,
  pose: CasePose,
  given: {
    readonly compartments: readonly Compartment[]
    readonly softPx: number
    readonly few: boolean
  },
): ReadCase | RefusedCase {
  const { compartments, softPx, few } = given
  const others = (compartment: Compartment) => compartments.filter((each) => each !== compartment)
  const foamOfCase = middleOf(
    compartments.flatMap((compartment) => foamBeside(grey, pose, { compartment, others: others(compartment) })),
  )
  if (foamOfCase < LEAST_LIGHT) return { refused: 'too-dark' }
  const soft = blurred(grey, Math.max(0.5, softPx))
  const places = new Map<string, Seen>()
  for (const compartment of compartments) {
    const place = placeOf(soft, pose, { compartment, others: others(compartment), foamOfCase })
    places.set(compartment.id, { ...place, levels: levelsOf(place) })
  }
  const warnings: CaseWarning[] = few ? ['mark-missing'] : []
  const all = [...places.values()]
  if (all.some(({ covered }) => covered > COVERED_FROM)) warnings.push('covered')
  if (all.some(({ burnt }) => burnt > BURNT_FROM)) warnings.push('glare')
  return { places, tiltDeg: pose.tiltDeg, refused: null, warnings }
}

/** Seen from above, the marks go round with the clock. */
function isMirrored(points: readonly { readonly px: PointXY; readonly mm: PointXY }[]): boolean {
  const [a, b, c] = points
  if (!a || !b || !c) return false
  const side = (p: PointXY, q: PointXY, r: PointXY) => (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x)
  return side(a.px, b.px, c.px) * side(a.mm, b.mm, c.mm) < 0
}

/** A picture to compare with; `referenceFor` are the places that it shows as they should be, null: all. */
export interface CaseExample {
  readonly read: ReadCase
  readonly referenceFor: readonly string[] | null
}

/** What a complete case looks like: each compartment in every picture, and how much they differ among themselves.
 * @throws RangeError for fewer than three pictures of the whole case */
export function learntCase(examples: readonly CaseExample[]): CaseReference {
  const whole = examples.filter(({ referenceFor }) => referenceFor === null)
  if (whole.length < LEAST_REFERENCES)
    throw new RangeError(`a reference takes ${LEAST_REFERENCES} pictures or more; got ${whole.length}`)
  const ids = [...(whole[0]?.read.places.keys() ?? [])]
  const compartments = ids.map((id): LearntCompartment => {
    const before = examples.flatMap(({ read, referenceFor }) =>
      referenceFor === null || referenceFor.includes(id) ? (read.places.get(id) ?? []) : [],
    )
    const each = before.map(
      (one) =>
        likeness(
          one,
          before.filter((other) => other !== one),
        ).unlike,
    )
    return { id, before, usualUnlike: mean(each) }
  })
  return { compartments }
}
/** The mean of the middle two, or the middle one. */
function mean(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b)
  const half = sorted.length / 2
  return ((sorted[Math.ceil(half) - 1] ?? 0) + (sorted[Math.floor(half)] ?? 0)) / 2
}

/** Which compartments of the open case differ from how it looked when it was complete.
 *
 * A place is the same where the light on its references explains what is seen: how much is left over is held against what is
 * left over among the references themselves, drawn towards the case's middle because few pictures say little of one place.
 * @returns per compartment a verdict and the chance that it differs; *can’t tell* where something lies over it, or it is near
 *   the line
 * Source: rendered cases with known truth; limits are chosen on one of them */
export function compareCase(today: ReadCase, { compartments }: CaseReference): ComparedCase {
  // References under one and the same lamp say little of another one: never less is taken for usual.
  const usual = Math.max(LEAST_USUAL, mean(compartments.map(({ usualUnlike }) => usualUnlike)))
  const unlikeOnes: number[] = []
  const compared = compartments.map(({ id, before, usualUnlike }): ComparedCompartment => {
    const seen = today.places.get(id)
    if (!seen || seen.covered > COVERED_FROM || seen.burnt > BURNT_FROM + most(before)) return cantTell(id)
    const expected = Math.max(LEAST_UNLIKE, Math.sqrt(usualUnlike * usual))
    const like = likeness(seen, before)
    unlikeOnes.push(like.unlikeOne)
    const chanceDifferent = chanceOf(like, expected)
    return { id, verdict: verdictOf(chanceDifferent), chanceDifferent }
  })
  if (isKeptBefore(unlikeOnes))
    return { compartments: compartments.map(({ id }) => cantTell(id)), refused: 'kept-before', warnings: [] }
  return { compartments: compared, refused: null, warnings: today.warnings }
}
const cantTell = (id: string): ComparedCompartment => ({ id, verdict: 'can’t-tell', chanceDifferent: UNSEEN })

/** Nine places in ten as like one reference as no two pictures of a case ever are: by the rendered cases a fresh picture leaves
 * 0.27 there, a copy of a kept one, made softer, paler or smaller, 0.06. */
const KEPT_UNDER = 0.1
const LEAST_PLACES = 4

/** A picture of a picture shows the case as it was, not as it is: its every shadow lies as in the one that is kept. */
function isKeptBefore(unlikeOnes: readonly number[]): boolean {
  if (unlikeOnes.length < LEAST_PLACES) return false
  const nineInTen = unlikeOnes.toSorted((a, b) => a - b)[Math.floor(unlikeOnes.length * 0.9)] ?? 1
  return nineInTen < KEPT_UNDER
}
const most = (places: readonly Seen[]) => Math.max(...places.map(({ burnt }) => burnt))

const COVERED_FROM = 0.12
const BURNT_FROM = 0.15
/** Of what can't be seen nothing is known; what it was before counts as little as what it may be. */
const UNSEEN = 0.5
const LEAST_UNLIKE = 0.08
const LEAST_USUAL = 0.19
/** Less content than that is a bare well with its walls' shadows. */
const BARE_UNDER = 0.1
const SURELY_FULL_FROM = 0.18
const [HARDLY, SURELY] = [0.02, 0.97]
/** So many times what is usual is as likely another part as the same one; and how fast that changes. */
const EVEN_AT = 1.55
const STEEPNESS = 12
const [SAME_UNDER, DIFFERENT_FROM] = [0.3, 0.7]

function chanceOf({ unlike, content, contentBefore }: Likeness, expected: number): number {
  const [isBare, wasBare] = [content < BARE_UNDER, contentBefore < BARE_UNDER]
  if (wasBare) return isBare ? HARDLY : content > SURELY_FULL_FROM ? SURELY : UNSEEN
  const odds = Math.exp(STEEPNESS * Math.log(unlike / expected / EVEN_AT))
  return Math.min(SURELY, Math.max(HARDLY, odds / (1 + odds)))
}

const verdictOf = (chance: number): CompartmentVerdict =>
  chance < SAME_UNDER ? 'same' : chance > DIFFERENT_FROM ? 'different' : 'can’t-tell'
