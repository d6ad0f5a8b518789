<script setup lang="ts">
import { landingPatterns, landingPlaces, type LandingPattern, type LandingPlace } from '@binoculum/core'
import { computed } from 'vue'
import ChoiceSelect from '../../../shared/controls/ChoiceSelect.vue'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import type { Landings } from './lining-up-draft.ts'
import { benchWords } from '../words.ts'

const t = benchWords('landingRows')

/** Objects that the controller went to, and where each landed. */
const { half } = defineProps<{ half: 'found' | 'left' }>()
const given = defineModel<Landings>({ required: true })
const placeWords: Readonly<Record<LandingPlace, string>> = {
  middle: t('inTheMiddle'),
  'middle-half': t('inTheMiddleHalf'),
  edge: t('nearTheEdge'),
  outside: t('notInTheField'),
}
const patternWords: Readonly<Record<LandingPattern, string>> = {
  none: t('nothingToBeSeenIn'),
  'same-way': t('allTheSameWay'),
  mirrored: t('theOtherSideOfThe'),
  'grows-west': t('moreAndMoreTowardsThe'),
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
      :aria-label="t('objectAs', { index: index + 1, half })"
      class="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_100px] gap-8px"
    >
      <ElInput
        v-model="row.object"
        maxlength="80"
        :placeholder="t('wentTo')"
        :aria-label="t('objectAs', { index: index + 1, half })"
        :name="`object-${half}-${index}`"
      />
      <ChoiceSelect
        v-model="row.place"
        :options="places"
        :label="t('whereObjectLandedAs', { index: index + 1, half })"
        :placeholder="t('landed')"
      />
      <FigureInput
        v-if="row.place === 'outside'"
        v-model="row.asideDeg"
        :label="t('howFarAsideObjectAs', { index: index + 1, half })"
        unit="°"
        :placeholder="t('aside')"
      />
    </div>
    <label v-if="isOff" class="labelled"
      ><span>{{ t('howTheyMissed') }}</span
      ><ChoiceSelect v-model="given.pattern" :options="patterns" :label="t('howTheyMissedAs', { half })"
    /></label>
  </div>
</template>
