<script setup lang="ts">
import type { AlignmentStar, AlignmentStars } from '@binoculum/core'
import { computed } from 'vue'
import { sharedWords } from '../words.ts'

const t = sharedWords('starHorizon')

/** The alignment stars on a plain horizon, the band 25 to 70° shaded; the chosen ones ringed. */
const { pair, others, apartDeg, latitudeDeg } = defineProps<{
  pair: readonly AlignmentStar[]
  others: AlignmentStars['others']
  apartDeg: number | null
  latitudeDeg: number
}>()
const WIDTH = 690
const HORIZON = 158
const DEG = 1.9
/** The middle of the drawing: halfway between the stars, so that none is cut in two. */
const middle = computed(() => {
  const x = pair.reduce((sum, { azimuthDeg }) => sum + Math.cos((azimuthDeg * Math.PI) / 180), 0)
  const y = pair.reduce((sum, { azimuthDeg }) => sum + Math.sin((azimuthDeg * Math.PI) / 180), 0)
  return pair.length === 0 ? (latitudeDeg < 0 ? 0 : 180) : (Math.atan2(y, x) * 180) / Math.PI
})
const aside = (azimuthDeg: number) => ((azimuthDeg - middle.value + 540) % 360) - 180
const x = (azimuthDeg: number) => WIDTH / 2 + aside(azimuthDeg) * DEG
const y = (altitudeDeg: number) => HORIZON - altitudeDeg * DEG
const directions = [
  ['north', 0],
  ['north-east', 45],
  ['east', 90],
  ['south-east', 135],
  ['south', 180],
  ['south-west', 225],
  ['west', 270],
  ['north-west', 315],
] as const
const visible = (azimuthDeg: number) => x(azimuthDeg) > 20 && x(azimuthDeg) < WIDTH - 20
const why = { 'too-low': t('tooLow'), 'too-high': t('tooHigh'), 'near-moon': t('nearTheMoon') } as const
const beside = (azimuthDeg: number) => x(azimuthDeg) > WIDTH - 150
/** The room a star and its words take on the page. */
const box = (azimuthDeg: number, altitudeDeg: number, widthPx: number): [number, number, number, number] => {
  const [px, py] = [x(azimuthDeg), y(altitudeDeg)]
  return beside(azimuthDeg)
    ? [px - widthPx - 12, py - 10, px + 8, py + 26]
    : [px - 8, py - 10, px + widthPx + 12, py + 26]
}
/** Bright ones besides the pair, as far as their names find room: the brighter one keeps its place. */
const shown = computed(() => {
  const taken = pair.map(({ azimuthDeg, altitudeDeg }) => box(azimuthDeg, altitudeDeg, 170))
  return [...others]
    .filter(({ azimuthDeg, magnitude }) => magnitude < 1.7 && visible(azimuthDeg))
    .sort((a, b) => Number(a.out !== null) - Number(b.out !== null) || a.magnitude - b.magnitude)
    .filter(({ azimuthDeg, altitudeDeg, name, out }) => {
      const own = box(azimuthDeg, altitudeDeg, (name.length + (out ? why[out].length : 0)) * 7.5)
      if (taken.some((other) => own[0] < other[2] && other[0] < own[2] && own[1] < other[3] && other[1] < own[3]))
        return false
      taken.push(own)
      return true
    })
    .slice(0, 6)
})
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} 200`"
    class="block w-full max-w-760px"
    role="img"
    :aria-label="t('alignmentStarsAboveTheHorizon')"
  >
    <rect x="0" :y="y(70)" :width="WIDTH" :height="(70 - 25) * DEG" class="fill-well" />
    <line x1="0" :x2="WIDTH" :y1="y(70)" :y2="y(70)" class="stroke-brass stroke-1" />
    <line x1="0" :x2="WIDTH" :y1="y(25)" :y2="y(25)" class="stroke-brass stroke-1" />
    <text x="4" :y="y(70) + 16" class="deg">70°</text>
    <text x="4" :y="y(25) - 5" class="deg">25°</text>
    <path :d="`M0 ${HORIZON}h${WIDTH}v10H0z`" class="fill-deep" />
    <g v-for="[name, azimuth] in directions" :key="name">
      <template v-if="visible(azimuth)">
        <line :x1="x(azimuth)" :x2="x(azimuth)" :y1="HORIZON + 10" :y2="HORIZON + 16" class="stroke-brass stroke-1" />
        <text :x="x(azimuth)" :y="HORIZON + 32" class="way [text-anchor:middle]">{{ name }}</text>
      </template>
    </g>
    <path
      v-if="pair.length > 1 && pair[0] && pair[1]"
      :d="`M${x(pair[0].azimuthDeg)} ${y(pair[0].altitudeDeg)}Q${(x(pair[0].azimuthDeg) + x(pair[1].azimuthDeg)) / 2} ${y(70) + 4} ${x(pair[1].azimuthDeg)} ${y(pair[1].altitudeDeg)}`"
      class="fill-none stroke-night [stroke-dasharray:4_4]"
    />
    <text
      v-if="apartDeg !== null && pair[0] && pair[1]"
      :x="(x(pair[0].azimuthDeg) + x(pair[1].azimuthDeg)) / 2"
      :y="y(70) + 22"
      class="fill-ink [font:400_14px_var(--sans)] [text-anchor:middle] [paint-order:stroke] stroke-well [stroke-width:8px]"
    >
      {{ t('apartDegApart', { apartDeg: Math.round(apartDeg) }) }}
    </text>
    <g v-for="star in shown" :key="star.name">
      <circle :cx="x(star.azimuthDeg)" :cy="y(star.altitudeDeg)" r="3.6" class="fill-quiet" />
      <text
        :x="x(star.azimuthDeg) + (beside(star.azimuthDeg) ? -8 : 8)"
        :y="y(star.altitudeDeg) + 5"
        :class="['name', { left: beside(star.azimuthDeg) }]"
      >
        {{ star.name }}{{ star.out ? why[star.out] : '' }}
      </text>
    </g>
    <g v-for="(star, index) in pair" :key="star.name">
      <circle
        :cx="x(star.azimuthDeg)"
        :cy="y(star.altitudeDeg)"
        r="12"
        class="chosen fill-none stroke-night stroke-1.8"
      />
      <circle :cx="x(star.azimuthDeg)" :cy="y(star.altitudeDeg)" r="5.5" class="fill-night" />
      <text
        :x="x(star.azimuthDeg) + (beside(star.azimuthDeg) ? -18 : 18)"
        :y="y(star.altitudeDeg) + 22"
        :class="['picked', { left: beside(star.azimuthDeg) }]"
      >
        {{ t('indexUp', { index: index + 1, name: star.name, altitudeDeg: Math.round(star.altitudeDeg) }) }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
.deg,
.way,
.name {
  fill: var(--quiet);
  font: 400 14px var(--sans);
}

.picked {
  fill: var(--night);
  font: 640 15px var(--sans);
  paint-order: stroke;
  stroke: var(--card);
  stroke-width: 4px;
}

.left {
  text-anchor: end;
}
</style>
