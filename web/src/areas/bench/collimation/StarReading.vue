<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import { computed, useTemplateRef } from 'vue'
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
const fileOf = (event: Event) => (event.target as HTMLInputElement).files?.[0] ?? null
</script>

<template>
  <div class="star">
    <label class="labelled">
      <span>picture of a star, a little out of focus</span>
      <input type="file" name="star" accept="image/*" :disabled="!allowed" @change="take(fileOf($event))" />
    </label>
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
              class="edge"
              :stroke-width="unit * (name === chosen ? 2.4 : 1.4)"
              @pointerdown="grab(name, 'edge', $event)"
            />
            <circle
              :cx="rings[name].x"
              :cy="rings[name].y"
              :r="unit * 6"
              class="handle"
              :stroke-width="unit * 1.5"
              @pointerdown="grab(name, 'centre', $event)"
            />
          </g>
        </template>
      </svg>
    </div>
    <div v-if="source && size.widthPx > 0" class="tools">
      <template v-if="rings">
        <label v-for="name in starRingNames" :key="name" class="which">
          <input v-model="chosen" type="radio" name="star-ring" :value="name" /> {{ ringWords[name] }}
        </label>
      </template>
      <ElButton link @click="layByHand">Lay the circles by hand</ElButton>
    </div>
    <div class="row">
      <label class="labelled">
        <span>that was</span>
        <select v-model="side" class="field" name="side" @change="measure">
          <option value="outside">outside of focus (focuser out)</option>
          <option value="inside">inside of focus (focuser in)</option>
        </select>
      </label>
      <label class="labelled">
        <span>defocus, waves (rings seen)</span>
        <input
          v-model.number="defocusWaves"
          class="field"
          type="number"
          min="3"
          max="30"
          step="0.5"
          name="defocus"
          @change="measure"
        />
      </label>
    </div>
    <OpenEndChoice v-if="figures" v-model="draft.openEndDeg" :last="draft.lastOpenEndDeg ?? null" />
    <label class="labelled">
      <span>the same star as far on the other side of focus</span>
      <input
        type="file"
        name="other-star"
        accept="image/*"
        :disabled="!allowed"
        @change="takeOther(fileOf($event))"
      />
    </label>
    <p v-if="progress !== null" role="status">measuring…</p>
    <p v-if="problem || refusal" class="problem" role="alert">{{ problem ?? refusal }}</p>
    <template v-if="figures">
      <p role="status">
        Dark middle off by
        <strong>{{ (Math.hypot(figures.offsetFraction.x, figures.offsetFraction.y) * 100).toFixed(0) }} %</strong>
        of the disc’s radius{{ byHand ? ', by circles laid by hand' : '' }}.
        <template v-if="figures.axisErrorMm === null">With the defocus in waves it becomes millimetres.</template>
      </p>
      <ul class="second">
        <li v-for="warning in warnings" :key="warning">{{ warning }}</li>
      </ul>
    </template>
    <p v-if="notKept" class="second">The picture itself was not kept beside the figure; the figure counts.</p>
  </div>
</template>

<style scoped>
.star {
  display: grid;
  gap: 10px;
}

.frame svg {
  display: block;
  width: 100%;
  max-height: 320px;
  background: var(--deep);
  touch-action: none;
}

.edge {
  fill: none;
  cursor: ew-resize;
  pointer-events: stroke;
}

.handle {
  fill: transparent;
  cursor: move;
}

.disc circle {
  stroke: #9fd0ff;
}

.shadow circle {
  stroke: #ffb347;
}

.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
}

.which {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 32px;
}

.row {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}

ul {
  margin: 0;
  padding-left: 18px;
}

[data-scheme='ember'] .disc circle,
[data-scheme='ember'] .shadow circle {
  stroke: #ff3800;
}
</style>
