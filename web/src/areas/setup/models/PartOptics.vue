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
import { setupWords } from '../words.ts'

const t = setupWords('partOptics')

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
      <em>{{ t('focalLength') }}</em>
      <span class="two">
        <FigureInput
          :model-value="figure('focalLengthMm')"
          :label="t('focalLengthMmOfA')"
          unit="mm"
          @update:model-value="set('focalLengthMm', $event)"
        />
        <FigureInput
          :model-value="figure('shortestFocalLengthMm')"
          :label="t('shortestFocalLengthOfA')"
          :placeholder="t('zoomTo')"
          unit="mm"
          @update:model-value="set('shortestFocalLengthMm', $event)"
        />
      </span>
    </div>
    <div class="row">
      <em>{{ t('fieldBarrel') }}</em>
      <span class="two">
        <FigureInput
          :model-value="figure('apparentFieldDeg')"
          :label="t('apparentFieldDegrees')"
          unit="°"
          @update:model-value="set('apparentFieldDeg', $event)"
        />
        <RowChoice
          :model-value="part.optics.maleMm ?? USUAL_BARREL_MM"
          :label="t('barrel')"
          :options="barrels('')"
          @update:model-value="set('maleMm', $event)"
        />
      </span>
    </div>
  </template>
  <div v-if="part.role === 'eyepiece' || part.role === 'low-eyepiece'" class="row">
    <em>{{ t('eyeEnd') }}</em>
    <FigureInput
      :model-value="figure('outerMm')"
      :label="t('widthAtItsEyeEnd')"
      :placeholder="t('forAPhoneHolder')"
      unit="mm"
      @update:model-value="set('outerMm', $event)"
    />
  </div>
  <div v-if="part.role === 'phone-holder'" class="row">
    <em>{{ t('closesOn') }}</em>
    <span class="two">
      <FigureInput
        :model-value="figure('gripsFromMm')"
        :label="t('thinnestEyepieceThatItGrips')"
        :placeholder="t('from')"
        unit="mm"
        @update:model-value="set('gripsFromMm', $event)"
      />
      <FigureInput
        :model-value="figure('gripsUntilMm')"
        :label="t('widestEyepieceThatItGrips')"
        :placeholder="t('to')"
        unit="mm"
        @update:model-value="set('gripsUntilMm', $event)"
      />
    </span>
  </div>
  <div v-if="part.role === 'pier-extension'" class="row">
    <em>{{ t('liftsTheHeadBy') }}</em>
    <FigureInput
      :model-value="figure('lengthMm')"
      :label="t('howFarItLiftsThe')"
      :placeholder="t('about')"
      unit="mm"
      @update:model-value="set('lengthMm', $event)"
    />
  </div>
  <div v-if="isBetween" class="row">
    <em>{{ t('barrelHole') }}</em>
    <span class="two">
      <RowChoice
        :model-value="part.optics.maleMm ?? USUAL_BARREL_MM"
        :label="t('barrelThatGoesIn')"
        :options="barrels('in ')"
        @update:model-value="set('maleMm', $event)"
      />
      <RowChoice
        :model-value="part.optics.femaleMm ?? part.optics.maleMm ?? USUAL_BARREL_MM"
        :label="t('holeThatTakesTheNext')"
        :options="barrels('takes ')"
        @update:model-value="set('femaleMm', $event)"
      />
    </span>
  </div>
  <div v-if="part.role === 'finder'" class="row">
    <em>{{ t('kind') }}</em>
    <RowChoice
      :model-value="part.optics.finderKind ?? null"
      :label="t('kindOfFinder')"
      :none="t('asItsNameSays')"
      :options="wordsOf(finderKinds, finderKindWords)"
      @update:model-value="set('finderKind', $event)"
    />
  </div>
  <template v-if="part.role === 'front-filter'">
    <div class="row">
      <em>{{ t('madeOf') }}</em>
      <RowChoice
        :model-value="part.optics.filterMaterial ?? null"
        :label="t('whatTheFilterIsMade')"
        :none="t('notSaid')"
        :options="wordsOf(filterMaterials, filterMaterialWords)"
        @update:model-value="set('filterMaterial', $event)"
      />
    </div>
    <div class="row">
      <em>{{ t('heldBy') }}</em>
      <RowChoice
        :model-value="part.optics.filterFastening ?? null"
        :label="t('whatHoldsTheFilter')"
        :none="t('notSaid')"
        :options="wordsOf(filterFastenings, filterFasteningWords)"
        @update:model-value="set('filterFastening', $event)"
      />
    </div>
  </template>
  <div v-if="lengthens" class="row">
    <em>{{ t('times') }}</em>
    <FigureInput
      :model-value="figure('barlow')"
      :label="t('times')"
      :placeholder="t('forABarlow')"
      unit="×"
      @update:model-value="set('barlow', $event)"
    />
  </div>
  <p v-if="lacksOptics" class="row">
    <em>{{ t('powers') }}</em><span class="rust">{{ t('withoutItNoGuideCan') }}</span>
  </p>
</template>
