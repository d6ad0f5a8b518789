<script setup lang="ts">
import { circleAbout, USUAL_MARGIN_DEG, type DaySpan, type SunDay } from '@binoculum/core'
import { computed, useId } from 'vue'
import { hourText } from '../dates.ts'
import { sharedWords } from '../words.ts'

const t = sharedWords('sunStrip')

/** The Sun over one day and one landmark: its way over the horizon, what lies too near, and the same as hours. */
const {
  day,
  strip,
  target,
  name,
  zone,
  now,
  tall = true,
} = defineProps<{
  day: SunDay
  strip: readonly DaySpan[]
  target: { readonly azimuthDeg: number; readonly altitudeDeg: number }
  name: string
  zone: string
  now: Date
  /** With the horizon above the strip. */
  tall?: boolean
}>()
const W = 690
const id = useId()
const HORIZON_Y = 118
const HOUR_STEPS = 12
/** The horizon is cut open opposite the Sun's highest place. */
const noonDeg = computed(
  () => day.path.reduce((best, at) => (at.altitudeDeg > best.altitudeDeg ? at : best)).azimuthDeg,
)
const x = (azimuthDeg: number) => {
  const off = ((azimuthDeg - noonDeg.value + 540) % 360) - 180
  return W / 2 + (off / 360) * W
}
/** Room for the Sun at its highest, and for 45° above a landmark. */
const highest = computed(() => Math.max(62, ...day.path.map(({ altitudeDeg }) => altitudeDeg + 6)))
const y = (altitudeDeg: number) => HORIZON_Y - (altitudeDeg / highest.value) * (HORIZON_Y - 4)
const path = computed(() =>
  day.path
    .filter(({ altitudeDeg }) => altitudeDeg > -1)
    .map(
      ({ azimuthDeg, altitudeDeg }, i) =>
        `${i === 0 ? 'M' : 'L'}${x(azimuthDeg).toFixed(1)} ${y(altitudeDeg).toFixed(1)}`,
    )
    .join(''),
)
const hours = computed(() =>
  day.path
    .map((at, i) => ({ ...at, ms: day.fromMs + i * 300_000, i }))
    .filter(({ i, altitudeDeg }) => i % HOUR_STEPS === 0 && altitudeDeg > 0),
)
/** All directions 45° from the landmark, as they lie on this drawing. */
const never = computed(() => {
  const points = circleAbout(target, USUAL_MARGIN_DEG)
    .filter(({ altitudeDeg }) => altitudeDeg >= -0.5)
    .map(
      ({ altitudeDeg, azimuthFromCentreDeg }) =>
        `${(x(target.azimuthDeg) + (azimuthFromCentreDeg / 360) * W).toFixed(1)} ${y(altitudeDeg).toFixed(1)}`,
    )
  return points.length > 2 ? `M${points.join('L')}Z` : ''
})
const share = (utc: string) => ((Date.parse(utc) - day.fromMs) / (day.untilMs - day.fromMs)) * W
const nowX = computed(() => ((now.getTime() - day.fromMs) / (day.untilMs - day.fromMs)) * W)
const sunNow = computed(() => day.path[Math.round((now.getTime() - day.fromMs) / 300_000)])
const spans = computed(() =>
  strip.map((span) => ({
    ...span,
    x: share(span.fromUtc),
    width: share(span.untilUtc) - share(span.fromUtc),
    words: { night: t('useAStar'), never: 'never', usable: t('mayBeUsed') }[span.kind],
  })),
)
const edges = computed(() => {
  const all = strip.slice(1).map(({ fromUtc }) => ({ x: share(fromUtc), words: hourText(fromUtc, zone) }))
  return all.filter(({ x: at }, i) => i === 0 || at - (all[i - 1]?.x ?? 0) > 44)
})
const winds = ['north', 'east', 'south', 'west'].map((words, i) => ({ words, deg: 90 * i }))
</script>

<template>
  <svg
    class="block w-full"
    :viewBox="tall ? `-4 -6 ${W + 8} 200` : `-4 126 ${W + 8} 66`"
    role="img"
    :aria-label="
      t('theSunTodayAnd', {
        name,
        strip: strip
          .map(({ kind, fromUtc, untilUtc }) =>
            t('fromUtcTo', {
              fromUtc: hourText(fromUtc, zone),
              untilUtc: hourText(untilUtc, zone),
              what: { night: t('dark'), never: t('never'), usable: t('mayBeUsed') }[kind],
            }),
          )
          .join(', '),
      })
    "
  >
    <defs>
      <pattern :id="`${id}-never`" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(35)">
        <line y2="7" class="stroke-rust [stroke-opacity:0.6]" />
      </pattern>
      <clipPath :id="`${id}-sky`"><rect x="-4" y="-6" :width="W + 8" :height="HORIZON_Y + 6" /></clipPath>
    </defs>
    <template v-if="tall">
      <g :clip-path="`url(#${id}-sky)`">
        <path
          v-for="turn in [-1, 0, 1]"
          :key="turn"
          :d="never"
          :transform="`translate(${turn * W} 0)`"
          class="never"
          :fill="`url(#${id}-never)`"
        />
        <path :d="path" class="way fill-none stroke-brass stroke-1.6" />
        <g v-for="hour in hours" :key="hour.i">
          <circle :cx="x(hour.azimuthDeg)" :cy="y(hour.altitudeDeg)" r="3" class="fill-paper stroke-brass" />
          <text
            v-if="hour.i % 24 === 0"
            :x="x(hour.azimuthDeg)"
            :y="y(hour.altitudeDeg) - 8"
            class="middle quiet [font:400_13px_var(--sans)] fill-quiet"
          >
            {{ hourText(new Date(hour.ms).toISOString(), zone).slice(0, 2) }}
          </text>
        </g>
        <g v-if="sunNow && sunNow.altitudeDeg > -1">
          <circle :cx="x(sunNow.azimuthDeg)" :cy="y(sunNow.altitudeDeg)" r="8" class="fill-crescent stroke-brass" />
        </g>
      </g>
      <line :x2="W" :y1="HORIZON_Y" :y2="HORIZON_Y" class="stroke-ink stroke-2" />
      <rect
        :x="x(target.azimuthDeg) - 4"
        :y="Math.min(y(target.altitudeDeg), HORIZON_Y - 10)"
        width="8"
        :height="Math.max(HORIZON_Y - y(target.altitudeDeg), 10)"
        class="mark fill-night"
      />
      <text
        v-for="wind in winds"
        :key="wind.deg"
        :x="x(wind.deg)"
        :y="HORIZON_Y + 15"
        class="middle quiet [font:400_13px_var(--sans)] fill-quiet"
      >
        {{ wind.words }}
      </text>
    </template>
    <g v-for="span in spans" :key="span.fromUtc">
      <rect :x="span.x" y="142" :width="span.width" height="20" :class="['span', span.kind]" />
      <rect
        v-if="span.kind === 'never'"
        :x="span.x"
        y="142"
        :width="span.width"
        height="20"
        :fill="`url(#${id}-never)`"
      />
      <text
        v-if="span.width > 80"
        class="fill-ink [font:400_13px_var(--sans)]"
        :x="span.x + span.width / 2"
        y="157"
        :class="['middle', 'words', span.kind]"
      >
        {{ span.words }}
      </text>
    </g>
    <text
      v-for="edge in edges"
      :key="edge.x"
      :x="edge.x"
      y="180"
      class="middle quiet [font:400_13px_var(--sans)] fill-quiet"
    >
      {{ edge.words }}
    </text>
    <path :d="`M${nowX} 164V138M${nowX - 5} 134h10l-5 7Z`" class="fill-ink stroke-ink stroke-2" />
    <text
      v-if="edges.every((edge) => Math.abs(edge.x - nowX) > 60)"
      :x="nowX"
      y="180"
      class="middle strong fill-ink [font:400_13px_var(--sans)]"
    >
      {{ t('nowAt', { at: hourText(now.toISOString(), zone) }) }}
    </text>
  </svg>
</template>

<style scoped>
.middle {
  text-anchor: middle;
}

.strong,
.words {
  font-weight: 640;
}

.never {
  stroke: var(--rust);
}

.span {
  stroke: var(--brass);
}

.span.night {
  fill: var(--deep);
  stroke: var(--deep);
}

.span.usable {
  fill: var(--lit);
}

.span.never {
  fill: var(--card);
  stroke: var(--rust);
}

.words.night {
  fill: var(--on-night);
}

.words.never {
  fill: var(--rust);
  paint-order: stroke;
  stroke: var(--card);
  stroke-width: 5px;
}
</style>
