<script setup lang="ts">
import { arcminText, mmText, type PointXY } from '@binoculum/core'
import { computed } from 'vue'
import { benchWords } from '../words.ts'

const t = benchWords('planView')

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
  <svg class="block w-full" viewBox="0 0 690 214" role="img" :aria-label="t('fromAboveTubeFinderAnd', { name, far })">
    <rect x="30" :y="TUBE_Y - 16" width="170" height="32" class="body fill-card stroke-ink stroke-1.6" />
    <rect x="6" :y="TUBE_Y - 7" width="24" height="14" class="body fill-card stroke-ink stroke-1.6" />
    <rect x="108" :y="TUBE_Y - GAP - 8" width="46" height="15" rx="3" class="fill-card stroke-1.6 stroke-night" />
    <text x="100" :y="TUBE_Y - GAP + 4" class="fill-ink [font:400_14px_var(--sans)] [text-anchor:end]">
      {{ t('finder') }}
    </text>
    <text class="fill-ink [font:400_14px_var(--sans)]" x="30" :y="TUBE_Y + 36">{{ tube }}</text>
    <rect :x="WALL_X" y="16" width="70" height="184" class="fill-rust-pale stroke-ink" />
    <text :x="WALL_X + 35" y="12" class="name fill-ink [font:640_14px_var(--sans)] [text-anchor:middle]">
      {{ name.length > 22 ? `${name.slice(0, 21)}…` : name }}
    </text>
    <line x1="200" :x2="WALL_X" :y1="TUBE_Y" :y2="TUBE_Y" class="stroke-ink stroke-1.6" />
    <line :x1="FINDER_X + 14" :x2="WALL_X" :y1="TUBE_Y - GAP" :y2="TUBE_Y - GAP" class="stroke-night stroke-2" />
    <line
      :x1="FINDER_X + 14"
      :x2="WALL_X"
      :y1="TUBE_Y - GAP"
      :y2="TUBE_Y"
      class="wrong stroke-quiet [stroke-dasharray:5_4]"
    />
    <line
      v-if="nowY !== null"
      :x1="FINDER_X + 14"
      :x2="WALL_X"
      :y1="TUBE_Y - GAP"
      :y2="nowY"
      class="stroke-rust stroke-1.8"
    />
    <path :d="`M${WALL_X - 9} ${TUBE_Y}h18M${WALL_X} ${TUBE_Y - 9}v18`" class="stroke-ink stroke-3" />
    <circle :cx="WALL_X" :cy="TUBE_Y - GAP" r="7" class="fill-card stroke-night stroke-2.6" />
    <circle v-if="nowY !== null" :cx="WALL_X" :cy="nowY" r="6.5" class="fill-rust" />
    <path d="M352 58L358 96L348 104L354 150M368 58L374 96L364 104L370 150" class="fill-none stroke-rule-strong" />
    <text x="361" y="172" class="fill-ink [font:400_14px_var(--sans)] [text-anchor:middle]">
      <tspan class="fw-640">{{ far }}</tspan>
    </text>
    <text :x="WALL_X - 14" :y="TUBE_Y - GAP - 10" class="[font:640_14px_var(--sans)] [text-anchor:end] fill-night">
      {{ t('whereTheMustPoint', { thing }) }}
    </text>
    <text
      :x="WALL_X - 14"
      :y="TUBE_Y - GAP / 2 + 4"
      class="brass [font:640_14px_var(--sans)] [text-anchor:end] fill-brass-text"
    >
      {{ mmText(apart) }}
    </text>
    <text :x="WALL_X - 14" :y="TUBE_Y + 18" class="quiet [font:400_14px_var(--sans)] [text-anchor:end] fill-quiet">
      {{ t('onTheSameSpotOut', { parallaxArcmin: arcminText(parallaxArcmin) }) }}
    </text>
    <text
      v-if="nowY !== null"
      :x="WALL_X - 14"
      :y="nowY > TUBE_Y - GAP ? 206 : 20"
      class="rust [font:640_14px_var(--sans)] [text-anchor:end] fill-rust"
    >
      {{ t('whereItPointsNow') }}
    </text>
  </svg>
</template>
