<script setup lang="ts">
import type { KitSheet, StarLook } from '@binoculum/contract'
import {
  RING_OFFSET_LIMITS,
  starJudgeRefusalWords,
  starJudgeWarningWords,
  starVerdictWords,
  type StarJudged,
} from '@binoculum/core'
import { computed, shallowRef } from 'vue'
import BorrowerLooks from '../BorrowerLooks.vue'
import FileButton from '../../../shared/controls/FileButton.vue'
import { dayText } from '../../../shared/dates.ts'
import type { Pair } from '../check-draft.ts'
import { useKeptPicture } from '../collimation/use-kept-picture.ts'
import { usePhotoWork } from '../collimation/use-photo-work.ts'
import { benchWords } from '../words.ts'

const t = benchWords('starLook')

/** A star a little out of focus, photographed: whether a lens or a closed tube is fit. It names no screw. */
const { kit } = defineProps<{ kit: KitSheet }>()
const pair = defineModel<Pair<'fine' | 'not-fine' | null>>('pair', { required: true })
const look = defineModel<StarLook | null>('look', { required: true })

const work = usePhotoWork()
const first = shallowRef<File | null>(null)
const told = shallowRef<StarJudged | null>(null)
const kept = useKeptPicture(
  () => kit.branchId,
  (pictureId) => look.value && (look.value = { ...look.value, pictureId }),
)
const kind = computed(() => (kit.optics.kind === 'maksutov' ? 'maksutov' : 'refractor'))
const percent = (share: number) => `${Math.round(share * 100)} %`

async function measure(file: File, other: File | null): Promise<void> {
  const { apertureMm, focalLengthMm } = kit.optics
  const answer = await work.run((remote) => remote.lens(file, other, { kind: kind.value, apertureMm, focalLengthMm }))
  if (!answer) return
  told.value = answer.value
  const {
    refused,
    ringOffsetFraction: { x, y },
    axisRatio,
    verdict,
  } = answer.value
  if (refused) return
  look.value = { ringOffset: Math.min(1, Math.hypot(x, y)), axisRatio, verdict, pictureId: null }
  // What lies between is a person’s to judge, after another look.
  if (verdict !== 'watch') pair.value.asFound = verdict === 'fit' ? 'fine' : 'not-fine'
  void kept.keep(file)
}
function take(file: File) {
  first.value = file
  void measure(file, null)
}
const takeOther = (file: File) => first.value && void measure(first.value, file)

const earlier = computed(() => kit.starLooks[0] ?? null)
const moved = computed(() => {
  if (!look.value || !earlier.value) return ''
  const change = look.value.ringOffset - earlier.value.ringOffset
  if (Math.abs(change) < RING_OFFSET_LIMITS[kind.value] / 4) return t('asItWasThen')
  return change > 0 ? t('itsRingsStandFartherOff') : t('itsRingsStandNearerThe')
})
</script>

<template>
  <BorrowerLooks :kit-code="kit.code" :zone="kit.zone" :kinds="['star']" />
  <section class="grid gap-8px mb-18px" :aria-label="t('theStarPhotographed')">
    <div class="ways flex flex-wrap gap-10px">
      <FileButton accept="image/*" :busy="work.progress.value !== null" @take="take">{{
        look ? t('anotherPicture') : t('aPictureOfTheStar')
      }}</FileButton>
      <FileButton v-if="look && first" accept="image/*" :busy="work.progress.value !== null" @take="takeOther">{{
        t('andOnTheOtherSide')
      }}</FileButton>
    </div>
    <p v-if="work.problem.value" class="problem" role="alert">{{ work.problem.value }}</p>
    <p v-if="told?.refused" class="problem" role="alert">{{ starJudgeRefusalWords[told.refused] }}</p>
    <template v-if="look">
      <p role="status">
        <strong :class="{ rust: look.verdict === 'workshop' }">{{ starVerdictWords[look.verdict] }}</strong>
        {{
          t('ringsOfTheRadiusOff', {
            ringOffset: percent(look.ringOffset),
            ringOffsetLimits: percent(RING_OFFSET_LIMITS[kind]),
            axisRatio: percent(look.axisRatio),
          })
        }}
      </p>
      <p v-for="warning in told?.warnings ?? []" :key="warning" class="second">
        {{ starJudgeWarningWords[warning] }}
      </p>
    </template>
    <p v-if="earlier" class="second">
      <img
        v-if="earlier.pictureId"
        class="[float:left] mr-10px [object-fit:cover]"
        :src="`/api/pictures/${earlier.pictureId}`"
        :alt="t('theStarThen')"
        width="72"
        height="72"
      />
      {{
        t('ringsOffDisc', {
          atUtc: dayText(earlier.atUtc, kit.zone),
          ringOffset: percent(earlier.ringOffset),
          axisRatio: percent(earlier.axisRatio),
          moved,
        })
      }}
    </p>
  </section>
</template>
