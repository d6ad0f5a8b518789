<script setup lang="ts">
import type { IssuedGuide } from '@binoculum/contract'
import { degText, powerText } from '@binoculum/core'
import { verdictWords } from './guide-pages.ts'

/** This kit's own powers, lowest first; what the telescope can't use is struck out and said. */
defineProps<{ powers: IssuedGuide['powers'] }>()
</script>

<template>
  <p v-if="powers.length === 0">No eyepiece is on this kit’s card. Ask the library.</p>
  <table v-else class="powers">
    <thead>
      <tr>
        <th>eyepiece</th>
        <th>power</th>
        <th>field</th>
      </tr>
    </thead>
    <tbody>
      <tr
        v-for="(power, index) in powers"
        :key="index"
        :class="{ unusable: power.verdict === 'empty', start: power.start }"
      >
        <td>
          {{ power.eyepiece }}<template v-if="power.barlow"><br />with {{ power.barlow }}</template>
          <span v-if="power.start" class="first">start here</span>
        </td>
        <td class="figure">{{ powerText(power.magnification) }}</td>
        <td>
          {{ power.trueFieldDeg === null ? '–' : degText(power.trueFieldDeg) }}
          <span class="words"
            >{{ verdictWords[power.verdict] }}{{ power.wholeMoon ? '; shows the whole Moon' : '' }}</span
          >
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.powers {
  width: 100%;
  border-collapse: collapse;
}

th {
  font: italic 400 16px var(--serif);
  color: var(--quiet);
  text-align: left;
}

td {
  padding: 8px 8px 8px 0;
  border-bottom: 1px solid var(--rule);
  vertical-align: top;
}

.figure {
  font-size: 19px;
  font-weight: 640;
}

.unusable .figure {
  text-decoration: line-through;
  font-weight: 400;
}

.unusable td {
  color: var(--quiet);
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

.first {
  display: block;
  font-weight: 640;
}
</style>
