<script setup lang="ts">
import type { DriftPlace } from '@binoculum/core'
import ChoiceSelect from '../../../shared/controls/ChoiceSelect.vue'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import type { DriftRow } from './lining-up-draft.ts'
import { benchWords } from '../words.ts'

const t = benchWords('driftRows')

/** Stars that were watched with the drive on: where each stood, how far it drifted, and for how long. */
const { half } = defineProps<{ half: 'found' | 'left' }>()
const rows = defineModel<DriftRow[]>({ required: true })
const places: readonly { value: DriftPlace; words: string }[] = [
  { value: 'meridian', words: t('highNearTheMeridian') },
  { value: 'east', words: t('lowInTheEast') },
  { value: 'west', words: t('lowInTheWest') },
]
const ways = [
  { value: 'north', words: t('towardsTheNorth') },
  { value: 'south', words: t('towardsTheSouth') },
] as const
</script>

<template>
  <div class="grid gap-8px w-full">
    <div
      v-for="(row, index) in rows"
      :key="index"
      class="grid grid-cols-[repeat(auto-fit,minmax(120px,1fr))] gap-8px"
    >
      <ChoiceSelect v-model="row.at" :options="places" :label="t('whereStarStoodAs', { index: index + 1, half })" />
      <FigureInput
        v-model="row.arcmin"
        :label="t('driftOfStarAs', { index: index + 1, half })"
        :name="`drift-${half}-${index}`"
        unit="′"
      />
      <ChoiceSelect
        v-model="row.towards"
        :options="ways"
        :label="t('whichWayStarDriftedAs', { index: index + 1, half })"
      />
      <FigureInput
        v-model="row.minutes"
        :label="t('minutesStarWasWatchedAs', { index: index + 1, half })"
        :name="`minutes-${half}-${index}`"
        :unit="t('min')"
      />
    </div>
  </div>
</template>
