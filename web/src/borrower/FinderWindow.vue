<script setup lang="ts">
import { useWords } from './guide-language.ts'

/** What the finder shows when the telescope looks beside the Moon: the dot, or the cross, and where it belongs. */
defineProps<{ redDot: boolean }>()
const { say } = useWords()
</script>

<template>
  <div class="window">
    <svg viewBox="0 0 150 128" aria-hidden="true">
      <rect v-if="redDot" x="26" y="10" width="98" height="92" rx="16" class="frame" />
      <circle v-else cx="75" cy="58" r="48" class="frame" />
      <path v-if="redDot" d="M58 102V124M92 102V124" class="frame" />
      <circle cx="98" cy="38" r="12" class="moon" />
      <path d="M92 28a12 12 0 0 1 0 20a16 16 0 0 0 0 -20Z" class="shade" />
      <path d="M66 66L86 48" class="way" />
      <circle v-if="redDot" cx="60" cy="72" r="4.5" class="dot" />
      <path v-else d="M60 52V92M40 72H80" class="cross" />
    </svg>
    <ul>
      <li>{{ say('the Moon') }}</li>
      <li>{{ say(redDot ? 'the red dot' : 'the cross') }}</li>
      <li v-if="redDot">{{ say('both eyes open') }}</li>
    </ul>
  </div>
</template>

<style scoped>
.window {
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr);
  gap: 14px;
  align-items: center;
  margin: 4px 0 12px;
  padding: 6px 10px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
}

.frame {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}

.moon {
  fill: var(--field-moon);
  stroke: var(--ink);
}

.shade {
  fill: var(--field);
}

.way {
  stroke: var(--brass);
  stroke-dasharray: 3 4;
  stroke-width: 2;
}

.dot {
  fill: var(--rust);
}

.cross {
  stroke: var(--rust);
  stroke-width: 2;
}

ul {
  margin: 0;
  padding: 0;
  font-size: 15px;
  list-style: none;
}

li {
  padding: 5px 0;
}
</style>
