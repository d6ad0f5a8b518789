<script setup lang="ts">
import type { StoryReading } from '@binoculum/contract'
import { computed } from 'vue'
import JudgedChart from './JudgedChart.vue'
import StoryChart from './StoryChart.vue'
import { readingsSentence, seenWords, unitWords } from './story-words.ts'
import { logbookWords } from './words.ts'

const t = logbookWords('storyFigures')

/** All figures of a kit along time: each measured one against its limit, mirror and finder first, then what was judged. */
const { readings, fromUtc, untilUtc } = defineProps<{
  readings: readonly StoryReading[]
  fromUtc: string
  untilUtc: string
}>()
const first = ['collimation', 'finder']
const kinds = computed(() => {
  const seen = new Set(readings.filter(({ unit }) => unit !== 'judged').map(({ kind }) => kind))
  return [...seen].sort((a, b) => Number(first.includes(b)) - Number(first.includes(a)) || a.localeCompare(b))
})
const of = (kind: StoryReading['kind']) => readings.filter((each) => each.kind === kind && each.unit !== 'judged')
const judged = computed(() => readings.filter(({ unit }) => unit === 'judged'))
const wordsOf = (kind: StoryReading['kind']) => unitWords(kind, of(kind)[0]?.unit ?? 'mm')
</script>

<template>
  <section v-for="kind in kinds" :key="kind" :aria-label="seenWords(kind)">
    <h2>
      {{ seenWords(kind) }} <em>{{ wordsOf(kind).of }}</em>
    </h2>
    <p>{{ readingsSentence(of(kind)) }}</p>
    <StoryChart
      :readings="of(kind)"
      :unit="wordsOf(kind).unit"
      :from-utc="fromUtc"
      :until-utc="untilUtc"
      :digits="wordsOf(kind).digits"
    />
  </section>
  <section v-if="judged.length > 0" :aria-label="t('judgedByEye')">
    <h2>
      {{ t('judgedByEye') }} <em>{{ t('aRingIsFine') }}</em>
    </h2>
    <JudgedChart :readings="judged" :from-utc="fromUtc" :until-utc="untilUtc" />
  </section>
  <p v-if="readings.length === 0" class="quiet">{{ t('nobodyHasMeasuredItIn') }}</p>
</template>

<style scoped src="./logbook-page.css"></style>
