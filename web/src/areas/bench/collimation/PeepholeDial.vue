<script setup lang="ts">
import { computed } from 'vue'
import { atHour } from '../../../shared/drawings/on-dial.ts'
import { benchWords } from '../words.ts'

const t = benchWords('peepholeDial')

/**
 * What the peephole shows, open end of the tube at 12: the reflection of the peephole in the middle, the centre mark
 * beside it. Not to scale beyond the outer ring; a touch sets distance and direction at once.
 */
const { offsetMm, clockHours, limitOffsetMm } = defineProps<{
  offsetMm: number | null
  clockHours: number
  limitOffsetMm: number
}>()
const emit = defineEmits<{ set: [offsetMm: number, clockHours: number] }>()

const R = 130
const spanMm = computed(() => limitOffsetMm * 3)
const toPx = (mm: number) => (mm / spanMm.value) * R
const mark = computed(() => atHour(clockHours, Math.min(toPx(offsetMm ?? 0), R)))
const hours = Array.from({ length: 12 }, (_, index) => index + 1)

function touch(event: PointerEvent) {
  const box = (event.currentTarget as SVGElement).getBoundingClientRect()
  const scale = 320 / box.width
  const x = (event.clientX - box.left) * scale - 160
  const y = (event.clientY - box.top) * scale - 160
  const mm = Math.round((Math.hypot(x, y) / R) * spanMm.value * 10) / 10
  const hour = Math.round((Math.atan2(x, -y) * 12) / Math.PI) / 2
  emit('set', mm, hour <= 0 ? hour + 12 : hour)
}
</script>

<template>
  <svg
    viewBox="-160 -160 320 320"
    class="in-colour w-300px h-300px cursor-crosshair [touch-action:none]"
    role="img"
    :aria-label="t('centreMarkAgainstThePeepholes')"
    @pointerdown="touch"
  >
    <circle :r="R" class="[fill:#e8e5d8] stroke-deep stroke-14" />
    <circle :r="toPx(limitOffsetMm)" class="limit fill-none stroke-brass stroke-2" />
    <circle :r="toPx(limitOffsetMm / 2)" class="fill-none stroke-brass stroke-1 [stroke-dasharray:4_4]" />
    <text
      v-for="hour in hours"
      :key="hour"
      class="fill-quiet [font:640_13px_var(--sans)] [text-anchor:middle]"
      :x="atHour(hour, R + 16).x"
      :y="atHour(hour, R + 16).y + 5"
    >
      {{ hour }}
    </text>
    <line :x2="mark.x" :y2="mark.y" class="stroke-rust stroke-2.4" />
    <circle r="9" class="peephole [fill:#0e1620]" />
    <circle v-if="offsetMm !== null" :cx="mark.x" :cy="mark.y" r="15" class="fill-none [stroke:#c98a1b] stroke-7" />
  </svg>
</template>
