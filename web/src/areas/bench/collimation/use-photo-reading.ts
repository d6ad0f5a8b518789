import type { KitSheet } from '@binoculum/contract'
import {
  figuresFromCircles,
  photoRefusalWords,
  photoSizesOf,
  photoWarningWords,
  type MeasuredPhoto,
  type PhotoFigures,
} from '@binoculum/core'
import { useLocalStorage } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import { forgetOpenEnd, pictureKept, type CollimationDraft, type Measured } from './collimation-draft.ts'
import { useKeptPicture } from './use-kept-picture.ts'
import { usePhotoWork } from './use-photo-work.ts'
import type { LaidCircle } from './use-laid-circles.ts'
import { benchWords } from '../words.ts'

const t = benchWords('usePhotoReading')

export const circleNames = ['primaryEdge', 'reflection', 'centreMark', 'drawtube'] as const
export type CircleName = (typeof circleNames)[number]
type Laid = Partial<Record<CircleName, LaidCircle>>

export const circleWords: Readonly<Record<CircleName, string>> = {
  primaryEdge: t('edgeOfThePrimary'),
  reflection: t('ringOfTheCapReflected'),
  centreMark: t('centreMark'),
  drawtube: t('endOfTheDrawtube'),
}
/** Spread of a circle laid by hand, px of a picture of ordinary size. Common practice, no source. */
const HAND_PX_PER_1000 = 1.2
const FITTED_PX = 0.4
/** Light rings that are made, mm. */
export const CAP_RING_MM = { least: 8, most: 46 }

/** A picture through the peephole: measured by the program, laid by hand where it refuses or errs; the figure follows. */
export function usePhotoReading(
  draft: Ref<CollimationDraft>,
  kit: () => KitSheet,
  keep: (measured: Measured | null) => void,
) {
  const work = usePhotoWork()
  const source = ref<string | null>(null)
  const size = ref({ widthPx: 0, heightPx: 0 })
  const answer = shallowRef<MeasuredPhoto | null>(null)
  const circles = ref<Laid>({})
  const byHand = ref(false)
  let told: Measured | null = null
  const keptPicture = useKeptPicture(
    () => kit().branchId,
    (id) => pictureKept(draft.value.looks, told, id),
  )
  const release = () => source.value && URL.revokeObjectURL(source.value)
  onScopeDispose(release)

  const figures = computed<PhotoFigures | null>(() => {
    const { primaryEdge, reflection, centreMark = null, drawtube = null } = circles.value
    if (!primaryEdge || !reflection || !(primaryEdge.r > 0)) return null
    const spread = byHand.value ? (HAND_PX_PER_1000 * Math.max(size.value.widthPx, 1000)) / 1000 : FITTED_PX
    const { apertureMm, primaryFocalLengthMm, peepholeOutsideFocusMm } = kit().optics
    return figuresFromCircles(
      { primaryEdge, reflection, centreMark, drawtube },
      {
        ...size.value,
        apertureMm,
        focalLengthMm: primaryFocalLengthMm,
        peepholeOutsideFocusMm,
        openEndDeg: draft.value.openEndDeg,
        mirrored: draft.value.mirrored,
      },
      {
        markPx: centreMark ? spread : spread * 3,
        reflectionPx: spread,
        drawtubePx: spread * 2,
      },
    )
  })

  /** A refused picture without circles says nothing, and takes nothing back. */
  const hasFigure = () => answer.value?.refused === null || byHand.value

  function tell() {
    const { cell, axisErrorUncertaintyMm = 0 } = figures.value ?? {}
    told = null
    if (!cell) return keep(null)
    // Where nobody moved a circle, the program's own doubt counts: it knows how well each was seen.
    const uncertaintyMm = byHand.value ? axisErrorUncertaintyMm : (answer.value?.axisErrorUncertaintyMm ?? 0)
    told = {
      axisErrorMm: cell.axisErrorMm,
      uncertaintyMm: uncertaintyMm || axisErrorUncertaintyMm,
      secondaryErrorMm: cell.secondaryErrorMm,
      byHand: byHand.value,
      pictureId: keptPicture.pictureId.value,
    }
    keep(told)
  }

  /** The cap's light ring as somebody measured it, where the model's mirrors aren't described: once for all kits of it. */
  const capRingMm = useLocalStorage<number | null>(`binoculum cap ring ${kit().modelId}`, null)
  const asksForCap = computed(() => !kit().mirror && source.value !== null)
  let lastFile: File | null = null
  function setCapRing(mm: number | null) {
    capRingMm.value = mm !== null && mm >= CAP_RING_MM.least && mm <= CAP_RING_MM.most ? mm : null
    if (lastFile) void take(lastFile)
  }

  async function take(file: File) {
    lastFile = file
    const { mirror, optics } = kit()
    const given = {
      ...photoSizesOf(mirror, optics),
      mirrored: draft.value.mirrored,
      ...(!mirror && capRingMm.value !== null ? { capRingDiameterMm: capRingMm.value } : {}),
    }
    const done = await work.run((worker, onProgress) => worker.photo(file, given, onProgress))
    if (!done) return
    release()
    source.value = URL.createObjectURL(file)
    size.value = { widthPx: done.widthPx, heightPx: done.heightPx }
    answer.value = done.value
    byHand.value = false
    circles.value = fromAnswer(done.value)
    if (hasFigure()) forgetOpenEnd(draft.value)
    // A refused picture belongs to no figure, and least of all to the one before it.
    told = null
    void keptPicture.keep(file)
    // A refusal keeps what was read before: the picture alone is shown, for a hand to go on with.
    if (hasFigure()) tell()
  }

  /** Circles where the program found none, to be dragged into place. */
  function layByHand() {
    const { widthPx, heightPx } = size.value
    const middle = { x: widthPx / 2, y: heightPx / 2 }
    const unit = Math.min(widthPx, heightPx)
    const { primaryEdge = { ...middle, r: 0.28 * unit }, ...rest } = circles.value
    circles.value = {
      primaryEdge,
      reflection: rest.reflection ?? { x: primaryEdge.x, y: primaryEdge.y, r: primaryEdge.r * 0.16 },
      centreMark: rest.centreMark ?? { x: primaryEdge.x, y: primaryEdge.y, r: primaryEdge.r * 0.07 },
      ...(rest.drawtube ? { drawtube: rest.drawtube } : {}),
    }
    byHand.value = true
    tell()
  }
  function move(name: CircleName, change: Partial<LaidCircle>) {
    const circle = circles.value[name]
    if (!circle) return
    circles.value[name] = { ...circle, ...change, r: Math.max(change.r ?? circle.r, 1) }
    byHand.value = true
    tell()
  }
  watch(
    () => draft.value.openEndDeg,
    () => hasFigure() && tell(),
  )
  function setMirrored(mirrored: boolean) {
    draft.value.mirrored = mirrored
    tell()
  }

  const refusal = computed(() =>
    answer.value?.refused && !byHand.value ? photoRefusalWords[answer.value.refused] : null,
  )
  const warnings = computed(() =>
    answer.value && !answer.value.refused
      ? answer.value.warnings.filter((code) => code !== 'open-end-unknown').map((code) => photoWarningWords[code])
      : [],
  )
  return {
    ...work,
    notKept: keptPicture.problem,
    source,
    size,
    circles,
    byHand,
    figures,
    answer,
    refusal,
    warnings,
    take,
    layByHand,
    move,
    setMirrored,
    capRingMm,
    asksForCap,
    setCapRing,
  }
}

function fromAnswer({ primaryEdge, capRing, peepholeReflection, centreMark, drawtube }: MeasuredPhoto): Laid {
  const laid = (circle: MeasuredPhoto['primaryEdge']) =>
    circle ? { x: circle.xPx, y: circle.yPx, r: circle.radiusPx } : undefined
  const named: [CircleName, LaidCircle | undefined][] = [
    ['primaryEdge', laid(primaryEdge)],
    ['reflection', laid(capRing ?? peepholeReflection)],
    ['centreMark', laid(centreMark)],
    ['drawtube', laid(drawtube)],
  ]
  return Object.fromEntries(named.filter(([, circle]) => circle)) as Laid
}
