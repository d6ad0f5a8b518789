<script setup lang="ts">
import type { Part } from '@binoculum/contract'
import { caseLayout, type Compartment, type Mark, type PlacedPart } from '@binoculum/core'
import { computed } from 'vue'
import { sharedWords } from '../words.ts'

const t = sharedWords('caseDrawing')

/** The kit's case from above, drawn from its own card: compartments light up as its parts are looked at. */
const {
  parts,
  markOf,
  currentId = null,
  width = 316,
  aspect = 0.6,
  numbers = false,
} = defineProps<{
  parts: readonly Part[]
  markOf: (part: Part) => Mark
  currentId?: string | null
  width?: number
  aspect?: number
  /** Numbers instead of shapes, for a card on paper. */
  numbers?: boolean
}>()
const emit = defineEmits<{ choose: [partId: string] }>()

const compartments = computed(() => caseLayout(parts, aspect))
const byId = computed(() => new Map(parts.map((part) => [part.id, part])))
const marks = computed(() => new Map(parts.map((part) => [part.id, markOf(part)])))
const markAt = (id: string): Mark => marks.value.get(id) ?? 'unseen'
const currentPlace = computed(() => byId.value.get(currentId ?? '')?.place)

/** Size of a shape in its cell, px. */
function box({ width: cellWidth, height: cellHeight, shape }: PlacedPart) {
  const w = cellWidth * width
  const h = cellHeight * width
  const side = Math.min(w, h) * 0.62
  if (shape === 'tube') return { w: w * 0.84, h: Math.min(h * 0.62, w * 0.34) }
  if (shape === 'long') return { w: w * 0.82, h: Math.max(2.5, Math.min(h * 0.16, 5)) }
  if (shape === 'box') return { w: Math.min(w * 0.78, side * 1.5), h: side * 0.8 }
  if (shape === 'paper') return { w: side * 0.82, h: side * 1.02 }
  return { w: side, h: side }
}

/** Numbers stand beside a compartment’s name where both fit: about 6.5 px a letter. */
const LETTER_PX = 6.5
const hasRoom = (frame: Compartment) =>
  ((frame.place || 'Case').length + range(frame.parts).length + 2) * LETTER_PX < frame.width * width
/** A name longer than its compartment is cut. */
const shortName = ({ place, width: share }: Compartment) => {
  const letters = Math.max(3, Math.floor((share * width - 10) / LETTER_PX))
  const name = place || 'Case'
  return name.length <= letters ? name : `${name.slice(0, letters - 1)}…`
}

const range = (numbersOf: readonly { number: number }[]) => {
  const first = numbersOf[0]?.number
  const last = numbersOf.at(-1)?.number
  return first === last ? String(first) : `${first}–${last}`
}
</script>

<template>
  <svg
    :width="width"
    :height="width * aspect"
    :viewBox="`-1 -1 ${width + 2} ${width * aspect + 2}`"
    role="img"
    :aria-label="t('planOfTheCase')"
    class="block"
  >
    <g v-for="frame in compartments" :key="frame.place">
      <rect
        :x="frame.x * width"
        :y="frame.y * width"
        :width="frame.width * width"
        :height="frame.height * width"
        rx="3"
        :class="['frame', { current: frame.place === currentPlace && currentId !== null }]"
        @click="frame.parts[0] && emit('choose', frame.parts[0].id)"
      />
      <text
        :x="frame.x * width + 6"
        :y="frame.y * width + 15"
        class="name [font:italic_400_14px_var(--serif)] fill-quiet pointer-events-none"
      >
        {{ shortName(frame) }}
        <tspan v-if="hasRoom(frame)" class="[font:400_11px_var(--sans)]">{{ range(frame.parts) }}</tspan>
      </text>
      <g
        v-for="placed in frame.parts"
        :key="placed.id"
        :transform="`translate(${placed.x * width} ${placed.y * width})`"
        :class="['part', markAt(placed.id), { here: placed.id === currentId }]"
        @click="emit('choose', placed.id)"
      >
        <title>{{ placed.number }} {{ byId.get(placed.id)?.name }}</title>
        <template v-if="numbers">
          <circle r="8" class="number [fill:#fff] [stroke:#000] stroke-1" />
          <text class="[font:640_9px_var(--sans)] [text-anchor:middle] [fill:#000]" y="3.5">{{ placed.number }}</text>
        </template>
        <template v-else>
          <circle
            v-if="placed.shape === 'round'"
            :r="box(placed).w / 2"
            class="shape fill-none stroke-quiet stroke-1 [stroke-dasharray:2.5_2]"
          />
          <rect
            v-else
            :x="-box(placed).w / 2"
            :y="-box(placed).h / 2"
            :width="box(placed).w"
            :height="box(placed).h"
            :rx="placed.shape === 'box' ? 3 : 1"
            class="shape fill-none stroke-quiet stroke-1 [stroke-dasharray:2.5_2]"
          />
          <path
            v-if="markAt(placed.id) === 'missing'"
            d="M.6-7.2C-4.8-8-8-4-7.4.6-6.8 6 -2 8.4 2.4 7.2 7 6 8.6 1.4 7.4-2.8 6.2-6.4 3-8-.6-7.4"
            class="pencil fill-none stroke-rust stroke-2.1 [stroke-linecap:round]"
          />
          <path
            v-else-if="markAt(placed.id) === 'damaged'"
            d="M6.4-8C2.6-2.6-2 2.6-6.4 8"
            class="pencil fill-none stroke-rust stroke-2.1 [stroke-linecap:round]"
          />
          <path
            v-else-if="markAt(placed.id) === 'wrong'"
            d="M-6-2.6L6-3M3-6L6.4-3 3.2-.2M6 3.4L-6 3.6M-3 .8L-6.4 3.6-3 6.6"
            class="pencil brass fill-none stroke-rust stroke-2.1 [stroke-linecap:round]"
          />
        </template>
      </g>
    </g>
  </svg>
</template>

<style scoped>
.frame {
  fill: var(--card);
  stroke: var(--quiet);
  stroke-width: 1;
}

.frame.current {
  fill: var(--wash);
  stroke: var(--night);
  stroke-width: 2;
}

.part {
  cursor: pointer;
}

.present .shape,
.damaged .shape {
  fill: var(--wash);
  stroke: var(--graphite);
  stroke-dasharray: none;
}

.here .shape {
  fill: var(--night);
  stroke: var(--night);
}

.pencil.brass {
  stroke: var(--brass-text);
}
</style>
