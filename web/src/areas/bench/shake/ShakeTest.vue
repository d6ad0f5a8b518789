<script setup lang="ts">
import { secondsText, SHAKE_LIMITS_S, type ShakeRefusal, type ShakeWarning } from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import FileButton from '../../../shared/controls/FileButton.vue'
import BigFigure from '../../../shared/drawings/BigFigure.vue'
import { helpedMost, leftS, looseFromTheGround, measured, type ShakeDraft } from './shake-draft.ts'
import { useShake } from './use-shake.ts'
import { shakeInVideo } from './star-video.ts'

/** How long the tube trembles after a tap, and what makes it: by the tablet's sensor, a video of a star at the eyepiece, or a
 * thumb on a stopwatch. */
const draft = defineModel<ShakeDraft | null>({ required: true })
const { available, listening, refused, told, start, stop } = useShake()

const next = ref<string>(looseFromTheGround[0])
const refusalWords: Record<ShakeRefusal, string> = {
  'no-tap': 'No tap was felt. Clamp or hold the tablet flat against the tube, and tap once.',
  'too-few': 'The sensor told too little. Try again, or take the stopwatch.',
  saturated: 'That was more than the sensor can tell. Tap more gently.',
}
const warningWords: Record<ShakeWarning, string> = {
  gaps: 'The sensor left gaps; the figure stands.',
  'slow-sampling':
    'The sensor is slow for so quick a shake: how often it swings is a guess, how long it lasts isn’t.',
  'longer-than-recorded': 'It shook on after the recording: reckoned on from how it fell.',
  disturbed: 'Something else moved it as well. Once more, hands off?',
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
  'no-star':
    'No star stands alone in the video. One bright star, dark around it, in the picture from the tap to the end.',
  'too-few': 'The video is too short. Begin before the tap and go on until the star is still.',
  'no-video': 'This device can’t play that video. Take it as MP4 or WebM, or take the stopwatch.',
  'no-tap': 'The star doesn’t swing in the video. Begin before the tap, and tap once, gently.',
  saturated: 'The star runs out of the picture. Tap more gently.',
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
  if (left.value <= SHAKE_LIMITS_S.good) return 'Still soon enough, at 60× and more.'
  if (left.value <= SHAKE_LIMITS_S.limit) return 'Usable; at high powers one waits at every touch.'
  return 'Only low powers are any use. Look for what is loose, from the ground up.'
})
</script>

<template>
  <section class="grid gap-8px pt-10px line-t-rule-strong" aria-label="Shake">
    <h3>Does it shake?</h3>
    <p class="second">
      All clamped, as for looking. {{ available ? 'The tablet flat against the tube, or a stopwatch. ' : '' }}Tap the
      tube once, gently, and let go.
    </p>
    <div class="ways flex flex-wrap gap-10px items-center">
      <ElButton v-if="available && !listening" @click="start">Listen, then tap</ElButton>
      <ElButton v-if="listening" type="primary" @click="stop">Listening … it is still now</ElButton>
      <ElButton v-if="!listening" @click="stopwatch">{{
        tappedMs === null ? 'Stopwatch: tapped' : 'Still now'
      }}</ElButton>
      <FileButton v-if="!listening" accept="video/*" camera :busy="looksAtVideo" name="star-video" @take="ofVideo">
        Video of a star
      </FileButton>
      <template v-if="draft">
        <ElSelect v-model="next" class="w-220px" aria-label="What was tightened since">
          <ElOption v-for="what in looseFromTheGround" :key="what" :value="what" :label="`${what} tightened`" />
        </ElSelect>
        <ElButton link @click="draft = null">begin anew</ElButton>
      </template>
    </div>
    <p v-if="refused" class="rust">The tablet doesn’t let its sensors be read. Take the stopwatch.</p>
    <p v-if="videoTrouble" class="problem" role="alert">{{ videoTrouble }}</p>
    <p v-if="told?.refused" class="problem" role="alert">{{ refusalWords[told.refused] }}</p>
    <template v-if="draft">
      <BigFigure :value="left" :limit="SHAKE_LIMITS_S.limit" :good="SHAKE_LIMITS_S.good" unit="s" />
      <p role="status">
        {{ verdict }}
        <template v-if="draft.frequencyHz">It swings {{ draft.frequencyHz.toFixed(1) }} times a second.</template>
        <template v-if="helped">
          Tightening the {{ helped.what }} helped most: {{ secondsText(helped.gainS) }} less.</template
        >
      </p>
      <p v-for="warning in told?.warnings ?? []" :key="warning" class="second">{{ warningWords[warning] }}</p>
      <ol class="flex flex-wrap gap-y-4px gap-x-22px m-0 p-0 list-none">
        <li>
          as found <b>{{ secondsText(draft.foundS) }}</b>
        </li>
        <li v-for="(step, index) in draft.tried" :key="index">
          {{ step.what }} tightened <b>{{ secondsText(step.settleS) }}</b>
        </li>
      </ol>
    </template>
  </section>
</template>
