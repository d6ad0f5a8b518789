import { promiseClash, type PromiseFacts } from './clash.ts'

const TODAY = 100
const promise: PromiseFacts = {
  ...{ from: 110, until: 124, today: TODAY, out: null, others: [], turnaroundDays: 2, condition: 'full' },
  onOpenDays: true,
  isNext: true,
}
const out = (until: number) => ({ from: 80, until, turnaroundDays: 2 })

it('a promise that can be kept has no clash', () => {
  expect(promiseClash(promise)).toBeNull()
  expect(promiseClash({ ...promise, out: out(107) })).toBeNull()
})

it('a kit that comes back too close is not ready in time', () => {
  expect(promiseClash({ ...promise, out: out(108) })).toEqual({ code: 'turnaround', readyOn: 111 })
})

it('a late kit is expected today at the earliest', () => {
  expect(promiseClash({ ...promise, from: 102, until: 110, out: out(98) })).toEqual({ code: 'late', readyOn: 103 })
  expect(promiseClash({ ...promise, from: 103, until: 110, out: out(98) })).toBeNull()
})

it('what is held has no day; what needs the bench has one', () => {
  expect(promiseClash({ ...promise, condition: 'new' })).toEqual({ code: 'held', readyOn: null })
  expect(promiseClash({ ...promise, condition: 'new', isNext: false })).toBeNull()
  expect(promiseClash({ ...promise, from: 101, condition: 'crescent' })).toEqual({ code: 'bench', readyOn: 102 })
  expect(promiseClash({ ...promise, condition: 'crescent' })).toBeNull()
})

it('a kit that is out is judged when it is back: its old condition is no clash', () => {
  expect(promiseClash({ ...promise, condition: 'new', out: out(103) })).toBeNull()
})

it('two promises that leave no days between them overlap, and closed days are told', () => {
  const others = [{ from: 126, until: 130, turnaroundDays: 2 }]
  expect(promiseClash({ ...promise, others })).toEqual({ code: 'overlap', readyOn: 133 })
  expect(promiseClash({ ...promise, others: [{ from: 127, until: 130, turnaroundDays: 2 }] })).toBeNull()
  expect(promiseClash({ ...promise, onOpenDays: false })).toEqual({ code: 'closed', readyOn: null })
})
