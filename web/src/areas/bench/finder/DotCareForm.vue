<script setup lang="ts">
import type { DotCare, KitSheet } from '@binoculum/contract'
import { COIN_CELL_VOLTS, dateText, dotBattery } from '@binoculum/core'
import { computed } from 'vue'
import FigureInput from '../../../shared/controls/FigureInput.vue'

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
  if (volts > COIN_CELL_VOLTS.most || volts <= 0)
    return 'No coin cell has so many volts: look at the meter, or at which cell it is.'
  return volts < COIN_CELL_VOLTS.low
    ? 'Nearly empty: change it before the next loan, and keep the old one from children.'
    : ''
})
const set = (change: Partial<DotCare>) => (care.value = { ...now.value, ...change })
</script>

<template>
  <section class="grid gap-4px">
    <h3 class="[font:italic_400_16px_var(--serif)] text-quiet">the red dot itself</h3>
    <p class="second">
      {{ cell?.consumable?.kind ?? 'coin cell' }}
      {{ changedOn ? `changed ${dateText(changedOn)}` : 'never written down when changed' }}; about
      <strong :class="{ rust: battery.change }">{{ Math.round(battery.hoursLeft) }} h</strong> left of
      {{ Math.round(battery.hoursInAll) }} h at this brightness<template v-if="battery.change"
        >: change it before the next loan</template
      >.
    </p>
    <div class="row flex flex-wrap gap-y-4px gap-x-16px items-center">
      <label class="flex gap-6px items-center min-h-36px"
        >brightness
        <ElSelect
          class="w-130px"
          :model-value="now.brightness"
          aria-label="brightness"
          @update:model-value="set({ brightness: $event })"
        >
          <ElOption v-for="each in ['dim', 'middling', 'bright']" :key="each" :value="each" :label="each" /></ElSelect
      ></label>
      <ElCheckbox :model-value="now.switchedOff" @update:model-value="set({ switchedOff: $event === true })"
        >switched off</ElCheckbox
      >
      <ElCheckbox :model-value="now.tabIn" @update:model-value="set({ tabIn: $event === true })">tab in</ElCheckbox>
      <ElCheckbox :model-value="now.doorScrewed" @update:model-value="set({ doorScrewed: $event === true })"
        >door screwed shut</ElCheckbox
      >
      <FigureInput
        class="w-120px"
        :model-value="now.volts"
        label="volts of its cell"
        name="cell-volts"
        unit="V"
        placeholder="its cell"
        @update:model-value="set({ volts: $event })"
      />
    </div>
    <p v-if="voltsWords" class="rust" role="status">{{ voltsWords }}</p>
    <p v-if="!now.doorScrewed" class="problem" role="alert">
      A child gets at the cell: the kit is held until the door is screwed shut. Swallowed, it burns within two hours.
    </p>
    <p v-else-if="care && !care.switchedOff" class="rust">Switch it off: left on it is empty by the morning.</p>
  </section>
</template>
