<script setup lang="ts">
import type { Trends } from '@binoculum/contract'
import { jobFacts, roles } from '@binoculum/core'
import { computed } from 'vue'
import BarsChart from './BarsChart.vue'
import { monthNames } from './chart-look.ts'
import FiguresTable from './FiguresTable.vue'
import RangesChart from './RangesChart.vue'
import {
  daysSentence,
  heldSentence,
  lateCounts,
  lateGroups,
  lateSentence,
  lostRoles,
  lostSentence,
  stationsSentence,
  stationWords,
} from './trend-words.ts'
import { logbookWords } from './words.ts'

const t = logbookWords('branchCharts')

/** Where a branch's days go, what keeps its kits in, what is lost, what comes late and what a check takes. */
const { branch } = defineProps<{ branch: Trends['branches'][number] }>()
const MOST_ROLES = 10

const months = computed(() => monthNames(branch.days.map(({ month }) => month)))
const daySeries = computed(() => [
  { name: t('withBorrowers'), colour: 'night' as const, data: branch.days.map(({ out }) => out) },
  { name: t('gettingReady'), colour: 'quiet' as const, data: branch.days.map(({ waiting }) => waiting) },
  { name: t('keptIn'), colour: 'rust' as const, data: branch.days.map(({ bench }) => bench) },
  { name: t('hereAndFit'), colour: 'rule' as const, data: branch.days.map(({ fit }) => fit) },
])
const dayRows = computed(() =>
  branch.days.map(({ month, out, waiting, bench, fit }) => ({
    ...{ month, 'with borrowers': out, 'getting ready': waiting, 'kept in': bench, 'here and fit': fit },
  })),
)
const heldRows = computed(() =>
  branch.held.map(({ code, times, days }) => ({ reason: jobFacts(code).words, times, days })),
)
const lost = computed(() => lostRoles(branch.lost).slice(0, MOST_ROLES))
const lostRanges = computed(() =>
  lost.value.map(({ role, perHundred: { low, rate, high } }) => ({
    name: roles[role].words,
    low,
    middle: rate,
    high,
  })),
)
const lostRows = computed(() =>
  lostRoles(branch.lost).map(({ role, losses, pieceLoans, perHundred: { rate, low, high } }) => ({
    ...{ part: roles[role].words, lost: losses, 'went out': pieceLoans },
    ...{ 'in 100 loans': rate.toFixed(1), from: low.toFixed(1), to: high.toFixed(1) },
  })),
)
const lateRows = computed(() => {
  const counts = lateCounts(branch.late)
  return lateGroups.map(({ name }, index) => ({ 'came back': name, loans: counts[index] ?? 0 }))
})
const models = computed(() => [...new Map(branch.stations.map(({ modelId, modelName }) => [modelId, modelName]))])
const stations = computed(() => [...new Set(branch.stations.map(({ station }) => station))])
const tones = ['night', 'brass', 'quiet', 'strong', 'rust', 'deep', 'rule', 'ink'] as const
const minutesOf = (model: string, name: string) =>
  branch.stations.find(({ modelId, station }) => modelId === model && station === name)?.minutes ?? 0
const stationSeries = computed(() =>
  stations.value.map((station, index) => ({
    name: stationWords[station] ?? station,
    colour: tones[index % tones.length] ?? 'night',
    data: models.value.map(([id]) => minutesOf(id, station)),
  })),
)
const stationRows = computed(() =>
  branch.stations.map(({ modelName, station, minutes, times }) => ({
    ...{ model: modelName, station: stationWords[station] ?? station, minutes, checks: times },
  })),
)
</script>

<template>
  <div class="grid grid-cols-[repeat(auto-fit,minmax(min(460px,100%),1fr))] gap-y-0 gap-x-36px">
    <section class="col-span-full min-w-0">
      <h2>
        {{ t('whereTheDaysGo') }} <em>{{ t('daysOfAllKitsBy') }}</em>
      </h2>
      <p>{{ daysSentence(branch.days) }}</p>
      <BarsChart :categories="months" :series="daySeries" shares :title="t('ofDays')" />
      <FiguresTable :rows="dayRows" :name="`days ${branch.branchName}`" />
    </section>
    <section class="min-w-0">
      <h2>{{ t('whatKeepsKitsIn') }}</h2>
      <p>{{ heldSentence(branch.held) }}</p>
      <BarsChart
        v-if="heldRows.length > 0"
        :categories="heldRows.map(({ reason }) => reason)"
        :series="[{ name: 'days', colour: 'rust', data: heldRows.map(({ days }) => days) }]"
        :title="t('daysOfAKit')"
        lying
      />
      <FiguresTable :rows="heldRows" :name="`kept in ${branch.branchName}`" />
    </section>
    <section class="min-w-0">
      <h2>
        {{ t('whatGoesMissing') }} <em>{{ t('nineTimesInTenThe') }}</em>
      </h2>
      <p>{{ lostSentence(branch.lost) }}</p>
      <RangesChart v-if="lost.length > 0" :ranges="lostRanges" :title="t('inLoans')" />
      <FiguresTable :rows="lostRows" :name="`lost ${branch.branchName}`" />
    </section>
    <section class="min-w-0">
      <h2>{{ t('lateReturns') }}</h2>
      <p>{{ lateSentence(branch.late) }}</p>
      <BarsChart
        :categories="lateRows.map((row) => row['came back'])"
        :series="[{ name: 'loans', colour: 'night', data: lateRows.map(({ loans }) => loans) }]"
        :title="t('loans')"
        lying
      />
      <FiguresTable :rows="lateRows" :name="`late ${branch.branchName}`" />
    </section>
    <section class="min-w-0">
      <h2>
        {{ t('minutesAtTheBench') }} <em>{{ t('middleOfAModelsChecks') }}</em>
      </h2>
      <p>{{ stationsSentence(branch.stations) }}</p>
      <BarsChart
        v-if="models.length > 0"
        :categories="models.map(([, name]) => name)"
        :series="stationSeries"
        :title="t('minutes')"
        lying
      />
      <FiguresTable :rows="stationRows" :name="`minutes ${branch.branchName}`" />
    </section>
  </div>
</template>

<style scoped src="./logbook-page.css"></style>
