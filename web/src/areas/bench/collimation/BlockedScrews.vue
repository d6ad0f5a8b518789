<script setup lang="ts">
import ChoiceSelect from '../../../shared/controls/ChoiceSelect.vue'
import type { CollimationDraft } from './collimation-draft.ts'
import { benchWords } from '../words.ts'

const t = benchWords('blockedScrews')

defineProps<{ screws: readonly { readonly name: string }[] }>()
/** Screws at the end of their thread, and which way they can’t go. */
const blocked = defineModel<CollimationDraft['blocked']>({ required: true })
const ends = [
  { value: 'free', words: t('turnsBothWays') },
  { value: 'clockwise', words: t('cantGoClockwise') },
  { value: 'anticlockwise', words: t('cantGoAnticlockwise') },
] as const
function setEnd(screw: string, end: (typeof ends)[number]['value'] | null) {
  if (end === 'clockwise' || end === 'anticlockwise') blocked.value[screw] = end
  else delete blocked.value[screw]
}
</script>

<template>
  <details class="second">
    <summary>{{ t('aScrewIsAtIts') }}</summary>
    <label v-for="screw in screws" :key="screw.name" class="flex gap-6px items-center min-h-32px">
      {{ screw.name }}
      <ChoiceSelect
        :model-value="blocked[screw.name] ?? 'free'"
        :options="ends"
        :label="t('screwName', { name: screw.name })"
        @update:model-value="setEnd(screw.name, $event)"
      />
    </label>
  </details>
</template>
