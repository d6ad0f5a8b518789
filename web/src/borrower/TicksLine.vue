<script setup lang="ts">
import { computed } from 'vue'

/** Progress as pencil ticks on a line; a Moon here would read as condition. */
const { count, at } = defineProps<{ count: number; at: number; label: string }>()
const WIDTH = 358
const x = (index: number) => 8 + (index * (WIDTH - 16)) / Math.max(count - 1, 1)
const small = computed(() => (count > 22 ? 0.62 : 1))
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} 26`" class="progress" role="img" :aria-label="label">
    <line x1="2" :x2="WIDTH - 2" y1="17" y2="17" class="line" />
    <template v-for="index in count" :key="index">
      <path
        v-if="index - 1 < at"
        :transform="`translate(${x(index - 1)} 14) scale(${small})`"
        d="M-5 -2l3.4 6 C1 -2 4 -6 7 -9"
        class="done"
      />
      <circle v-else-if="index - 1 === at" :cx="x(index - 1)" cy="17" r="6" />
      <line v-else :x1="x(index - 1)" :x2="x(index - 1)" y1="13" y2="21" class="line" />
    </template>
  </svg>
</template>

<style scoped>
.progress {
  display: block;
  width: 100%;
}

.line {
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
