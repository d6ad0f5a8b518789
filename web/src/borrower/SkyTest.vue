<script setup lang="ts">
import type { IssuedGuide } from '@binoculum/contract'
import {
  airWords,
  highestWorth,
  moonEdges,
  moonEdgeWords,
  ONLY_LOWEST,
  patternWords,
  powerText,
  SKY_OF_PLACE,
  skyWords,
  twinkles,
  twinkleWords,
} from '@binoculum/core'
import { computed } from 'vue'
import { useWords } from './guide-language.ts'
import type { useSkyTest } from './use-sky-test.ts'

/** Two minutes before the first look: do stars twinkle, does the Moon's edge boil, how faint do they go; then the highest power
 * that is worth it, and what the sky shows. */
const { guide, test } = defineProps<{ guide: IssuedGuide; test: ReturnType<typeof useSkyTest> }>()
const { say, sayPart } = useWords()
const { answers, verdict, pattern, answer } = test

const air = computed(() => {
  const { air: found, mostPower } = verdict.value
  const best = mostPower === null ? null : highestWorth(guide.powers, mostPower)
  if (!found || mostPower === null || !best) return null
  const eyepiece = [best.eyepiece, ...(best.barlow ? [best.barlow] : [])].map(sayPart).join(' + ')
  const sentence = best.magnification > mostPower ? ONLY_LOWEST : airWords[found]
  return say(sentence, {
    power: powerText(Math.round(mostPower)),
    eyepiece: `${eyepiece}, ${powerText(best.magnification)}`,
  })
})
const counts = computed(() => Array.from({ length: (pattern?.magnitudes.length ?? 0) + 1 }, (_each, count) => count))
</script>

<template>
  <details class="sky-test screen-only">
    <summary>{{ say('Is tonight good enough? Two minutes') }}</summary>
    <fieldset>
      <legend>{{ say('Do stars high up twinkle?') }}</legend>
      <button
        v-for="each in twinkles"
        :key="each"
        type="button"
        :aria-pressed="answers.twinkle === each"
        @click="answer({ twinkle: each })"
      >
        {{ say(twinkleWords[each]) }}
      </button>
    </fieldset>
    <fieldset>
      <legend>{{ say('The Moon’s edge at the lowest power') }}</legend>
      <button
        v-for="each in moonEdges"
        :key="each"
        type="button"
        :aria-pressed="answers.moonEdge === each"
        @click="answer({ moonEdge: each })"
      >
        {{ say(moonEdgeWords[each]) }}
      </button>
      <button type="button" @click="answer({ moonEdge: null })">{{ say('The Moon isn’t up') }}</button>
    </fieldset>
    <fieldset v-if="pattern">
      <legend>{{ say(patternWords[pattern.key]) }}</legend>
      <button
        v-for="count in counts"
        :key="count"
        type="button"
        :aria-pressed="answers.stars === count"
        @click="answer({ stars: count })"
      >
        {{ count }}
      </button>
    </fieldset>
  </details>
  <p v-if="air" class="verdict" role="status">{{ air }}</p>
  <p v-if="verdict.sky" class="verdict" role="status">
    {{ say(skyWords[verdict.sky]) }}<template v-if="verdict.isSkyOfPlace"> {{ say(SKY_OF_PLACE) }}</template>
  </p>
</template>

<style scoped>
fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 0 0 10px;
  padding: 0;
  border: 0;
}

legend {
  margin-bottom: 6px;
}

fieldset button {
  min-width: 44px;
  min-height: 44px;
  padding: 6px 12px;
  border: 1px solid var(--rule-strong);
  border-radius: 6px;
  background: var(--card);
  color: var(--ink);
  font: inherit;
}

fieldset button[aria-pressed='true'] {
  border-color: var(--night);
  box-shadow: inset 0 0 0 2px var(--night);
  font-weight: 640;
}

summary {
  min-height: 44px;
  padding: 10px 0;
}

.verdict {
  margin-top: 6px;
  font-weight: 640;
}
</style>
