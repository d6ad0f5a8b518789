<script setup lang="ts">
import { conditionWords, type Condition } from '@binoculum/core'
import { computed } from 'vue'

/** A kit's condition as a small Moon. The phase carries the meaning; its word always stands beside it. */
const { condition, size = 22 } = defineProps<{ condition: Condition; size?: number }>()

const R = 9
const litShares = { full: 1, half: 0.5, crescent: 0.15, new: 0 } as const
const lit = computed(() => litShares[condition])
/** Right limb, then back along the terminator: half an ellipse with semi-axis |1 − 2k|·R. */
const litPath = computed(() => {
  const k = lit.value
  const sweep = k > 0.5 ? 1 : 0
  return `M0 ${-R} A${R} ${R} 0 0 1 0 ${R} A${Math.abs(1 - 2 * k) * R} ${R} 0 0 ${sweep} 0 ${-R}Z`
})
</script>

<template>
  <svg :width="size" :height="size" viewBox="-10.5 -10.5 21 21" role="img" :aria-label="conditionWords[condition]">
    <circle v-if="condition === 'new'" r="8.6" class="fill-none [stroke:var(--held,var(--rust))] stroke-1.9" />
    <template v-else>
      <circle :r="R" class="fill-deep" />
      <circle v-if="lit === 1" :r="R" class="lit" />
      <path v-else :d="litPath" :class="condition === 'crescent' ? 'thin' : 'lit'" />
      <circle :r="R" class="fill-none [stroke:var(--field-rim)] stroke-1.1" />
    </template>
  </svg>
</template>

<style scoped>
.lit {
  fill: var(--field-moon);
}

.thin {
  fill: var(--field-ring);
}
</style>
