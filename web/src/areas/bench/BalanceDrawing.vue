<script setup lang="ts">
import { ironWeightMm, type EquatorialHead, type TubeFigures } from '@binoculum/core'
import { computed, useTemplateRef } from 'vue'
import { benchWords } from './words.ts'

const t = benchWords('balanceDrawing')

/** Across the head with the shaft level, seen along the right-ascension axis from the pole, open end to the eye; a millimetre is a unit, so the drawing is
 * the scale. The dashed weight is where it stands and can be dragged, the filled one where it belongs. */
const { head, tube, massG, thicknessMm, nowMm, rightMm, slackMm, falls } = defineProps<{
  head: EquatorialHead
  tube: TubeFigures | null
  massG: number
  thicknessMm: number
  nowMm: number | null
  /** Null where it can't be reached or isn't known. */
  rightMm: number | null
  slackMm: number
  falls: 'tube' | 'weight' | null
}>()
const emit = defineEmits<{ move: [positionMm: number]; drop: [] }>()

const AXIS_X = 350
const AXIS_Y = 190
const radius = computed(() => (tube?.diameterMm ?? 130) / 2)
const weight = computed(() => ironWeightMm(massG))
const minMm = computed(() => head.shaftStartMm + thicknessMm / 2)
const maxMm = computed(() => head.shaftEndMm - thicknessMm / 2)
const x = (positionMm: number) => AXIS_X - positionMm
const tubeX = computed(() => AXIS_X + head.tubeAxisMm)
const rulerEnd = computed(() => Math.ceil(head.shaftEndMm / 50) * 50)
const numbers = computed(() => Array.from({ length: rulerEnd.value / 50 }, (_each, index) => (index + 1) * 50))
/** One path for all its lines: a hand moves the weight sixty times a second. */
const ruler = computed(() => {
  const ticks = Array.from({ length: rulerEnd.value / 10 + 1 }, (_each, index) => index * 10)
  const lines = ticks.map((tick) => `M${x(tick)} ${rulerY.value}v${tick % 50 === 0 ? 9 : 5}`)
  return `M${x(rulerEnd.value)} ${rulerY.value}H${AXIS_X}${lines.join('')}`
})
const viewWidth = computed(() => tubeX.value + radius.value + 150)
const viewX = computed(() => AXIS_X - head.shaftEndMm - 56)
/** Room above for what stands highest: finder, eyepiece, or the line of the bare shaft. */
const top = computed(() => {
  const rise = (place: TubeFigures['finder']) => (place.radiusMm + 44) * Math.sin((place.angleDeg * Math.PI) / 180)
  const highest = Math.max(
    radius.value,
    weight.value.radiusMm + 52,
    tube ? rise(tube.finder) : 0,
    tube ? rise(tube.eyepiece) : 0,
  )
  return Math.max(0, AXIS_Y - highest - 8)
})
const bareMm = computed(() => (nowMm === null ? null : head.shaftEndMm - nowMm - thicknessMm / 2))
const rulerY = computed(() => AXIS_Y + weight.value.radiusMm + 24)
const placed = (place: TubeFigures['finder']) => `rotate(${-place.angleDeg} ${tubeX.value} ${AXIS_Y})`

const svg = useTemplateRef('svg')
let grabbed = false
function drag(event: PointerEvent) {
  const matrix = svg.value?.getScreenCTM()
  if (!grabbed || !matrix) return
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse())
  emit('move', Math.min(Math.max(AXIS_X - at.x, minMm.value), maxMm.value))
}
function grab(event: PointerEvent) {
  grabbed = true
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  drag(event)
}
function drop() {
  if (!grabbed) return
  grabbed = false
  emit('drop')
}
function step(byMm: number) {
  if (nowMm === null) return
  emit('move', Math.min(Math.max(nowMm + byMm, minMm.value), maxMm.value))
  emit('drop')
}
</script>

<template>
  <svg
    ref="svg"
    :viewBox="`${viewX} ${top} ${viewWidth - viewX} ${390 - top}`"
    class="balance-drawing block w-full max-h-400px [touch-action:none]"
    role="group"
    :aria-label="t('theHeadFromItsAxis')"
  >
    <!-- What doesn't move with the weight is made once. -->
    <g v-memo="[head, tube]">
      <!-- stand -->
      <path
        :d="`M${AXIS_X - 38} ${AXIS_Y + 28}L${AXIS_X - 46} 340H${AXIS_X + 46}L${AXIS_X + 38} ${AXIS_Y + 28}Z`"
        class="recede fill-well"
      />
      <rect :x="AXIS_X - 58" y="340" width="116" height="13" class="recede fill-well" />
      <path
        :d="`M${AXIS_X - 50} 353L${AXIS_X - 62} 388M${AXIS_X + 50} 353L${AXIS_X + 62} 388`"
        class="recede fill-well"
      />
      <!-- shaft and end stop -->
      <rect :x="x(head.shaftEndMm)" :y="AXIS_Y - 7" :width="head.shaftEndMm" height="14" class="outline fill-card" />
      <rect :x="x(head.shaftEndMm) - 12" :y="AXIS_Y - 17" width="12" height="34" class="outline fill-card" />
      <!-- head -->
      <rect
        :x="AXIS_X - head.shaftStartMm"
        :y="AXIS_Y - 28"
        :width="head.shaftStartMm + head.tubeAxisMm - radius - 26"
        height="56"
        rx="4"
        class="outline fill-card"
      />
      <rect :x="tubeX - radius - 26" :y="AXIS_Y - 36" width="14" height="72" class="outline fill-card" />
      <rect :x="tubeX - radius - 12" :y="AXIS_Y - 22" width="16" height="44" class="outline fill-card" />
      <circle :cx="AXIS_X" :cy="AXIS_Y" r="40" class="outline fill-card" />
      <rect :x="AXIS_X - 6" :y="AXIS_Y - 62" width="12" height="26" rx="3" class="outline fill-card" />
      <path :d="`M${AXIS_X - 9} ${AXIS_Y}h18M${AXIS_X} ${AXIS_Y - 9}v18`" class="fill-none stroke-ink stroke-2" />
      <!-- tube, finder and eyepiece at their own places -->
      <template v-if="tube">
        <g :transform="placed(tube.eyepiece)">
          <rect
            :x="tubeX + radius - 4"
            :y="AXIS_Y - 22"
            :width="Math.max(tube.eyepiece.radiusMm - radius - 22, 0)"
            height="44"
            class="outline fill-card"
          />
          <rect
            :x="tubeX + tube.eyepiece.radiusMm - 30"
            :y="AXIS_Y - 16"
            width="64"
            height="32"
            rx="2"
            class="outline fill-card"
          />
        </g>
        <g :transform="placed(tube.finder)">
          <rect
            :x="tubeX + radius - 4"
            :y="AXIS_Y - 6"
            :width="Math.max(tube.finder.radiusMm - radius - 10, 0)"
            height="12"
            class="outline fill-card"
          />
          <circle :cx="tubeX + tube.finder.radiusMm" :cy="AXIS_Y" r="17" class="outline fill-card" />
          <circle :cx="tubeX + tube.finder.radiusMm" :cy="AXIS_Y" r="9" class="inner" />
        </g>
      </template>
      <circle :cx="tubeX" :cy="AXIS_Y" :r="radius" class="outline fill-card" />
      <circle :cx="tubeX" :cy="AXIS_Y" :r="radius - 9" class="inner" />
      <circle :cx="tubeX" :cy="AXIS_Y" :r="radius * 0.26" class="inner secondary" />
      <path
        :d="`M${tubeX - 5} ${AXIS_Y}h10M${tubeX} ${AXIS_Y - 5}v10`"
        class="mark fill-none stroke-brass stroke-1.3"
      />
      <path
        :d="`M${AXIS_X} ${AXIS_Y + radius + 12}v18M${tubeX} ${AXIS_Y}V${AXIS_Y + radius + 30}M${AXIS_X} ${AXIS_Y + radius + 24}H${tubeX}`"
        class="fill-none stroke-brass stroke-1.3"
      />
      <text
        :x="(AXIS_X + tubeX) / 2"
        :y="AXIS_Y + radius + 18"
        class="figure fill-brass-text [font:640_14px_var(--sans)] [text-anchor:middle]"
      >
        {{ Math.round(head.tubeAxisMm) }} mm
      </text>
    </g>
    <!-- weights: filled where it belongs, dashed where it stands -->
    <g v-if="rightMm !== null">
      <rect
        :x="x(rightMm) - thicknessMm / 2"
        :y="AXIS_Y - weight.radiusMm"
        :width="thicknessMm"
        :height="2 * weight.radiusMm"
        rx="4"
        class="fill-night stroke-deep"
      />
      <text :x="x(rightMm)" :y="AXIS_Y - 6" class="fill-on-fill [font:640_14px_var(--sans)] [text-anchor:middle]">
        {{ (massG / 1000).toFixed(2) }}
      </text>
      <text :x="x(rightMm)" :y="AXIS_Y + 12" class="fill-on-fill [font:400_14px_var(--sans)] [text-anchor:middle]">
        kg
      </text>
    </g>
    <rect
      v-if="nowMm !== null"
      :x="x(nowMm) - thicknessMm / 2"
      :y="AXIS_Y - weight.radiusMm"
      :width="thicknessMm"
      :height="2 * weight.radiusMm"
      rx="4"
      class="stands fill-none stroke-rust [stroke-dasharray:5_4] stroke-1.6"
      :class="{ alone: rightMm === null }"
    />
    <g v-memo="[head, rulerY]">
      <path :d="ruler" class="fill-none stroke-quiet" />
      <text
        v-for="tick in numbers"
        :key="tick"
        :x="x(tick)"
        :y="rulerY + 24"
        class="number fill-quiet [font:400_13px_var(--sans)] [text-anchor:middle]"
      >
        {{ tick }}
      </text>
    </g>
    <line :x1="x(maxMm)" :x2="x(maxMm)" :y1="rulerY - 9" :y2="rulerY + 12" class="limit stroke-brass stroke-3" />
    <text
      :x="x(maxMm)"
      :y="rulerY - 13"
      class="figure fill-brass-text [font:640_14px_var(--sans)] [text-anchor:middle]"
    >
      {{ t('end') }}
    </text>
    <path
      v-if="rightMm !== null"
      :d="`M${x(rightMm + slackMm)} ${rulerY - 8}v8H${x(rightMm - slackMm)}v-8`"
      class="fill-none stroke-night stroke-2.4"
    />
    <circle v-if="nowMm !== null" :cx="x(nowMm)" :cy="rulerY" r="5" class="fill-paper stroke-rust stroke-2" />
    <text
      v-if="rightMm !== null"
      :x="x(rightMm)"
      :y="rulerY + 44"
      class="fill-night [font:640_15px_var(--sans)] [text-anchor:middle]"
    >
      {{ Math.round(rightMm) }} ± {{ Math.max(1, Math.round(slackMm)) }}
    </text>
    <text
      v-if="nowMm !== null"
      :x="x(nowMm)"
      :y="rulerY + 62"
      class="now-place fill-rust [font:640_15px_var(--sans)] [text-anchor:middle]"
    >
      {{ t('nowNowMm', { nowMm: Math.round(nowMm) }) }}
    </text>
    <template v-if="bareMm !== null && bareMm >= 0 && nowMm !== null">
      <path
        :d="`M${x(head.shaftEndMm)} ${AXIS_Y - 20}V${AXIS_Y - weight.radiusMm - 24}M${x(nowMm) - thicknessMm / 2} ${AXIS_Y - weight.radiusMm - 4}v-20M${x(head.shaftEndMm)} ${AXIS_Y - weight.radiusMm - 18}H${x(nowMm) - thicknessMm / 2}`"
        class="fill-none stroke-brass stroke-1.3"
      />
      <text
        :x="x(head.shaftEndMm) - 2"
        :y="AXIS_Y - weight.radiusMm - 32"
        class="figure fill-brass-text [font:640_14px_var(--sans)]"
      >
        {{ t('mmOfBareShaft', { bareMm: Math.round(bareMm) }) }}
      </text>
    </template>
    <!-- which side sinks -->
    <g v-if="falls">
      <path
        v-if="falls === 'tube'"
        class="fill-none stroke-rust stroke-2.6"
        :d="`M${tubeX + radius + 22} ${AXIS_Y - 46}q16 46 -4 92`"
        marker-end="url(#balance-arrow)"
      />
      <path
        v-else
        class="fill-none stroke-rust stroke-2.6"
        :d="`M${x(head.shaftEndMm) - 20} ${AXIS_Y - 46}q-14 46 4 92`"
        marker-end="url(#balance-arrow)"
      />
      <text
        v-if="falls === 'tube'"
        :x="tubeX + radius + 46"
        :y="AXIS_Y + 78"
        class="fill-rust [font:640_15px_var(--sans)] [text-anchor:middle]"
      >
        {{ t('fallsIfLetGo') }}
      </text>
      <text
        v-else
        :x="x(head.shaftEndMm) - 40"
        :y="AXIS_Y + weight.radiusMm + 4"
        class="fill-rust [font:640_15px_var(--sans)] [text-anchor:start]"
      >
        {{ t('fallsIfLetGo') }}
      </text>
    </g>
    <defs>
      <marker
        id="balance-arrow"
        viewBox="0 0 11 11"
        refX="6"
        refY="5.5"
        markerWidth="11"
        markerHeight="11"
        markerUnits="userSpaceOnUse"
        orient="auto"
      >
        <path d="M0 0L11 5.5L0 11Z" class="fill-rust stroke-none" />
      </marker>
    </defs>
    <!-- what a hand or the arrow keys move -->
    <rect
      :x="x(head.shaftEndMm)"
      :y="AXIS_Y - weight.radiusMm - 6"
      :width="head.shaftEndMm - head.shaftStartMm"
      :height="2 * weight.radiusMm + 40"
      class="fill-transparent cursor-ew-resize"
      tabindex="0"
      role="slider"
      :aria-label="t('whereTheWeightStandsMm')"
      :aria-valuenow="Math.round(nowMm ?? minMm)"
      :aria-valuetext="nowMm === null ? t('notSaidYet') : `${Math.round(nowMm)} mm`"
      :aria-valuemin="Math.round(minMm)"
      :aria-valuemax="Math.round(maxMm)"
      @pointerdown="grab"
      @pointermove="drag"
      @pointerup="drop"
      @pointercancel="drop"
      @keydown.left.prevent.stop="step(1)"
      @keydown.right.prevent.stop="step(-1)"
    />
  </svg>
</template>

<style scoped src="../../shared/drawings/drawn-lines.css"></style>
<style scoped src="./balance-drawing.css"></style>
