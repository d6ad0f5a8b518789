import { landmarksSchema, type KitSheet, type Landmark } from '@binoculum/contract'
import {
  aimArcmin,
  dayMoon,
  dayStrip,
  finderKnobs,
  finderVerdict,
  knobLines,
  learnKnobs,
  lengthOf,
  nearFocus,
  needsYes,
  nightTarget,
  shareOfFirstLooks,
  sunDay,
  sunOfDay,
  type DaySpan,
  type PointXY,
} from '@binoculum/core'
import { computed, watch, type Ref } from 'vue'
import { useLoaded } from '../../../shared/api/use-loaded.ts'
import { checkedKitOf } from '../check-draft.ts'
import { useSunQuestion } from '../use-sun-question.ts'
import {
  arcminOf,
  finderOf,
  knobStepsOf,
  misalignedBy,
  newFinderLook,
  type FinderDraft,
  type FinderTarget,
} from './finder-draft.ts'
import { benchWords } from '../words.ts'

const t = benchWords('useFinder')

/** A finder sits farther from the axis than this; less is a form nobody filled in. */
const LEAST_OFFSET_MM = 15
/** From here on a usual finder's parallax is under half an arcminute: its offset matters no more. */
const FAR_M = 1000

export interface JudgedLandmark {
  readonly landmark: Landmark
  readonly strip: readonly DaySpan[]
  /** Why it isn't offered now; null: it is. */
  readonly barred: string | null
  readonly until: string | null
}

/** What lining up a finder comes to: targets, misalignment, which knob, and what it is worth. */
export function useFinder(draft: Ref<FinderDraft>, kit: () => KitSheet, clock?: () => Date) {
  const { problem, reload, sites, site, remembered, device, now, question } = useSunQuestion(draft, {
    branchId: () => kit().branchId,
    siteId: () => draft.value.siteId,
    clock,
  })
  const { data: marks } = useLoaded(landmarksSchema, () => site.value && `/api/sites/${site.value.id}/landmarks`)

  const moment = computed(() => {
    if (!site.value) return null
    const { latitudeDeg, longitudeDeg, zone } = site.value
    return { latitudeDeg, longitudeDeg, zone, atUtc: now.value.toISOString() }
  })
  const day = computed(() => moment.value && sunDay(moment.value))
  const sun = computed(() => day.value && sunOfDay(day.value, now.value.getTime()))
  /** Dark enough for stars, and surely so; in the twilight before, landmarks still show. */
  const isDark = computed(() => !question.value.asked)

  const finder = computed(() => finderOf(kit()))
  const offset = computed(() => kit().optics.finderOffsetMm)
  const offsetKnown = computed(() => lengthOf(offset.value) >= LEAST_OFFSET_MM)
  const checked = computed(() => checkedKitOf(kit()))
  const fieldDeg = computed(() => checked.value.lowestFieldDeg)
  const limit = computed(() => (fieldDeg.value * 60) / 2)
  const focusAt = (distanceM?: number) => {
    const { focusing, spareTravelMm, knownNearestM } = finder.value
    return nearFocus({
      focalLengthMm: kit().optics.focalLengthMm,
      focusing,
      ...(spareTravelMm === null ? {} : { spareTravelMm }),
      ...(knownNearestM === null ? {} : { knownNearestM }),
      ...(distanceM === undefined ? {} : { distanceM }),
    })
  }

  const landmarks = computed<readonly JudgedLandmark[]>(() =>
    (marks.value?.landmarks ?? []).map((landmark) => {
      const strip = day.value
        ? dayStrip(day.value, { azimuthDeg: landmark.bearingDeg % 360, altitudeDeg: landmark.heightDeg })
        : []
      const span = strip.find(
        ({ fromUtc, untilUtc }) =>
          Date.parse(fromUtc) <= now.value.getTime() && now.value.getTime() < Date.parse(untilUtc),
      )
      const near = focusAt(landmark.distanceM)
      if (near.reaches === false)
        return {
          landmark,
          strip,
          barred: t('nearerThanThisKitComes', { nearestM: near.nearestM?.toFixed(0) }),
          until: null,
        }
      if (!offsetKnown.value && landmark.distanceM < FAR_M)
        return { landmark, strip, barred: t('soNearTheFindersOffset'), until: null }
      if (span?.kind === 'never') return { landmark, strip, barred: t('theSunIsNearerTo'), until: span.untilUtc }
      if (isDark.value) return { landmark, strip, barred: t('itIsDarkUseA'), until: span?.untilUtc ?? null }
      return { landmark, strip, barred: null, until: span?.untilUtc ?? null }
    }),
  )
  const star = computed(() => moment.value && nightTarget({ ...moment.value, trueFieldDeg: fieldDeg.value }))
  const moon = computed(() => moment.value && dayMoon(moment.value))

  const target = computed(() => draft.value.target)
  const chosen = computed(
    () => landmarks.value.find(({ landmark }) => landmark.id === target.value?.landmarkId) ?? null,
  )
  /** The first that may be used, until somebody chooses: the farthest landmark by day, the star by night. */
  watch(
    [landmarks, star],
    () => {
      if (draft.value.target) return
      const first = landmarks.value.find(({ barred }) => barred === null)
      if (first) choose(landmarkTarget(first.landmark))
      else if (star.value?.target) choose(starTarget(star.value.target.name))
    },
    { immediate: true },
  )
  function choose(given: FinderTarget) {
    if (given.landmarkId !== target.value?.landmarkId || given.kind !== target.value?.kind) draft.value.shaded = null
    // In the dark the Moon is a star like others: nothing is to be asked about the Sun.
    draft.value.target = given.kind === 'moon' && isDark.value ? { ...given, kind: 'star' } : given
  }
  const asksShade = computed(() => needsYes(target.value?.kind ?? null, question.value))
  const barred = computed(() => {
    if (target.value?.kind === 'landmark') return chosen.value?.barred ?? null
    if (target.value?.kind === 'moon') return moon.value?.usable === false ? t('theMoonWontDoNow') : null
    return null
  })
  /** Whether any look may be written down, in whichever way. */
  const allowed = computed(
    () => target.value !== null && barred.value === null && (!asksShade.value || draft.value.shaded === true),
  )

  const look = computed(() => draft.value.looks[draft.value.looks.length - 1] ?? newFinderLook())
  const misaligned = computed(() => misalignedBy(look.value, target.value, kit(), fieldDeg.value))
  const arcmin = computed(() => arcminOf(look.value, target.value, kit(), fieldDeg.value))
  watch(arcmin, (seen) => (look.value.lookedAtUtc = seen === null ? undefined : device.value.toISOString()))
  const found = computed(() => arcminOf(draft.value.looks[0], target.value, kit(), fieldDeg.value))
  const foundAt = computed<PointXY | null>(
    () => misalignedBy(draft.value.looks[0], target.value, kit(), fieldDeg.value)?.misalignmentArcmin ?? null,
  )
  const verdict = computed(() =>
    arcmin.value === null
      ? null
      : finderVerdict({ misalignmentArcmin: arcmin.value, trueFieldDeg: fieldDeg.value }).verdict,
  )
  const share = computed(() =>
    arcmin.value === null
      ? null
      : shareOfFirstLooks({ misalignmentArcmin: arcmin.value, trueFieldDeg: fieldDeg.value }),
  )
  const learnt = computed(() =>
    learnKnobs(finder.value.knobs, [...kit().knobSteps, ...knobStepsOf(draft.value, kit(), fieldDeg.value)]),
  )
  const advice = computed(() =>
    misaligned.value && learnt.value.knobs.length > 0
      ? finderKnobs({ misalignment: misaligned.value.misalignmentArcmin, knobs: learnt.value.knobs })
      : null,
  )
  const thing = computed(() => (finder.value.kind === 'red-dot' ? t('dot') : t('cross')))
  const lines = computed(() => (advice.value ? knobLines(advice.value.rounded, learnt.value.knobs, thing.value) : []))
  /** Where dot or cross must stand beside the thing: the aim mark. */
  const aim = computed(() => aimArcmin(offset.value, target.value?.distanceM ?? null))
  const focus = computed(() => focusAt(target.value?.distanceM ?? undefined))

  function lookAgain() {
    const turns = (advice.value?.rounded ?? []).filter(({ turns: count }) => count !== 0).map((turn) => ({ ...turn }))
    const { target: on, shaded } = draft.value
    if (on) look.value.seenOn = { target: { ...on }, shaded }
    draft.value.between.push({ turns })
    draft.value.looks.push(newFinderLook(look.value))
  }
  function takeBack() {
    draft.value.between.pop()
    draft.value.looks.pop()
    // The look before is the one in hand again, on what it was seen on.
    const { seenOn } = look.value
    if (!seenOn) return
    draft.value.target = seenOn.target
    draft.value.shaded = seenOn.shaded
    look.value.seenOn = null
  }
  return {
    ...{
      problem,
      reload,
      question,
      sites,
      site,
      remembered,
      now,
      day,
      sun,
      isDark,
      landmarks,
      star,
      moon,
      target,
      chosen,
    },
    ...{ finder, offset, offsetKnown, fieldDeg, limit, look, misaligned, arcmin, found, foundAt, verdict, share },
    ...{ learnt, advice, lines, thing, aim, focus, asksShade, barred, allowed, choose, lookAgain, takeBack },
  }
}

export const landmarkTarget = ({ id, name, distanceM, source }: Landmark): FinderTarget => ({
  kind: 'landmark',
  name,
  landmarkId: id,
  distanceM,
  source,
})
export const starTarget = (name: string): FinderTarget => ({
  kind: 'star',
  name,
  landmarkId: null,
  distanceM: null,
  source: 'typed',
})
export const moonTarget: FinderTarget = {
  kind: 'moon',
  name: t('theMoon'),
  landmarkId: null,
  distanceM: null,
  source: 'typed',
}
export const sheetTarget = (distanceM: number): FinderTarget => ({
  kind: 'sheet',
  name: t('itsSheetOfTwoMarks'),
  landmarkId: null,
  distanceM,
  source: 'typed',
})
