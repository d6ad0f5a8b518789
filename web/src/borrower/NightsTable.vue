<script setup lang="ts">
import type { IssuedGuide } from '@binoculum/contract'
import { guideDate, guideTime, plain } from '@binoculum/core'
import { computed } from 'vue'
import { useWords } from './guide-language.ts'
import { textOf } from './guide-pages.ts'

/** Every night of the loan on a line, for paper: nobody taps there. */
const { guide } = defineProps<{ guide: IssuedGuide }>()
const { say, language } = useWords()
const words = computed(() => textOf(guide, language.value).targets)
const MOST_NAMED = 5
const rows = computed(() =>
  guide.nights.map((night) => {
    const time = (utc: string | null) => (utc && guide.place ? guideTime(utc, guide.place.zone) : '–')
    const names = night.targets
      .filter(({ kind }) => kind !== 'moon-feature')
      .slice(0, MOST_NAMED)
      .map(({ id }) => plain(words.value[id]?.name ?? ''))
    return {
      date: guideDate(night.date, language.value),
      notBefore: time(night.notBeforeUtc),
      darkFrom: time(night.darkFromUtc),
      moon: `${Math.round(night.moonLit * 100)} %`,
      moonUp: [night.moonriseUtc && `↑ ${time(night.moonriseUtc)}`, night.moonsetUtc && `↓ ${time(night.moonsetUtc)}`]
        .filter(Boolean)
        .join(' '),
      names: names.length > 0 ? names.join(', ') : '–',
    }
  }),
)
</script>

<template>
  <table>
    <caption>
      {{
        say('All nights of the loan')
      }}
    </caption>
    <thead>
      <tr>
        <th scope="col">{{ say('night') }}</th>
        <th scope="col">{{ say('not before') }}</th>
        <th scope="col">{{ say('dark from') }}</th>
        <th scope="col">{{ say('Moon lit') }}</th>
        <th scope="col">{{ say('rises, sets') }}</th>
        <th scope="col">{{ say('look for') }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.date">
        <th scope="row">{{ row.date }}</th>
        <td>{{ row.notBefore }}</td>
        <td>{{ row.darkFrom }}</td>
        <td>{{ row.moon }}</td>
        <td>{{ row.moonUp }}</td>
        <td>{{ row.names }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  width: 100%;
  margin-top: 5mm;
  border-collapse: collapse;
  font-size: 9.5pt;
  line-height: 12pt;
}

caption {
  padding-bottom: 2mm;
  font: 400 15pt var(--serif);
  text-align: left;
}

th,
td {
  padding: 1mm 2mm 1mm 0;
  border-bottom: 0.3mm solid #999;
  text-align: left;
  vertical-align: top;
}

th {
  font-weight: 640;
  white-space: nowrap;
}

tr {
  break-inside: avoid;
}
</style>
