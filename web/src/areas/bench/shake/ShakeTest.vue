<script setup lang="ts">
import { secondsText, SHAKE_LIMITS_S, type ShakeRefusal, type ShakeWarning } from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import FileButton from '../../../shared/controls/FileButton.vue'
import BigFigure from '../../../shared/drawings/BigFigure.vue'
import { helpedMost, leftS, looseFromTheGround, measured, type ShakeDraft } from './shake-draft.ts'
import { useShake } from './use-shake.ts'
import { shakeInVideo } from './star-video.ts'
import { benchWords } from '../words.ts'

const t = benchWords('shakeTest')

/** How long the tube trembles after a tap, and what makes it: by the tablet's sensor, a video of a star at the eyepiece, or a
 * thumb on a stopwatch. */
const draft = defineModel<ShakeDraft | null>({ required: true })
const { available, listening, refused, told, start, stop } = useShake()

const next = ref<string>(looseFromTheGround[0])
const refusalWords: Record<ShakeRefusal, string> = {
  'no-tap': t('noTapWasFeltClamp'),
  'too-few': t('theSensorToldTooLittle'),
  saturated: t('thatWasMoreThanThe'),
}
const warningWords: Record<ShakeWarning, string> = {
  gaps: t('theSensorLeftGapsThe'),
  'slow-sampling': t('theSensorIsSlowFor'),
  'longer-than-recorded': t('itShookOnAfterThe'),
  disturbed: t('somethingElseMovedItAs'),
}

function keep(way: ShakeDraft['way'], settleS: number, frequencyHz: number | null): void {
  const kept = measured(draft.value, { way, settleS: Math.round(settleS * 10) / 10, frequencyHz }, next.value)
  draft.value = kept
  // From the ground up: what comes next is offered next.
  const at = looseFromTheGround.findIndex((what) => what === next.value)
  if (kept.tried.length > 0) next.value = looseFromTheGround[(at + 1) % looseFromTheGround.length] ?? next.value
}
watch(told, (reading) => {
  if (reading?.settleS) keep('sensor', Math.max(0.1, reading.settleS), reading.frequencyHz)
})

const tappedMs = ref<number | null>(null)
function stopwatch(): void {
  const now = performance.now()
  if (tappedMs.value === null) tappedMs.value = now
  else {
    keep('stopwatch', Math.max(0.1, (now - tappedMs.value) / 1000), null)
    tappedMs.value = null
  }
}

const looksAtVideo = ref(false)
/** What the last video told; words where it told nothing. */
const video = ref<Awaited<ReturnType<typeof shakeInVideo>> | 'no-video' | null>(null)
const videoWords = {
  'no-star': t('noStarStandsAloneIn'),
  'too-few': t('theVideoIsTooShort'),
  'no-video': t('thisDeviceCantPlayThat'),
  'no-tap': t('theStarDoesntSwingIn'),
  saturated: t('theStarRunsOutOf'),
}
async function ofVideo(file: File): Promise<void> {
  looksAtVideo.value = true
  video.value = await shakeInVideo(file).catch(() => 'no-video' as const)
  looksAtVideo.value = false
  const found = video.value
  if (typeof found !== 'string' && found.settleS) keep('video', Math.max(0.1, found.settleS), found.frequencyHz)
}
const videoTrouble = computed(() => {
  const found = video.value
  if (found === null) return ''
  if (typeof found === 'string') return videoWords[found]
  return found.refused ? videoWords[found.refused] : ''
})

const left = computed(() => draft.value && leftS(draft.value))
const helped = computed(() => draft.value && helpedMost(draft.value))
const verdict = computed(() => {
  if (left.value === null) return ''
  if (left.value <= SHAKE_LIMITS_S.good) return t('stillSoonEnoughAtAnd')
  if (left.value <= SHAKE_LIMITS_S.limit) return t('usableAtHighPowersOne')
  return t('onlyLowPowersAreAny')
})
</script>

<template>
  <section class="grid gap-8px pt-10px line-t-rule-strong" :aria-label="t('shake')">
    <h3>{{ t('doesItShake') }}</h3>
    <p class="second">
      {{ t('allClampedAsForLooking', { available: available ? t('theTabletFlatAgainstThe') : '' }) }}
    </p>
    <div class="ways flex flex-wrap gap-10px items-center">
      <ElButton v-if="available && !listening" @click="start">{{ t('listenThenTap') }}</ElButton>
      <ElButton v-if="listening" type="primary" @click="stop">{{ t('listeningItIsStillNow') }}</ElButton>
      <ElButton v-if="!listening" @click="stopwatch">{{
        tappedMs === null ? t('stopwatchTapped') : t('stillNow')
      }}</ElButton>
      <FileButton v-if="!listening" accept="video/*" camera :busy="looksAtVideo" name="star-video" @take="ofVideo">
        {{ t('videoOfAStar') }}
      </FileButton>
      <template v-if="draft">
        <ElSelect v-model="next" class="w-220px" :aria-label="t('whatWasTightenedSince')">
          <ElOption
            v-for="what in looseFromTheGround"
            :key="what"
            :value="what"
            :label="t('whatTightened', { what })"
          />
        </ElSelect>
        <ElButton link @click="draft = null">{{ t('beginAnew') }}</ElButton>
      </template>
    </div>
    <p v-if="refused" class="rust">{{ t('theTabletDoesntLetIts') }}</p>
    <p v-if="videoTrouble" class="problem" role="alert">{{ videoTrouble }}</p>
    <p v-if="told?.refused" class="problem" role="alert">{{ refusalWords[told.refused] }}</p>
    <template v-if="draft">
      <BigFigure :value="left" :limit="SHAKE_LIMITS_S.limit" :good="SHAKE_LIMITS_S.good" unit="s" />
      <p role="status">
        {{ verdict }}
        <template v-if="draft.frequencyHz">{{
          t('itSwingsTimesASecond', { frequencyHz: draft.frequencyHz.toFixed(1) })
        }}</template>
        <template v-if="helped">
          {{ ' '
          }}{{ t('tighteningTheHelpedMostLess', { what: helped.what, gainS: secondsText(helped.gainS) }) }}</template
        >
      </p>
      <p v-for="warning in told?.warnings ?? []" :key="warning" class="second">{{ warningWords[warning] }}</p>
      <ol class="flex flex-wrap gap-y-4px gap-x-22px m-0 p-0 list-none">
        <li>
          {{ t('asFound') }} <b>{{ secondsText(draft.foundS) }}</b>
        </li>
        <li v-for="(step, index) in draft.tried" :key="index">
          {{ t('whatTightened', { what: step.what }) }} <b>{{ secondsText(step.settleS) }}</b>
        </li>
      </ol>
    </template>
  </section>
</template>
