<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import { computed, ref } from 'vue'
import ChoiceSelect from '../../../shared/controls/ChoiceSelect.vue'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import FileButton from '../../../shared/controls/FileButton.vue'
import WayChoice from '../../../shared/controls/WayChoice.vue'
import type { CollimationDraft, Measured } from './collimation-draft.ts'
import CirclesOnPicture from './CirclesOnPicture.vue'
import OpenEndChoice from './OpenEndChoice.vue'
import { starRingNames, useStarReading, type StarRingName } from './use-star-reading.ts'
import { benchWords } from '../words.ts'

const t = benchWords('starReading')

/** A star a little out of focus, best on both sides of it. Disc and dark middle can be moved; the figure follows. */
const { kit, allowed } = defineProps<{ kit: KitSheet; allowed: boolean }>()
const draft = defineModel<CollimationDraft>({ required: true })
const emit = defineEmits<{ measured: [measured: Measured | null] }>()

const {
  progress,
  problem,
  side,
  defocusWaves,
  source,
  size,
  rings,
  byHand,
  figures,
  refusal,
  warnings,
  notKept,
  measure,
  take,
  takeOther,
  layByHand,
  move,
} = useStarReading(
  draft,
  () => kit,
  (measured) => emit('measured', measured),
)
const ringWords: Readonly<Record<StarRingName, string>> = { disc: t('theDisc'), shadow: t('itsDarkMiddle') }
const ringOptions = starRingNames.map((value) => ({ value, words: ringWords[value] }))
const sides = [
  { value: 'outside', words: t('outsideFocuserOut') },
  { value: 'inside', words: t('insideFocuserIn') },
] as const

const chosen = ref<StarRingName>('shadow')
const box = computed(() => {
  const { widthPx, heightPx } = size.value
  const disc = rings.value?.disc
  if (!disc || byHand.value) return { x: 0, y: 0, w: widthPx, h: heightPx }
  const reach = disc.r * 1.6
  return { x: disc.x - reach, y: disc.y - reach, w: 2 * reach, h: 2 * reach }
})
</script>

<template>
  <div class="grid gap-10px">
    <FileButton accept="image/*" :disabled="!allowed" name="star" @take="take">{{ t('aPictureOfAStar') }}</FileButton>
    <CirclesOnPicture
      v-if="source && size.widthPx > 0"
      v-model:chosen="chosen"
      :names="starRingNames"
      :circles="rings ?? {}"
      :source="source"
      :size="size"
      :box="box"
      :label="t('discAndDarkMiddleOn')"
      @move="move"
    />
    <div v-if="source && size.widthPx > 0" class="flex flex-wrap gap-y-4px gap-x-16px items-center">
      <WayChoice v-if="rings" v-model="chosen" :options="ringOptions" :label="t('whichCircle')" />
      <ElButton link @click="layByHand">{{ t('layTheCirclesByHand') }}</ElButton>
    </div>
    <div class="row grid grid-cols-[1fr_1fr] gap-10px">
      <label class="labelled">
        <span>{{ t('whichSideOfFocus') }}</span>
        <ChoiceSelect v-model="side" :options="sides" :label="t('whichSideOfFocus2')" @change="measure" />
      </label>
      <label class="labelled">
        <span>{{ t('defocusWavesRingsSeen') }}</span>
        <FigureInput v-model="defocusWaves" :label="t('defocusWaves')" name="defocus" @change="measure" />
      </label>
    </div>
    <OpenEndChoice v-if="figures" v-model="draft.openEndDeg" :last="draft.lastOpenEndDeg ?? null" />
    <FileButton accept="image/*" :disabled="!allowed" name="other-star" @take="takeOther">{{
      t('theSameStarAsFar')
    }}</FileButton>
    <p v-if="progress !== null" role="status">{{ t('measuring') }}</p>
    <p v-if="problem || refusal" class="problem" role="alert">{{ problem ?? refusal }}</p>
    <template v-if="figures">
      <p role="status">
        {{ t('darkMiddleOffBy') }}
        <strong>{{ (Math.hypot(figures.offsetFraction.x, figures.offsetFraction.y) * 100).toFixed(0) }} %</strong>
        {{ t('ofTheDiscsRadius', { byHand: byHand ? t('byCirclesLaidByHand') : '' }) }}
        <template v-if="figures.axisErrorMm === null">{{ t('withTheDefocusInWaves') }}</template>
      </p>
      <ul class="second m-0 pl-18px">
        <li v-for="warning in warnings" :key="warning">{{ warning }}</li>
      </ul>
    </template>
    <p v-if="notKept" class="second">{{ t('thePictureItselfWasNot') }}</p>
  </div>
</template>
