<script setup lang="ts">
import type { ApexOptions } from 'apexcharts'
import { computed } from 'vue'
import VueApexCharts from 'vue3-apexcharts'
import { chartColours, chartLook } from './chart-look.ts'
import { logbookWords } from './words.ts'

const t = logbookWords('rangesChart')

/** Figures with what they lie between: a bar from the least to the most, a mark where the figure itself is. */
interface Range {
  readonly name: string
  readonly low: number
  readonly middle: number
  readonly high: number
}
const { ranges, title, digits = 1 } = defineProps<{ ranges: readonly Range[]; title: string; digits?: number }>()
const ROW_PX = 26
const options = computed((): ApexOptions => {
  const { night, strong } = chartColours()
  return {
    ...chartLook(),
    colors: [night],
    fill: { opacity: 0.35 },
    plotOptions: { bar: { horizontal: true, barHeight: '42%' } },
    xaxis: {
      min: 0,
      title: { text: title },
      axisTicks: { show: false },
      axisBorder: { color: strong },
      labels: { formatter: (value) => Number(value).toFixed(digits) },
    },
    yaxis: { labels: { maxWidth: 220 } },
    tooltip: {
      ...chartLook().tooltip,
      custom: ({ dataPointIndex }: { dataPointIndex: number }) => {
        const { low, middle, high } = ranges[dataPointIndex] ?? { low: 0, middle: 0, high: 0 }
        return `<div class="range">${t('middleBetween', { middle: middle.toFixed(digits), low: low.toFixed(digits), high: high.toFixed(digits) })}</div>`
      },
    },
  }
})
const series = computed(() => {
  const { ink } = chartColours()
  return [
    {
      name: title,
      data: ranges.map(({ name, low, middle, high }) => ({
        x: name,
        y: [low, high],
        goals: [{ name: t('counted'), value: middle, strokeWidth: 3, strokeHeight: 14, strokeColor: ink }],
      })),
    },
  ]
})
</script>

<template>
  <VueApexCharts
    :key="ranges.length"
    role="figure"
    :aria-label="title"
    type="rangeBar"
    :height="74 + ROW_PX * ranges.length"
    :options="options"
    :series="series"
  />
</template>
