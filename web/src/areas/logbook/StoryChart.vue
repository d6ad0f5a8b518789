<script setup lang="ts">
import type { StoryReading } from '@binoculum/contract'
import type { ApexOptions } from 'apexcharts'
import { computed } from 'vue'
import VueApexCharts from 'vue3-apexcharts'
import { chartColours, chartLook } from './chart-look.ts'
import { isBeyond } from './story-words.ts'
import { logbookWords } from './words.ts'

const t = logbookWords('storyChart')

/** One figure along time: as found a dot, as left a ring, joined in the order in which they were read, against the limit. */
const { readings, unit, fromUtc, untilUtc, digits } = defineProps<{
  readings: readonly StoryReading[]
  unit: string
  fromUtc: string
  untilUtc: string
  digits: number
}>()
const at = ({ atUtc }: StoryReading) => new Date(atUtc).getTime()
/** A check lasts minutes; drawn a day wide, so that found and left are two. */
const APART_MS = 2 * 86_400_000
const found = computed(() =>
  readings.flatMap((each) =>
    each.asFound === null ? [] : [{ x: Math.max(at(each) - APART_MS, new Date(fromUtc).getTime()), y: each.asFound }],
  ),
)
const left = computed(() => readings.map((each) => ({ x: at(each), y: each.asLeft })))
const line = computed(() => [...found.value, ...left.value].sort((a, b) => a.x - b.x))
const last = computed(() => readings.at(-1) ?? null)
const limit = computed(() => last.value?.limit ?? null)
const top = computed(() => Math.max((limit.value ?? 0) * 1.25, ...line.value.map(({ y }) => y * 1.1)))
/** Against what it may not pass it is seen from 0; else from as far as it moves, with what it needs under it. */
const bottom = computed(() => {
  if (limit.value !== null && !last.value?.limitIsLeast) return 0
  return Math.min((limit.value ?? Infinity) * 0.85, ...line.value.map(({ y }) => y * 0.9))
})
const series = computed(() => [
  { name: t('inBetween'), type: 'line', data: line.value },
  { name: t('asFound'), type: 'scatter', data: found.value },
  { name: t('asLeft'), type: 'scatter', data: left.value },
])
const options = computed((): ApexOptions => {
  const look = chartLook()
  const { strong, ink, night, rust, brass, card } = chartColours()
  const beyond = found.value.flatMap(({ y }, dataPointIndex) =>
    last.value && isBeyond(y, last.value)
      ? [{ seriesIndex: 1, dataPointIndex, fillColor: rust, strokeColor: rust, size: 6, shape: 'circle' as const }]
      : [],
  )
  return {
    ...look,
    colors: [strong, ink, night],
    stroke: { width: [1.5, 0, 0], curve: 'straight' },
    markers: {
      size: [0, 5, 5],
      colors: [strong, ink, card],
      strokeColors: [strong, ink, night],
      strokeWidth: 1.5,
      discrete: beyond,
      hover: { sizeOffset: 1 },
    },
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
      min: bottom.value,
      max: top.value,
      tickAmount: 2,
      labels: { minWidth: 56, maxWidth: 56, formatter: (value: number) => value.toFixed(digits) },
    },
    tooltip: {
      ...look.tooltip,
      shared: false,
      intersect: true,
      x: { format: 'd MMM yyyy' },
      y: { formatter: (value: number) => `${value.toFixed(digits + 1)} ${unit}` },
    },
    annotations: {
      yaxis:
        limit.value === null
          ? []
          : [
              {
                y: limit.value,
                borderColor: brass,
                borderWidth: 2,
                strokeDashArray: 0,
                label: {
                  text: `${last.value?.limitIsLeast ? t('atLeast') : t('limit')} ${limit.value.toFixed(digits)}`,
                  position: 'left',
                  offsetY: last.value?.limitIsLeast ? 18 : 0,
                  textAnchor: 'start',
                  borderWidth: 0,
                  style: { color: brass, background: 'transparent', fontSize: '13px' },
                },
              },
            ],
    },
  }
})
</script>

<template>
  <VueApexCharts
    role="figure"
    :aria-label="t('asFoundAndAsLeft')"
    type="line"
    height="170"
    :options="options"
    :series="series"
  />
</template>
