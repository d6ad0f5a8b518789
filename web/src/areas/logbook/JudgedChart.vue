<script setup lang="ts">
import type { StoryReading } from '@binoculum/contract'
import type { ApexOptions } from 'apexcharts'
import { computed } from 'vue'
import VueApexCharts from 'vue3-apexcharts'
import { chartColours, chartLook } from './chart-look.ts'
import { isBeyond, seenWords } from './story-words.ts'
import { logbookWords } from './words.ts'

const t = logbookWords('judgedChart')

/** What was judged by eye along time, a row each: fine a ring, not fine a full dot. As found stands before as left. */
const { readings, fromUtc, untilUtc } = defineProps<{
  readings: readonly StoryReading[]
  fromUtc: string
  untilUtc: string
}>()
const ROW_PX = 26
/** Drawn days apart, so that found and left are two. */
const APART_MS = 3 * 86_400_000
const rows = computed(() => [...new Set(readings.map(({ kind }) => kind))])
const points = computed(() =>
  readings.flatMap((reading) => {
    const { kind, atUtc, asFound, asLeft } = reading
    // A tube that is looked at each time it is opened is within its limit, though it isn't 0.
    const isFine = (value: number) => !isBeyond(value, reading)
    const x = new Date(atUtc).getTime()
    const y = rows.value.length - rows.value.indexOf(kind)
    return [
      ...(asFound === null
        ? []
        : [{ x: Math.max(x - APART_MS, new Date(fromUtc).getTime()), y, isFine: isFine(asFound) }]),
      { x, y, isFine: isFine(asLeft) },
    ]
  }),
)
const series = computed(() => [
  { name: t('fine'), data: points.value.filter(({ isFine }) => isFine) },
  { name: t('notFine'), data: points.value.filter(({ isFine }) => !isFine) },
])
const options = computed((): ApexOptions => {
  const look = chartLook()
  const { strong, night, rust, card } = chartColours()
  return {
    ...look,
    grid: { ...look.grid, padding: { left: 18, right: 8, top: -10, bottom: 0 } },
    colors: [card, rust],
    markers: { size: 5, strokeWidth: 1.5, strokeColors: [night, rust], hover: { sizeOffset: 1 } },
    xaxis: {
      type: 'datetime',
      min: new Date(fromUtc).getTime(),
      max: new Date(untilUtc).getTime(),
      labels: { datetimeUTC: true, datetimeFormatter: { month: 'MMM', year: 'MMM yyyy' } },
      axisTicks: { show: false },
      axisBorder: { color: strong },
      tooltip: { enabled: false },
    },
    yaxis: {
      min: 0.5,
      max: rows.value.length + 0.5,
      tickAmount: rows.value.length * 2,
      labels: {
        minWidth: 210,
        maxWidth: 210,
        // A tick between two rows has no name.
        formatter: (value: number) => {
          const kind = Number.isInteger(value) ? rows.value[rows.value.length - value] : undefined
          return kind ? seenWords(kind) : ''
        },
      },
    },
    tooltip: {
      ...look.tooltip,
      shared: false,
      intersect: true,
      x: { format: 'd MMM yyyy' },
      y: { formatter: () => '' },
    },
  }
})
</script>

<template>
  <VueApexCharts
    role="figure"
    :aria-label="t('whatWasFineAlongTime')"
    type="scatter"
    :height="60 + ROW_PX * rows.length"
    :options="options"
    :series="series"
  />
</template>
