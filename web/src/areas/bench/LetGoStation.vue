<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import {
  fallingEnds,
  letGoAdvice,
  letGoAltitudesDeg,
  letGoSetUps,
  tubeSlides,
  usualStand,
  type FallingEnd,
  type LetGoAdvice,
  type LetGoSetUp,
} from '@binoculum/core'
import { computed } from 'vue'
import ChoiceSelect from '../../shared/controls/ChoiceSelect.vue'
import FigureInput from '../../shared/controls/FigureInput.vue'
import FoundLeft from './FoundLeft.vue'
import { letGoKey, letGosOf, letGoStation, type LetGoDraft, type LetGoRows } from './let-go-draft.ts'
import { benchWords } from './words.ts'

const t = benchWords('letGoStation')

/** Let go at three heights, bare and loaded: which end falls, and what is done about it. */
const { kit } = defineProps<{ kit: KitSheet }>()
const draft = defineModel<LetGoDraft>({ required: true })
const slides = computed(() =>
  tubeSlides(
    kit.stand ??
      usualStand(
        kit.family,
        kit.parts.map(({ role }) => role),
      ),
  ),
)
const setUpWords: Readonly<Record<LetGoSetUp, string>> = {
  bare: t('bareFinderOn'),
  heaviest: t('withItsHeaviestEyepieceAnd'),
}
const endWords: Readonly<Record<FallingEnd, string>> = {
  stays: t('stays'),
  front: t('frontFalls'),
  back: t('backFalls'),
}
const ends = fallingEnds.map((value) => ({ value, words: endWords[value] }))
const looks = computed(() => letGosOf(draft.value.left ?? draft.value.found))
const advice = computed(() => (looks.value.length === 0 ? null : letGoAdvice(looks.value)))
const complete = computed(() => letGoStation({ ...draft.value, left: null }) !== null)
const adviceWords = computed<Readonly<Record<LetGoAdvice, string>>>(() => ({
  stays: t('itStaysWhereverItIs'),
  'towards-back': slides.value ? t('itsFrontIsTooHeavy') : t('itsFrontIsTooHeavyA'),
  'towards-front': slides.value ? t('itsBackIsTooHeavy') : t('itsBackIsTooHeavyA'),
  tension: t('whichEndFallsChangesWith'),
  'set-for-heaviest': t('itStaysBareAndFalls'),
}))
const rowsOf = (half: 'found' | 'left') => (half === 'found' ? draft.value.found : draft.value.left) ?? {}
const write = (rows: LetGoRows, key: string, fell: FallingEnd | null) => {
  if (fell) rows[key] = fell
}
</script>

<template>
  <p class="quiet">
    {{ t('clampsSlackAHandReady') }}
  </p>
  <FoundLeft
    :has-left="draft.left !== null"
    :complete="complete"
    @put-right="draft.left = {}"
    @forget="draft.left = null"
  >
    <template v-for="half in ['found', 'left'] as const" #[half] :key="half">
      <div
        class="cells grid grid-cols-[minmax(90px,1fr)_repeat(3,minmax(84px,1fr))] gap-8px items-center w-full max-[560px]:grid-cols-[repeat(3,minmax(0,1fr))]"
      >
        <span class="max-[560px]:col-span-full"></span>
        <em v-for="deg in letGoAltitudesDeg" :key="deg">{{ t('degUp', { deg }) }}</em>
        <template v-for="setUp in letGoSetUps" :key="setUp">
          <span class="max-[560px]:col-span-full">{{ setUpWords[setUp] }}</span>
          <ChoiceSelect
            v-for="deg in letGoAltitudesDeg"
            :key="deg"
            :model-value="rowsOf(half)[letGoKey(setUp, deg)] ?? null"
            :options="ends"
            :label="t('atAs', { setUp, deg, half })"
            :placeholder="t('letGo')"
            @update:model-value="write(rowsOf(half), letGoKey(setUp, deg), $event)"
          />
        </template>
      </div>
      <label v-if="slides" class="labelled w-160px"
        ><span>{{ t('itsClampOnTheTape') }}</span
        ><FigureInput
          v-if="half === 'found'"
          v-model="draft.foundMm"
          :label="t('clampOnTheTapeAs')"
          unit="mm"
          name="tape-found" /><FigureInput
          v-else
          v-model="draft.leftMm"
          :label="t('clampOnTheTapeAsLeft')"
          unit="mm"
          name="tape-left"
      /></label>
    </template>
  </FoundLeft>
  <p v-if="advice" class="mt-14px text-19px lh-26px" role="status">
    <span :class="{ rust: advice !== 'stays' }">{{ adviceWords[advice] }}</span>
  </p>
</template>

<style scoped>
@media (width <= 560px) {
  .cells > span:empty {
    display: none;
  }
}
</style>
