import type { FollowUpJob } from '@binoculum/contract'
import { dateText, isFollowUp } from '@binoculum/core'
import { deskWords } from '../words.ts'

const t = deskWords('jobWords')

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
    { words: t('late'), aside: t('somebodyWaitsForIt'), jobs: sorted.filter(({ daysOver }) => daysOver > 0) },
    { words: t('today'), aside: '', jobs: sorted.filter(({ daysOver, isToday }) => daysOver <= 0 && isToday) },
    { words: t('later'), aside: '', jobs: sorted.filter(({ daysOver, isToday }) => daysOver <= 0 && !isToday) },
  ]
  return groups.filter((group) => group.jobs.length > 0)
}

export function dueWords({ dueOn, daysOver, isToday }: FollowUpJob): string {
  if (dueOn === null) return t('noDayYet')
  if (daysOver > 0) return t('daysLate', { n: daysOver })
  return isToday ? t('today2') : dateText(dueOn)
}

/** Whether a letter to the borrower could help: the part was missed at the return of a loan. */
export const canBeAsked = ({ code, loanId, partId }: FollowUpJob): boolean =>
  loanId !== null && partId !== null && isFollowUp(code)
