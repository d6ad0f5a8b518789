<script setup lang="ts">
import { feels, type Feel } from '@binoculum/core'

/** How tight: the scale has five fixed places, and the dot stands at one. */
const { feel } = defineProps<{ feel: Feel }>()
const places = [12, 92, 172, 236, 316] as const
</script>

<template>
  <svg viewBox="0 0 358 48" class="feel" role="img" :aria-label="`tightness: ${feel}`">
    <line x1="4" x2="354" y1="12" y2="12" class="line" />
    <g v-for="(name, index) in feels" :key="name">
      <line :x1="places[index]" :x2="places[index]" y1="7" y2="17" class="tick" />
      <circle v-if="name === feel" :cx="places[index]" cy="12" r="7" />
      <text :x="places[index]" y="38" :class="{ here: name === feel }">{{ name }}</text>
    </g>
  </svg>
</template>

<style scoped>
.feel {
  display: block;
  width: 100%;
  max-width: 380px;
}

.line {
  stroke: var(--rule-strong);
}

.tick {
  stroke: var(--brass);
  stroke-width: 1.5;
}

circle {
  fill: var(--night);
}

text {
  fill: var(--quiet);
  font: 400 13.5px var(--sans);
  text-anchor: middle;
}

text:first-of-type {
  text-anchor: middle;
}

.here {
  fill: var(--ink);
  font-weight: 640;
}
</style>
