<script setup lang="ts">
import { arcminText, mmText, type PointXY } from '@binoculum/core'
import { computed } from 'vue'

/** From above, sideways exaggerated: both lines of sight, where the finder points now, and where it must. */
const { offsetMm, distanceM, name, misalignment, parallaxArcmin, tube, thing } = defineProps<{
  offsetMm: PointXY
  distanceM: number
  name: string
  misalignment: PointXY | null
  parallaxArcmin: number
  tube: string
  thing: string
}>()
const FINDER_X = 140
const WALL_X = 560
const TUBE_Y = 118
const GAP = 34
const lowest = 190
const apart = computed(() => Math.hypot(offsetMm.x, offsetMm.y))
/** Across the line from tube to finder: how far beside its place the finder points, mm at the landmark, drawn to scale of the gap. */
const nowY = computed(() => {
  if (!misalignment || apart.value === 0) return null
  const along = (misalignment.x * offsetMm.x + misalignment.y * offsetMm.y) / apart.value
  const size = Math.hypot(misalignment.x, misalignment.y) * (along < 0 ? 1 : -1)
  const mm = (size * Math.PI * distanceM * 1000) / 180 / 60
  return Math.max(24, Math.min(lowest, TUBE_Y - GAP + (mm / apart.value) * GAP))
})
const far = computed(() => (distanceM >= 1000 ? `${(distanceM / 1000).toFixed(1)} km` : `${Math.round(distanceM)} m`))
</script>

<template>
  <svg viewBox="0 0 690 214" role="img" :aria-label="`From above: tube, finder and ${name} ${far} away`">
    <rect x="30" :y="TUBE_Y - 16" width="170" height="32" class="body" />
    <rect x="6" :y="TUBE_Y - 7" width="24" height="14" class="body" />
    <rect x="108" :y="TUBE_Y - GAP - 8" width="46" height="15" rx="3" class="finder" />
    <text x="100" :y="TUBE_Y - GAP + 4" class="end">finder</text>
    <text x="30" :y="TUBE_Y + 36">{{ tube }}</text>
    <rect :x="WALL_X" y="16" width="70" height="184" class="thing" />
    <text :x="WALL_X + 35" y="12" class="middle name">{{ name.length > 22 ? `${name.slice(0, 21)}…` : name }}</text>
    <line x1="200" :x2="WALL_X" :y1="TUBE_Y" :y2="TUBE_Y" class="tube-line" />
    <line :x1="FINDER_X + 14" :x2="WALL_X" :y1="TUBE_Y - GAP" :y2="TUBE_Y - GAP" class="finder-line" />
    <line :x1="FINDER_X + 14" :x2="WALL_X" :y1="TUBE_Y - GAP" :y2="TUBE_Y" class="wrong" />
    <line v-if="nowY !== null" :x1="FINDER_X + 14" :x2="WALL_X" :y1="TUBE_Y - GAP" :y2="nowY" class="now" />
    <path :d="`M${WALL_X - 9} ${TUBE_Y}h18M${WALL_X} ${TUBE_Y - 9}v18`" class="cross" />
    <circle :cx="WALL_X" :cy="TUBE_Y - GAP" r="7" class="aim" />
    <circle v-if="nowY !== null" :cx="WALL_X" :cy="nowY" r="6.5" class="dot" />
    <path d="M352 58L358 96L348 104L354 150M368 58L374 96L364 104L370 150" class="break" />
    <text x="361" y="172" class="middle">
      <tspan class="strong">{{ far }}</tspan>
    </text>
    <text :x="WALL_X - 14" :y="TUBE_Y - GAP - 10" class="end aim-words">where the {{ thing }} must point</text>
    <text :x="WALL_X - 14" :y="TUBE_Y - GAP / 2 + 4" class="end brass">{{ mmText(apart) }}</text>
    <text :x="WALL_X - 14" :y="TUBE_Y + 18" class="end quiet">
      on the same spot: {{ arcminText(parallaxArcmin) }} out
    </text>
    <text v-if="nowY !== null" :x="WALL_X - 14" :y="nowY > TUBE_Y - GAP ? 206 : 20" class="end rust">
      where it points now
    </text>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
}

text {
  fill: var(--ink);
  font: 400 14px var(--sans);
}

.end {
  text-anchor: end;
}

.middle {
  text-anchor: middle;
}

.strong {
  font-weight: 640;
}

.name {
  font-weight: 640;
}

.body,
.finder {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 1.6;
}

.finder {
  stroke: var(--night);
}

.thing {
  fill: var(--rust-pale);
  stroke: var(--ink);
}

.tube-line {
  stroke: var(--ink);
  stroke-width: 1.6;
}

.finder-line {
  stroke: var(--night);
  stroke-width: 2;
}

.wrong {
  stroke: var(--quiet);
  stroke-dasharray: 5 4;
}

.now {
  stroke: var(--rust);
  stroke-width: 1.8;
}

.cross {
  stroke: var(--ink);
  stroke-width: 3;
}

.aim {
  fill: var(--card);
  stroke: var(--night);
  stroke-width: 2.6;
}

.dot {
  fill: var(--rust);
}

.break {
  fill: none;
  stroke: var(--rule-strong);
}

.aim-words {
  fill: var(--night);
  font-weight: 640;
}

.brass {
  fill: var(--brass-text);
  font-weight: 640;
}

.quiet {
  fill: var(--quiet);
}

.rust {
  fill: var(--rust);
  font-weight: 640;
}
</style>
