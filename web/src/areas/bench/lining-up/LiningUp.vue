<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import {
  arcminText,
  azimuthTurnArcmin,
  degText,
  longestExposureS,
  type AlignmentResult,
  type PolarError,
  type WrongEntry,
} from '@binoculum/core'
import { computed } from 'vue'
import FoundLeft from '../FoundLeft.vue'
import DriftRows from './DriftRows.vue'
import LandingRows from './LandingRows.vue'
import { driftResult, landingResult, noDrift, noLandings, type LiningUpDraft } from './lining-up-draft.ts'
import { benchWords } from '../words.ts'

const t = benchWords('liningUp')

/** What lining up came to: a third object tells whether the controller finds, a drifting star where the axis points. */
const { kit, fieldDeg, latitudeDeg, isDriven, isEquatorial } = defineProps<{
  kit: KitSheet
  /** True field of the lowest power. */
  fieldDeg: number
  latitudeDeg: number
  isDriven: boolean
  isEquatorial: boolean
}>()
const draft = defineModel<LiningUpDraft>({ required: true })

const landed = computed(() => landingResult(draft.value.landings.left ?? draft.value.landings.found, fieldDeg))
const foundLanding = computed(() => landingResult(draft.value.landings.found, fieldDeg))
const hintWords: Readonly<Record<WrongEntry, string>> = {
  'daylight-saving': t('fifteenDegreesAreAnHour'),
  'zone-or-hour': t('wholeHoursOfTheSky'),
  hemisphere: t('theOtherSideOfThe'),
  axis: t('itGrowsWithTheWay'),
}
const verdictWords: Readonly<Record<AlignmentResult['verdict'], string>> = {
  good: t('itFindsInsideTheMiddle'),
  usable: t('itFindsWithinTheLowest'),
  off: t('itDoesntFindGoThrough'),
}
const landingSays = computed(() => {
  const result = landed.value
  return result && [verdictWords[result.verdict], ...(result.hint ? [hintWords[result.hint]] : [])].join(' ')
})

const drifted = computed(() => driftResult(draft.value.drift.left ?? draft.value.drift.found, latitudeDeg))
const foundDrift = computed(() => driftResult(draft.value.drift.found, latitudeDeg))
/** Under this nothing is turned: a hand does no better. */
const STILL_ARCMIN = 3
/** What nobody sees in a picture at its full size. Common practice, no source. */
const BLUR_MM = 0.01
const bolts = ({ altitudeArcmin, eastArcmin }: PolarError) => {
  const up =
    altitudeArcmin === null || Math.abs(altitudeArcmin) < STILL_ARCMIN
      ? ''
      : t('latitudeBoltTheAxisBy', {
          way: altitudeArcmin > 0 ? t('lower') : t('raise'),
          by: arcminText(Math.abs(altitudeArcmin)),
        })
  const round =
    eastArcmin === null || Math.abs(eastArcmin) < STILL_ARCMIN
      ? ''
      : t('sideBoltsTurnTheHead', {
          way: eastArcmin > 0 ? t('west') : t('east'),
          by: arcminText(Math.abs(azimuthTurnArcmin(eastArcmin, latitudeDeg))),
        })
  return [up, round].filter(Boolean).join(' ') || t('nothingToTurn')
}
const driftSays = computed(() => {
  const result = drifted.value
  if (!result) return null
  const seconds = longestExposureS({
    errorArcmin: result.lengthArcmin,
    focalLengthMm: kit.optics.focalLengthMm,
    blurMm: BLUR_MM,
  })
  const open = [
    ...(result.eastArcmin === null ? [t('aStarNearTheMeridian')] : []),
    ...(result.altitudeArcmin === null ? [t('aStarLowInThe')] : []),
  ]
  const exposure =
    Number.isFinite(seconds) && open.length === 0 ? t('picturesOfSAtMost', { seconds: Math.floor(seconds) }) : ''
  return [bolts(result), ...open.map((each) => `${each[0]?.toUpperCase()}${each.slice(1)}.`), exposure]
    .filter(Boolean)
    .join(' ')
})
</script>

<template>
  <section v-if="isDriven" class="mt-22px">
    <h2>
      {{ t('doesItFind') }} <em>{{ t('goToAThirdObject') }}</em>
    </h2>
    <FoundLeft
      :has-left="draft.landings.left !== null"
      :complete="foundLanding !== null"
      @put-right="draft.landings.left = noLandings()"
      @forget="draft.landings.left = null"
    >
      <template #found><LandingRows v-model="draft.landings.found" half="found" /></template>
      <template #left><LandingRows v-if="draft.landings.left" v-model="draft.landings.left" half="left" /></template>
    </FoundLeft>
    <p v-if="landed" class="mt-10px text-18px lh-26px" role="status">
      <b :class="{ rust: landed.verdict === 'off' }">{{
        t('asideAtWorst', { worstDeg: degText(landed.worstDeg) })
      }}</b>
      <span class="second">
        {{ ' '
        }}{{
          t('middleHalfToFieldTo', { goodDeg: degText(landed.goodDeg), limitDeg: degText(landed.limitDeg) })
        }}</span
      >
      <br />{{ landingSays }}
    </p>
  </section>
  <section v-if="isEquatorial" class="mt-22px">
    <h2>
      {{ t('whereTheAxisPoints') }} <em>{{ t('aStarNearTheSkys') }}</em>
    </h2>
    <FoundLeft
      :has-left="draft.drift.left !== null"
      :complete="foundDrift !== null"
      @put-right="draft.drift.left = noDrift()"
      @forget="draft.drift.left = null"
    >
      <template #found><DriftRows v-model="draft.drift.found" half="found" /></template>
      <template #left><DriftRows v-if="draft.drift.left" v-model="draft.drift.left" half="left" /></template>
    </FoundLeft>
    <p v-if="drifted" class="mt-10px text-18px lh-26px" role="status">
      <b>{{ t('besideThePole', { lengthArcmin: arcminText(drifted.lengthArcmin) }) }}</b><br />{{ driftSays }}
    </p>
  </section>
</template>
