<script setup lang="ts">
import type { IssuedGuide } from '@binoculum/contract'
import { clockText, guideDate, guideTime, ringInScope } from '@binoculum/core'
import { computed } from 'vue'
import GuideDrawing from './GuideDrawing.vue'
import SaidText from './SaidText.vue'
import type { Block } from './guide-pages.ts'
import { useWords } from './guide-language.ts'
import { useNight } from './use-night.ts'

/** Equatorial heads: the scale at the borrower's latitude, and with a sighting scope the pole's star on its ring. */
const { guide } = defineProps<{ guide: IssuedGuide; block: Block }>()
const { say, language } = useWords()
const { night } = useNight()
const scope = computed(() => (guide.sightingScope === 'none' ? null : guide.sightingScope))
const ring = computed(() =>
  night.value?.pole && scope.value ? ringInScope(night.value.pole.ringClock, scope.value) : null,
)
const spot = computed(() => {
  const turn = ((ring.value ?? 0) / 12) * 2 * Math.PI
  return { x: 40 * Math.sin(turn), y: -40 * Math.cos(turn) }
})
</script>

<template>
  <p v-if="guide.place" class="lead">
    {{ say('Your latitude: {deg}°', { deg: Math.abs(guide.place.latitudeDeg).toFixed(1) }) }} ({{
      guide.place.name
    }}).
    {{ say(guide.place.latitudeDeg < 0 ? 'The axis points south.' : 'The axis points north.') }}
  </p>
  <GuideDrawing v-if="guide.drawn" :guide="guide" drawing="latitude" :undo="false" />
  <p v-for="(line, index) in block.lines" :key="index"><SaidText :said="line" /></p>
  <template v-if="ring !== null && night?.pole && guide.place && night.sessionUtc">
    <h2>
      {{
        say('In the sighting scope, {date} about {time}', {
          date: guideDate(night.date, language),
          time: guideTime(night.sessionUtc, guide.place.zone),
        })
      }}
    </h2>
    <svg viewBox="-60 -60 120 120" class="ring" aria-hidden="true">
      <circle r="40" />
      <path d="M-52 0H52M0 -52V52" />
      <circle :cx="spot.x" :cy="spot.y" r="4.5" class="star" />
    </svg>
    <p>
      {{
        say('{star} belongs at {clock} on the ring, read like a clock.', {
          star: night.pole.star,
          clock: clockText(ring),
        })
      }}
    </p>
    <p v-if="guide.place.latitudeDeg < 0" class="second">
      {{ say('It is faint: without the scope you won’t see it.') }}
    </p>
  </template>
</template>

<style scoped>
.lead {
  font-weight: 640;
}

.ring {
  display: block;
  width: 180px;
  margin: 8px auto;
}

.ring circle,
.ring path {
  fill: none;
  stroke: var(--rule-strong);
}

.ring .star {
  fill: var(--night);
  stroke: none;
}

h2 {
  font-size: 18px;
  line-height: 24px;
}
</style>
