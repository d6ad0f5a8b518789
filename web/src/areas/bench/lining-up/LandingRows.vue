<script setup lang="ts">
import { landingPatterns, landingPlaces, type LandingPattern, type LandingPlace } from '@binoculum/core'
import { computed } from 'vue'
import ChoiceSelect from '../../../shared/controls/ChoiceSelect.vue'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import type { Landings } from './lining-up-draft.ts'

/** Objects that the controller went to, and where each landed. */
const { half } = defineProps<{ half: 'found' | 'left' }>()
const given = defineModel<Landings>({ required: true })
const placeWords: Readonly<Record<LandingPlace, string>> = {
  middle: 'in the middle',
  'middle-half': 'in the middle half',
  edge: 'near the edge',
  outside: 'not in the field',
}
const patternWords: Readonly<Record<LandingPattern, string>> = {
  none: 'nothing to be seen in it',
  'same-way': 'all the same way',
  mirrored: 'the other side of the sky',
  'grows-west': 'more and more towards the west',
}
const places = landingPlaces.map((value) => ({ value, words: placeWords[value] }))
const patterns = landingPatterns.map((value) => ({ value, words: patternWords[value] }))
const isOff = computed(() => given.value.rows.some(({ place }) => place === 'outside'))
</script>

<template>
  <div class="grid gap-8px w-full">
    <div
      v-for="(row, index) in given.rows"
      :key="index"
      role="group"
      :aria-label="`object ${index + 1} as ${half}`"
      class="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_100px] gap-8px"
    >
      <ElInput
        v-model="row.object"
        maxlength="80"
        placeholder="went to"
        :aria-label="`object ${index + 1} as ${half}`"
        :name="`object-${half}-${index}`"
      />
      <ChoiceSelect
        v-model="row.place"
        :options="places"
        :label="`where object ${index + 1} landed as ${half}`"
        placeholder="landed"
      />
      <FigureInput
        v-if="row.place === 'outside'"
        v-model="row.asideDeg"
        :label="`how far aside, object ${index + 1} as ${half}`"
        unit="°"
        placeholder="aside"
      />
    </div>
    <label v-if="isOff" class="labelled"
      ><span>how they missed</span
      ><ChoiceSelect v-model="given.pattern" :options="patterns" :label="`how they missed as ${half}`"
    /></label>
  </div>
</template>
