<script setup lang="ts">
import type { IssuedGuide } from '@binoculum/contract'
import {
  findingChart,
  leftOutBy,
  leftOutWords,
  guideDate,
  guideTime,
  noTargetWords,
  WITH_EXTENSION,
  type GuideNight,
} from '@binoculum/core'
import { computed, ref } from 'vue'
import AltitudeDial from './AltitudeDial.vue'
import FindingDrawing from './FindingDrawing.vue'
import FirstNight from './FirstNight.vue'
import NightHorizon from './NightHorizon.vue'
import NightsTable from './NightsTable.vue'
import SaidText from './SaidText.vue'
import SkyTest from './SkyTest.vue'
import { useSkyTest } from './use-sky-test.ts'
import { directionWord, fistsWords } from './sky-words.ts'
import { textOf } from './guide-pages.ts'
import { useWords } from './guide-language.ts'
import { useNight } from './use-night.ts'
import { useReach } from './use-reach.ts'

/** One evening: the Sun and the Moon, four sure things on the horizon, and the rest of what this tube shows. */
const { guide, token } = defineProps<{ guide: IssuedGuide; token: string }>()
const emit = defineEmits<{ lost: [] }>()
const { say, sayPart, language } = useWords()
const eyepieces = (names: readonly string[]) => names.map(sayPart).join(say(', then '))

const { chosen, night, past } = useNight()
const skyTest = useSkyTest(guide)
/** What air and sky don't allow tonight, with the reason. */
const leftOut = computed(
  () =>
    night.value?.targets.flatMap(({ id, kind }) => {
      const why = leftOutBy({ kind }, skyTest.verdict.value)
      return why ? [{ id, why }] : []
    }) ?? [],
)
const worthIt = computed(
  () => night.value?.targets.filter(({ id }) => !leftOut.value.some((each) => each.id === id)) ?? [],
)
const picks = ref(false)
const place = computed(() => guide.place)
const words = computed(() => textOf(guide, language.value).targets)
const time = (utc: string | null) => (utc && place.value ? guideTime(utc, place.value.zone) : null)
/** Nobody needs stars to find the Moon. */
const isMoon = ({ kind }: GuideNight['targets'][number]) => kind === 'moon' || kind === 'moon-feature'
const FIRST = 4
const atOnce = computed(() =>
  worthIt.value.filter(({ session, kind }) => session && kind !== 'moon-feature').slice(0, FIRST),
)
const later = computed(() => worthIt.value.filter((target) => !atOnce.value.includes(target)))
const moonWords = computed(() => {
  const now = night.value
  if (!now) return ''
  const lit = Math.round(now.moonLit * 100)
  if (lit < 3) return say('New Moon: a dark sky.')
  const up = time(now.moonriseUtc)
  const down = time(now.moonsetUtc)
  const shape = say(now.moonWaxing ? '{lit} % of the Moon is lit, waxing' : '{lit} % of the Moon is lit, waning', {
    lit,
  })
  const rise = up ? say('it rises {time}', { time: up }) : ''
  const set = down ? say('it sets {time}', { time: down }) : ''
  return [shape, rise, set].filter(Boolean).join('; ') + '.'
})
const title = computed(() =>
  night.value?.sessionUtc ? say('At {time}', { time: time(night.value.sessionUtc) ?? '' }) : '',
)
const chartOf = (target: GuideNight['targets'][number], atUtc: string) =>
  place.value &&
  findingChart({
    target,
    latitudeDeg: place.value.latitudeDeg,
    longitudeDeg: place.value.longitudeDeg,
    atUtc,
  })
const { reachFor, facingFor, legsFor, sideFor } = useReach(() => guide)
const placed = (target: GuideNight['targets'][number]) => ({ ...target, ...(target.session ?? {}) })
</script>

<template>
  <p v-if="!night || !place">
    {{ say('No nights were worked out for this guide. Ask the library for a new link.') }}
  </p>
  <template v-else>
    <p class="when">
      <b>{{ guideDate(night.date, language) }}</b>
      {{ title }} · {{ place.name }}
      <button type="button" class="link-button screen-only" :aria-expanded="picks" @click="picks = !picks">
        {{ say('Other nights') }}
      </button>
    </p>
    <p v-if="past" class="rust screen-only">
      {{ say('The loan’s nights are over. This was the last one; tonight’s sky is a little different.') }}
    </p>
    <div v-if="picks" class="nights" role="group" :aria-label="say('Other nights')">
      <button
        v-for="(each, index) in guide.nights"
        :key="each.date"
        type="button"
        :aria-pressed="index === chosen"
        @click="
          () => {
            chosen = index
            picks = false
          }
        "
      >
        {{ guideDate(each.date, language) }}
      </button>
    </div>
    <NightHorizon :targets="atOnce.map(placed)" :southern="place.latitudeDeg < 0" :moon-lit="night.moonLit" />
    <p class="second facts">
      <span v-if="night.sunsetUtc">{{ say('Sun down {time}.', { time: time(night.sunsetUtc) ?? '' }) }}</span>
      <span v-if="night.darkFromUtc">{{ say('Dark from {time}.', { time: time(night.darkFromUtc) ?? '' }) }}</span>
      <span v-else>{{ say('It never gets quite dark.') }}</span>
      <span>{{ moonWords }}</span>
    </p>
    <p v-if="night.notBeforeUtc" class="never">
      <b>{{ say('Never before {time}:', { time: time(night.notBeforeUtc) ?? '' }) }}</b>
      {{ say('the Sun is still too near. A fist at arm’s length is 10°.') }}
    </p>
    <SkyTest :guide="guide" :test="skyTest" />
    <p v-if="night.reason">{{ say(noTargetWords[night.reason]) }}</p>
    <p v-if="guide.reach && guide.reach.extensionMm > 0" class="second">{{ say(WITH_EXTENSION) }}</p>
    <ol class="targets">
      <li v-for="(target, index) in atOnce" :key="target.id">
        <span class="number">{{ index + 1 }}</span>
        <div>
          <h2>
            <SaidText v-if="words[target.id]" :said="words[target.id]?.name ?? ''" />
            <span class="quiet">{{ say(directionWord(placed(target).azimuthDeg)) }}</span>
          </h2>
          <p><SaidText :said="words[target.id]?.look ?? ''" /></p>
          <p class="brass">{{ eyepieces(target.eyepieces) }}</p>
          <p v-if="guide.reach" class="second">
            {{ reachFor(placed(target).altitudeDeg) }} {{ facingFor(placed(target)) }}
          </p>
          <p v-if="sideFor(placed(target)).length > 0" class="second">{{ sideFor(placed(target)).join(' ') }}</p>
          <p v-if="target.told" class="second">
            {{ say('{saw} of {tried} who looked for it with one like this saw it.', { ...target.told }) }}
          </p>
          <details>
            <summary>{{ say('How to find it') }}</summary>
            <div class="how">
              <p><SaidText :said="words[target.id]?.find ?? ''" /></p>
              <FindingDrawing
                v-if="!isMoon(target) && night.sessionUtc && target.session"
                :chart="chartOf(placed(target), night.sessionUtc)"
                :name="say('Where it stands among the stars')"
              />
            </div>
          </details>
        </div>
        <AltitudeDial
          :altitude-deg="placed(target).altitudeDeg"
          :label="fistsWords(placed(target).altitudeDeg, say)"
        />
      </li>
    </ol>
    <template v-if="later.length > 0">
      <h2>{{ say('More, each at its best hour') }}</h2>
      <ul class="later">
        <li v-for="target in later" :key="target.id">
          <b><SaidText :said="words[target.id]?.name ?? ''" /></b>
          <span class="quiet">
            {{ time(target.bestUtc) }}, {{ say(directionWord(target.azimuthDeg)) }},
            {{ fistsWords(target.altitudeDeg, say) }} · {{ eyepieces(target.eyepieces) }}
            <template v-if="guide.reach"> · {{ reachFor(target.altitudeDeg) }}</template>
            <template v-if="legsFor(target)"> · {{ legsFor(target) }}</template>
          </span>
          <details>
            <summary>{{ say('How to find it') }}</summary>
            <div class="how">
              <div>
                <p><SaidText :said="words[target.id]?.find ?? ''" /></p>
                <p><SaidText :said="words[target.id]?.look ?? ''" /></p>
              </div>
              <FindingDrawing
                v-if="!isMoon(target)"
                :chart="chartOf(target, target.bestUtc)"
                :name="say('Where it stands among the stars')"
              />
            </div>
          </details>
        </li>
      </ul>
    </template>
    <template v-if="leftOut.length > 0">
      <h2>{{ say('Not tonight') }}</h2>
      <ul class="later">
        <li v-for="{ id, why } in leftOut" :key="id">
          <b><SaidText v-if="words[id]" :said="words[id]?.name ?? ''" /></b>
          <span class="quiet">{{ say(leftOutWords[why]) }}</span>
        </li>
      </ul>
    </template>
    <div v-if="guide.nights.length > 1" class="paper-only"><NightsTable :guide="guide" /></div>
    <FirstNight :guide="guide" :token="token" />
    <button type="button" class="button lost screen-only" @click="emit('lost')">{{ say('I can’t find it') }}</button>
  </template>
</template>

<style scoped>
.when {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  align-items: baseline;
  margin-bottom: 8px;
}

.when .link-button {
  min-height: 40px;
  margin-left: auto;
}

.nights {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-bottom: 10px;
}

.nights button {
  min-height: 44px;
  padding: 4px 12px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  background: var(--card);
  color: var(--ink);
  font: inherit;
  font-size: 15px;
}

.nights button[aria-pressed='true'] {
  border-color: var(--night);
  font-weight: 640;
}

.never {
  margin-top: 6px;
  font-size: 15px;
  line-height: 20px;
}

.never b {
  margin-right: 5px;
  color: var(--rust);
}

.targets,
.later {
  margin: 10px 0;
  padding: 0;
  list-style: none;
}

.targets li {
  display: grid;
  grid-template-columns: 22px minmax(0, 1fr) 72px;
  gap: 8px;
  padding: 10px 0;
  border-top: 1px solid var(--rule);
}

.number {
  color: var(--night);
  font-weight: 640;
}

h2 {
  font-size: 22px;
  line-height: 26px;
}

h2 .quiet {
  margin-left: 8px;
  font: 400 15px var(--sans);
}

.later .quiet {
  margin-left: 6px;
}

.facts span,
.never span {
  margin-right: 5px;
}

.brass {
  font-weight: 640;
}

.later li {
  padding: 9px 0;
  border-top: 1px solid var(--rule);
}

summary {
  min-height: 32px;
  padding: 5px 0;
  color: var(--night);
  cursor: pointer;
}

.lost {
  width: 100%;
  min-height: 52px;
}

@media print {
  .targets li,
  .later li {
    break-inside: avoid;
  }

  .later {
    columns: 2;
    column-gap: 8mm;
  }

  .how {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 4mm;
  }

  .when,
  h2 {
    break-after: avoid;
  }
}
</style>
