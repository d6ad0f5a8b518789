<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import { mmText } from '@binoculum/core'
import { computed, ref } from 'vue'
import ChoiceSelect from '../../../shared/controls/ChoiceSelect.vue'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import WayChoice from '../../../shared/controls/WayChoice.vue'
import { chainsOf, reachOf, type FocusDraft, type FocusRow } from './focus-draft.ts'
import { benchWords } from '../words.ts'

const t = benchWords('focusStation')

/** Which eyepieces come to focus, at which reading of the drawtube, by how much travel, and how near. */
const { kit } = defineProps<{ kit: KitSheet }>()
const draft = defineModel<FocusDraft>({ required: true })
const chains = computed(() => chainsOf(kit))
const ons = [
  { value: 'star', words: t('aStar') },
  { value: 'lamp', words: t('aFarLampAtNight') },
] as const
const racks = [
  { value: 'smooth', words: t('smooth') },
  { value: 'stiff', words: t('stiff') },
  { value: 'slips', words: t('slipsOrHasPlay') },
] as const
const locks = [
  { value: 'yes', words: t('holds') },
  { value: 'no', words: t('doesntHold') },
] as const
const lock = computed({
  get: () => (draft.value.lockHolds === null ? null : draft.value.lockHolds ? ('yes' as const) : ('no' as const)),
  set: (value) => (draft.value.lockHolds = value === null ? null : value === 'yes'),
})

/** Which of the two looks is written: as found first, as left once something was put right. */
const half = ref<'found' | 'left'>('found')
const halves = computed(() => [
  { value: 'found' as const, words: t('asFound') },
  {
    value: 'left' as const,
    words: t('asLeftAfterPuttingRight'),
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
  'all-eyes': t('comesToFocus'),
  'good-eyes': t('onlyForEyesWithoutGlasses'),
  no: t('noFocus'),
} as const
const says = ({ reach }: Row) => {
  if (!reach) return ''
  const { spareInMm, spareOutMm, nearestM, reaches, starMm } = reach
  if (spareInMm === null || spareOutMm === null || starMm === null) return reachWords[reaches]
  const least =
    spareInMm < spareOutMm
      ? t('spareInMmInwards', {
          spareInMm: mmText(Math.abs(spareInMm)),
          short: spareInMm < 0 ? t('short') : t('toSpare'),
        })
      : t('spareOutMmOutwards', {
          spareOutMm: mmText(Math.abs(spareOutMm)),
          short: spareOutMm < 0 ? t('short') : t('toSpare'),
        })
  return [
    `${reachWords[reaches]}, ${least}`,
    ...(nearestM === null ? [] : [t('fromMOn', { nearestM: nearestM.toFixed(0) })]),
  ].join('; ')
}
const none = computed(() => rows.value.filter(({ reach }) => reach?.reaches === 'no').map(({ chain }) => chain))
</script>

<template>
  <p class="quiet">
    {{ t('lowestPowerFirstFocusLock') }}
  </p>
  <div class="grid grid-cols-[repeat(auto-fit,minmax(180px,260px))] gap-y-8px gap-x-14px items-end my-12px mx-0">
    <label class="labelled"
      ><span>{{ t('theDrawtubeGoesFromTo') }}</span
      ><FigureInput v-model="draft.travelMm" :label="t('drawtubesTravel')" unit="mm" name="travel"
    /></label>
    <label v-if="draft.on === 'lamp'" class="labelled"
      ><span>{{ t('howFarAwayItIs') }}</span
      ><FigureInput v-model="draft.distanceM" :label="t('distance')" unit="m" name="focus-distance"
    /></label>
  </div>
  <WayChoice v-model="draft.on" :options="ons" :label="t('lookedAt')" />
  <WayChoice v-model="half" :options="halves" :label="t('whichLook')" />
  <ElTable :data="rows" row-key="chain" :aria-label="t('whatComesToFocus')" :empty-text="t('noEyepieceIsOnIts')">
    <ElTableColumn :label="t('eyepiece')" min-width="150">
      <template #default="{ row }">{{ rowOf(row).chain }}</template>
    </ElTableColumn>
    <ElTableColumn :label="t('drawtubeAtFocus')" width="150">
      <template #default="{ row }"
        ><FigureInput
          :model-value="rowOf(row).row.drawtubeMm"
          :label="t('drawtubeWith', { chain: rowOf(row).chain })"
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
          >{{ t('neverSharp') }}</ElCheckbox
        ></template
      >
    </ElTableColumn>
    <ElTableColumn :label="t('forAStar')" min-width="220">
      <template #default="{ row }"
        ><span :class="{ rust: rowOf(row).problem || rowOf(row).reach?.reaches === 'no' }">{{
          rowOf(row).problem ?? says(rowOf(row))
        }}</span></template
      >
    </ElTableColumn>
  </ElTable>
  <div class="grid grid-cols-[repeat(auto-fit,minmax(180px,260px))] gap-y-8px gap-x-14px items-end my-12px mx-0">
    <label class="labelled"
      ><span>{{ t('itsRackAsFound') }}</span
      ><ChoiceSelect
        v-model="draft.rackFound"
        :options="racks"
        :label="t('itsRackAsFound')"
        :placeholder="t('turnItThrough')"
    /></label>
    <label class="labelled"
      ><span>{{ t('asLeft') }}</span
      ><ChoiceSelect
        v-model="draft.rackLeft"
        :options="racks"
        :label="t('itsRackAsLeft')"
        :placeholder="t('asFound')"
    /></label>
    <label class="labelled"
      ><span>{{ t('itsLock') }}</span
      ><ChoiceSelect v-model="lock" :options="locks" :label="t('itsLock')" :placeholder="t('hasNone')"
    /></label>
  </div>
  <p v-if="none.length > 0" class="mt-10px text-19px lh-26px" role="status">
    {{ t('leaveItOutOfThis', { none: none.join(', ') }) }}
  </p>
</template>
