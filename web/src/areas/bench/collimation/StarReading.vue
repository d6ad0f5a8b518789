<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import { computed, useTemplateRef } from 'vue'
import ChoiceSelect from '../../../shared/controls/ChoiceSelect.vue'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import FileButton from '../../../shared/controls/FileButton.vue'
import WayChoice from '../../../shared/controls/WayChoice.vue'
import type { CollimationDraft, Measured } from './collimation-draft.ts'
import OpenEndChoice from './OpenEndChoice.vue'
import { useLaidCircles } from './use-laid-circles.ts'
import { starRingNames, useStarReading, type StarRingName } from './use-star-reading.ts'

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
const ringWords: Readonly<Record<StarRingName, string>> = { disc: 'the disc', shadow: 'its dark middle' }
const ringOptions = starRingNames.map((value) => ({ value, words: ringWords[value] }))
const sides = [
  { value: 'outside', words: 'outside, focuser out' },
  { value: 'inside', words: 'inside, focuser in' },
] as const

const svg = useTemplateRef<SVGSVGElement>('svg')
const box = computed(() => {
  const { widthPx, heightPx } = size.value
  const disc = rings.value?.disc
  if (!disc || byHand.value) return { x: 0, y: 0, w: widthPx, h: heightPx }
  const reach = disc.r * 1.6
  return { x: disc.x - reach, y: disc.y - reach, w: 2 * reach, h: 2 * reach }
})
const unit = computed(() => box.value.w / 400)
const { chosen, grab, drag, letGo, nudge } = useLaidCircles<StarRingName>(svg, {
  first: 'shadow',
  box: () => box.value,
  circle: (name) => rings.value?.[name],
  move,
})
</script>

<template>
  <div class="grid gap-10px">
    <FileButton accept="image/*" :disabled="!allowed" name="star" @take="take"
      >A picture of a star, a little out of focus …</FileButton
    >
    <div
      v-if="source && size.widthPx > 0"
      class="frame"
      tabindex="0"
      role="application"
      aria-label="Disc and dark middle on the picture; arrows move the chosen one"
      @keydown="nudge"
    >
      <svg
        ref="svg"
        class="block w-full max-h-320px bg-deep [touch-action:none]"
        :viewBox="`${box.x} ${box.y} ${box.w} ${box.h}`"
        @pointermove="drag"
        @pointerup="letGo"
        @pointercancel="letGo"
      >
        <image :href="source" :width="size.widthPx" :height="size.heightPx" />
        <template v-if="rings">
          <g v-for="name in starRingNames" :key="name" :class="name">
            <circle
              :cx="rings[name].x"
              :cy="rings[name].y"
              :r="rings[name].r"
              class="fill-none cursor-ew-resize [pointer-events:stroke]"
              :stroke-width="unit * (name === chosen ? 2.4 : 1.4)"
              @pointerdown="grab(name, 'edge', $event)"
            />
            <circle
              :cx="rings[name].x"
              :cy="rings[name].y"
              :r="unit * 6"
              class="fill-transparent cursor-move"
              :stroke-width="unit * 1.5"
              @pointerdown="grab(name, 'centre', $event)"
            />
          </g>
        </template>
      </svg>
    </div>
    <div v-if="source && size.widthPx > 0" class="flex flex-wrap gap-y-4px gap-x-16px items-center">
      <WayChoice v-if="rings" v-model="chosen" :options="ringOptions" label="Which circle" />
      <ElButton link @click="layByHand">Lay the circles by hand</ElButton>
    </div>
    <div class="row grid grid-cols-[1fr_1fr] gap-10px">
      <label class="labelled">
        <span>which side of focus</span>
        <ChoiceSelect v-model="side" :options="sides" label="Which side of focus" @change="measure" />
      </label>
      <label class="labelled">
        <span>defocus, waves (rings seen)</span>
        <FigureInput v-model="defocusWaves" label="Defocus, waves" name="defocus" @change="measure" />
      </label>
    </div>
    <OpenEndChoice v-if="figures" v-model="draft.openEndDeg" :last="draft.lastOpenEndDeg ?? null" />
    <FileButton accept="image/*" :disabled="!allowed" name="other-star" @take="takeOther"
      >The same star as far on the other side of focus …</FileButton
    >
    <p v-if="progress !== null" role="status">measuring…</p>
    <p v-if="problem || refusal" class="problem" role="alert">{{ problem ?? refusal }}</p>
    <template v-if="figures">
      <p role="status">
        Dark middle off by
        <strong>{{ (Math.hypot(figures.offsetFraction.x, figures.offsetFraction.y) * 100).toFixed(0) }} %</strong>
        of the disc’s radius{{ byHand ? ', by circles laid by hand' : '' }}.
        <template v-if="figures.axisErrorMm === null">With the defocus in waves it becomes millimetres.</template>
      </p>
      <ul class="second m-0 pl-18px">
        <li v-for="warning in warnings" :key="warning">{{ warning }}</li>
      </ul>
    </template>
    <p v-if="notKept" class="second">The picture itself was not kept beside the figure; the figure counts.</p>
  </div>
</template>

<style scoped>
.disc circle {
  stroke: #9fd0ff;
}

.shadow circle {
  stroke: #ffb347;
}

[data-scheme='ember'] .disc circle,
[data-scheme='ember'] .shadow circle {
  stroke: #ff3800;
}
</style>
