<script setup lang="ts">
import { computed } from 'vue'
import { atDeg } from '../../../shared/drawings/on-dial.ts'

/** A knob as the hand sees it, with the way it is to be turned. */
const { turns } = defineProps<{ turns: number }>()
const R = 25
const sweep = computed(() => Math.min(Math.abs(turns) * 360, 340) * Math.sign(turns))
const arc = computed(() => {
  const end = atDeg(sweep.value, R + 7)
  const large = Math.abs(sweep.value) > 180 ? 1 : 0
  return `M0 ${-(R + 7)}A${R + 7} ${R + 7} 0 ${large} ${sweep.value > 0 ? 1 : 0} ${end.x} ${end.y}`
})
const head = computed(() => {
  const { x, y } = atDeg(sweep.value, R + 7)
  return `translate(${x} ${y}) rotate(${sweep.value + (sweep.value > 0 ? 90 : -90)})`
})
</script>

<template>
  <svg width="76" height="76" viewBox="-38 -38 76 76" aria-hidden="true">
    <circle :r="R" class="rim fill-card stroke-ink" />
    <circle :r="R - 3" class="grip fill-card stroke-ink stroke-4 [stroke-dasharray:1.6_3]" />
    <line :y1="-R + 6" y2="-8" class="stroke-ink stroke-2.6" />
    <path :d="arc" class="way fill-none stroke-rust stroke-3.2" />
    <path :transform="head" d="M-6 5L0 -6L6 5Z" class="fill-rust" />
  </svg>
</template>
