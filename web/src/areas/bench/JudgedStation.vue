<script setup lang="ts">
import type { StationName } from '@binoculum/contract'
import BigChoice from '../../shared/controls/BigChoice.vue'
import type { Pair } from './check-draft.ts'
import FoundLeft from './FoundLeft.vue'
import { benchWords } from './words.ts'

const t = benchWords('judgedStation')

const { station, lines = [] } = defineProps<{ station: StationName; lines?: readonly string[] }>()
const pair = defineModel<Pair<'fine' | 'not-fine' | null>>({ required: true })

const looks: Partial<Record<StationName, readonly string[]>> = {
  glass: [t('byTorchMirrorOrLens'), t('tiltGentlyNothingRattles'), t('dustAndFingerprintsAreLeft')],
  star: [t('aBrightStarALittle'), t('inFocusAtTheHighest')],
  pack: [t('everyScrewBackInIts'), t('finderAndPackOffCount'), t('foamTheRightWayRound')],
}
const options = [
  { value: 'fine', words: t('fine') },
  { value: 'not-fine', words: t('notFine'), bad: true },
] as const
</script>

<template>
  <ul class="mx-0 mt-0 mb-20px pl-20px text-17px lh-27px">
    <li v-for="look in [...lines, ...(looks[station] ?? [])]" :key="look">{{ look }}</li>
  </ul>
  <slot />
  <FoundLeft
    :has-left="pair.asLeft !== null"
    :complete="pair.asFound !== null"
    @put-right="pair.asLeft = 'fine'"
    @forget="pair.asLeft = null"
  >
    <template #found><BigChoice v-model="pair.asFound" :options="options" :label="t('asFound')" /></template>
    <template #left><BigChoice v-model="pair.asLeft" :options="options" :label="t('asLeft')" /></template>
  </FoundLeft>
</template>
