<script setup lang="ts">
import type { StationName } from '@binoculum/contract'
import PencilMark from '../../shared/drawings/PencilMark.vue'
import { nextTick, useTemplateRef, watch } from 'vue'
import { stationTitles } from './check-draft.ts'
import { benchWords } from './words.ts'

const t = benchWords('stationLine')

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
  <nav ref="line" class="station-line" :aria-label="t('stations')">
    <button
      v-for="station in stations"
      :key="station"
      class="grid justify-items-center min-h-44px py-2px px-12px line-none bg-none text-ink [font:400_15px/20px_var(--sans)] cursor-pointer whitespace-nowrap"
      type="button"
      :class="{ here: station === current }"
      :aria-current="station === current ? 'step' : undefined"
      @click="$emit('go', station)"
    >
      {{ stationTitles[station] }}
      <PencilMark v-if="done.includes(station)" mark="present" :size="18" /><i
        v-else
        class="w-9px h-9px m-5px line-quiet rd-50% bg-paper"
      ></i>
    </button>
    <button
      class="grid justify-items-center min-h-44px py-2px px-12px line-none bg-none text-ink [font:400_15px/20px_var(--sans)] cursor-pointer whitespace-nowrap"
      type="button"
      :class="{ here: current === 'end' }"
      @click="$emit('go', 'end')"
    >
      {{ t('end') }} <i class="w-9px h-9px m-5px line-quiet rd-50% bg-paper"></i>
    </button>
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

.here {
  color: var(--night);
  font-size: 17px;
  font-weight: 640;
}

.here i {
  border-color: var(--night);
  background: var(--night);
}
</style>
