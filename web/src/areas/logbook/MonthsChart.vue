<script setup lang="ts">
import type { MonthTrend } from '@binoculum/contract'
import type { ApexOptions } from 'apexcharts'
import { computed } from 'vue'
import VueApexCharts from 'vue3-apexcharts'
import { chartColours, chartLook, monthNames } from './chart-look.ts'
import { logbookWords } from './words.ts'

const t = logbookWords('monthsChart')

/** Loans of each month, late ones among them, against its dark hours without the Moon. */
const { months, hours } = defineProps<{ months: readonly MonthTrend[]; hours: readonly number[] | null }>()
const series = computed(() => [
  { name: t('inTime'), type: 'column', data: months.map(({ loans, late }) => loans - late) },
  { name: t('late'), type: 'column', data: months.map(({ late }) => late) },
  ...(hours ? [{ name: t('darkHours'), type: 'line', data: hours.map((value) => Math.round(value)) }] : []),
])
const options = computed((): ApexOptions => {
  const { night, rust, brass, strong } = chartColours()
  const loansAxis = {
    seriesName: [t('inTime'), t('late')],
    min: 0,
    title: { text: t('loans') },
    labels: { minWidth: 30 },
  }
  return {
    ...chartLook(),
    chart: { ...chartLook().chart, stacked: true },
    colors: [night, rust, brass],
    stroke: { width: [0, 0, 2], curve: 'straight' },
    markers: { size: [0, 0, 3] },
    plotOptions: { bar: { columnWidth: '60%' } },
    xaxis: {
      categories: monthNames(months.map(({ month }) => month)),
      axisTicks: { show: false },
      axisBorder: { color: strong },
    },
    yaxis: [
      loansAxis,
      { ...loansAxis, show: false },
      ...(hours
        ? [
            {
              seriesName: [t('darkHours')],
              opposite: true,
              min: 0,
              title: { text: t('darkHours') },
              labels: { minWidth: 30 },
            },
          ]
        : []),
    ],
  }
})
</script>

<template>
  <!-- The library can't take a series more: it begins anew. -->
  <VueApexCharts
    :key="series.length"
    role="figure"
    :aria-label="t('loansByMonthAndIts')"
    type="line"
    height="230"
    :options="options"
    :series="series"
  />
</template>
