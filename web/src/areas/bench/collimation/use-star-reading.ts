import type { KitSheet } from '@binoculum/contract'
import {
  STAR_DOUBT_SHARE,
  starFigures,
  starRefusalWords,
  starSizesOf,
  starWarningWords,
  type PointXY,
  type StarTested,
} from '@binoculum/core'
import { computed, onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import { forgetOpenEnd, pictureKept, type CollimationDraft, type Measured } from './collimation-draft.ts'
import { useKeptPicture } from './use-kept-picture.ts'
import { usePhotoWork } from './use-photo-work.ts'
import type { LaidCircle } from './use-laid-circles.ts'

export const starRingNames = ['disc', 'shadow'] as const
export type StarRingName = (typeof starRingNames)[number]

/** A hand lays a circle to a pixel or two; on a small disc that is a larger share. Common practice, no source. */
const HAND_PX = 1.5

/**
 * A star a little out of focus: measured by the program, laid by hand where it refuses or errs; the figure follows. Moving a
 * circle takes the second picture out: a hand knows only the side it sees.
 */
export function useStarReading(
  draft: Ref<CollimationDraft>,
  kit: () => KitSheet,
  keep: (measured: Measured | null) => void,
) {
  const work = usePhotoWork()
  const first = shallowRef<File | null>(null)
  const other = shallowRef<File | null>(null)
  const side = ref<'inside' | 'outside'>('outside')
  const defocusWaves = ref<number | null>(null)
  const tested = shallowRef<StarTested | null>(null)
  const source = ref<string | null>(null)
  const size = ref({ widthPx: 0, heightPx: 0 })
  const rings = ref<Record<StarRingName, LaidCircle> | null>(null)
  const byHand = ref(false)
  let told: Measured | null = null
  const keptPicture = useKeptPicture(
    () => kit().branchId,
    (id) => pictureKept(draft.value.looks, told, id),
  )
  const release = () => source.value && URL.revokeObjectURL(source.value)
  onScopeDispose(release)

  const given = computed(() => {
    const { mirror, optics } = kit()
    return {
      ...starSizesOf(mirror, optics),
      side: side.value,
      ...(draft.value.openEndDeg === null ? {} : { openEndDeg: draft.value.openEndDeg }),
      ...(defocusWaves.value && defocusWaves.value > 0 ? { defocusWaves: defocusWaves.value } : {}),
    }
  })
  const figures = computed(() => {
    if (byHand.value && rings.value) return starFigures([rings.value], given.value)
    return tested.value && tested.value.refused === null ? tested.value : null
  })

  function tell() {
    if (!figures.value) return
    const { axisErrorMm, offsetFraction, staticOffsetFraction } = figures.value
    const { openEndDeg } = draft.value
    // A size without its direction is no reading: the wrong screw would be named.
    if (axisErrorMm === null || openEndDeg === null) return void (told && keep((told = null)))
    const share = byHand.value || !other.value ? STAR_DOUBT_SHARE.one : STAR_DOUBT_SHARE.both
    const hand = byHand.value && rings.value ? handDoubt(rings.value, offsetFraction) : 0
    told = {
      axisErrorMm: comaInCell(offsetFraction, staticOffsetFraction, openEndDeg, axisErrorMm),
      uncertaintyMm: axisErrorMm * Math.hypot(share, hand),
      secondaryErrorMm: null,
      byHand: byHand.value,
      pictureId: keptPicture.pictureId.value,
    }
    keep(told)
  }

  async function measure() {
    if (!first.value) return
    const [star, otherStar] = [first.value, other.value]
    const done = await work.run((worker) => worker.star(star, otherStar, given.value))
    if (!done) return
    tested.value = done.value
    size.value = { widthPx: done.widthPx, heightPx: done.heightPx }
    byHand.value = false
    const { disc, shadow } = done.value
    rings.value = disc && shadow ? { disc: laid(disc), shadow: laid(shadow) } : null
    tell()
  }
  async function take(file: File | null) {
    first.value = file
    if (!file) return
    release()
    source.value = URL.createObjectURL(file)
    // Kept only once it is measured: a picture must never be told beside the figure of another.
    keptPicture.pictureId.value = null
    told = null
    forgetOpenEnd(draft.value)
    await measure()
    void keptPicture.keep(file)
  }
  async function takeOther(file: File | null) {
    other.value = file
    await measure()
  }
  /** The design's own offset of the shadow lies along the open end: what was measured is measured anew. */
  watch(
    () => draft.value.openEndDeg,
    (deg) => deg !== null && (byHand.value ? tell() : void measure()),
  )
  function layByHand() {
    const { widthPx, heightPx } = size.value
    const r = 0.25 * Math.min(widthPx, heightPx)
    const middle = { x: widthPx / 2, y: heightPx / 2 }
    rings.value ??= { disc: { ...middle, r }, shadow: { ...middle, r: r * 0.35 } }
    byHand.value = true
    tell()
  }
  function move(name: StarRingName, change: Partial<LaidCircle>) {
    if (!rings.value) return
    const ring = rings.value[name]
    rings.value = { ...rings.value, [name]: { ...ring, ...change, r: Math.max(change.r ?? ring.r, 1) } }
    byHand.value = true
    tell()
  }

  const refusal = computed(() =>
    tested.value?.refused && !byHand.value ? starRefusalWords[tested.value.refused] : null,
  )
  const warnings = computed(() =>
    tested.value && !tested.value.refused ? tested.value.warnings.map((code) => starWarningWords[code]) : [],
  )
  return {
    ...work,
    side,
    defocusWaves,
    source,
    size,
    rings,
    byHand,
    figures,
    refusal,
    warnings,
    notKept: keptPicture.problem,
    measure,
    take,
    takeOther,
    layByHand,
    move,
  }
}

const laid = ({ xPx, yPx, radiusPx }: { xPx: number; yPx: number; radiusPx: number }): LaidCircle => ({
  x: xPx,
  y: yPx,
  r: radiusPx,
})

const handDoubt = ({ disc }: Record<StarRingName, LaidCircle>, offset: PointXY) =>
  (HAND_PX * Math.SQRT2) / disc.r / Math.max(Math.hypot(offset.x, offset.y), 0.02)

/** Coma points the way the axis is off; the picture is turned into the cell's frame by its open end. */
export function comaInCell(offset: PointXY, fixed: PointXY | null, openEndDeg: number, axisErrorMm: number): PointXY {
  const coma = { x: offset.x - (fixed?.x ?? 0), y: offset.y - (fixed?.y ?? 0) }
  const length = Math.hypot(coma.x, coma.y) || 1
  const angle = (openEndDeg * Math.PI) / 180
  const along = (coma.x * Math.sin(angle) - coma.y * Math.cos(angle)) / length
  const across = (coma.x * Math.cos(angle) + coma.y * Math.sin(angle)) / length
  return { x: along * axisErrorMm, y: across * axisErrorMm }
}
