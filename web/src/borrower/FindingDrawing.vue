<script setup lang="ts">
import type { FindingChart } from '@binoculum/core'
import { computed } from 'vue'
import { useWords } from './guide-language.ts'

/** The sky round a target as the eye sees it, overhead up; the ring is the target. */
const { chart } = defineProps<{ chart: FindingChart | null; name: string }>()
const { say } = useWords()
/** Ten degrees, a fist at arm's length. */
const fist = computed(() => 1000 / (chart?.halfWidthDeg ?? 17))
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
    <g class="fist">
      <path :d="`M${94 - fist} 90v6h${fist}v-6`" />
      <text :x="94 - fist / 2" y="86">{{ say('a fist') }}</text>
    </g>
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

@media print {
  .finding {
    width: 34mm;
    margin: 0;
  }

  .sky {
    stroke: #000;
  }
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

.fist path {
  fill: none;
  stroke: var(--field-words);
  stroke-width: 1.4;
}

.fist text {
  fill: var(--field-words);
  font: 400 15px var(--sans);
  text-anchor: middle;
}

.ring {
  fill: none;
  stroke: var(--field-ring);
  stroke-width: 2.4;
}
</style>
