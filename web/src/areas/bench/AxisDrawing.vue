<script setup lang="ts">
import type { EquatorialHead } from '@binoculum/core'
import { computed } from 'vue'

/** The head from the side, its axis at the latitude, with the scale it is set on. The pole is to the right. */
const { latitudeDeg, scale } = defineProps<{ latitudeDeg: number; scale: EquatorialHead['latitudeScale'] }>()
const R = 118
const CX = 92
const CY = 168
const setDeg = computed(() => Math.abs(latitudeDeg))
const at = (deg: number, radius: number) => ({
  x: CX + radius * Math.cos((deg * Math.PI) / 180),
  y: CY - radius * Math.sin((deg * Math.PI) / 180),
})
const marks = computed(() => Array.from({ length: 10 }, (_each, index) => index * 10))
const inScale = (deg: number) => deg >= scale.minDeg && deg <= scale.maxDeg
</script>

<template>
  <svg
    viewBox="0 0 292 250"
    role="img"
    :aria-label="`The axis tilted by ${setDeg.toFixed(1)} degrees towards the pole`"
  >
    <path :d="`M${at(0, R).x} ${at(0, R).y}A${R} ${R} 0 0 0 ${at(90, R).x} ${at(90, R).y}`" class="arc" />
    <g v-for="mark in marks" :key="mark">
      <line
        :x1="at(mark, R - 6).x"
        :y1="at(mark, R - 6).y"
        :x2="at(mark, R + 6).x"
        :y2="at(mark, R + 6).y"
        class="arc"
      />
      <text :x="at(mark, R + 20).x" :y="at(mark, R + 20).y + 5" :class="{ out: !inScale(mark) }">{{ mark }}</text>
    </g>
    <line :x1="CX - 26" :y1="CY" :x2="CX + R + 30" :y2="CY" class="level" />
    <path
      :d="`M${CX - 30} 246L${CX - 16} 206H${CX + 16}L${CX + 30} 246M${CX - 6} 206V246M${CX + 8} 206V246`"
      class="stand"
    />
    <path :d="`M${CX - 24} 206L${CX - 12} ${CY}H${CX + 12}L${CX + 24} 206Z`" class="stand filled" />
    <g :transform="`rotate(${-setDeg} ${CX} ${CY})`">
      <line :x1="CX - 72" :y1="CY" :x2="CX + R + 40" :y2="CY" class="axis" />
      <rect :x="CX - 58" :y="CY - 17" width="96" height="34" rx="3" class="part" />
      <rect :x="CX + 38" :y="CY - 24" width="14" height="48" class="part" />
      <rect :x="CX - 66" :y="CY - 11" width="9" height="22" class="part" />
      <rect :x="CX + 52" :y="CY - 13" width="14" height="26" class="part" />
      <rect :x="CX + 54" :y="CY + 13" width="9" height="58" class="part" />
      <rect :x="CX + 46" :y="CY + 52" width="25" height="22" rx="3" class="weight" />
      <line :x1="CX + R - 13" :y1="CY" :x2="CX + R + 13" :y2="CY" class="pointer" />
    </g>
    <circle :cx="CX" :cy="CY" r="10" class="part" />
    <path :d="`M${CX - 5} ${CY}h10M${CX} ${CY - 5}v10`" class="cross" />
    <text :x="CX + R + 36" :y="CY + 18" class="word">{{ latitudeDeg < 0 ? 'south →' : 'north →' }}</text>
  </svg>
</template>

<style scoped>
.arc {
  fill: none;
  stroke: var(--brass);
  stroke-width: 1.6;
}

text {
  fill: var(--ink);
  font: 400 13px var(--sans);
  text-anchor: middle;
}

.out {
  fill: var(--quiet);
}

.word {
  fill: var(--quiet);
  font: italic 400 16px var(--serif);
}

.level,
.stand {
  fill: none;
  stroke: var(--quiet);
}

.filled {
  fill: var(--well);
}

.axis {
  stroke: var(--night);
  stroke-dasharray: 9 3 1.5 3;
}

.part {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 1.35;
}

.weight {
  fill: var(--well);
  stroke: var(--ink);
  stroke-width: 1.35;
}

.pointer {
  stroke: var(--night);
  stroke-width: 5;
}

.cross {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}
</style>
