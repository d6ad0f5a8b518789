import type { FollowUpJob } from '@binoculum/contract'
import { canBeAsked, dueWords, jobGroups } from './job-words.ts'

const job = (id: string, rest: Partial<FollowUpJob> = {}): FollowUpJob => ({
  id,
  code: 'look-for-part',
  text: 'Focuser cap',
  note: '',
  branchId: 'library',
  kitId: 'kit',
  kitCode: 'M-03',
  kitName: 'Sorrel',
  kitVersion: 1,
  zone: 'Europe/Dublin',
  partId: 'cap',
  partName: 'Focuser cap',
  role: 'focuser-cap',
  loanId: 'loan',
  ownerId: null,
  owner: null,
  dueOn: '2026-03-12',
  daysOver: 0,
  isToday: false,
  openedAtUtc: '2026-03-10T10:00:00.000Z',
  notBeforeUtc: null,
  spareId: null,
  spares: 0,
  version: 1,
  ...rest,
})

it('late ones stand first, jobs without a day last, groups without a job not at all', () => {
  const groups = jobGroups([
    job('none', { dueOn: null }),
    job('later', { dueOn: '2026-03-20' }),
    job('older', { dueOn: '2026-03-01', daysOver: 11 }),
    job('late', { dueOn: '2026-03-11', daysOver: 1 }),
    job('now', { isToday: true }),
  ])
  expect(groups.map(({ words, jobs }) => [words, jobs.map(({ id }) => id)])).toEqual([
    ['Late', ['older', 'late']],
    ['Today', ['now']],
    ['Later', ['later', 'none']],
  ])
})

it('says when in words', () => {
  expect(dueWords(job('a', { isToday: true }))).toBe('today')
  expect(dueWords(job('a', { dueOn: '2026-03-20' }))).toBe('Fri 20 Mar')
  expect(dueWords(job('a', { daysOver: 1 }))).toBe('1 day late')
  expect(dueWords(job('a', { dueOn: null }))).toBe('no day yet')
})

it('a borrower is written to only about a part of their own loan', () => {
  expect(canBeAsked(job('a'))).toBe(true)
  expect(canBeAsked(job('a', { loanId: null }))).toBe(false)
  expect(canBeAsked(job('a', { code: 'battery-round', partId: null }))).toBe(false)
})
