<script setup lang="ts">
import { clockText } from '@binoculum/core'
import { sharedWords } from '../words.ts'
import { atHour } from './on-dial.ts'

const t = sharedWords('ringDial')

/** The pole's star on its ring: 12 above the pole, as the eye sees it or as a scope shows it. */
const {
  clock,
  size = 150,
  dashed = false,
  label,
} = defineProps<{
  clock: number
  size?: number
  dashed?: boolean
  label: string
}>()
const R = 42
</script>

<template>
  <svg
    viewBox="-75 -75 150 150"
    :width="size"
    :height="size"
    role="img"
    :aria-label="t('onTheRing', { label, clock: clockText(clock) })"
  >
    <circle r="70" :class="dashed ? 'edge dashed' : 'edge'" />
    <circle :r="R" class="fill-none stroke-brass stroke-1.8" />
    <line
      v-for="tick in 24"
      :key="tick"
      :x1="atHour(tick / 2, tick % 6 === 0 ? R - 7 : R - 4).x"
      :y1="atHour(tick / 2, tick % 6 === 0 ? R - 7 : R - 4).y"
      :x2="atHour(tick / 2, tick % 6 === 0 ? R + 7 : R + 4).x"
      :y2="atHour(tick / 2, tick % 6 === 0 ? R + 7 : R + 4).y"
      class="fill-none stroke-brass stroke-1.8"
    />
    <text
      v-for="hour in [12, 3, 6, 9]"
      :key="hour"
      class="fill-quiet [font:400_13px_var(--sans)] [text-anchor:middle]"
      :x="atHour(hour, 59).x"
      :y="atHour(hour, 59).y + 5"
    >
      {{ hour }}
    </text>
    <path d="M-6 0h12M0 -6v12" class="fill-none stroke-ink stroke-1.5" />
    <line :x2="atHour(clock, R).x" :y2="atHour(clock, R).y" class="stroke-night [stroke-dasharray:3_3]" />
    <circle :cx="atHour(clock, R).x" :cy="atHour(clock, R).y" r="8" class="fill-night" />
  </svg>
</template>

<style scoped>
.edge {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 2;
}

.dashed {
  fill: none;
  stroke: var(--quiet);
  stroke-dasharray: 2 3;
  stroke-width: 1;
}
</style>
