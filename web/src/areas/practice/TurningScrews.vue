<script setup lang="ts">
import { ref, useTemplateRef } from 'vue'
import { practiceWords } from './words.ts'

const t = practiceWords('turningScrews')

/** Three screws to be turned by wheel, or by dragging the ring about the one in hand: each tick is a sixteenth of a turn. */
const {
  places,
  inHand,
  disabled = false,
} = defineProps<{
  places: readonly { readonly name: string; readonly x: number; readonly y: number }[]
  inHand: string
  disabled?: boolean
}>()
const emit = defineEmits<{ pick: [name: string]; turn: [turned: { name: string; sixteenths: number }] }>()

const DEG_PER_SIXTEENTH = 22.5
const BOX = 264
const svg = useTemplateRef('svg')
/** Degrees that the hand has gone beyond the last whole sixteenth, and where it was. */
const drag = ref<{ name: string; lastDeg: number; restDeg: number } | null>(null)
const turnedDeg = ref<Record<string, number>>({})

function angleAt(event: PointerEvent, name: string) {
  const frame = (svg.value as SVGSVGElement).getBoundingClientRect()
  const scale = BOX / frame.width
  const place = places.find((each) => each.name === name) ?? { x: 0, y: 0 }
  const x = (event.clientX - frame.left) * scale - BOX / 2 - place.x
  const y = (event.clientY - frame.top) * scale - BOX / 2 - place.y
  return (Math.atan2(x, -y) * 180) / Math.PI
}
function turn(name: string, sixteenths: number) {
  if (disabled || sixteenths === 0) return
  turnedDeg.value[name] = (turnedDeg.value[name] ?? 0) + sixteenths * DEG_PER_SIXTEENTH
  emit('turn', { name, sixteenths })
}
function grab(name: string, event: PointerEvent) {
  emit('pick', name)
  drag.value = { name, lastDeg: angleAt(event, name), restDeg: 0 }
  ;(svg.value as SVGSVGElement).setPointerCapture(event.pointerId)
}
function move(event: PointerEvent) {
  if (!drag.value) return
  const { name, lastDeg } = drag.value
  const now = angleAt(event, name)
  const step = ((now - lastDeg + 540) % 360) - 180
  const gone = drag.value.restDeg + step
  const whole = Math.trunc(gone / DEG_PER_SIXTEENTH)
  drag.value = { name, lastDeg: now, restDeg: gone - whole * DEG_PER_SIXTEENTH }
  turn(name, whole)
}
const ticks = Array.from({ length: 8 }, (_, i) => i * 45)
</script>

<template>
  <svg
    ref="svg"
    viewBox="-132 -132 264 264"
    class="block w-full max-w-264px [touch-action:none]"
    role="group"
    :aria-label="t('screwsToTurn')"
    @pointermove="move"
    @pointerup="drag = null"
    @pointercancel="drag = null"
  >
    <circle r="122" class="fill-card stroke-ink stroke-1.4" />
    <g
      v-for="place in places"
      :key="place.name"
      :transform="`translate(${place.x} ${place.y})`"
      :class="['screw', { held: place.name === inHand }]"
      :aria-label="t('screwName', { name: place.name })"
      role="button"
      @pointerdown="grab(place.name, $event)"
      @wheel.prevent="turn(place.name, ($event as WheelEvent).deltaY > 0 ? 1 : -1)"
    >
      <circle r="40" class="fill-transparent" />
      <g v-if="place.name === inHand">
        <circle r="36" class="fill-none stroke-night [stroke-dasharray:1.5_3] stroke-1.6" />
        <line
          v-for="tick in ticks"
          :key="tick"
          y1="-40"
          y2="-33"
          :transform="`rotate(${tick})`"
          class="stroke-night"
        />
        <circle
          r="8"
          cy="-36"
          :transform="`rotate(${turnedDeg[place.name] ?? 0})`"
          class="grip fill-card stroke-night stroke-2.4"
        />
      </g>
      <circle r="22" class="head fill-card stroke-ink stroke-2 [stroke-dasharray:2.2_1]" />
      <line y1="-21" y2="-14" :transform="`rotate(${turnedDeg[place.name] ?? 0})`" class="slot stroke-ink stroke-3" />
      <text class="fill-ink [font:660_20px_var(--sans)] [text-anchor:middle] pointer-events-none" y="7">
        {{ place.name }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
.screw {
  cursor: grab;
}

.held .head {
  fill: var(--night);
  stroke: var(--night);
}

.held .slot {
  stroke: var(--on-fill);
}

.held text {
  fill: var(--on-fill);
}
</style>
