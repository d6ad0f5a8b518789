<script setup lang="ts">
import type { IssuedGuide } from '@binoculum/contract'
import { degText, powerText } from '@binoculum/core'
import { computed } from 'vue'
import { useWords } from './guide-language.ts'

/** What each eyepiece shows: its true field beside the Moon's disc to one scale, and in a table which to start with, which
 * are for steady air, and which this tube can't use. */
const { powers } = defineProps<{ powers: IssuedGuide['powers'] }>()
const { say, sayPart, figure } = useWords()
const MOON_DEG = 0.52
/** Pictures of the powers that are worth looking through, lowest first. */
const pictured = computed(() =>
  powers
    .filter(({ barlow, trueFieldDeg, verdict }) => barlow === null && trueFieldDeg !== null && verdict !== 'empty')
    .slice(0, 3),
)
const moonRadius = (fieldDeg: number) => (60 * MOON_DEG) / fieldDeg
const seconds = (s: number | null) =>
  s === null
    ? '–'
    : s < 90
      ? say('{count} s', { count: Math.round(s) })
      : say('{count} min', { count: (s / 60).toFixed(s < 600 ? 1 : 0) })
const anyWide = computed(() => powers.some(({ wideBarrel }) => wideBarrel))
const barrelWords = ({ wideBarrel }: IssuedGuide['powers'][number]) =>
  anyWide.value ? ` · ${say(wideBarrel ? 'wide: without the adapter' : 'with the adapter')}` : ''
const verdictWords = {
  'too-low': 'too low: light is wasted',
  good: 'good',
  'steady-air-only': 'in steady air only',
  empty: 'too much: only a bigger blur',
} as const
</script>

<template>
  <p v-if="powers.length === 0">{{ say('No eyepiece is on this kit’s card. Ask the library.') }}</p>
  <template v-else>
    <div class="fields">
      <figure v-for="(power, index) in pictured" :key="power.eyepiece">
        <svg
          viewBox="-64 -64 128 128"
          role="img"
          :aria-label="say('The Moon as {eyepiece} shows it', { eyepiece: sayPart(power.eyepiece) })"
        >
          <clipPath :id="`field-${index}`"><circle r="60" /></clipPath>
          <circle r="60" class="sky" />
          <g :clip-path="`url(#field-${index})`">
            <circle :r="moonRadius(power.trueFieldDeg ?? 1)" class="moon" />
            <g :transform="`scale(${moonRadius(power.trueFieldDeg ?? 1) / 60})`" class="maria">
              <ellipse cx="-16" cy="-18" rx="20" ry="15" />
              <ellipse cx="20" cy="-14" rx="12" ry="10" />
              <ellipse cx="12" cy="20" rx="16" ry="9" />
            </g>
          </g>
        </svg>
        <figcaption>
          <b>{{
            index === 0
              ? say('{eyepiece} first', { eyepiece: sayPart(power.eyepiece) })
              : say('then {eyepiece}', { eyepiece: sayPart(power.eyepiece) })
          }}</b>
          {{ say('{power} times', { power: Math.round(power.magnification) }) }}
        </figcaption>
      </figure>
    </div>
    <p class="second">{{ say('The round picture is what you see; the Moon in it is to scale.') }}</p>
    <div class="scroll" tabindex="0" role="region" :aria-label="say('Powers of its eyepieces')">
      <table>
        <thead>
          <tr>
            <th scope="col">{{ say('eyepiece') }}</th>
            <th scope="col">{{ say('power|magnification') }}</th>
            <th scope="col">{{ say('field') }}</th>
            <th scope="col">{{ say('exit pupil') }}</th>
            <th scope="col">{{ say('stays in view') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="(power, index) in powers"
            :key="index"
            :class="{ unusable: power.verdict === 'empty', start: power.start }"
          >
            <td>
              {{ sayPart(power.eyepiece)
              }}<template v-if="power.barlow"><br />+ {{ sayPart(power.barlow) }}</template>
              <b v-if="power.start">{{ say('start here') }}</b>
              <span class="words"
                >{{ say(verdictWords[power.verdict]) }}{{ power.wholeMoon ? ` · ${say('shows the whole Moon')}` : ''
                }}{{ barrelWords(power) }}</span
              >
            </td>
            <td class="figure">{{ powerText(power.magnification) }}</td>
            <td>{{ power.trueFieldDeg === null ? '–' : figure(degText(power.trueFieldDeg)) }}</td>
            <td>{{ figure(power.exitPupilMm.toFixed(1)) }} mm</td>
            <td>{{ seconds(power.driftSeconds) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </template>
</template>

<style scoped>
.fields {
  display: flex;
  gap: 10px;
  justify-content: center;
}

figure {
  flex: 1 1 0;
  max-width: 150px;
  margin: 0 0 8px;
  text-align: center;
}

figcaption b {
  display: block;
  line-height: 18px;
}

figcaption {
  font-size: 0.85em;
}

.sky {
  fill: var(--field);
}

.moon {
  fill: var(--field-moon);
}

.maria ellipse {
  fill: var(--field-maria);
}

@media print {
  .sky,
  .moon {
    fill: #fff;
    stroke: #000;
  }

  .maria ellipse {
    fill: #ccc;
  }
}

.scroll {
  overflow-x: auto;
}

table {
  width: 100%;
  margin-top: 10px;
  border-collapse: collapse;
}

th {
  padding-right: 8px;
  color: var(--quiet);
  font: italic 400 15px/17px var(--serif);
  text-align: left;
  vertical-align: bottom;
}

td {
  padding: 7px 8px 7px 0;
  border-bottom: 1px solid var(--rule);
  font-size: 15px;
  line-height: 19px;
  vertical-align: top;
}

td b {
  display: block;
}

.figure {
  font-size: 19px;
  font-weight: 640;
}

.unusable .figure {
  text-decoration: line-through;
  font-weight: 400;
}

.words {
  display: block;
  color: var(--quiet);
  font-size: 13px;
  line-height: 17px;
}

.start td {
  border-bottom: 2px solid var(--night);
}
</style>
