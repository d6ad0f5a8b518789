<script setup lang="ts">
import type { ControllerLine } from '@binoculum/core'
import PencilMark from '../../shared/drawings/PencilMark.vue'
import { benchWords } from './words.ts'

const t = benchWords('controllerCard')

/** What to key in, in this controller's own order; a tick for each line that is in. */
defineProps<{ lines: readonly ControllerLine[]; ticked: readonly string[] }>()
defineEmits<{ tick: [field: string] }>()
</script>

<template>
  <div role="group" :aria-label="t('whatToKeyIn')" class="card line-rule-strong rd-4px bg-card">
    <button
      v-for="line in lines"
      :key="line.field"
      type="button"
      :class="{ careful: line.careful }"
      :aria-pressed="ticked.includes(line.field)"
      @click="$emit('tick', line.field)"
    >
      <span>{{ line.words }}</span>
      <b class="text-17px">{{ line.entry }}</b>
      <span class="second text-right">{{ line.hint }}</span>
      <PencilMark v-if="ticked.includes(line.field)" mark="present" :size="18" /><i v-else class="w-18px"></i>
    </button>
  </div>
</template>

<style scoped>
button {
  display: grid;
  grid-template-columns: 112px auto minmax(0, 1fr) 20px;
  gap: 10px;
  align-items: center;
  width: 100%;
  min-height: 28px;
  padding: 3px 12px;
  border: 0;
  border-top: 1px solid var(--rule);
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

@media (pointer: coarse) {
  button {
    min-height: 42px;
  }
}

button:first-child {
  border-top: 0;
}

.careful {
  border-left: 5px solid var(--rust);
  color: var(--rust);
}

.careful b {
  color: var(--ink);
}
</style>
