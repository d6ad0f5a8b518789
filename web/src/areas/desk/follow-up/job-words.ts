import type { FollowUpJob } from '@binoculum/contract'
import { dateText, isFollowUp } from '@binoculum/core'

export interface JobGroup {
  readonly words: string
  readonly aside: string
  readonly jobs: readonly FollowUpJob[]
}

/** Late ones first, then by day; jobs without a day come last. */
const byUrgency = (one: FollowUpJob, other: FollowUpJob) =>
  (one.dueOn ?? '9999').localeCompare(other.dueOn ?? '9999') ||
  one.kitName.localeCompare(other.kitName) ||
  one.openedAtUtc.localeCompare(other.openedAtUtc)

/** What is over, what is due today, what comes later. Groups without a job are left out. */
export function jobGroups(jobs: readonly FollowUpJob[]): readonly JobGroup[] {
  const sorted = [...jobs].sort(byUrgency)
  const groups = [
    { words: 'Late', aside: 'somebody waits for it', jobs: sorted.filter(({ daysOver }) => daysOver > 0) },
    { words: 'Today', aside: '', jobs: sorted.filter(({ daysOver, isToday }) => daysOver <= 0 && isToday) },
    { words: 'Later', aside: '', jobs: sorted.filter(({ daysOver, isToday }) => daysOver <= 0 && !isToday) },
  ]
  return groups.filter((group) => group.jobs.length > 0)
}

export function dueWords({ dueOn, daysOver, isToday }: FollowUpJob): string {
  if (dueOn === null) return 'no day yet'
  if (daysOver > 0) return `${daysOver} ${daysOver === 1 ? 'day' : 'days'} late`
  return isToday ? 'today' : dateText(dueOn)
}

/** Whether a letter to the borrower could help: the part was missed at the return of a loan. */
export const canBeAsked = ({ code, loanId, partId }: FollowUpJob): boolean =>
  loanId !== null && partId !== null && isFollowUp(code)
