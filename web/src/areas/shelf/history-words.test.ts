import { acts, type RecordLine } from '@binoculum/contract'
import { recordPictures, recordSentence } from './history-words.ts'

const line = (act: RecordLine['act'], after: object | null = null, before: object | null = null): RecordLine => ({
  id: '1',
  atUtc: '2026-03-12T14:00:00Z',
  act,
  by: 'Kofi Arden',
  before: before as RecordLine['before'],
  after: after as RecordLine['after'],
})

it.each([
  { sentence: 'brought in with 29 parts from list.csv', line: line('brought-in', { parts: 29, file: 'list.csv' }) },
  {
    sentence: 'promised from Thu 26 Mar to Thu 9 Apr',
    line: line('promised', { fromOn: '2026-03-26', untilOn: '2026-04-09' }),
  },
  {
    sentence: 'promise moved: Fri 27 Mar to Fri 10 Apr, another kit',
    line: line('promise-moved', { kitId: 'b', fromOn: '2026-03-27', untilOn: '2026-04-10' }, { kitId: 'a' }),
  },
  { sentence: 'promise cancelled: “fell ill”', line: line('promise-cancelled', { reason: 'fell ill' }) },
  {
    sentence: 'put off: due Thu 2 Apr instead of Thu 26 Mar',
    line: line('extended', { dueOn: '2026-04-02' }, { dueOn: '2026-03-26' }),
  },
  { sentence: 'handed out, due Thu 26 Mar', line: line('handed-out', { dueOn: '2026-03-26', overruleReason: '' }) },
  {
    sentence: 'handed out, due Thu 26 Mar; overruled: “Moon only”',
    line: line('handed-out', { dueOn: '2026-03-26', overruleReason: 'Moon only' }),
  },
  {
    sentence: 'taken back: hold it here; Slug missing; sun filter found; “It sank.”',
    line: line('taken-back', {
      off: [{ part: 'Slug', mark: 'missing' }],
      outcome: 'hold',
      answers: { sunFilterFound: true, whatDidNotWork: 'It sank.' },
    }),
  },
  {
    sentence: 'take-back corrected; Rod missing',
    line: line('take-back-corrected', { off: [{ part: 'Rod', mark: 'missing' }] }),
  },
  {
    sentence: 'Slug: missing → present, found under the foam',
    line: line('part-marked', { part: 'Slug', mark: 'present', note: 'found under the foam' }, { mark: 'missing' }),
  },
  {
    sentence: 'Focuser cap, look for it again: Kofi Arden, by Fri 20 Mar, ask Nell',
    line: line('job-changed', {
      ...{ job: 'look for it again', part: 'Focuser cap', owner: 'Kofi Arden' },
      ...{ dueOn: '2026-03-20', note: 'ask Nell' },
    }),
  },
  {
    sentence: 'Focuser cap, look for it again: nobody, no day',
    line: line('job-changed', { job: 'look for it again', part: 'Focuser cap', owner: null, dueOn: null, note: '' }),
  },
  { sentence: 'guide’s words changed: place', line: line('guide-words-changed', { block: 'place' }) },
  { sentence: '25 parts counted as present', line: line('part-marked', { part: '25 parts' }, { unseen: 25 }) },
  {
    sentence: 'screw in sun filter cured: destroyed',
    line: line('hazard-cured', { cure: 'destroyed' }, { hazard: 'screw-in-sun-filter' }),
  },
  {
    sentence: 'checked: fit to lend, mirror 2.4 mm → 0.3 mm, finder 41′ → 8′',
    line: line('checked', {
      condition: 'full',
      readings: [
        { kind: 'glass', unit: 'judged', asFound: 0, asLeft: 0 },
        { kind: 'collimation', unit: 'mm', asFound: 2.4, asLeft: 0.3 },
        { kind: 'finder', unit: 'arcmin', asFound: 41, asLeft: 8 },
      ],
    }),
  },
  {
    sentence: 'weighed: tray 481 g, whole kit 5.31 kg',
    line: line('weighed', {
      groups: [
        { group: 'tray', measuredG: 481 },
        { group: '', measuredG: 5310 },
      ],
    }),
  },
  {
    sentence: 'Focuser cap put in from the drawer; 1 there now',
    line: line('part-moved', { part: 'Focuser cap', way: 'into-kit', drawer: 1 }),
  },
  {
    sentence: 'Focuser cap, look for it: did not help; not in the car',
    line: line('job-settled', {
      part: 'Focuser cap',
      job: 'look for it',
      result: 'not-helped',
      note: 'not in the car',
    }),
  },
  {
    sentence: 'ask the borrower: Focuser cap, by Thu 12 Mar',
    line: line('job-opened', { job: 'ask the borrower', text: 'Focuser cap', dueOn: '2026-03-12' }),
  },
  {
    sentence: 'coin cell missing; Nell Teague was asked: “in the drawer”',
    line: line('coin-cell-asked', { spokeTo: 'Nell Teague', whereIsIt: 'in the drawer' }),
  },
])('$sentence', ({ sentence, line: given }) => expect(recordSentence(given)).toBe(sentence))

it.each([...acts])('%s has words even where nothing was written with it', (act) => {
  const sentence = recordSentence(line(act))
  expect(sentence.length).toBeGreaterThan(3)
  expect(sentence).not.toMatch(/undefined|null|NaN|\[object/)
})

it.each([
  { what: 'a check with two pictures', after: { pictures: ['a', 'b'] }, ids: ['a', 'b'] },
  { what: 'a check from before there were any', after: { condition: 'full' }, ids: [] },
  { what: 'no figures at all', after: null, ids: [] },
  { what: 'what is no list of ids', after: { pictures: ['a', 3, null] }, ids: ['a'] },
])('pictures of $what', ({ after, ids }) => expect(recordPictures(line('checked', after))).toEqual(ids))
