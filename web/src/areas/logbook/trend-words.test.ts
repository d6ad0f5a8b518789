import type { LostRole, Trends } from '@binoculum/contract'
import {
  daysSentence,
  heldSentence,
  lateCounts,
  lateSentence,
  lostSentence,
  stationsSentence,
} from './trend-words.ts'

const lost = (role: LostRole['role'], rate: number, low: number, high: number): LostRole => ({
  ...{ role, losses: Math.round(rate), pieceLoans: 100 },
  perHundred: { rate, low, high },
})

it('says where the days went, of what is known', () => {
  expect(daysSentence([])).toBe('Nothing is known of these months yet.')
  const month = { month: '2026-01', out: 50, waiting: 5, bench: 10, fit: 35 }
  expect(daysSentence([month, { ...month, fit: 85, out: 0 }])).toBe(
    'Of a kit’s days 25 % were with borrowers and 10 % kept in; on 60 % it stood here and could have gone out.',
  )
})

it('what kept kits in longest, by the job’s own words', () => {
  const held: Trends['branches'][number]['held'] = [
    { code: 'bench-wanted', times: 2, days: 30 },
    { code: 'knock-check', times: 9, days: 12 },
  ]
  expect(heldSentence(held)).toBe('“A check is wanted” kept kits in longest: twice, 30 of 42 days.')
  expect(heldSentence([])).toBe('Nothing kept a kit in.')
})

it('a day late is not a month late', () => {
  const late = [
    { days: 0, loans: 7 },
    { days: 1, loans: 2 },
    { days: 9, loans: 1 },
    { days: 40, loans: 1 },
  ]
  expect(lateCounts(late)).toEqual([7, 2, 0, 1, 1])
  expect(lateSentence(late)).toBe('4 of 11 loans came back late, 2 of them by more than a week.')
  expect(lateSentence([{ days: 0, loans: 3 }])).toBe('All 3 loans came back in time.')
  expect(lateSentence([])).toBe('No loan has come back in these months.')
})

it('a part is to be tied on only where it surely goes missing more often than the next', () => {
  expect(lostSentence([lost('front-cap', 8, 6, 11), lost('hex-key', 3, 2, 5)])).toBe(
    'Front cap goes missing most often: 8.0 in 100 loans, between 6.0 and 11.0. Tie it on.',
  )
  expect(lostSentence([lost('front-cap', 8, 4, 14), lost('hex-key', 6, 3, 11)])).toMatch(
    /Others are about as often gone\.$/,
  )
  expect(lostSentence([{ ...lost('front-cap', 8, 4, 14), perHundred: null }])).toBe(
    'Nothing has gone missing that was counted.',
  )
})

it('how long a whole check takes, and which station longest', () => {
  const time = (modelName: string, station: string, minutes: number) => ({
    modelId: modelName,
    modelName,
    station,
    minutes,
    times: 4,
  })
  expect(stationsSentence([time('A', 'finder', 6), time('A', 'collimation', 9), time('B', 'finder', 5)])).toBe(
    'A whole check takes between 5 and 15 minutes; longest is mirror of A, 9 minutes.',
  )
  expect(stationsSentence([])).toBe('No check has been timed yet.')
})
