<script setup lang="ts">
import { computed } from 'vue'

/** A difference on its scale: zero in the middle, the limit's ticks at two thirds of either side. */
const {
  value,
  limit,
  width = 150,
  label,
} = defineProps<{ value: number; limit: number; width?: number; label: string }>()

const MIDDLE = 9
const half = computed(() => width / 2)
const tick = computed(() => (half.value * 2) / 3)
const share = computed(() => (limit > 0 ? value / limit : 0))
const isBeyond = computed(() => Math.abs(share.value) > 1)
const isFar = computed(() => Math.abs(share.value) > 1.5)
const side = computed(() => (share.value < 0 ? -1 : 1))
const dotX = computed(() => half.value + side.value * Math.min(Math.abs(share.value) * tick.value, half.value - 3))
</script>

<template>
  <svg :width="width" height="18" :viewBox="`0 0 ${width} 18`" role="img" :aria-label="label" class="block">
    <line x1="0" :x2="width" :y1="MIDDLE" :y2="MIDDLE" class="line stroke-quiet stroke-1" />
    <line :x1="half" :x2="half" :y1="MIDDLE - 3" :y2="MIDDLE + 3" class="stroke-quiet stroke-1" />
    <line
      v-for="at in [-1, 1]"
      :key="at"
      :x1="half + at * tick"
      :x2="half + at * tick"
      :y1="MIDDLE - 6"
      :y2="MIDDLE + 6"
      class="limit stroke-brass stroke-1.9"
    />
    <line
      v-if="isBeyond"
      :x1="half + side * tick"
      :x2="isFar ? half + side * (half - 7) : dotX"
      :y1="MIDDLE"
      :y2="MIDDLE"
      class="over stroke-rust stroke-2.75"
    />
    <path v-if="isFar" :d="`M${half + side * half} ${MIDDLE}l${-side * 8} -4v8z`" class="head" />
    <circle v-else :cx="dotX" :cy="MIDDLE" r="3.6" :class="isBeyond ? 'dot off' : 'dot'" />
  </svg>
</template>

<style scoped>
.head,
.dot.off {
  fill: var(--rust);
}

.dot {
  fill: var(--ink);
}
</style>
