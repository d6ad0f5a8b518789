<script setup lang="ts">
import type { TubeSide } from '@binoculum/core'
import { computed } from 'vue'
import { benchWords } from './words.ts'

const t = benchWords('sideDial')

/** The head seen from the pole, hour angle 0 up: where the tube looks and on which side it hangs. South of the equator
 * west lies on the other hand. */
const { hourAngleHours, tubeSide, latitudeDeg } = defineProps<{
  hourAngleHours: number
  tubeSide: TubeSide
  latitudeDeg: number
}>()
const R = 46
const C = 66
const south = computed(() => latitudeDeg < 0)
/** Screen angle of an hour: looking along the axis from the pole, hours run clockwise in the north. */
const screenDeg = (hours: number) => hours * 15 * (south.value ? -1 : 1)
/** The tube sits a quarter turn from where it looks; west lies at positive hours. */
const signed = computed(() => ((hourAngleHours + 12 + 24) % 24) - 12)
const placeHours = computed(() => {
  const later = ((signed.value + 6 + 12 + 24) % 24) - 12
  const isWest = later > 0
  return (tubeSide === 'west') === isWest ? signed.value + 6 : signed.value - 6
})
</script>

<template>
  <svg viewBox="0 0 132 140" role="img" :aria-label="t('tubeOnTheSide', { tubeSide })">
    <circle :cx="C" :cy="C" :r="R" class="fill-none stroke-brass" />
    <line
      v-for="hour in 24"
      :key="hour"
      :x1="C"
      :y1="C - R"
      :x2="C"
      :y2="C - R + (hour % 6 === 0 ? 8 : 4)"
      :transform="`rotate(${hour * 15} ${C} ${C})`"
      class="fill-none stroke-brass"
    />
    <text class="fill-quiet [font:400_13px_var(--sans)] [text-anchor:middle]" :x="C" y="13">0 h</text>
    <text :x="14" :y="C + R + 22" class="way fill-quiet [text-anchor:middle] [font:italic_400_15px_var(--serif)]">
      {{ south ? t('west') : t('east') }}
    </text>
    <text :x="118" :y="C + R + 22" class="way fill-quiet [text-anchor:middle] [font:italic_400_15px_var(--serif)]">
      {{ south ? t('east') : t('west') }}
    </text>
    <g :transform="`rotate(${screenDeg(placeHours)} ${C} ${C})`">
      <line :x1="C" :y1="C - 24" :x2="C" :y2="C + 32" class="fill-none stroke-ink stroke-2" />
      <rect :x="C - 13" :y="C + 26" width="26" height="20" rx="2" class="fill-card stroke-ink stroke-1.35" />
      <rect :x="C - 30" :y="C - 38" width="60" height="18" rx="2" class="tube fill-night stroke-deep" />
    </g>
    <circle :cx="C" :cy="C" r="9" class="fill-card stroke-ink stroke-1.35" />
    <g :transform="`rotate(${screenDeg(signed)} ${C} ${C})`">
      <path
        :d="`M${C} ${C - R + 2}V${C - R - 14}M${C - 5} ${C - R - 7}L${C} ${C - R - 14}L${C + 5} ${C - R - 7}`"
        class="fill-none stroke-2 stroke-night"
      />
    </g>
  </svg>
</template>
