<script setup lang="ts">
import type { Mark } from '@binoculum/core'

/** Marks as a pencil makes them on a printed line. */
const { mark, size = 20, line = false } = defineProps<{ mark: Mark; size?: number; line?: boolean }>()

const words: Record<Mark, string> = {
  present: 'present',
  missing: 'missing',
  damaged: 'damaged',
  wrong: 'wrong item',
  unseen: 'not looked at yet',
}
const strokes: Record<Mark, string> = {
  present: 'M3.4 10.6 C4.6 11.4 6 13.6 7 15.6 C9 10.6 12.4 6.4 16.8 3.6',
  missing:
    'M10.4 3.8 C6.2 3.2 3.6 6.4 4 10.2 C4.4 14.4 8 16.6 11.6 15.8 C15.4 15 17 11.4 16 8 C15 5 12.4 3.6 9.4 4.2',
  damaged: 'M15.6 3.4 C12.4 7.8 8.4 12.4 4.6 16.8',
  wrong: 'M4 7.2 L16.2 6.8 M13 3.8 L16.4 6.8 L13.2 9.6 M16 13.2 L3.8 13.4 M7 10.6 L3.6 13.4 L7 16.4',
  unseen: '',
}
</script>

<template>
  <svg :width="size" :height="size" viewBox="0 0 20 20" role="img" :aria-label="words[mark]" :class="['mark', mark]">
    <line v-if="line" x1="1" x2="19" y1="19.2" y2="19.2" class="printed" />
    <circle v-if="mark === 'unseen'" cx="10" cy="10" r="1.5" class="dot" />
    <path v-else :d="strokes[mark]" />
  </svg>
</template>

<style scoped>
.mark {
  display: block;
}

.mark path {
  fill: none;
  stroke: var(--graphite);
  stroke-width: 2.1;
  stroke-linecap: round;
  stroke-linejoin: round;
}

.missing path,
.damaged path {
  stroke: var(--rust);
}

.wrong path {
  stroke: var(--brass-text);
}

.dot {
  fill: var(--quiet);
}

.printed {
  stroke: var(--rule-strong);
}
</style>
