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
import { benchWords } from '../words.ts'

const t = benchWords('powerStation')

/** What the mount's cells hold, against what a loan asks for: by the gauge's steps or by volts. */
const { kit } = defineProps<{ kit: KitSheet }>()
const draft = defineModel<PowerDraft>({ required: true })
const hasPack = computed(() => kit.parts.some(({ role, mark }) => role === 'power-pack' && mark !== 'missing'))
const source = computed(() => powerSource(draft.value, kit))
const found = computed(() => powerOf(draft.value.found, draft.value, kit))
const left = computed(() => draft.value.left && powerOf(draft.value.left, draft.value, kit))
const now = computed(() => (draft.value.left ? left.value : found.value))

const chemistryWords: Readonly<Record<Chemistry, string>> = {
  alkaline: t('alkalineCells'),
  'nickel-metal-hydride': t('nickelMetalHydrideCells'),
  lead: t('leadPack'),
  'lithium-iron': t('lithiumIronPack'),
}
const kinds = chemistries.map((value) => ({ value, words: chemistryWords[value] }))
const ways = [
  { value: 'gauge', words: t('itsGauge') },
  { value: 'volts', words: t('voltsAtRest') },
] as const
const steps = computed(() =>
  Array.from({ length: source.value.of + 1 }, (_each, step) => ({
    value: step,
    words: t('stepOf', { step, of: source.value.of }),
  })),
)
const hoursText = (hours: number) => (hours < 10 ? hours.toFixed(1) : hours.toFixed(0))
const sentence = computed(() => {
  const verdict = now.value?.verdict
  if (!verdict) return ''
  const { hours, isEnough, lackHours } = verdict
  const need = t('hALoan', { neededHours: hoursText(source.value.neededHours) })
  return isEnough
    ? t('aboutHOfEnough', { hours: hoursText(hours), need })
    : t('aboutHHShortOf', { hours: hoursText(hours), lackHours: hoursText(lackHours), need })
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
    <li>{{ t('allCellsOfOneKind') }}</li>
    <li>{{ t('chargeToGreenThenAn') }}</li>
    <li>{{ t('outOfTheCaseFor') }}</li>
    <li v-if="hasPack">
      <RouterLink :to="{ path: '/setup/labels', query: { kind: 'charging', kits: kit.code } }">{{
        t('printItsChargingCard')
      }}</RouterLink>
    </li>
  </ul>
  <div
    class="grid grid-cols-[repeat(auto-fit,minmax(140px,1fr))] gap-y-8px gap-x-14px items-end max-w-900px my-10px mx-0"
  >
    <label class="labelled"
      ><span>{{ t('itRunsOn') }}</span
      ><ChoiceSelect
        :model-value="source.chemistry"
        :options="kinds"
        :label="t('itRunsOn')"
        @update:model-value="draft.chemistry = $event"
    /></label>
    <label class="labelled"
      ><span>{{ t('cells') }}</span
      ><FigureInput
        :model-value="source.cellCount"
        :label="t('cells')"
        name="cell-count"
        @update:model-value="draft.cellCount = $event"
    /></label>
    <label class="labelled"
      ><span>{{ t('capacity') }}</span
      ><FigureInput
        :model-value="source.capacityAh"
        :label="t('capacity')"
        :unit="t('ah')"
        name="capacity"
        @update:model-value="draft.capacityAh = $event"
    /></label>
    <label class="labelled"
      ><span>{{ t('itDraws') }}</span
      ><FigureInput
        :model-value="source.drawA"
        :label="t('itDraws')"
        unit="A"
        name="draw"
        @update:model-value="draft.drawA = $event"
    /></label>
    <label class="labelled"
      ><span>{{ t('aLoanNeeds') }}</span
      ><FigureInput
        :model-value="source.neededHours"
        :label="t('aLoanNeeds')"
        unit="h"
        name="needed"
        @update:model-value="draft.neededHours = $event"
    /></label>
  </div>
  <WayChoice v-model="draft.way" :options="ways" :label="t('readBy')" />
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
          :label="t('gaugeAs', { half })"
          large
          :placeholder="t('stepsLit')"
          @update:model-value="look((half === 'found' ? draft.found : draft.left) as PowerLook, { step: $event })"
        />
        <FigureInput
          v-else
          :model-value="(half === 'found' ? draft.found : draft.left)?.volts ?? null"
          :label="t('voltsAs', { half })"
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
      ><span>{{ t('cellsOut') }}</span
      ><FigureInput v-model="draft.cellsOut" :label="t('cellsOut')" name="cells-out"
    /></label>
    <label class="labelled"
      ><span>{{ t('cellsInAgain') }}</span
      ><FigureInput v-model="draft.cellsIn" :label="t('cellsInAgain')" name="cells-in"
    /></label>
    <p class="flex col-[span_2] flex-wrap gap-8px items-center">
      <ElButton v-if="!draft.charged" @click="charge">{{ t('onTheChargerNow') }}</ElButton>
      <template v-else>
        {{ ' ' }}{{ t('onTheChargerSince', { fromUtc: hourText(draft.charged.fromUtc, kit.zone) })
        }}<template v-if="draft.charged.toUtc">{{
          t('offAt', { toUtc: hourText(draft.charged.toUtc, kit.zone) })
        }}</template>
        <ElButton v-else @click="off">{{ t('offNow') }}</ElButton>
        <ElButton link @click="draft.charged = null">{{ t('notChargedHere') }}</ElButton>
      </template>
    </p>
  </div>
  <p v-if="missing" class="rust" role="alert">
    {{ t('cameOutWentInFind', { cellsOut: draft.cellsOut, cellsIn: draft.cellsIn }) }}
  </p>
</template>
