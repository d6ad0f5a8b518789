<script setup lang="ts">
import type { StationName } from '@binoculum/contract'
import BigChoice from '../../shared/controls/BigChoice.vue'
import type { Pair } from './check-draft.ts'
import FoundLeft from './FoundLeft.vue'

const { station, lines = [] } = defineProps<{ station: StationName; lines?: readonly string[] }>()
const pair = defineModel<Pair<'fine' | 'not-fine' | null>>({ required: true })

const looks: Partial<Record<StationName, readonly string[]>> = {
  glass: [
    'By torch: mirror or lens whole, in its place, no loose flakes of paint.',
    'Tilt gently: nothing rattles.',
    'Dust and fingerprints are left alone. Nothing is wiped here.',
  ],
  star: [
    'A bright star, a little out of focus: a round disc, the dark middle or the rings even all round.',
    'In focus at the highest power: a round point. Only judged; its adjustment is for a workshop.',
  ],
  pack: [
    'Every screw back in its place, backed off, not out.',
    'Finder and pack off; count the coin cell in; caps on both ends.',
    'Foam the right way round; small parts in the labelled pouch; latches close.',
  ],
}
const options = [
  { value: 'fine', words: 'Fine' },
  { value: 'not-fine', words: 'Not fine', bad: true },
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
    <template #found><BigChoice v-model="pair.asFound" :options="options" label="as found" /></template>
    <template #left><BigChoice v-model="pair.asLeft" :options="options" label="as left" /></template>
  </FoundLeft>
</template>
