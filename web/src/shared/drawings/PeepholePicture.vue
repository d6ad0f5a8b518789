<script setup lang="ts">
import { inView, peepholeView, type Alignment, type PeepholeTube, type PointXY } from '@binoculum/core'
import { computed, useId } from 'vue'
import MiddleOfView from './MiddleOfView.vue'
import { atDeg } from './on-dial.ts'

/**
 * The view through the peephole, drawn from the kit's own tube, open end up; and the middle of it through a loupe. The same
 * letters stand here and at the cell seen from behind: neither is a mirror of the other.
 */
const {
  tube,
  alignment,
  screws = [],
  highlight = null,
  limitMm = null,
  goodMm = null,
  trail = [],
  plain = false,
} = defineProps<{
  tube: PeepholeTube
  alignment: Alignment
  screws?: readonly { readonly name: string; readonly angleDeg: number }[]
  highlight?: string | null
  /** Radii about the reflection at which the mark may stand, mm on the primary. */
  limitMm?: number | null
  goodMm?: number | null
  /** Where the mark stood before, against the reflection, mm on the primary, cell frame. */
  trail?: readonly PointXY[]
  plain?: boolean
}>()

const clip = useId()
const view = computed(() => peepholeView(tube, alignment))
const R = computed(() => tube.apertureMm / 2)
/** Half of what is shown: the drawtube's end, but never so much that the primary gets small. */
const reach = computed(() =>
  Math.min(Math.max(...view.value.drawtube.map(({ x, y }) => Math.hypot(x, y))), 1.75 * R.value),
)
/** Hundredths of a millimetre; `toFixed` costs ten times as much, and a live view writes a thousand numbers a frame. */
const short = (mm: number) => Math.round(mm * 100) / 100
function path(points: readonly PointXY[]): string {
  let text = 'M'
  for (const point of points) {
    const { x, y } = inView(point)
    text += `${text === 'M' ? '' : 'L'}${short(x)} ${short(y)}`
  }
  return `${text}Z`
}
/** What a turned primary leaves as it is: only the reflections in it move. */
const still = computed(() => [
  alignment.secondaryErrorMm.x,
  alignment.secondaryErrorMm.y,
  alignment.secondaryShiftMm,
  tube,
])
/** The cap and its hole stay circles in the reflection, to a thousandth: two numbers instead of an outline. */
const radiusOf = (points: readonly PointXY[]) => {
  const { reflection } = view.value.centres
  return short(Math.hypot((points[0]?.x ?? 0) - reflection.x, (points[0]?.y ?? 0) - reflection.y))
}
const markPath = computed(() => {
  const ring = (radius: number) =>
    `M${-radius} 0A${radius} ${radius} 0 1 0 ${radius} 0A${radius} ${radius} 0 1 0 ${-radius} 0Z`
  return tube.markOuterDiameterMm > 0 ? ring(tube.markOuterDiameterMm / 2) + ring(tube.markInnerDiameterMm / 2) : ''
})
const middle = computed(() => ({
  silhouette: path(view.value.silhouette),
  centre: hole.value,
  capMm: radiusOf(view.value.capRing),
  holeMm: radiusOf(view.value.peephole),
  mark: markPath.value,
}))
const at = (point: PointXY) => inView(point)
const mark = computed(() => at(view.value.centres.mark))
const hole = computed(() => at(view.value.centres.reflection))
const offset = computed(() => ({ x: mark.value.x - hole.value.x, y: mark.value.y - hole.value.y }))
/** The loupe shows the mark, the hole and a little more, whatever their distance. */
const loupeMm = computed(() =>
  Math.max(
    tube.markOuterDiameterMm * 0.9,
    Math.hypot(offset.value.x, offset.value.y) * 0.75 + 2.5,
    (limitMm ?? 0) * 0.7,
  ),
)
const loupeCentre = computed(() => ({ x: (mark.value.x + hole.value.x) / 2, y: (mark.value.y + hole.value.y) / 2 }))
const letterAt = (angleDeg: number) => atDeg(angleDeg, 1.16 * R.value)
const box = computed(() => `${-reach.value} ${-reach.value * 1.02} ${reach.value * 2} ${reach.value * 2.04}`)
const scale = computed(() => (0.38 * reach.value) / loupeMm.value)
/** In the corner that hides no letter, the upper right where all are alike. */
const corners = [
  { x: 0.6, y: -0.62 },
  { x: -0.6, y: -0.62 },
  { x: 0.6, y: 0.62 },
  { x: -0.6, y: 0.62 },
] as const
const corner = computed(() => {
  const nearest = ({ x, y }: { x: number; y: number }) =>
    Math.min(
      ...screws.map(({ angleDeg }) => {
        const letter = letterAt(angleDeg)
        return Math.hypot(x * reach.value - letter.x, y * reach.value - letter.y)
      }),
    )
  const clear = corners.find((each) => nearest(each) > 0.38 * reach.value + 0.12 * R.value)
  return clear ?? [...corners].sort((a, b) => nearest(b) - nearest(a))[0] ?? corners[0]
})
const loupe = computed(() => ({
  x: reach.value * corner.value.x,
  y: reach.value * corner.value.y,
  r: reach.value * 0.38,
}))
const trailPath = computed(() =>
  trail
    .map((point) => at(point))
    .map(({ x, y }) => `${(hole.value.x + x).toFixed(2)},${(hole.value.y + y).toFixed(2)}`)
    .join(' '),
)
</script>

<template>
  <svg :viewBox="box" class="peephole in-colour" role="img" aria-label="The view through the peephole, open end up">
    <defs v-memo="still">
      <clipPath :id="`${clip}-tube`"><path :d="path(view.drawtube)" /></clipPath>
      <clipPath :id="`${clip}-flat`"><path :d="path(view.secondary)" /></clipPath>
      <clipPath :id="`${clip}-primary`"><path :d="path(view.primary)" /></clipPath>
      <clipPath :id="`${clip}-loupe`"><circle :cx="loupe.x" :cy="loupe.y" :r="loupe.r" /></clipPath>
    </defs>
    <circle :r="reach * 1.5" class="wall" />
    <path v-memo="still" :d="path(view.drawtube)" class="tube" />
    <g :clip-path="`url(#${clip}-tube)`">
      <g v-memo="still">
        <path :d="path(view.holder)" class="holder" />
        <path :d="path(view.secondary)" class="flat" />
      </g>
      <g :clip-path="`url(#${clip}-flat)`">
        <path v-memo="still" :d="path(view.primary)" class="sky" />
        <g :clip-path="`url(#${clip}-primary)`">
          <path v-for="(vane, i) in view.vanes" :key="i" :d="path(vane)" class="dark" />
          <MiddleOfView v-bind="middle" />
        </g>
        <g v-memo="still">
          <path v-for="(one, i) in view.clips" :key="`c${i}`" :d="path(one)" class="clip" />
        </g>
      </g>
      <path v-memo="still" :d="path(view.secondary)" class="edge" />
    </g>
    <g v-for="screw in screws" :key="screw.name" :class="['letter', { lit: screw.name === highlight }]">
      <circle :cx="letterAt(screw.angleDeg).x" :cy="letterAt(screw.angleDeg).y" :r="R * 0.105" />
      <text :x="letterAt(screw.angleDeg).x" :y="letterAt(screw.angleDeg).y + R * 0.048" :font-size="R * 0.14">
        {{ screw.name }}
      </text>
    </g>
    <g v-if="!plain" :clip-path="`url(#${clip}-loupe)`">
      <circle :cx="loupe.x" :cy="loupe.y" :r="loupe.r" class="sky" />
      <g
        :transform="`translate(${loupe.x} ${loupe.y}) scale(${scale}) translate(${-loupeCentre.x} ${-loupeCentre.y})`"
      >
        <MiddleOfView v-bind="middle" />
        <circle v-if="limitMm !== null" :cx="hole.x" :cy="hole.y" :r="limitMm" class="limit" />
        <circle v-if="goodMm !== null" :cx="hole.x" :cy="hole.y" :r="goodMm" class="limit thin" />
        <polyline v-if="trail.length > 1" :points="trailPath" class="trail" />
        <line :x1="mark.x" :y1="mark.y" :x2="hole.x" :y2="hole.y" class="offset" />
      </g>
    </g>
    <circle v-if="!plain" :cx="loupe.x" :cy="loupe.y" :r="loupe.r" class="loupe" />
  </svg>
</template>

<style scoped>
.peephole {
  display: block;

  /* A turned screw redraws this and nothing about it. */
  contain: layout paint;
  width: 100%;
  aspect-ratio: 1 / 1.02;
}

.wall {
  fill: #34465c;
}

.tube {
  fill: var(--deep);
}

.holder {
  fill: #0e1d2d;
}

.flat {
  fill: #8fa0af;
}

.edge {
  fill: none;
  stroke: #e8e5d8;
  stroke-width: 0.4;
}

.sky {
  fill: #e8e5d8;
}

.dark {
  fill: #24384f;
}

.clip {
  fill: #4b6179;
}

.letter circle {
  fill: #0e1d2d;
}

.letter text {
  fill: #fffdf7;
  font-family: var(--sans);
  font-weight: 660;
  text-anchor: middle;
}

.letter.lit circle {
  fill: #f2d9a0;
}

.letter.lit text {
  fill: #182e45;
}

.limit {
  fill: none;
  stroke: var(--brass);
  stroke-width: 0.25;
}

.limit.thin {
  stroke-width: 0.14;
  stroke-dasharray: 0.5 0.5;
}

.trail {
  fill: none;
  stroke: var(--graphite);
  stroke-width: 0.22;
  stroke-linejoin: round;
}

.offset {
  stroke: var(--rust);
  stroke-width: 0.35;
}

.loupe {
  fill: none;
  stroke: var(--brass);
  stroke-width: 0.9;
}
</style>
