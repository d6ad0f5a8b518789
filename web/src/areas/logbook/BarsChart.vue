<script setup lang="ts">
import type { ApexOptions } from 'apexcharts'
import { computed } from 'vue'
import VueApexCharts from 'vue3-apexcharts'
import { chartColours, chartLook, keysAbove } from './chart-look.ts'

/** Bars for some things, side by side or one upon the other; lying where their names are long. */
interface Series {
  readonly name: string
  readonly data: readonly number[]
  readonly colour: keyof ReturnType<typeof chartColours>
}
const {
  categories,
  series,
  lying = false,
  shares = false,
  title = '',
} = defineProps<{
  categories: readonly string[]
  series: readonly Series[]
  lying?: boolean
  /** Shares of a whole instead of the figures themselves. */
  shares?: boolean
  title?: string
}>()
const ROW_PX = 26
const height = computed(() => (lying ? (series.length > 1 ? 104 : 74) + ROW_PX * categories.length : 210))
const options = computed((): ApexOptions => {
  const colours = chartColours()
  const values = { title: { text: title }, labels: { minWidth: 30 } }
  return {
    ...chartLook(),
    chart: { ...chartLook().chart, stacked: true, ...(shares && { stackType: '100%' as const }) },
    legend: keysAbove(series.length > 1),
    colors: series.map(({ colour }) => colours[colour]),
    plotOptions: { bar: { horizontal: lying, columnWidth: '62%', barHeight: '58%' } },
    xaxis: {
      categories: [...categories],
      axisTicks: { show: false },
      axisBorder: { color: colours.strong },
      ...(lying && { title: values.title }),
    },
    yaxis: lying ? { labels: { maxWidth: 220 } } : values,
  }
})
const shown = computed(() => series.map(({ name, data }) => ({ name, data: [...data] })))
</script>

<template>
  <VueApexCharts
    :key="`${series.length} ${categories.length}`"
    role="figure"
    :aria-label="title"
    type="bar"
    :height="height"
    :options="options"
    :series="shown"
  />
</template>
