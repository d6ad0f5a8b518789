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
  <svg
    :width="width + 8"
    height="14"
    :viewBox="`-4 0 ${width + 8} 14`"
    role="img"
    :aria-label="label"
    class="scale-bar"
  >
    <line :x2="width" :y1="MIDDLE" :y2="MIDDLE" class="line" />
    <line :y1="MIDDLE - 3" :y2="MIDDLE + 3" class="zero" />
    <line v-if="good !== null" :x1="at(good)" :x2="at(good)" :y1="MIDDLE - 3.5" :y2="MIDDLE + 3.5" class="good" />
    <line v-if="beyond" :x1="tickX" :x2="arrow ? width - 4 : dotX" :y1="MIDDLE" :y2="MIDDLE" class="over" />
    <line :x1="tickX" :x2="tickX" :y1="MIDDLE - 5.5" :y2="MIDDLE + 5.5" class="limit" />
    <path v-if="arrow" :d="`M${width + 2} ${MIDDLE}l-7 -3.6v7.2z`" class="head" />
    <circle v-else :cx="dotX" :cy="MIDDLE" r="3.4" :class="beyond ? 'dot off' : 'dot'" />
  </svg>
</template>

<style scoped>
.scale-bar {
  display: block;
}

.line,
.zero {
  stroke: var(--rule-strong);
  stroke-width: 1;
}

.zero {
  stroke: var(--quiet);
}

.good {
  stroke: var(--brass);
  stroke-width: 1.2;
}

.limit {
  stroke: var(--brass);
  stroke-width: 1.9;
}

.over {
  stroke: var(--rust);
  stroke-width: 2.75;
}

.head,
.dot.off {
  fill: var(--rust);
}

.dot {
  fill: var(--ink);
}
</style>
