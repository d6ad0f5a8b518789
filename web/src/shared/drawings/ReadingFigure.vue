<script setup lang="ts">
import type { ReadingView } from '@binoculum/contract'
import { kindWords } from '@binoculum/core'
import { computed } from 'vue'
import { readingText } from '../reading-text.ts'
import ScaleBar from './ScaleBar.vue'
import { sharedWords } from '../words.ts'

const t = sharedWords('readingFigure')

/** A figure with its unit, and its place on the scale under it. */
const { reading } = defineProps<{ reading: ReadingView }>()
const parts = computed(() => /^([\d.]+)(.*)$/.exec(readingText(reading)))
const label = computed(() =>
  t('kindWordsLimit', {
    kindWords: kindWords[reading.kind],
    reading: readingText(reading),
    limit: reading.limit.toFixed(1),
  }),
)
</script>

<template>
  <span v-if="reading.unit === 'judged'" class="text-14px"
    >{{ reading.kind === 'star' ? t('star') : ''
    }}{{ reading.kind === 'repeat' ? readingText(reading) : reading.asLeft === 0 ? t('good') : t('notFine') }}</span
  >
  <span v-else class="block lh-16px">
    <span
      ><b>{{ parts?.[1] }}</b
      ><span class="quiet">{{ parts?.[2] }}</span></span
    >
    <ScaleBar :value="reading.asLeft" :limit="reading.limit" :good="reading.good" :width="56" :label="label" />
  </span>
</template>
