<script setup lang="ts">
import type { IssuedGuide } from '@binoculum/contract'
import { guideDate, guideTime } from '@binoculum/core'
import { computed } from 'vue'
import SaidText from './SaidText.vue'
import { directionWord, fistsWords } from './sky-words.ts'
import { textOf, type Block } from './guide-pages.ts'
import { useWords } from './guide-language.ts'
import { useNight } from './use-night.ts'

/** Kits with motors: home position, what the controller asks with what to answer, and two stars for tonight. */
const { guide } = defineProps<{ guide: IssuedGuide; block: Block }>()
const { say, language } = useWords()
const text = computed(() => textOf(guide, language.value))
const { night } = useNight()
</script>

<template>
  <template v-if="text.home.length > 0">
    <h2>{{ say('Home position') }}</h2>
    <ol>
      <li v-for="(step, index) in text.home" :key="index"><SaidText :said="step" /></li>
    </ol>
  </template>
  <p v-for="(line, index) in block.lines" :key="index"><SaidText :said="line" /></p>
  <table v-if="text.controller.length > 0">
    <tbody>
      <tr v-for="(line, index) in text.controller" :key="index" :class="{ careful: line.careful }">
        <th scope="row"><SaidText :said="line.asks" /></th>
        <td>
          <b><SaidText :said="line.entry" /></b>
          <span v-if="line.hint" class="second"><SaidText :said="line.hint" /></span>
        </td>
      </tr>
    </tbody>
  </table>
  <p v-if="guide.place && text.controller.length > 0" class="second">
    {{ say('For {place}. Somewhere else? Enter that place instead.', { place: guide.place.name }) }}
  </p>
  <template v-if="night && night.stars.length > 0 && guide.place && night.sessionUtc">
    <h2>
      {{
        say('Two stars to line up on, {date} about {time}', {
          date: guideDate(night.date, language),
          time: guideTime(night.sessionUtc, guide.place.zone),
        })
      }}
    </h2>
    <ul>
      <li v-for="star in night.stars" :key="star.name">
        <b>{{ star.name }}</b> · {{ say(directionWord(star.azimuthDeg)) }}, {{ fistsWords(star.altitudeDeg, say) }}
        <span v-if="block.key === 'polar' || guide.drawn?.mount?.equatorial" class="second">{{
          say(star.tubeSide === 'east' ? 'tube on the east side of its mount' : 'tube on the west side of its mount')
        }}</span>
      </li>
    </ul>
  </template>
</template>

<style scoped>
h2 {
  font-size: 18px;
  line-height: 24px;
  margin: 12px 0 6px;
}

table {
  width: 100%;
  margin: 10px 0;
  border-collapse: collapse;
}

th {
  padding: 8px 10px 8px 0;
  border-bottom: 1px solid var(--rule);
  font: italic 400 16px var(--serif);
  text-align: left;
  vertical-align: top;
}

td {
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}

td .second,
li .second {
  display: block;
}

.careful td {
  border-left: 3px solid var(--rust);
  padding-left: 10px;
}

ol,
ul {
  padding-left: 20px;
}
</style>
