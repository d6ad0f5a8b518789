<script setup lang="ts">
import type { ReadingView } from '@binoculum/contract'
import { arcminText, dateText, howItHolds, mmText } from '@binoculum/core'
import { computed } from 'vue'
import { benchWords } from './words.ts'

const t = benchWords('readingHistory')

/** Earlier readings of one kit's mirror or finder: filled as found, open as left, the limit across; and how well it holds, in words. */
const { kind, past, limit } = defineProps<{
  kind: 'collimation' | 'finder'
  past: readonly ReadingView[]
  limit: number
}>()
const text = computed(() => (kind === 'finder' ? arcminText : mmText))
const words = computed(() =>
  kind === 'finder'
    ? { thing: t('finder'), cure: t('lookAtItsBracketAnd') }
    : { thing: t('mirror'), cure: t('lookAtItsLocksAnd') },
)

const SHOWN = 11
const W = 380
const H = 78
const own = computed(() => past.filter((reading) => reading.kind === kind).slice(-SHOWN))
const top = computed(() =>
  Math.max(limit * 1.5, ...own.value.map(({ asFound, asLeft }) => Math.max(asFound ?? 0, asLeft))),
)
const x = (index: number) => 10 + (index * (W - 20)) / Math.max(own.value.length - 1, 1)
const y = (mm: number) => H - (mm / top.value) * (H - 8)
const holds = computed(() => {
  const found = own.value.flatMap(({ asFound }) => (asFound === null ? [] : [asFound]))
  const { verdict, within, times, median } = howItHolds(found, limit)
  const share = t('ofTimesItCameBack', { within, times, median: text.value(median) })
  if (verdict === 'too-few') return t('tooFewReadingsYetTo')
  if (verdict === 'well') return t('itHoldsWell', { share })
  return verdict === 'fairly' ? t('itHoldsFairly', { share }) : t('itDoesntHold', { share, cure: words.value.cure })
})
</script>

<template>
  <div class="history">
    <template v-if="own.length > 0">
      <svg
        class="block w-full max-w-400px"
        :viewBox="`0 0 ${W} ${H + 20}`"
        role="img"
        :aria-label="t('theLastChecksOfThe', { own: own.length, thing: words.thing })"
      >
        <line :x2="W" :y1="y(limit)" :y2="y(limit)" class="limit stroke-brass stroke-1.4" />
        <line :x2="W" :y1="H" :y2="H" class="line stroke-rule-strong" />
        <g v-for="(reading, i) in own" :key="i">
          <line
            v-if="reading.asFound !== null"
            :x1="x(i)"
            :x2="x(i)"
            :y1="y(reading.asFound)"
            :y2="y(reading.asLeft)"
            class="stroke-rule-strong"
          />
          <circle
            v-if="reading.asFound !== null"
            :cx="x(i)"
            :cy="y(reading.asFound)"
            r="4"
            :class="reading.asFound > limit ? 'found off' : 'found'"
          />
          <circle :cx="x(i)" :cy="y(reading.asLeft)" r="3.2" class="fill-card stroke-ink stroke-1.3" />
        </g>
        <text class="fill-quiet [font:12px_var(--sans)]" x="0" :y="H + 16">{{ dateText(own[0]?.atUtc ?? '') }}</text>
        <text :x="W" :y="H + 16" class="fill-quiet [font:12px_var(--sans)] [text-anchor:end]">
          {{ dateText(own.at(-1)?.atUtc ?? '') }}
        </text>
      </svg>
      <p class="second">{{ holds }}</p>
    </template>
    <p v-else class="second">{{ t('noReadingKeptYetThe') }}</p>
  </div>
</template>

<style scoped>
.found {
  fill: var(--ink);
}

.found.off {
  fill: var(--rust);
}
</style>
