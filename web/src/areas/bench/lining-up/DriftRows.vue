<script setup lang="ts">
import type { DriftPlace } from '@binoculum/core'
import ChoiceSelect from '../../../shared/controls/ChoiceSelect.vue'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import type { DriftRow } from './lining-up-draft.ts'

/** Stars that were watched with the drive on: where each stood, how far it drifted, and for how long. */
const { half } = defineProps<{ half: 'found' | 'left' }>()
const rows = defineModel<DriftRow[]>({ required: true })
const places: readonly { value: DriftPlace; words: string }[] = [
  { value: 'meridian', words: 'high, near the meridian' },
  { value: 'east', words: 'low in the east' },
  { value: 'west', words: 'low in the west' },
]
const ways = [
  { value: 'north', words: 'towards the north' },
  { value: 'south', words: 'towards the south' },
] as const
</script>

<template>
  <div class="grid gap-8px w-full">
    <div
      v-for="(row, index) in rows"
      :key="index"
      class="grid grid-cols-[repeat(auto-fit,minmax(120px,1fr))] gap-8px"
    >
      <ChoiceSelect v-model="row.at" :options="places" :label="`where star ${index + 1} stood as ${half}`" />
      <FigureInput
        v-model="row.arcmin"
        :label="`drift of star ${index + 1} as ${half}`"
        :name="`drift-${half}-${index}`"
        unit="′"
      />
      <ChoiceSelect v-model="row.towards" :options="ways" :label="`which way star ${index + 1} drifted as ${half}`" />
      <FigureInput
        v-model="row.minutes"
        :label="`minutes star ${index + 1} was watched as ${half}`"
        :name="`minutes-${half}-${index}`"
        unit="min"
      />
    </div>
  </div>
</template>
