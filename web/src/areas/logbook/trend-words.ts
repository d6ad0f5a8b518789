import type { LostRole, MonthDays, StationTime, Trends } from '@binoculum/contract'
import { jobFacts, roles } from '@binoculum/core'
import { percent } from './story-words.ts'

/** Sentences that say what a chart of the logbook shows. */

type Branch = Trends['branches'][number]

export const stationWords: Readonly<Record<string, string>> = {
  glass: 'glass',
  assembly: 'putting together',
  balance: 'balance',
  place: 'setting for the place',
  collimation: 'mirror',
  star: 'star test',
  finder: 'finder',
  pack: 'packing',
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
const times = (count: number) => (count === 1 ? 'once' : count === 2 ? 'twice' : `${count} times`)

/** Where the days of all kits went. */
export function daysSentence(months: readonly MonthDays[]): string {
  const sum = (of: (month: MonthDays) => number) => months.reduce((total, month) => total + of(month), 0)
  const all = sum(({ fit, out, waiting, bench }) => fit + out + waiting + bench)
  if (all === 0) return 'Nothing is known of these months yet.'
  const [out, bench, fit] = [sum((month) => month.out), sum((month) => month.bench), sum((month) => month.fit)]
  return `Of a kit’s days ${percent(out / all)} were with borrowers and ${percent(bench / all)} kept in; on ${percent(fit / all)} it stood here and could have gone out.`
}

export function heldSentence(held: Branch['held']): string {
  const [most] = held
  if (!most) return 'Nothing kept a kit in.'
  const days = held.reduce((sum, each) => sum + each.days, 0)
  return `“${capital(jobFacts(most.code).words)}” kept kits in longest: ${times(most.times)}, ${most.days} of ${days} days.`
}

/** In time, and by how much not: so that one who is a day late isn’t counted with one who is a month. */
export const lateGroups = [
  { name: 'in time', from: 0, until: 0 },
  { name: '1 to 3 days', from: 1, until: 3 },
  { name: '4 to 7 days', from: 4, until: 7 },
  { name: '8 to 14 days', from: 8, until: 14 },
  { name: 'longer', from: 15, until: Infinity },
] as const
export const lateCounts = (late: Branch['late']): number[] =>
  lateGroups.map(({ from, until }) =>
    late.filter(({ days }) => days >= from && days <= until).reduce((sum, { loans }) => sum + loans, 0),
  )
export function lateSentence(late: Branch['late']): string {
  const counts = lateCounts(late)
  const all = counts.reduce((sum, count) => sum + count, 0)
  if (all === 0) return 'No loan has come back in these months.'
  const inTime = counts[0] ?? 0
  if (inTime === all) return all === 1 ? 'The one loan came back in time.' : `All ${all} loans came back in time.`
  const long = (counts[3] ?? 0) + (counts[4] ?? 0)
  return `${all - inTime} of ${all} loans came back late, ${long === 0 ? 'none' : long} of them by more than a week.`
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
  if (!most) return 'Nothing has gone missing that was counted.'
  const { rate, low, high } = most.perHundred
  const figures = `${rate.toFixed(1)} in 100 loans, between ${low.toFixed(1)} and ${high.toFixed(1)}`
  const second = lostRoles(lost)[1]
  // Only where the next one surely is lost less often does one stand out.
  const standsOut = !second || low > second.perHundred.rate
  return `${capital(roles[most.role].words)} goes missing most often: ${figures}. ${standsOut ? 'Tie it on.' : 'Others are about as often gone.'}`
}

export function stationsSentence(stations: readonly StationTime[]): string {
  const sums = new Map<string, number>()
  for (const { modelId, minutes } of stations) sums.set(modelId, (sums.get(modelId) ?? 0) + minutes)
  const [most] = [...stations].sort((a, b) => b.minutes - a.minutes)
  if (!most) return 'No check has been timed yet.'
  const all = [...sums.values()]
  const range =
    all.length === 1
      ? `A whole check takes ${Math.round(all[0] ?? 0)} minutes`
      : `A whole check takes between ${Math.round(Math.min(...all))} and ${Math.round(Math.max(...all))} minutes`
  return `${range}; longest is ${stationWords[most.station] ?? most.station} of ${most.modelName}, ${most.minutes.toFixed(0)} minutes.`
}
