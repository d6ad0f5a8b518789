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
  return `${value.toFixed(2)} mm along either axis (${low.toFixed(2)} to ${high.toFixed(2)} in nine of ten such tests)`
})
</script>

<template>
  <div class="repeat grid gap-8px justify-items-start pt-12px line-t-rule-strong">
    <h3>How well it comes back</h3>
    <p class="second">
      Slide the tube shut and open it again, lock both rods, look, keep the reading. {{ WANTED }} openings tell most.
    </p>
    <ol v-if="openings.length > 0" class="m-0 pl-22px [columns:2]">
      <li v-for="(opening, i) in openings" :key="i">
        {{ mmText(lengthOf(opening)) }}
        <ElButton link :aria-label="`Take opening ${i + 1} off`" @click="openings.splice(i, 1)"> take off </ElButton>
      </li>
    </ol>
    <ElButton :disabled="current === null" @click="emit('keep')">
      Keep this as opening {{ openings.length + 1 }}
    </ElButton>
    <template v-if="answer">
      <p>
        <strong>{{
          openings.length < FEWEST_OPENINGS ? 'Too few to tell: open it again.' : repeatVerdictWords[answer.verdict]
        }}</strong>
        {{ openings.length < FEWEST_OPENINGS ? '' : repeatMeansWords[answer.verdict] }}
      </p>
      <p class="second">
        Mean {{ mmText(lengthOf(answer.meanMm)) }}, spread {{ spread }}. Nine of ten openings stay within
        {{ mmText(answer.nineOfTenMm) }} (limit {{ mmText(limitMm) }}).
      </p>
    </template>
  </div>
</template>
