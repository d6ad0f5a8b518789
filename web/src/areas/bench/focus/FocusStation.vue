<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import { mmText } from '@binoculum/core'
import { computed, ref } from 'vue'
import ChoiceSelect from '../../../shared/controls/ChoiceSelect.vue'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import WayChoice from '../../../shared/controls/WayChoice.vue'
import { chainsOf, reachOf, type FocusDraft, type FocusRow } from './focus-draft.ts'

/** Which eyepieces come to focus, at which reading of the drawtube, by how much travel, and how near. */
const { kit } = defineProps<{ kit: KitSheet }>()
const draft = defineModel<FocusDraft>({ required: true })
const chains = computed(() => chainsOf(kit))
const ons = [
  { value: 'star', words: 'a star' },
  { value: 'lamp', words: 'a far lamp, at night' },
] as const
const racks = [
  { value: 'smooth', words: 'smooth' },
  { value: 'stiff', words: 'stiff' },
  { value: 'slips', words: 'slips or has play' },
] as const
const locks = [
  { value: 'yes', words: 'holds' },
  { value: 'no', words: 'doesn’t hold' },
] as const
const lock = computed({
  get: () => (draft.value.lockHolds === null ? null : draft.value.lockHolds ? ('yes' as const) : ('no' as const)),
  set: (value) => (draft.value.lockHolds = value === null ? null : value === 'yes'),
})

/** Which of the two looks is written: as found first, as left once something was put right. */
const half = ref<'found' | 'left'>('found')
const halves = computed(() => [
  { value: 'found' as const, words: 'as found' },
  {
    value: 'left' as const,
    words: 'as left, after putting right',
    disabled: Object.keys(draft.value.found).length === 0,
  },
])
const blank = (): FocusRow => ({ drawtubeMm: null, never: false })
const write = (chain: string, part: Partial<FocusRow>) =>
  (draft.value[half.value][chain] = { ...(rowAt(chain) ?? blank()), ...part })
const rowAt = (chain: string): FocusRow | undefined =>
  (half.value === 'left' ? draft.value.left[chain] : undefined) ?? draft.value.found[chain]
const rows = computed(() =>
  chains.value.map((each) => {
    const row = rowAt(each.chain)
    return { ...each, row: row ?? blank(), ...reachOf(row, each, draft.value, kit) }
  }),
)
type Row = (typeof rows.value)[number]
const rowOf = (row: unknown) => row as Row
const reachWords = {
  'all-eyes': 'comes to focus',
  'good-eyes': 'only for eyes without glasses',
  no: 'no focus',
} as const
const says = ({ reach }: Row) => {
  if (!reach) return ''
  const { spareInMm, spareOutMm, nearestM, reaches, starMm } = reach
  if (spareInMm === null || spareOutMm === null || starMm === null) return reachWords[reaches]
  const least =
    spareInMm < spareOutMm
      ? `${mmText(Math.abs(spareInMm))} ${spareInMm < 0 ? 'short' : 'to spare'} inwards`
      : `${mmText(Math.abs(spareOutMm))} ${spareOutMm < 0 ? 'short' : 'to spare'} outwards`
  return [
    `${reachWords[reaches]}, ${least}`,
    ...(nearestM === null ? [] : [`from ${nearestM.toFixed(0)} m on`]),
  ].join('; ')
}
const none = computed(() => rows.value.filter(({ reach }) => reach?.reaches === 'no').map(({ chain }) => chain))
</script>

<template>
  <p class="quiet">
    Lowest power first. Focus lock off before, its tension so that it holds the heaviest eyepiece. Read the drawtube
    at the sharpest point.
  </p>
  <div class="grid grid-cols-[repeat(auto-fit,minmax(180px,260px))] gap-y-8px gap-x-14px items-end my-12px mx-0">
    <label class="labelled"
      ><span>the drawtube goes from 0 to</span
      ><FigureInput v-model="draft.travelMm" label="drawtube’s travel" unit="mm" name="travel"
    /></label>
    <label v-if="draft.on === 'lamp'" class="labelled"
      ><span>how far away it is</span
      ><FigureInput v-model="draft.distanceM" label="distance" unit="m" name="focus-distance"
    /></label>
  </div>
  <WayChoice v-model="draft.on" :options="ons" label="looked at" />
  <WayChoice v-model="half" :options="halves" label="which look" />
  <ElTable :data="rows" row-key="chain" aria-label="What comes to focus" empty-text="No eyepiece is on its card.">
    <ElTableColumn label="eyepiece" min-width="150">
      <template #default="{ row }">{{ rowOf(row).chain }}</template>
    </ElTableColumn>
    <ElTableColumn label="drawtube at focus" width="150">
      <template #default="{ row }"
        ><FigureInput
          :model-value="rowOf(row).row.drawtubeMm"
          :label="`drawtube with ${rowOf(row).chain}`"
          :disabled="rowOf(row).row.never"
          unit="mm"
          @update:model-value="write(rowOf(row).chain, { drawtubeMm: $event })"
      /></template>
    </ElTableColumn>
    <ElTableColumn label="" width="170">
      <template #default="{ row }"
        ><ElCheckbox
          :model-value="rowOf(row).row.never"
          @update:model-value="write(rowOf(row).chain, { never: !!$event })"
          >never sharp</ElCheckbox
        ></template
      >
    </ElTableColumn>
    <ElTableColumn label="for a star" min-width="220">
      <template #default="{ row }"
        ><span :class="{ rust: rowOf(row).problem || rowOf(row).reach?.reaches === 'no' }">{{
          rowOf(row).problem ?? says(rowOf(row))
        }}</span></template
      >
    </ElTableColumn>
  </ElTable>
  <div class="grid grid-cols-[repeat(auto-fit,minmax(180px,260px))] gap-y-8px gap-x-14px items-end my-12px mx-0">
    <label class="labelled"
      ><span>its rack, as found</span
      ><ChoiceSelect
        v-model="draft.rackFound"
        :options="racks"
        label="its rack, as found"
        placeholder="turn it through"
    /></label>
    <label class="labelled"
      ><span>as left</span
      ><ChoiceSelect v-model="draft.rackLeft" :options="racks" label="its rack, as left" placeholder="as found"
    /></label>
    <label class="labelled"
      ><span>its lock</span><ChoiceSelect v-model="lock" :options="locks" label="its lock" placeholder="has none"
    /></label>
  </div>
  <p v-if="none.length > 0" class="mt-10px text-19px lh-26px" role="status">
    {{ none.join(', ') }}: leave it out of this kit, or put another in its place.
  </p>
</template>
