<script setup lang="ts">
import type { StationName } from '@binoculum/contract'
import PencilMark from '../../shared/drawings/PencilMark.vue'
import { nextTick, useTemplateRef, watch } from 'vue'
import { stationTitles } from './check-draft.ts'

/** The bench from the side: one place for each station, a pencil tick where it is done. */
const { current } = defineProps<{
  stations: readonly StationName[]
  current: StationName | 'end'
  done: readonly StationName[]
}>()
defineEmits<{ go: [station: StationName | 'end'] }>()
const line = useTemplateRef('line')
/** On a phone the line is longer than the screen, and goes along with the check. */
watch(
  () => current,
  () => nextTick(() => line.value?.querySelector('.here')?.scrollIntoView({ block: 'nearest', inline: 'center' })),
)
</script>

<template>
  <nav ref="line" class="station-line" aria-label="Stations">
    <button
      v-for="station in stations"
      :key="station"
      type="button"
      :class="{ here: station === current }"
      :aria-current="station === current ? 'step' : undefined"
      @click="$emit('go', station)"
    >
      {{ stationTitles[station] }}
      <PencilMark v-if="done.includes(station)" mark="present" :size="18" /><i v-else></i>
    </button>
    <button type="button" :class="{ here: current === 'end' }" @click="$emit('go', 'end')">End <i></i></button>
  </nav>
</template>

<style scoped>
.station-line {
  display: flex;
  gap: 4px;
  max-width: 100%;
  margin-left: auto;
  overflow-x: auto;
  /* Room for the double line under it, which scrolling would cut off. */
  padding-bottom: 3px;
  border-bottom: 1px solid var(--rule-strong);
  box-shadow:
    0 5px 0 -4px var(--paper),
    0 5px 0 -4px var(--rule-strong);
}

button {
  display: grid;
  justify-items: center;
  min-height: 44px;
  padding: 2px 12px;
  border: 0;
  background: none;
  color: var(--ink);
  font: 400 15px/20px var(--sans);
  cursor: pointer;
  white-space: nowrap;
}

.here {
  color: var(--night);
  font-size: 17px;
  font-weight: 640;
}

i {
  width: 9px;
  height: 9px;
  margin: 5px;
  border: 1px solid var(--quiet);
  border-radius: 50%;
  background: var(--paper);
}

.here i {
  border-color: var(--night);
  background: var(--night);
}
</style>
