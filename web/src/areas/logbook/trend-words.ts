import type { LostRole, MonthDays, StationTime, Trends } from '@binoculum/contract'
import { jobFacts, roles } from '@binoculum/core'
import { percent } from './story-words.ts'
import { logbookWords } from './words.ts'

const t = logbookWords('trendWords')

/** Sentences that say what a chart of the logbook shows. */

type Branch = Trends['branches'][number]

export const stationWords: Readonly<Record<string, string>> = {
  glass: t('glass'),
  assembly: t('puttingTogether'),
  balance: t('balance'),
  place: t('settingForThePlace'),
  collimation: t('mirror'),
  star: t('starTest'),
  finder: t('finder'),
  pack: t('packing'),
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
const times = (count: number) => (count === 1 ? t('once') : count === 2 ? t('twice') : t('countTimes', { count }))

/** Where the days of all kits went. */
export function daysSentence(months: readonly MonthDays[]): string {
  const sum = (of: (month: MonthDays) => number) => months.reduce((total, month) => total + of(month), 0)
  const all = sum(({ fit, out, waiting, bench }) => fit + out + waiting + bench)
  if (all === 0) return t('nothingIsKnownOfThese')
  const [out, bench, fit] = [sum((month) => month.out), sum((month) => month.bench), sum((month) => month.fit)]
  return t('ofAKitsDaysWere', { out: percent(out / all), bench: percent(bench / all), fit: percent(fit / all) })
}

export function heldSentence(held: Branch['held']): string {
  const [most] = held
  if (!most) return t('nothingKeptAKitIn')
  const days = held.reduce((sum, each) => sum + each.days, 0)
  return t('keptKitsInLongestOf', {
    words: capital(jobFacts(most.code).words),
    times: times(most.times),
    days: most.days,
    all: days,
  })
}

/** In time, and by how much not: so that one who is a day late isn’t counted with one who is a month. */
export const lateGroups = [
  { name: t('inTime'), from: 0, until: 0 },
  { name: t('toDays'), from: 1, until: 3 },
  { name: t('toDays2'), from: 4, until: 7 },
  { name: t('toDays3'), from: 8, until: 14 },
  { name: t('longer'), from: 15, until: Infinity },
] as const
export const lateCounts = (late: Branch['late']): number[] =>
  lateGroups.map(({ from, until }) =>
    late.filter(({ days }) => days >= from && days <= until).reduce((sum, { loans }) => sum + loans, 0),
  )
export function lateSentence(late: Branch['late']): string {
  const counts = lateCounts(late)
  const all = counts.reduce((sum, count) => sum + count, 0)
  if (all === 0) return t('noLoanHasComeBack')
  const inTime = counts[0] ?? 0
  if (inTime === all) return t('allLoansCameBackIn', { n: all })
  const long = (counts[3] ?? 0) + (counts[4] ?? 0)
  return t('ofLoansCameBackLate', { late: all - inTime, all: all, long: long === 0 ? t('none') : long })
}

/** Those of which something was lost, most often first. */
export const lostRoles = (
  lost: readonly LostRole[],
): (LostRole & { perHundred: NonNullable<LostRole['perHundred']> })[] =>
  lost
    .filter(
      (each): each is LostRole & { perHundred: NonNullable<LostRole['perHundred']> } =>
        each.losses > 0 && each.perHundred !== null,
    )
    .sort((a, b) => b.perHundred.rate - a.perHundred.rate)

export function lostSentence(lost: readonly LostRole[]): string {
  const [most] = lostRoles(lost)
  if (!most) return t('nothingHasGoneMissingThat')
  const { rate, low, high } = most.perHundred
  const figures = t('inLoansBetweenAnd', { rate: rate.toFixed(1), low: low.toFixed(1), high: high.toFixed(1) })
  const second = lostRoles(lost)[1]
  // Only where the next one surely is lost less often does one stand out.
  const standsOut = !second || low > second.perHundred.rate
  return t('goesMissingMostOften', {
    words: capital(roles[most.role].words),
    figures,
    standsOut: standsOut ? t('tieItOn') : t('othersAreAboutAsOften'),
  })
}

export function stationsSentence(stations: readonly StationTime[]): string {
  const sums = new Map<string, number>()
  for (const { modelId, minutes } of stations) sums.set(modelId, (sums.get(modelId) ?? 0) + minutes)
  const [most] = [...stations].sort((a, b) => b.minutes - a.minutes)
  if (!most) return t('noCheckHasBeenTimed')
  const all = [...sums.values()]
  const range = t('aWholeCheckTakesBetween', {
    all: Math.round(all[0] ?? 0),
    min: Math.round(Math.min(...all)),
    max: Math.round(Math.max(...all)),
    n: all.length,
  })
  return t('longestIsOfMinutes', {
    range,
    stationWords: stationWords[most.station] ?? most.station,
    modelName: most.modelName,
    minutes: most.minutes.toFixed(0),
  })
}
