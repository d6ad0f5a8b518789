<script setup lang="ts">
import type { EquatorialHead } from '@binoculum/core'
import { computed } from 'vue'
import { sharedWords } from '../words.ts'

const t = sharedWords('axisDrawing')

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
  <svg viewBox="0 0 292 250" role="img" :aria-label="t('theAxisTiltedByDegrees', { setDeg: setDeg.toFixed(1) })">
    <path
      :d="`M${at(0, R).x} ${at(0, R).y}A${R} ${R} 0 0 0 ${at(90, R).x} ${at(90, R).y}`"
      class="fill-none stroke-brass stroke-1.6"
    />
    <g v-for="mark in marks" :key="mark">
      <line
        :x1="at(mark, R - 6).x"
        :y1="at(mark, R - 6).y"
        :x2="at(mark, R + 6).x"
        :y2="at(mark, R + 6).y"
        class="fill-none stroke-brass stroke-1.6"
      />
      <text
        class="fill-ink [font:400_13px_var(--sans)] [text-anchor:middle]"
        :x="at(mark, R + 20).x"
        :y="at(mark, R + 20).y + 5"
        :class="{ out: !inScale(mark) }"
      >
        {{ mark }}
      </text>
    </g>
    <line :x1="CX - 26" :y1="CY" :x2="CX + R + 30" :y2="CY" class="fill-none stroke-quiet" />
    <path
      :d="`M${CX - 30} 246L${CX - 16} 206H${CX + 16}L${CX + 30} 246M${CX - 6} 206V246M${CX + 8} 206V246`"
      class="fill-none stroke-quiet"
    />
    <path :d="`M${CX - 24} 206L${CX - 12} ${CY}H${CX + 12}L${CX + 24} 206Z`" class="stroke-quiet fill-well" />
    <g :transform="`rotate(${-setDeg} ${CX} ${CY})`">
      <line :x1="CX - 72" :y1="CY" :x2="CX + R + 40" :y2="CY" class="stroke-night [stroke-dasharray:9_3_1.5_3]" />
      <rect :x="CX - 58" :y="CY - 17" width="96" height="34" rx="3" class="part fill-card stroke-ink stroke-1.35" />
      <rect :x="CX + 38" :y="CY - 24" width="14" height="48" class="part fill-card stroke-ink stroke-1.35" />
      <rect :x="CX - 66" :y="CY - 11" width="9" height="22" class="part fill-card stroke-ink stroke-1.35" />
      <rect :x="CX + 52" :y="CY - 13" width="14" height="26" class="part fill-card stroke-ink stroke-1.35" />
      <rect :x="CX + 54" :y="CY + 13" width="9" height="58" class="part fill-card stroke-ink stroke-1.35" />
      <rect :x="CX + 46" :y="CY + 52" width="25" height="22" rx="3" class="fill-well stroke-ink stroke-1.35" />
      <line :x1="CX + R - 13" :y1="CY" :x2="CX + R + 13" :y2="CY" class="stroke-night stroke-5" />
    </g>
    <circle :cx="CX" :cy="CY" r="10" class="part fill-card stroke-ink stroke-1.35" />
    <path :d="`M${CX - 5} ${CY}h10M${CX} ${CY - 5}v10`" class="fill-none stroke-ink stroke-1.5" />
    <text :x="CX + R + 36" :y="CY + 18" class="[text-anchor:middle] fill-quiet [font:italic_400_16px_var(--serif)]">
      {{ latitudeDeg < 0 ? t('south') : t('north') }}
    </text>
  </svg>
</template>

<style scoped>
.out {
  fill: var(--quiet);
}
</style>
