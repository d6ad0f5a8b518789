<script setup lang="ts">
import type { DotCare, KitSheet } from '@binoculum/contract'
import { COIN_CELL_VOLTS, dateText, dotBattery } from '@binoculum/core'
import { computed } from 'vue'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import { benchWords } from '../words.ts'

const t = benchWords('dotCareForm')

/** A red dot as it goes back into its case: off, its tab, its door, and how long its cell will still do. */
const { kit } = defineProps<{ kit: KitSheet }>()
const care = defineModel<DotCare | null>({ required: true })

const cell = computed(() => kit.parts.find(({ role }) => role === 'coin-cell') ?? null)
const changedOn = computed(() => cell.value?.consumable?.changedOn ?? null)
/** Loans that ended since the cell was changed. */
const loans = computed(
  () =>
    kit.history.filter(
      ({ act, atUtc }) => act === 'handed-out' && (changedOn.value === null || atUtc.slice(0, 10) >= changedOn.value),
    ).length,
)
const now = computed<DotCare>(
  () => care.value ?? { brightness: 'middling', switchedOff: false, tabIn: false, doorScrewed: true, volts: null },
)
const battery = computed(() =>
  dotBattery({ cell: cell.value?.consumable?.kind ?? '', brightness: now.value.brightness, loans: loans.value }),
)
const voltsWords = computed(() => {
  const { volts } = now.value
  if (volts === null) return ''
  if (volts > COIN_CELL_VOLTS.most || volts <= 0) return t('noCoinCellHasSo')
  return volts < COIN_CELL_VOLTS.low ? t('nearlyEmptyChangeItBefore') : ''
})
const set = (change: Partial<DotCare>) => (care.value = { ...now.value, ...change })
</script>

<template>
  <section class="grid gap-4px">
    <h3 class="[font:italic_400_16px_var(--serif)] text-quiet">{{ t('theRedDotItself') }}</h3>
    <p class="second">
      {{
        t('kindAbout', {
          kind: cell?.consumable?.kind ?? t('coinCell'),
          changedOn: changedOn
            ? t('changedChangedOn', { changedOn: dateText(changedOn) })
            : t('neverWrittenDownWhenChanged'),
        })
      }}
      <strong :class="{ rust: battery.change }">{{ Math.round(battery.hoursLeft) }} h</strong>
      {{ t('leftOfHAtThis', { hoursInAll: Math.round(battery.hoursInAll) })
      }}<template v-if="battery.change">{{ t('changeItBeforeTheNext') }}</template
      >.
    </p>
    <div class="row flex flex-wrap gap-y-4px gap-x-16px items-center">
      <label class="flex gap-6px items-center min-h-36px"
        >{{ t('brightness') }}
        <ElSelect
          class="w-130px"
          :model-value="now.brightness"
          :aria-label="t('brightness')"
          @update:model-value="set({ brightness: $event })"
        >
          <ElOption v-for="each in ['dim', 'middling', 'bright']" :key="each" :value="each" :label="each" /></ElSelect
      ></label>
      <ElCheckbox :model-value="now.switchedOff" @update:model-value="set({ switchedOff: $event === true })">{{
        t('switchedOff')
      }}</ElCheckbox>
      <ElCheckbox :model-value="now.tabIn" @update:model-value="set({ tabIn: $event === true })">{{
        t('tabIn')
      }}</ElCheckbox>
      <ElCheckbox :model-value="now.doorScrewed" @update:model-value="set({ doorScrewed: $event === true })">{{
        t('doorScrewedShut')
      }}</ElCheckbox>
      <FigureInput
        class="w-120px"
        :model-value="now.volts"
        :label="t('voltsOfItsCell')"
        name="cell-volts"
        unit="V"
        :placeholder="t('itsCell')"
        @update:model-value="set({ volts: $event })"
      />
    </div>
    <p v-if="voltsWords" class="rust" role="status">{{ voltsWords }}</p>
    <p v-if="!now.doorScrewed" class="problem" role="alert">
      {{ t('aChildGetsAtThe') }}
    </p>
    <p v-else-if="care && !care.switchedOff" class="rust">{{ t('switchItOffLeftOn') }}</p>
  </section>
</template>
