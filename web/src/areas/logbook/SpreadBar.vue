<script setup lang="ts">
import type { SpreadView } from '@binoculum/contract'
import { computed } from 'vue'

/** Eight of ten as a line, the middle one as a dot, the limit as a tick; nothing of too few. */
const { spread, limit, unit } = defineProps<{ spread: SpreadView; limit: number | null; unit: string }>()
const WIDTH = 110
const FULL_LIMITS = 1.6
const end = computed(() => Math.max((limit ?? 1) * FULL_LIMITS, 1e-9))
const at = (value: number) => Math.min(WIDTH, (value / end.value) * WIDTH)
const words = computed(() =>
  spread.middle === null
    ? `${spread.n} looks: too few to say`
    : `middle ${spread.middle.toFixed(1)} ${unit}, eight of ten from ${spread.low?.toFixed(1)} to ${spread.high?.toFixed(1)}; limit ${limit?.toFixed(1)}`,
)
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH + 6} 16`" :width="WIDTH + 6" height="16" role="img" :aria-label="words">
    <line x1="0" y1="8" :x2="WIDTH" y2="8" class="axis" />
    <template v-if="spread.middle !== null">
      <line :x1="at(spread.low ?? 0)" y1="8" :x2="at(spread.high ?? 0)" y2="8" class="range" />
      <circle :cx="at(spread.middle)" cy="8" r="3.5" :class="{ beyond: limit !== null && spread.middle > limit }" />
    </template>
    <line v-if="limit !== null" :x1="at(limit)" y1="2" :x2="at(limit)" y2="14" class="limit" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
}

.axis {
  stroke: var(--rule-strong);
}

.range {
  stroke: var(--quiet);
  stroke-width: 4;
}

circle {
  fill: var(--ink);
}

circle.beyond {
  fill: var(--rust);
}

.limit {
  stroke: var(--brass-text);
  stroke-width: 2;
}
</style>
