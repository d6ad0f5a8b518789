<script setup lang="ts">
import { arcminText, type PointXY } from '@binoculum/core'
import { computed, ref, useTemplateRef } from 'vue'
import { benchWords } from '../words.ts'

const t = benchWords('seenPad')

/** What the finder shows: the thing in the middle, as the eyepiece has it; touch where dot or cross stands. */
const { seen, aim, found, limit, good, thing, targetName, disabled } = defineProps<{
  seen: PointXY | null
  /** Where it belongs, in the same view. */
  aim: PointXY
  found: PointXY | null
  limit: number
  good: number
  thing: string
  targetName: string
  disabled: boolean
}>()
const emit = defineEmits<{ mark: [at: PointXY] }>()

const SIDE = 400
const svg = useTemplateRef<SVGSVGElement>('svg')
const held = ref(false)
const reach = computed(() => {
  const far = Math.max(limit * 1.35, ...[seen, found].map((at) => (at ? Math.hypot(at.x, at.y) * 1.15 : 0)))
  return far + Math.hypot(aim.x, aim.y)
})
const px = (arcmin: number) => (arcmin / reach.value) * (SIDE / 2)
const step = computed(() => (reach.value > 60 ? 2 : 1))

function touched(event: PointerEvent) {
  if (disabled || !svg.value) return
  const frame = svg.value.getBoundingClientRect()
  const scale = (2 * reach.value) / frame.width
  emit('mark', {
    x: Math.round((event.clientX - frame.left - frame.width / 2) * scale),
    y: Math.round(-(event.clientY - frame.top - frame.height / 2) * scale),
  })
}
function begin(event: PointerEvent) {
  held.value = true
  svg.value?.setPointerCapture(event.pointerId)
  touched(event)
}
function nudge(x: number, y: number) {
  if (disabled) return
  const at = seen ?? { x: 0, y: 0 }
  emit('mark', { x: at.x + x * step.value, y: at.y + y * step.value })
}
const ways: readonly { key: string; x: number; y: number; words: string; arrow: string }[] = [
  { key: 'ArrowUp', x: 0, y: 1, words: t('up'), arrow: 'M-6 5L0 -6L6 5Z' },
  { key: 'ArrowLeft', x: -1, y: 0, words: t('left'), arrow: 'M5 -6L-6 0L5 6Z' },
  { key: 'ArrowRight', x: 1, y: 0, words: t('right'), arrow: 'M-5 -6L6 0L-5 6Z' },
  { key: 'ArrowDown', x: 0, y: -1, words: t('down'), arrow: 'M-6 -5L0 6L6 -5Z' },
]
function keyed(event: KeyboardEvent) {
  const way = ways.find(({ key }) => key === event.key)
  if (!way || disabled) return
  event.preventDefault()
  event.stopPropagation()
  const by = event.shiftKey ? 10 : 1
  nudge(way.x * by, way.y * by)
}
</script>

<template>
  <div class="pad relative max-w-400px">
    <div
      class="view"
      tabindex="0"
      role="application"
      :aria-label="t('whereTheStandsBesideArrows', { thing, targetName, step })"
      @keydown="keyed"
    >
      <svg
        ref="svg"
        class="block w-full line-rule-strong bg-card cursor-crosshair [touch-action:none]"
        :viewBox="`${-SIDE / 2} ${-SIDE / 2} ${SIDE} ${SIDE}`"
        :class="{ disabled }"
        @pointerdown="begin"
        @pointermove="held && touched($event)"
        @pointerup="held = false"
        @pointercancel="held = false"
      >
        <g :transform="`translate(${px(aim.x)} ${-px(aim.y)})`">
          <circle :r="px(limit)" class="limit fill-none stroke-brass" />
          <circle :r="px(good)" class="fill-none stroke-brass stroke-2.4" />
          <text
            :x="-px(good) * 0.7"
            :y="-px(good) * 0.7 - 4"
            class="fill-brass-text [font:640_13px_var(--sans)] [text-anchor:end]"
          >
            {{ t('goodGood', { good: arcminText(good) }) }}
          </text>
          <text
            :x="-px(limit) * 0.7"
            :y="-px(limit) * 0.7 - 4"
            class="fill-brass-text [font:640_13px_var(--sans)] [text-anchor:end]"
          >
            {{ t('usableLimit', { limit: arcminText(limit) }) }}
          </text>
          <circle v-if="Math.hypot(aim.x, aim.y) > 0.1" r="7" class="fill-card stroke-night stroke-2.6" />
        </g>
        <path d="M-13 0H-3M3 0H13M0 -13V-3M0 3V13" class="fill-none stroke-ink stroke-2.4" />
        <template v-if="found && seen">
          <circle :cx="px(found.x)" :cy="-px(found.y)" r="5" class="fill-none stroke-rust stroke-1.6" />
        </template>
        <template v-if="seen">
          <path
            :d="`M${px(seen.x)} ${-px(seen.y)}H${px(aim.x)}V${-px(aim.y)}`"
            class="way fill-none stroke-rust stroke-1.6 [stroke-dasharray:6_5]"
          />
          <circle :cx="px(seen.x)" :cy="-px(seen.y)" r="9" class="fill-rust" />
        </template>
      </svg>
    </div>
    <div class="arrows" role="group" :aria-label="t('moveTheBy', { thing, step })">
      <button
        v-for="way in ways"
        :key="way.key"
        type="button"
        class="button w-40px min-h-40px p-0"
        :style="{ gridArea: way.words }"
        :disabled="disabled"
        :aria-label="way.words"
        @click="nudge(way.x, way.y)"
      >
        <svg width="16" height="16" viewBox="-8 -8 16 16" aria-hidden="true">
          <path class="fill-current" :d="way.arrow" />
        </svg>
      </button>
      <span class="[grid-area:step] text-quiet">{{ step }}′</span>
    </div>
  </div>
</template>

<style scoped>
.view .disabled {
  cursor: not-allowed;
  opacity: 0.55;
}

.arrows {
  display: grid;
  position: absolute;
  bottom: 10px;
  left: 10px;
  grid-template-areas: '. up .' 'left step right' '. down .';
  grid-template-columns: repeat(3, 40px);
  grid-auto-rows: 40px;
  place-items: center;
}
</style>
