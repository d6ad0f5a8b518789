<script setup lang="ts">
import { computed } from 'vue'

/** A reading on its scale: the limit's tick always stands at two thirds of the width. */
const {
  value,
  limit,
  good = null,
  width = 60,
  label,
} = defineProps<{
  value: number
  limit: number
  good?: number | null
  width?: number
  label: string
}>()

const MIDDLE = 7
const tickX = computed(() => (width * 2) / 3)
const at = (figure: number) => (limit > 0 ? (figure / limit) * tickX.value : 0)
const beyond = computed(() => value > limit)
const arrow = computed(() => value > 1.5 * limit)
const dotX = computed(() => Math.min(at(value), width))
</script>

<template>
  <svg :width="width + 8" height="14" :viewBox="`-4 0 ${width + 8} 14`" role="img" :aria-label="label" class="block">
    <line :x2="width" :y1="MIDDLE" :y2="MIDDLE" class="line stroke-rule-strong stroke-1" />
    <line :y1="MIDDLE - 3" :y2="MIDDLE + 3" class="stroke-1 stroke-quiet" />
    <line
      v-if="good !== null"
      :x1="at(good)"
      :x2="at(good)"
      :y1="MIDDLE - 3.5"
      :y2="MIDDLE + 3.5"
      class="stroke-brass stroke-1.2"
    />
    <line
      v-if="beyond"
      :x1="tickX"
      :x2="arrow ? width - 4 : dotX"
      :y1="MIDDLE"
      :y2="MIDDLE"
      class="over stroke-rust stroke-2.75"
    />
    <line :x1="tickX" :x2="tickX" :y1="MIDDLE - 5.5" :y2="MIDDLE + 5.5" class="limit stroke-brass stroke-1.9" />
    <path v-if="arrow" :d="`M${width + 2} ${MIDDLE}l-7 -3.6v7.2z`" class="head" />
    <circle v-else :cx="dotX" :cy="MIDDLE" r="3.4" :class="beyond ? 'dot off' : 'dot'" />
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
