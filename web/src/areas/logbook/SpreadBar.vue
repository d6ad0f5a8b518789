<script setup lang="ts">
import type { SpreadView } from '@binoculum/contract'
import { computed } from 'vue'
import { logbookWords } from './words.ts'

const t = logbookWords('spreadBar')

/** Eight of ten as a line, the middle one as a dot, the limit as a tick; nothing of too few. */
const { spread, limit, unit } = defineProps<{ spread: SpreadView; limit: number | null; unit: string }>()
const WIDTH = 110
const FULL_LIMITS = 1.6
const end = computed(() => Math.max((limit ?? 1) * FULL_LIMITS, 1e-9))
const at = (value: number) => Math.min(WIDTH, (value / end.value) * WIDTH)
const words = computed(() =>
  spread.middle === null
    ? t('looksTooFewToSay', { looks: spread.n })
    : t('middleEightOfTenFrom', {
        middle: spread.middle.toFixed(1),
        unit,
        low: spread.low?.toFixed(1),
        high: spread.high?.toFixed(1),
        limit: limit?.toFixed(1),
      }),
)
</script>

<template>
  <svg class="block" :viewBox="`0 0 ${WIDTH + 6} 16`" :width="WIDTH + 6" height="16" role="img" :aria-label="words">
    <line x1="0" y1="8" :x2="WIDTH" y2="8" class="stroke-rule-strong" />
    <template v-if="spread.middle !== null">
      <line :x1="at(spread.low ?? 0)" y1="8" :x2="at(spread.high ?? 0)" y2="8" class="stroke-quiet stroke-4" />
      <circle
        class="fill-ink"
        :cx="at(spread.middle)"
        cy="8"
        r="3.5"
        :class="{ beyond: limit !== null && spread.middle > limit }"
      />
    </template>
    <line
      v-if="limit !== null"
      :x1="at(limit)"
      y1="2"
      :x2="at(limit)"
      y2="14"
      class="limit stroke-brass-text stroke-2"
    />
  </svg>
</template>

<style scoped>
circle.beyond {
  fill: var(--rust);
}
</style>
