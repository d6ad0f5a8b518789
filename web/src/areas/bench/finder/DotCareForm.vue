<script setup lang="ts">
import type { DotCare, KitSheet } from '@binoculum/contract'
import { dateText, dotBattery } from '@binoculum/core'
import { computed } from 'vue'

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
  () => care.value ?? { brightness: 'middling', switchedOff: false, tabIn: false, doorScrewed: true },
)
const battery = computed(() =>
  dotBattery({ cell: cell.value?.consumable?.kind ?? '', brightness: now.value.brightness, loans: loans.value }),
)
const set = (change: Partial<DotCare>) => (care.value = { ...now.value, ...change })
const checked = (event: Event) => (event.target as HTMLInputElement).checked
</script>

<template>
  <section class="care">
    <h3>the red dot itself</h3>
    <p class="second">
      {{ cell?.consumable?.kind ?? 'coin cell' }}
      {{ changedOn ? `changed ${dateText(changedOn)}` : 'never written down when changed' }}; about
      <strong :class="{ rust: battery.change }">{{ Math.round(battery.hoursLeft) }} h</strong> left of
      {{ Math.round(battery.hoursInAll) }} h at this brightness<template v-if="battery.change"
        >: change it before the next loan</template
      >.
    </p>
    <p class="row">
      <label
        >brightness
        <select
          class="field"
          name="brightness"
          :value="now.brightness"
          @change="set({ brightness: ($event.target as HTMLSelectElement).value as DotCare['brightness'] })"
        >
          <option value="dim">dim</option>
          <option value="middling">middling</option>
          <option value="bright">bright</option>
        </select></label
      >
      <label
        ><input
          type="checkbox"
          name="switched-off"
          :checked="now.switchedOff"
          @change="set({ switchedOff: checked($event) })"
        />
        switched off</label
      >
      <label
        ><input type="checkbox" name="tab-in" :checked="now.tabIn" @change="set({ tabIn: checked($event) })" /> tab
        in</label
      >
      <label
        ><input
          type="checkbox"
          name="door-screwed"
          :checked="now.doorScrewed"
          @change="set({ doorScrewed: checked($event) })"
        />
        door screwed shut</label
      >
    </p>
    <p v-if="!now.doorScrewed" class="problem" role="alert">
      A child gets at the cell: the kit is held until the door is screwed shut. Swallowed, it burns within two hours.
    </p>
    <p v-else-if="care && !care.switchedOff" class="rust">Switch it off: left on it is empty by the morning.</p>
  </section>
</template>

<style scoped>
.care {
  display: grid;
  gap: 4px;
}

h3 {
  font: italic 400 16px var(--serif);
  color: var(--quiet);
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
}

label {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 36px;
}
</style>
