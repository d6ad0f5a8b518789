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
  'daylight-saving': 'Fifteen degrees are an hour: daylight saving was answered wrong.',
  'zone-or-hour': 'Whole hours of the sky: look at zone, hour and date.',
  hemisphere: 'The other side of the sky: north and south, or east and west of the place, were changed over.',
  axis: 'It grows with the way to the west: the axis doesn’t point at the pole. Watch a star drift.',
}
const verdictWords: Readonly<Record<AlignmentResult['verdict'], string>> = {
  good: 'It finds: inside the middle half of the lowest field.',
  usable: 'It finds within the lowest field; a hand on the keys brings it to the middle.',
  off: 'It doesn’t find. Go through what was keyed in, and line it up anew.',
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
      : `Latitude bolt: ${altitudeArcmin > 0 ? 'lower' : 'raise'} the axis by ${arcminText(Math.abs(altitudeArcmin))}.`
  const round =
    eastArcmin === null || Math.abs(eastArcmin) < STILL_ARCMIN
      ? ''
      : `Side bolts: turn the head ${eastArcmin > 0 ? 'west' : 'east'} by ${arcminText(Math.abs(azimuthTurnArcmin(eastArcmin, latitudeDeg)))} about the upright.`
  return [up, round].filter(Boolean).join(' ') || 'Nothing to turn.'
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
    ...(result.eastArcmin === null ? ['a star near the meridian tells the rest'] : []),
    ...(result.altitudeArcmin === null ? ['a star low in the east or west tells the rest'] : []),
  ]
  const exposure =
    Number.isFinite(seconds) && open.length === 0 ? `Pictures of ${Math.floor(seconds)} s at most.` : ''
  return [bolts(result), ...open.map((each) => `${each[0]?.toUpperCase()}${each.slice(1)}.`), exposure]
    .filter(Boolean)
    .join(' ')
})
</script>

<template>
  <section v-if="isDriven" class="mt-22px">
    <h2>Does it find? <em>Go to a third object, and two more</em></h2>
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
      <b :class="{ rust: landed.verdict === 'off' }">{{ degText(landed.worstDeg) }} aside at worst</b>
      <span class="second">
        · middle half to {{ degText(landed.goodDeg) }}, field to {{ degText(landed.limitDeg) }}</span
      >
      <br />{{ landingSays }}
    </p>
  </section>
  <section v-if="isEquatorial" class="mt-22px">
    <h2>Where the axis points <em>a star near the sky’s equator, drive on, watched for minutes</em></h2>
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
      <b>{{ arcminText(drifted.lengthArcmin) }} beside the pole</b><br />{{ driftSays }}
    </p>
  </section>
</template>
