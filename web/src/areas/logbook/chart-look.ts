import type { ApexOptions } from 'apexcharts'
import dayjs from 'dayjs'

const token = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim()

/** Every chart in the house's own colours and letters, without a toolbar or motion: a figure, its limit, and time. */
export function chartLook(): ApexOptions {
  const quiet = token('quiet')
  return {
    chart: {
      toolbar: { show: false },
      zoom: { enabled: false },
      animations: { enabled: false },
      fontFamily: 'inherit',
      foreColor: quiet,
      background: 'transparent',
      parentHeightOffset: 0,
    },
    grid: { borderColor: token('rule'), strokeDashArray: 0, padding: { left: 8, right: 8, top: -10, bottom: 0 } },
    legend: { show: false },
    dataLabels: { enabled: false },
    states: { hover: { filter: { type: 'none' } }, active: { filter: { type: 'none' } } },
    tooltip: { theme: 'light', style: { fontSize: '13px' } },
  }
}

/** What stands for what, where there is more than one kind of bar. */
export const keysAbove = (show: boolean): NonNullable<ApexOptions['legend']> => ({
  show,
  position: 'top',
  horizontalAlign: 'left',
  fontSize: '13px',
  markers: { shape: 'square', strokeWidth: 0 },
  onItemClick: { toggleDataSeries: false },
})

export const chartColours = () => ({
  ink: token('ink'),
  night: token('night'),
  rust: token('rust'),
  brass: token('brass-text'),
  card: token('card'),
  quiet: token('quiet'),
  strong: token('rule-strong'),
  rule: token('rule'),
  deep: token('deep'),
})

/** Months along an axis; January says which year begins. */
export const monthNames = (months: readonly string[]): string[] =>
  months.map((month) => dayjs(`${month}-01`).format(month.endsWith('-01') ? 'MMM YYYY' : 'MMM'))
