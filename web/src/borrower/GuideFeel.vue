<script setup lang="ts">
import { feels, type Feel } from '@binoculum/core'
import { useWords } from './guide-language.ts'

/** How tight: the scale has five fixed places, and the dot stands at one. */
const { feel } = defineProps<{ feel: Feel }>()
const { say } = useWords()
const places = [12, 92, 172, 236, 316] as const
</script>

<template>
  <svg viewBox="-18 0 394 48" class="feel" role="img" :aria-label="say('tightness: {feel}', { feel: say(feel) })">
    <line x1="4" x2="354" y1="12" y2="12" class="line" />
    <g v-for="(name, index) in feels" :key="name">
      <line :x1="places[index]" :x2="places[index]" y1="7" y2="17" class="tick" />
      <circle v-if="name === feel" :cx="places[index]" cy="12" r="7" />
      <text :x="places[index]" y="38" :class="{ here: name === feel }">{{ say(name) }}</text>
    </g>
  </svg>
</template>

<style scoped>
.feel {
  display: block;
  width: 100%;
  max-width: 400px;
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

.here {
  fill: var(--ink);
  font-weight: 640;
}

@media print {
  circle,
  text {
    fill: #000;
  }

  .line,
  .tick {
    stroke: #000;
  }
}
</style>
