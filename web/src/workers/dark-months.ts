import { dateOfDay, dayNumber, skyEvening } from '@binoculum/core'
import { expose } from 'comlink'

export interface NightPlace {
  readonly latitudeDeg: number
  readonly longitudeDeg: number
  readonly zone: string
}

/** A year and a half of nights takes seconds: they are reckoned here, month by month. */
const work = {
  /** Dark hours without the Moon of each month, YYYY-MM. */
  hours: ({ latitudeDeg, longitudeDeg, zone }: NightPlace, months: readonly string[]): number[] =>
    months.map((month) => {
      let hours = 0
      for (let day = dayNumber(`${month}-01`); dateOfDay(day).startsWith(month); day++)
        hours += skyEvening({ latitudeDeg, longitudeDeg, zone, date: dateOfDay(day) }).moonlessDarkHours
      return hours
    }),
}
export type DarkMonthsWork = typeof work
expose(work)
