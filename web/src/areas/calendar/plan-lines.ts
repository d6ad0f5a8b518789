import type { WaitingList, WaitingRequest } from '@binoculum/contract'
import { kitSuits, type LoanPlan, type PlanLine } from '@binoculum/core'
import { dayWords } from './calendar-days.ts'
import { calendarWords } from './words.ts'

const t = calendarWords('planLines')

/** A plan's suggestion for one who waits, in words. */
export interface SuggestedLine {
  readonly request: WaitingRequest
  readonly kitId: string
  readonly kitName: string
  readonly fromOn: string
  readonly untilOn: string
  /** Who gains what against strict order of asking. */
  readonly gain: string
  /** What speaks against this kit for them; they may have it all the same. */
  readonly doubts: readonly string[]
}

const isServed = (line: PlanLine | undefined): line is Extract<PlanLine, { kitId: string }> =>
  !!line && 'kitId' in line

/** One line for each who would be served, in the order of asking. */
export function suggestedLines(
  { requests, kits }: Pick<WaitingList, 'requests' | 'kits'>,
  { plan, strict, gains }: LoanPlan,
): SuggestedLine[] {
  return plan.flatMap((line, index): SuggestedLine[] => {
    const request = requests.find(({ id }) => id === line.requestId)
    const kit = isServed(line) ? kits.find(({ id }) => id === line.kitId) : undefined
    if (!request || !kit || !isServed(line)) return []
    const gain = gains.find(({ requestId }) => requestId === line.requestId)
    const was = strict[index]
    const { kitId, from: fromOn, until: untilOn } = line
    const { reasons } = kitSuits({ family: kit.family, massKg: 0 }, { level: request.level ?? undefined })
    return [{ request, kitId, kitName: kit.name, fromOn, untilOn, gain: gainWords(gain, was), doubts: reasons }]
  })
}

function gainWords(gain: LoanPlan['gains'][number] | undefined, was: PlanLine | undefined): string {
  if (!gain) return t('asInTheOrderOf')
  if (!isServed(was)) return t('wouldGoWithoutInThe')
  const { daysSooner, darkHoursMore } = gain
  const days = Math.abs(daysSooner)
  const words = [
    ...(daysSooner > 0 ? [t('daysSooner', { n: days })] : []),
    ...(daysSooner < 0 ? [t('daysLaterSoThatSomebody', { n: days })] : []),
    ...(Math.round(darkHoursMore) > 0 ? [t('darkHoursMore', { darkHoursMore: Math.round(darkHoursMore) })] : []),
    ...(Math.round(darkHoursMore) < 0 ? [t('darkHoursFewer', { darkHoursMore: Math.round(-darkHoursMore) })] : []),
  ]
  return words.length > 0 ? words.join(', ') : t('anotherKitOnTheSame')
}

/** “from Thu 2 Apr, fetched until Mon 20 Apr at the latest, 14 days”. */
export const wishWordsOf = ({ earliestOn, latestOn, lengthDays, wantsDark }: WaitingRequest): string =>
  t('toForDays', {
    earliestOn: dayWords(earliestOn),
    latestOn: dayWords(latestOn),
    lengthDays,
    wantsDark: wantsDark ? t('darkNights') : '',
  })
