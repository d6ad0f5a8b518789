<script setup lang="ts">
import { computed, ref } from 'vue'
import { atDeg } from '../../../shared/drawings/on-dial.ts'

/** Where the tube's open end is in the picture, as an arrow that is dragged round it. */
const { box, unit, pictureAt } = defineProps<{
  box: { readonly x: number; readonly y: number; readonly w: number; readonly h: number }
  unit: number
  pictureAt: (event: PointerEvent) => { readonly x: number; readonly y: number }
}>()
/** Clockwise from up. */
const deg = defineModel<number>({ required: true })

const middle = computed(() => ({ x: box.x + box.w / 2, y: box.y + box.h / 2 }))
const arrow = computed(() => {
  const { x, y } = atDeg(deg.value, Math.min(box.w, box.h) * 0.44)
  return { x: middle.value.x + x, y: middle.value.y + y }
})
const turning = ref(false)
function grab(event: PointerEvent) {
  turning.value = true
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function turn(event: PointerEvent) {
  if (!turning.value) return
  const at = pictureAt(event)
  const turned = Math.round((Math.atan2(at.x - middle.value.x, middle.value.y - at.y) * 180) / Math.PI)
  deg.value = (turned + 360) % 360
}
</script>

<template>
  <g
    class="handle cursor-grab"
    data-handle="open end"
    @pointerdown="grab"
    @pointermove="turn"
    @pointerup="turning = false"
    @pointercancel="turning = false"
  >
    <circle :cx="arrow.x" :cy="arrow.y" :r="unit * 15" />
    <path
      class="fill-none [stroke:#fffdf7] stroke-2.6"
      :transform="`translate(${arrow.x} ${arrow.y}) rotate(${deg}) scale(${unit})`"
      d="M-6 4L0 -8L6 4"
    />
  </g>
</template>

<style scoped>
.handle circle {
  fill: var(--deep);
  fill-opacity: 0.75;
  stroke: #fffdf7;
}

[data-scheme='ember'] .handle :is(circle, path) {
  stroke: #ff3800;
}
</style>
