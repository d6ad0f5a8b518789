<script setup lang="ts">
import { inView, peepholeView, type Alignment, type PeepholeTube, type PointXY } from '@binoculum/core'
import { computed } from 'vue'

/** The model's view laid over a picture: where every edge should appear for the figure that was measured. Where the lines
 * leave the picture's edges, a circle is wrong, or the model's sizes are. */
const { tube, alignment, markPx, pxPerMm, openEndDeg, mirrored } = defineProps<{
  tube: PeepholeTube
  alignment: Alignment
  markPx: PointXY
  pxPerMm: number
  openEndDeg: number
  mirrored: boolean
}>()

const view = computed(() => peepholeView(tube, alignment))
const path = (points: readonly PointXY[]) =>
  `M${points
    .map((point) => {
      const { x, y } = inView(point)
      return `${x.toFixed(2)} ${y.toFixed(2)}`
    })
    .join('L')}Z`
/** A picture turned over has its open end pointed at in the mirror: first over, then round. */
const transform = computed(
  () => `translate(${markPx.x} ${markPx.y}) rotate(${openEndDeg}) scale(${(mirrored ? -1 : 1) * pxPerMm} ${pxPerMm})`,
)
</script>

<template>
  <g :transform="transform" data-layer="model" class="pointer-events-none">
    <path
      class="fill-none [stroke:#ff9d7a] stroke-1.2 [stroke-dasharray:5_4] [vector-effect:non-scaling-stroke]"
      :d="path(view.drawtube)"
    />
    <path
      class="fill-none [stroke:#ff9d7a] stroke-1.2 [stroke-dasharray:5_4] [vector-effect:non-scaling-stroke]"
      :d="path(view.secondary)"
    />
    <path
      class="fill-none [stroke:#ff9d7a] stroke-1.2 [stroke-dasharray:5_4] [vector-effect:non-scaling-stroke]"
      :d="path(view.primary)"
    />
    <path
      v-for="(clip, i) in view.clips"
      :key="i"
      class="fill-none [stroke:#ff9d7a] stroke-1.2 [stroke-dasharray:5_4] [vector-effect:non-scaling-stroke]"
      :d="path(clip)"
    />
    <path
      class="fill-none [stroke:#ff9d7a] stroke-1.2 [stroke-dasharray:5_4] [vector-effect:non-scaling-stroke]"
      :d="path(view.silhouette)"
    />
    <path
      class="fill-none [stroke:#ff9d7a] stroke-1.2 [stroke-dasharray:5_4] [vector-effect:non-scaling-stroke]"
      :d="path(view.capRing)"
    />
    <path
      v-if="tube.markOuterDiameterMm > 0"
      class="fill-none [stroke:#ff9d7a] stroke-1.2 [stroke-dasharray:5_4] [vector-effect:non-scaling-stroke]"
      :d="path(view.markOuter)"
    />
  </g>
</template>
