<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import { mmText, peepholeTubeOf } from '@binoculum/core'
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import FileButton from '../../../shared/controls/FileButton.vue'
import WayChoice from '../../../shared/controls/WayChoice.vue'
import KeyCap from '../../../shared/keys/KeyCap.vue'
import { useKeys } from '../../../shared/keys/use-keys.ts'
import type { CollimationDraft, Measured } from './collimation-draft.ts'
import CirclesOnPicture from './CirclesOnPicture.vue'
import OpenEndChoice from './OpenEndChoice.vue'
import OpenEndHandle from './OpenEndHandle.vue'
import ViewOverlay from './ViewOverlay.vue'
import { circleNames, circleWords, usePhotoReading, type CircleName } from './use-photo-reading.ts'
import { benchWords } from '../words.ts'

const t = benchWords('photoReading')

/** A phone's picture through the peephole with its circles on it. Any circle can be moved; the figure follows. */
const { kit, allowed } = defineProps<{ kit: KitSheet; allowed: boolean }>()
const draft = defineModel<CollimationDraft>({ required: true })
const emit = defineEmits<{ measured: [measured: Measured | null] }>()

const {
  progress,
  problem,
  stop,
  source,
  size,
  circles,
  byHand,
  notKept,
  figures: figuresNow,
  refusal,
  warnings,
  take,
  layByHand,
  move,
  setMirrored,
  capRingMm,
  asksForCap,
  setCapRing,
  warmUp,
} = usePhotoReading(
  draft,
  () => kit,
  (measured) => emit('measured', measured),
)

// While the Sun’s question is still being answered, too: nothing is looked at.
onMounted(warmUp)

const picture = useTemplateRef('picture')
const ringTypedMm = ref(capRingMm.value)

const box = computed(() => {
  const { widthPx, heightPx } = size.value
  const about = circles.value.drawtube ?? circles.value.primaryEdge
  if (!about) return { x: 0, y: 0, w: widthPx, h: heightPx }
  const r = circles.value.drawtube ? about.r * 1.02 : about.r * 1.5
  return { x: about.x - r, y: about.y - r, w: 2 * r, h: 2 * r }
})
const overlaid = ref(false)
const overlay = computed(() => {
  const { primaryEdge, centreMark } = circles.value
  const figures = figuresNow.value
  const { openEndDeg } = draft.value
  if (!kit.mirror || !primaryEdge || !figures?.cell || openEndDeg === null) return null
  const { apertureMm } = kit.optics
  return {
    tube: peepholeTubeOf(kit.mirror, kit.optics),
    alignment: {
      axisErrorMm: figures.cell.axisErrorMm,
      secondaryErrorMm: figures.cell.secondaryErrorMm ?? { x: 0, y: 0 },
    },
    markPx: centreMark ?? primaryEdge,
    pxPerMm: primaryEdge.r / (apertureMm / 2),
    openEndDeg,
    mirrored: draft.value.mirrored,
  }
})
const chosen = ref<CircleName>('centreMark')
const circleOptions = computed(() =>
  circleNames.map((name) => ({
    value: name,
    words: `${circleWords[name]}${circles.value[name] ? '' : t('notFound')}`,
    disabled: !circles.value[name],
  })),
)
useKeys(() => ({ p: () => void (allowed && picture.value?.pick()) }))
</script>

<template>
  <div class="grid gap-8px">
    <CirclesOnPicture
      v-if="source"
      v-slot="{ unit, pictureAt }"
      v-model:chosen="chosen"
      :names="circleNames"
      :circles="circles"
      :source="source"
      :size="size"
      :box="box"
      :label="t('circlesOnThePicture')"
      @move="move"
    >
      <ViewOverlay v-if="overlaid && overlay" v-bind="overlay" />
      <OpenEndHandle
        v-if="draft.openEndDeg !== null"
        v-model="draft.openEndDeg"
        :box="box"
        :unit="unit"
        :picture-at="pictureAt"
      />
    </CirclesOnPicture>
    <template v-if="figuresNow && refusal === null">
      <p v-if="draft.openEndDeg === null" role="status">
        {{ t('theMarkIs') }}
        <strong>{{ mmText(Math.hypot(figuresNow.axisErrorMm.x, figuresNow.axisErrorMm.y)) }}</strong>
        {{ t('offAtTheFocalPlane') }}
      </p>
      <OpenEndChoice v-model="draft.openEndDeg" :last="draft.lastOpenEndDeg ?? null" />
    </template>
    <label v-if="asksForCap" class="flex gap-6px items-center min-h-30px">
      {{ t('howWideIsTheLight') }}
      <FigureInput
        v-model="ringTypedMm"
        :label="t('widthOfTheLightRing')"
        name="cap-ring"
        unit="mm"
        class="w-96px"
        @change="setCapRing(ringTypedMm)"
      />
    </label>
    <div v-if="source" class="flex flex-wrap gap-y-4px gap-x-16px">
      <WayChoice v-model="chosen" :options="circleOptions" :label="t('whichCircle')" />
      <ElCheckbox :model-value="draft.mirrored" @update:model-value="setMirrored($event === true)">{{
        t('turnedOverLikeInA')
      }}</ElCheckbox>
      <ElCheckbox v-if="overlay" v-model="overlaid">{{ t('layTheModelsDrawingOver') }}</ElCheckbox>
    </div>
    <p v-if="progress !== null" class="flex gap-10px items-center" role="status">
      <progress :value="progress" max="1" /> {{ t('lookingForTheCircles') }}
      <ElButton link @click="stop">{{ t('stop') }}</ElButton>
    </p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-if="refusal" class="problem" role="alert">{{ refusal }}</p>
    <ul v-if="warnings.length > 0" class="second m-0 pl-18px">
      <li v-for="warning in warnings" :key="warning">{{ warning }}</li>
    </ul>
    <p v-if="byHand" class="second">{{ t('circlesLaidByHand') }}</p>
    <p v-if="notKept" class="second">{{ t('thePictureItselfWasNot') }}</p>
    <div class="row flex flex-wrap gap-8px">
      <FileButton
        ref="picture"
        accept="image/jpeg,image/png,image/webp"
        name="photo"
        :disabled="!allowed"
        @take="take"
      >
        {{ source ? t('anotherPicture') : t('takeOrChooseAPicture') }} <KeyCap name="p" />
      </FileButton>
      <ElButton v-if="source" @click="layByHand">{{ t('layTheCirclesByHand') }}</ElButton>
    </div>
  </div>
</template>
