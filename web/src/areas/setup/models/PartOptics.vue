<script setup lang="ts">
import {
  filterFastenings,
  filterFasteningWords,
  filterMaterials,
  filterMaterialWords,
  finderKinds,
  finderKindWords,
} from '@binoculum/core'
import { computed } from 'vue'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import type { DraftPart } from './model-draft.ts'
import RowChoice from './RowChoice.vue'

/** What a part does with light, as far as its role asks for it. */
const { part } = defineProps<{ part: DraftPart }>()
const emit = defineEmits<{ set: [optics: DraftPart['optics']] }>()

type Key = keyof DraftPart['optics']
const USUAL_BARREL_MM = 31.75
const barrels = (words: string) =>
  [24.5, USUAL_BARREL_MM, 50.8].map((value) => ({ value, words: `${words}${value} mm` }))
const wordsOf = <T extends string>(values: readonly T[], words: Readonly<Record<T, string>>) =>
  values.map((value) => ({ value, words: words[value] }))

const isEyepiece = computed(() => ['low-eyepiece', 'eyepiece', 'erecting-eyepiece'].includes(part.role))
/** Parts between focuser and eyepiece have a barrel and a hole; some lengthen the focal length. */
const isBetween = computed(() =>
  ['barlow', 'focal-extender', 'diagonal', 'erecting-diagonal', 'barrel-adapter'].includes(part.role),
)
const lengthens = computed(() => ['barlow', 'focal-extender', 'erecting-diagonal'].includes(part.role))
const lacksOptics = computed(
  () =>
    (isEyepiece.value && part.optics.focalLengthMm === undefined) ||
    (part.role === 'barlow' && part.optics.barlow === undefined),
)
const figure = (key: Key) => (part.optics[key] as number | undefined) ?? null
/** Nothing written, or what is no length, takes the figure out. */
function set(key: Key, value: string | number | null) {
  const { [key]: _before, ...others } = part.optics
  const isThere = typeof value === 'number' ? value > 0 : value !== null
  emit('set', isThere ? { ...others, [key]: value } : others)
}
</script>

<template>
  <template v-if="isEyepiece">
    <div class="row">
      <em>focal length</em>
      <span class="two">
        <FigureInput
          :model-value="figure('focalLengthMm')"
          label="focal length, mm; of a zoom the longest"
          unit="mm"
          @update:model-value="set('focalLengthMm', $event)"
        />
        <FigureInput
          :model-value="figure('shortestFocalLengthMm')"
          label="shortest focal length of a zoom, mm"
          placeholder="zoom to"
          unit="mm"
          @update:model-value="set('shortestFocalLengthMm', $event)"
        />
      </span>
    </div>
    <div class="row">
      <em>field, barrel</em>
      <span class="two">
        <FigureInput
          :model-value="figure('apparentFieldDeg')"
          label="apparent field, degrees"
          unit="°"
          @update:model-value="set('apparentFieldDeg', $event)"
        />
        <RowChoice
          :model-value="part.optics.maleMm ?? USUAL_BARREL_MM"
          label="barrel"
          :options="barrels('')"
          @update:model-value="set('maleMm', $event)"
        />
      </span>
    </div>
  </template>
  <div v-if="part.role === 'eyepiece' || part.role === 'low-eyepiece'" class="row">
    <em>eye end</em>
    <FigureInput
      :model-value="figure('outerMm')"
      label="width at its eye end, mm, where a phone holder grips"
      placeholder="for a phone holder"
      unit="mm"
      @update:model-value="set('outerMm', $event)"
    />
  </div>
  <div v-if="part.role === 'phone-holder'" class="row">
    <em>closes on</em>
    <span class="two">
      <FigureInput
        :model-value="figure('gripsFromMm')"
        label="thinnest eyepiece that it grips, mm"
        placeholder="from"
        unit="mm"
        @update:model-value="set('gripsFromMm', $event)"
      />
      <FigureInput
        :model-value="figure('gripsUntilMm')"
        label="widest eyepiece that it grips, mm"
        placeholder="to"
        unit="mm"
        @update:model-value="set('gripsUntilMm', $event)"
      />
    </span>
  </div>
  <div v-if="part.role === 'pier-extension'" class="row">
    <em>lifts the head by</em>
    <FigureInput
      :model-value="figure('lengthMm')"
      label="how far it lifts the head, mm"
      placeholder="about 200"
      unit="mm"
      @update:model-value="set('lengthMm', $event)"
    />
  </div>
  <div v-if="isBetween" class="row">
    <em>barrel, hole</em>
    <span class="two">
      <RowChoice
        :model-value="part.optics.maleMm ?? USUAL_BARREL_MM"
        label="barrel that goes in"
        :options="barrels('in ')"
        @update:model-value="set('maleMm', $event)"
      />
      <RowChoice
        :model-value="part.optics.femaleMm ?? part.optics.maleMm ?? USUAL_BARREL_MM"
        label="hole that takes the next part"
        :options="barrels('takes ')"
        @update:model-value="set('femaleMm', $event)"
      />
    </span>
  </div>
  <div v-if="part.role === 'finder'" class="row">
    <em>kind</em>
    <RowChoice
      :model-value="part.optics.finderKind ?? null"
      label="kind of finder"
      none="as its name says"
      :options="wordsOf(finderKinds, finderKindWords)"
      @update:model-value="set('finderKind', $event)"
    />
  </div>
  <template v-if="part.role === 'front-filter'">
    <div class="row">
      <em>made of</em>
      <RowChoice
        :model-value="part.optics.filterMaterial ?? null"
        label="what the filter is made of"
        none="not said"
        :options="wordsOf(filterMaterials, filterMaterialWords)"
        @update:model-value="set('filterMaterial', $event)"
      />
    </div>
    <div class="row">
      <em>held by</em>
      <RowChoice
        :model-value="part.optics.filterFastening ?? null"
        label="what holds the filter"
        none="not said"
        :options="wordsOf(filterFastenings, filterFasteningWords)"
        @update:model-value="set('filterFastening', $event)"
      />
    </div>
  </template>
  <div v-if="lengthens" class="row">
    <em>times</em>
    <FigureInput
      :model-value="figure('barlow')"
      label="times"
      placeholder="2 for a Barlow 2×"
      unit="×"
      @update:model-value="set('barlow', $event)"
    />
  </div>
  <p v-if="lacksOptics" class="row">
    <em>powers</em><span class="rust">without it, no guide can say its power</span>
  </p>
</template>
