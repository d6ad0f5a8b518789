<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import { chemistries, type Chemistry } from '@binoculum/core'
import { computed } from 'vue'
import ChoiceSelect from '../../../shared/controls/ChoiceSelect.vue'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import WayChoice from '../../../shared/controls/WayChoice.vue'
import { hourText } from '../../../shared/dates.ts'
import FoundLeft from '../FoundLeft.vue'
import { powerOf, powerSource, type PowerDraft, type PowerLook } from './power-draft.ts'

/** What the mount's cells hold, against what a loan asks for: by the gauge's steps or by volts. */
const { kit } = defineProps<{ kit: KitSheet }>()
const draft = defineModel<PowerDraft>({ required: true })
const hasPack = computed(() => kit.parts.some(({ role, mark }) => role === 'power-pack' && mark !== 'missing'))
const source = computed(() => powerSource(draft.value, kit))
const found = computed(() => powerOf(draft.value.found, draft.value, kit))
const left = computed(() => draft.value.left && powerOf(draft.value.left, draft.value, kit))
const now = computed(() => (draft.value.left ? left.value : found.value))

const chemistryWords: Readonly<Record<Chemistry, string>> = {
  alkaline: 'alkaline cells',
  'nickel-metal-hydride': 'nickel-metal hydride cells',
  lead: 'lead pack',
  'lithium-iron': 'lithium-iron pack',
}
const kinds = chemistries.map((value) => ({ value, words: chemistryWords[value] }))
const ways = [
  { value: 'gauge', words: 'its gauge' },
  { value: 'volts', words: 'volts, at rest' },
] as const
const steps = computed(() =>
  Array.from({ length: source.value.of + 1 }, (_each, step) => ({
    value: step,
    words: `${step} of ${source.value.of}`,
  })),
)
const hoursText = (hours: number) => (hours < 10 ? hours.toFixed(1) : hours.toFixed(0))
const sentence = computed(() => {
  const verdict = now.value?.verdict
  if (!verdict) return ''
  const { hours, isEnough, lackHours } = verdict
  const need = `${hoursText(source.value.neededHours)} h a loan`
  return isEnough
    ? `About ${hoursText(hours)} h, of ${need}: enough.`
    : `About ${hoursText(hours)} h: ${hoursText(lackHours)} h short of ${need}. Charge it, or change all its cells together.`
})
const missing = computed(() => {
  const { cellsOut, cellsIn } = draft.value
  return cellsOut !== null && cellsIn !== null && cellsOut !== cellsIn
})
const look = (given: PowerLook, part: Partial<PowerLook>) => Object.assign(given, part)
const charge = () => (draft.value.charged = { fromUtc: new Date().toISOString(), toUtc: null })
const off = () => {
  if (draft.value.charged) draft.value.charged.toUtc = new Date().toISOString()
}
</script>

<template>
  <ul class="mx-0 mt-0 mb-14px pl-20px text-17px lh-27px">
    <li>All cells of one kind and one age, none leaking; plugs dry.</li>
    <li>Charge to green, then an hour more. Never leave it on overnight.</li>
    <li>Out of the case for the winter: a pack left empty for a season is dead.</li>
    <li v-if="hasPack">
      <RouterLink :to="{ path: '/setup/labels', query: { kind: 'charging', kits: kit.code } }"
        >Print its charging card</RouterLink
      >
    </li>
  </ul>
  <div
    class="grid grid-cols-[repeat(auto-fit,minmax(140px,1fr))] gap-y-8px gap-x-14px items-end max-w-900px my-10px mx-0"
  >
    <label class="labelled"
      ><span>it runs on</span
      ><ChoiceSelect
        :model-value="source.chemistry"
        :options="kinds"
        label="it runs on"
        @update:model-value="draft.chemistry = $event"
    /></label>
    <label class="labelled"
      ><span>cells</span
      ><FigureInput
        :model-value="source.cellCount"
        label="cells"
        name="cell-count"
        @update:model-value="draft.cellCount = $event"
    /></label>
    <label class="labelled"
      ><span>capacity</span
      ><FigureInput
        :model-value="source.capacityAh"
        label="capacity"
        unit="Ah"
        name="capacity"
        @update:model-value="draft.capacityAh = $event"
    /></label>
    <label class="labelled"
      ><span>it draws</span
      ><FigureInput
        :model-value="source.drawA"
        label="it draws"
        unit="A"
        name="draw"
        @update:model-value="draft.drawA = $event"
    /></label>
    <label class="labelled"
      ><span>a loan needs</span
      ><FigureInput
        :model-value="source.neededHours"
        label="a loan needs"
        unit="h"
        name="needed"
        @update:model-value="draft.neededHours = $event"
    /></label>
  </div>
  <WayChoice v-model="draft.way" :options="ways" label="read by" />
  <FoundLeft
    :has-left="draft.left !== null"
    :complete="!!found?.verdict"
    @put-right="draft.left = { step: null, volts: null }"
    @forget="draft.left = null"
  >
    <template v-for="half in ['found', 'left'] as const" #[half] :key="half">
      <template v-if="half === 'found' || draft.left">
        <ChoiceSelect
          v-if="draft.way === 'gauge'"
          :model-value="(half === 'found' ? draft.found : draft.left)?.step ?? null"
          :options="steps"
          :label="`gauge as ${half}`"
          large
          placeholder="steps lit"
          @update:model-value="look((half === 'found' ? draft.found : draft.left) as PowerLook, { step: $event })"
        />
        <FigureInput
          v-else
          :model-value="(half === 'found' ? draft.found : draft.left)?.volts ?? null"
          :label="`volts as ${half}`"
          :name="`volts-${half}`"
          unit="V"
          large
          @update:model-value="look((half === 'found' ? draft.found : draft.left) as PowerLook, { volts: $event })"
        />
        <p v-if="(half === 'found' ? found : left)?.problem" class="rust" role="alert">
          {{ (half === 'found' ? found : left)?.problem }}
        </p>
      </template>
    </template>
  </FoundLeft>
  <output v-if="now?.verdict" class="hours"
    ><b class="text-64px lh-70px" :class="{ rust: !now.verdict.isEnough }"
      >{{ hoursText(now.verdict.hours) }} h</b
    ></output
  >
  <p v-if="sentence" class="text-19px lh-26px" role="status">{{ sentence }}</p>
  <div
    class="grid grid-cols-[repeat(auto-fit,minmax(140px,1fr))] gap-y-8px gap-x-14px items-end max-w-900px my-10px mx-0"
  >
    <label class="labelled"
      ><span>cells out</span><FigureInput v-model="draft.cellsOut" label="cells out" name="cells-out"
    /></label>
    <label class="labelled"
      ><span>cells in again</span><FigureInput v-model="draft.cellsIn" label="cells in again" name="cells-in"
    /></label>
    <p class="flex col-[span_2] flex-wrap gap-8px items-center">
      <ElButton v-if="!draft.charged" @click="charge">On the charger now</ElButton>
      <template v-else>
        on the charger since {{ hourText(draft.charged.fromUtc, kit.zone)
        }}<template v-if="draft.charged.toUtc">, off at {{ hourText(draft.charged.toUtc, kit.zone) }}</template>
        <ElButton v-else @click="off">Off now</ElButton>
        <ElButton link @click="draft.charged = null">not charged here</ElButton>
      </template>
    </p>
  </div>
  <p v-if="missing" class="rust" role="alert">
    {{ draft.cellsOut }} came out, {{ draft.cellsIn }} went in: find the others before a child does.
  </p>
</template>
