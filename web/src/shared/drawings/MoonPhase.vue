<script setup lang="ts">
import { computed } from 'vue'
import { sharedWords } from '../words.ts'

const t = sharedWords('moonPhase')

/** The Moon as it is seen: its lit share, on the right while it waxes; the other way round south of the equator. */
const {
  lit,
  waxing,
  southern = false,
  size = 24,
} = defineProps<{
  /** 0 … 1 */
  lit: number
  waxing: boolean
  southern?: boolean
  size?: number
}>()

const R = 9
const path = computed(() => {
  const sweep = lit > 0.5 ? 1 : 0
  return `M0 ${-R}A${R} ${R} 0 0 1 0 ${R}A${(Math.abs(1 - 2 * lit) * R).toFixed(2)} ${R} 0 0 ${sweep} 0 ${-R}Z`
})
const flipped = computed(() => waxing === southern)
const words = computed(() => t('moonLit', { lit: Math.round(lit * 100), waxing: waxing ? t('waxing') : t('waning') }))
</script>

<template>
  <svg :width="size" :height="size" viewBox="-10.5 -10.5 21 21" role="img" :aria-label="words">
    <circle :r="R" class="[fill:var(--dark)]" />
    <path
      v-if="lit > 0.01"
      :d="path"
      class="[fill:var(--field-moon)]"
      :transform="flipped ? 'scale(-1 1)' : undefined"
    />
    <circle :r="R" class="fill-none [stroke:var(--field-rim)] stroke-0.9" />
  </svg>
</template>
