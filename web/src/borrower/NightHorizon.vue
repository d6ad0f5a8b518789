<script setup lang="ts">
import { computed } from 'vue'
import { shortDirection } from './sky-words.ts'
import { useWords } from './guide-language.ts'

/** The whole horizon as a strip, fists of height across it, the sure things numbered where they stand. North of the equator
 * its middle is the south, south of it the north. */
const { targets, southern } = defineProps<{
  targets: readonly { readonly altitudeDeg: number; readonly azimuthDeg: number; readonly kind: string }[]
  southern: boolean
  moonLit: number
}>()
const { say } = useWords()
const WIDTH = 358
const GROUND = 128
const x = (azimuthDeg: number) => (((azimuthDeg + (southern ? 180 : 0)) % 360) / 360) * WIDTH
const y = (altitudeDeg: number) => GROUND - (altitudeDeg / 90) * 118
const marks = computed(() => {
  // Numbers that would lie on each other are moved apart.
  const placed: { x: number; y: number; number: number; kind: string }[] = []
  targets.forEach((target, index) => {
    let [px, py] = [x(target.azimuthDeg), Math.max(12, y(target.altitudeDeg))]
    while (placed.some((other) => Math.hypot(other.x - px, other.y - py) < 21))
      px = px + 21 > WIDTH - 10 ? px - 42 : px + 21
    placed.push({ x: Math.min(Math.max(px, 11), WIDTH - 11), y: py, number: index + 1, kind: target.kind })
  })
  return placed
})
const names = computed(() =>
  [45, 90, 135, 180, 225, 270, 315].map((at) => ({
    x: (at / 360) * WIDTH,
    word: shortDirection(southern ? at + 180 : at),
  })),
)
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} 160`" class="horizon" role="img" :aria-label="say('The horizon, from side to side')">
    <rect :width="WIDTH" height="142" class="sky" />
    <g v-for="fists in [2, 4, 6]" :key="fists">
      <line x1="0" :x2="WIDTH" :y1="y(fists * 10)" :y2="y(fists * 10)" class="fist" />
      <text x="6" :y="y(fists * 10) - 4" class="height">{{ say('{count} fists', { count: fists }) }}</text>
    </g>
    <path
      d="M0 142V131H24L38 122L52 131H96V126H116Q128 116 140 126V131H176L182 112L188 131H232L244 124L258 131H296Q306 120 318 131H358V142Z"
      class="earth"
    />
    <g v-for="mark in marks" :key="mark.number">
      <circle :cx="mark.x" :cy="mark.y" r="9.5" class="mark" />
      <text :x="mark.x" :y="mark.y + 4.5" class="number">{{ mark.number }}</text>
    </g>
    <text v-for="{ x: at, word } in names" :key="at" :x="at" y="156" class="name">
      {{ say(word) }}
    </text>
  </svg>
</template>

<style scoped>
.horizon {
  display: block;
  width: 100%;
  margin-bottom: 8px;
}

.sky {
  fill: var(--field);
}

@media print {
  .sky {
    stroke: #000;
  }
}

.earth {
  fill: var(--field-earth);
}

.fist {
  stroke: var(--field-line);
  stroke-dasharray: 1 4;
}

.height {
  fill: var(--field-words);
  font: 400 12px var(--sans);
}

.mark {
  fill: var(--field-moon);
}

.number {
  fill: var(--field);
  font: 640 13px var(--sans);
  text-anchor: middle;
}

.name {
  fill: var(--quiet);
  font: 400 12.5px var(--sans);
  text-anchor: middle;
}
</style>
