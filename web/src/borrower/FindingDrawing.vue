<script setup lang="ts">
import type { FindingChart } from '@binoculum/core'

/** The sky round a target as the eye sees it, overhead up; the ring is the target. */
defineProps<{ chart: FindingChart | null; name: string }>()
const size = (magnitude: number) => Math.max(1.2, 4.6 - magnitude)
</script>

<template>
  <svg v-if="chart" viewBox="-100 -100 200 200" class="finding" role="img" :aria-label="name">
    <rect x="-100" y="-100" width="200" height="200" class="sky" />
    <rect v-if="chart.horizonY > -1" x="-100" :y="-100 * chart.horizonY" width="200" height="200" class="earth" />
    <line
      v-for="([from, to], index) in chart.lines"
      :key="index"
      :x1="100 * from[0]"
      :y1="-100 * from[1]"
      :x2="100 * to[0]"
      :y2="-100 * to[1]"
    />
    <circle
      v-for="(star, index) in chart.stars"
      :key="index"
      :cx="100 * star.x"
      :cy="-100 * star.y"
      :r="size(star.magnitude)"
      class="star"
    />
    <circle r="11" class="ring" />
  </svg>
</template>

<style scoped>
.finding {
  display: block;
  width: 100%;
  max-width: 240px;
  margin: 6px 0;
}

.sky {
  fill: var(--field);
}

.earth {
  fill: var(--field-earth);
}

line {
  stroke: var(--field-line);
  stroke-width: 1;
}

.star {
  fill: var(--field-moon);
}

.ring {
  fill: none;
  stroke: var(--field-ring);
  stroke-width: 2.4;
}
</style>
