<script setup lang="ts">
import { computed } from 'vue'

/** Progress as ticks on a line; a Moon here would read as condition. */
const { count, at } = defineProps<{ count: number; at: number }>()
const WIDTH = 358
const x = (index: number) => 8 + (index * (WIDTH - 16)) / Math.max(count - 1, 1)
const indices = computed(() => Array.from({ length: count }, (_, index) => index))
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} 26`" class="progress" role="img" :aria-label="`page ${at + 1} of ${count}`">
    <line x1="2" :x2="WIDTH - 2" y1="17" y2="17" class="line" />
    <template v-for="index in indices" :key="index">
      <path
        v-if="index < at"
        :d="`M${x(index) - 5} 12l3.4 6 C${x(index) + 1} 12 ${x(index) + 4} 8 ${x(index) + 7} 5`"
        class="done"
      />
      <circle v-else-if="index === at" :cx="x(index)" cy="17" r="6" />
      <line v-else :x1="x(index)" :x2="x(index)" y1="12" y2="22" class="tick" />
    </template>
  </svg>
</template>

<style scoped>
.progress {
  display: block;
  width: 100%;
}

.line,
.tick {
  stroke: var(--rule-strong);
}

.done {
  fill: none;
  stroke: var(--graphite);
  stroke-width: 1.7;
  stroke-linecap: round;
}

circle {
  fill: var(--night);
}
</style>
