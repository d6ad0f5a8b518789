<script setup lang="ts">
import {
  collimationRepeat,
  FEWEST_OPENINGS,
  lengthOf,
  mmText,
  repeatMeansWords,
  repeatVerdictWords,
  type PointXY,
} from '@binoculum/core'
import { computed } from 'vue'
import { benchWords } from '../words.ts'

const t = benchWords('repeatTest')

/** A tube that slides: open and close it, look, keep; five times or so. */
const { current, limitMm } = defineProps<{ current: PointXY | null; limitMm: number }>()
const openings = defineModel<PointXY[]>({ required: true })
const emit = defineEmits<{ keep: [] }>()
const WANTED = 5

const answer = computed(() =>
  openings.value.length >= 2 ? collimationRepeat({ readings: openings.value, limitMm }) : null,
)
const spread = computed(() => {
  if (!answer.value) return ''
  const { value, low, high } = answer.value.spreadMm
  return t('mmAlongEitherAxisTo', { mm: value.toFixed(2), low: low.toFixed(2), high: high.toFixed(2) })
})
</script>

<template>
  <div class="repeat grid gap-8px justify-items-start pt-12px line-t-rule-strong">
    <h3>{{ t('howWellItComesBack') }}</h3>
    <p class="second">
      {{ t('slideTheTubeShutAnd', { wanted: WANTED }) }}
    </p>
    <ol v-if="openings.length > 0" class="m-0 pl-22px [columns:2]">
      <li v-for="(opening, i) in openings" :key="i">
        {{ mmText(lengthOf(opening)) }}
        <ElButton link :aria-label="t('takeOpeningOff', { i: i + 1 })" @click="openings.splice(i, 1)">
          {{ t('takeOff') }}
        </ElButton>
      </li>
    </ol>
    <ElButton :disabled="current === null" @click="emit('keep')">
      {{ t('keepThisAsOpening', { openings: openings.length + 1 }) }}
    </ElButton>
    <template v-if="answer">
      <p>
        <strong>{{
          openings.length < FEWEST_OPENINGS ? t('tooFewToTellOpen') : repeatVerdictWords[answer.verdict]
        }}</strong>
        {{ openings.length < FEWEST_OPENINGS ? '' : repeatMeansWords[answer.verdict] }}
      </p>
      <p class="second">
        {{
          t('meanSpreadNineOfTen', {
            meanMm: mmText(lengthOf(answer.meanMm)),
            spread,
            nineOfTenMm: mmText(answer.nineOfTenMm),
            limitMm: mmText(limitMm),
          })
        }}
      </p>
    </template>
  </div>
</template>
