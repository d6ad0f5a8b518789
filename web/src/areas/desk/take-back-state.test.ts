import type { TakeBackForm } from '@binoculum/contract'
import { testKit, testMount, testPart as part } from '../../testing/kit-sheet.ts'
import { proposeOutcome } from '@binoculum/core'
import {
  draftFrom,
  emptyTakeBack,
  judgeTakeBack,
  knownFromBefore,
  markKey,
  markOf,
  markRestPresent,
  marksToSend,
  nextUnseen,
  setMark,
  type Changes,
  type DraftMark,
  type TakeBackDraft,
} from './take-back-state.ts'

const parts = [
  part('card'),
  part('caps', { count: 4 }),
  part('cell', { lookEveryTime: true }),
  part('rod'),
  part('case'),
]

/** The draft after some changes, as the shared draft keeps them. */
const after = (draft: TakeBackDraft, ...all: readonly Changes[]): TakeBackDraft => {
  const marks = { ...draft.marks }
  for (const [key, value] of all.flatMap((changes) => Object.entries(changes)))
    marks[key.replace(markKey(''), '')] = value as DraftMark
  return { ...draft, marks }
}
const empty = emptyTakeBack()
const mark = (
  draft: TakeBackDraft,
  ...given: Parameters<typeof setMark> extends [unknown, ...infer Rest] ? Rest : never
) => after(draft, setMark(draft, ...given))

it('“all the rest” stops at a part that needs its own look', () => {
  const { changes, stopsAt } = markRestPresent(empty, parts)
  const first = after(empty, changes)
  expect(stopsAt).toBe(2)
  expect(parts.map((each) => markOf(first, each))).toEqual(['present', 'present', 'unseen', 'unseen', 'unseen'])
  const looked = mark(first, parts[2]!, 'present')
  const rest = markRestPresent(looked, parts)
  expect(rest.stopsAt).toBeNull()
  expect(parts.every((each) => markOf(after(looked, rest.changes), each) === 'present')).toBe(true)
})

it('“all the rest” never changes a mark that was made', () => {
  const marked = mark(empty, parts[0]!, 'missing')
  expect(Object.keys(markRestPresent(marked, parts).changes)).toEqual([markKey('caps')])
})

it('three of four caps are caps missing, with their number', () => {
  const draft = mark(empty, parts[1]!, 'present', { presentCount: 3 })
  expect(draft.marks.caps).toMatchObject({ mark: 'missing', presentCount: 3 })
  expect(mark(draft, parts[1]!, 'present', { presentCount: 4 }).marks.caps?.mark).toBe('present')
})

it('what lies there instead goes with the mark *wrong item* only; a note and pictures stay', () => {
  const rest = { wrongItem: 'Eyepiece 12.5 mm', note: 'scratched', pictureIds: ['p'] }
  const draft = mark(empty, parts[3]!, 'wrong', rest)
  expect(draft.marks.rod).toMatchObject({ mark: 'wrong', ...rest })
  expect(mark(draft, parts[3]!, 'present').marks.rod).toMatchObject({
    wrongItem: '',
    note: 'scratched',
    pictureIds: ['p'],
  })
})

it('what went out missing is marked from the start, but never a part that is looked at every time', () => {
  const known = [
    part('cap', { mark: 'missing', presentCount: 0 }),
    part('cell', { mark: 'missing', lookEveryTime: true }),
  ]
  const changes = knownFromBefore(empty, known)
  expect(marksToSend(after(empty, changes))).toMatchObject([{ partId: 'cap', mark: 'missing', presentCount: 0 }])
  expect(knownFromBefore(after(empty, changes), known)).toEqual({})
})

it('reads the fields that all desks share, and nothing else', () => {
  const entry = (value: unknown) => ({ value, atMs: 1, by: 'Kofi' })
  const weighing = { group: 'tray', measuredG: 400, scaleStepG: 1, containerG: 0, source: 'typed' }
  const draft = draftFrom({
    'mark rod': entry({ mark: 'missing', presentCount: 0, note: '', wrongItem: '', pictureIds: [] }),
    'mark case': entry(null),
    'answer wet': entry(true),
    'weigh tray': entry(weighing),
    outcome: entry('bench'),
    somethingNewer: entry(1),
  })
  expect(draft).toMatchObject({ answers: { wet: true, glassWhole: true }, weighings: [weighing], outcome: 'bench' })
  expect(Object.keys(draft.marks)).toEqual(['rod'])
})

it('the pencil goes to the next part without a mark, round the end', () => {
  const draft = mark(empty, parts[4]!, 'present')
  expect(nextUnseen(draft, parts, 4)).toBe(0)
  expect(nextUnseen(draft, parts, 1)).toBe(2)
})

describe('the judgement while the card is gone through', () => {
  const now = '2026-03-12T14:00:00Z'
  const kit = testKit()
  const form: TakeBackForm = {
    loan: {
      id: 'loan',
      code: 'L-0001',
      state: 'out',
      borrower: 'Mira Quill',
      contact: 'mira@post.example',
      outAtUtc: now,
      dueAtUtc: now,
      daysLate: 0,
      version: 1,
    },
    kit,
    kept: null,
    isLatest: true,
    lookAlikes: [],
    lossChances: {},
  }
  const allPresent = kit.parts.reduce((draft, each) => mark(draft, each, 'present'), empty)
  const withMark = (id: string, to: 'missing' | 'damaged' | 'wrong') =>
    mark(
      allPresent,
      kit.parts.find((each) => each.id === id)!,
      to,
    )
  const proposalOf = (given: TakeBackForm, draft: TakeBackDraft, atUtc: string) =>
    proposeOutcome(judgeTakeBack(given, draft, atUtc))

  it('proposes the shelf for a clean kit', () => {
    expect(proposalOf(form, allPresent, now)).toBe('shelf')
  })

  it('what didn’t come back loads no weight: the balance is of what lies in the case', () => {
    const heavy = [
      part('tube', { role: 'tube', massG: 3000 }),
      part('weight', { role: 'counterweight', massG: 1800 }),
      part('ring', { role: 'camera-ring', massG: 900 }),
    ]
    const given = { ...form, kit: testKit({ mount: testMount, headMomentGmm: null, parts: heavy }) }
    const all = heavy.reduce((draft, each) => mark(draft, each, 'present'), empty)
    const codes = (draft: TakeBackDraft) => judgeTakeBack(given, draft, now).reasons.map(({ code }) => code)
    expect(codes(all)).toContain('CANT_BALANCE')
    expect(codes(mark(all, heavy[2]!, 'missing'))).not.toContain('CANT_BALANCE')
  })

  it('an untouched card is held until it is gone through, and says how much is left', () => {
    const judgement = judgeTakeBack(form, emptyTakeBack(), now)
    expect(judgement.reasons[0]).toMatchObject({
      code: 'NOT_GONE_THROUGH',
      figures: { unseen: 5, parts: 5, sinceUtc: '2026-03-10T15:00:00.000Z' },
    })
    expect(proposeOutcome(judgement)).toBe('to-go-through')
  })

  it.each([
    { id: 'short', mark: 'missing', outcome: 'shelf-with-note' },
    { id: 'short', mark: 'damaged', outcome: 'shelf-with-note' },
    { id: 'tube', mark: 'damaged', outcome: 'bench' },
    { id: 'eyepiece', mark: 'wrong', outcome: 'hold' },
    { id: 'slug', mark: 'missing', outcome: 'hold' },
    { id: 'cell', mark: 'missing', outcome: 'hold' },
  ] as const)('$id $mark proposes $outcome', ({ id, mark, outcome }) => {
    expect(proposalOf(form, withMark(id, mark), now)).toBe(outcome)
  })

  it.each([
    { answers: { dropped: true }, outcome: 'bench' },
    { answers: { wet: true }, outcome: 'bench' },
    { answers: { glassWhole: false }, outcome: 'bench' },
    { answers: { focuserSmooth: false }, outcome: 'bench' },
    { answers: { packCharged: false }, outcome: 'bench' },
    { answers: { insectsOrSmoke: true }, outcome: 'hold' },
    { answers: { whatDidNotWork: 'It sank.' }, outcome: 'bench' },
    { answers: { batteryDoorShut: false }, outcome: 'hold' },
    { answers: { sunFilterFound: true }, outcome: 'hold' },
  ] as const)('$answers proposes $outcome', ({ answers, outcome }) => {
    const draft = { ...allPresent, answers: { ...allPresent.answers, ...answers } }
    expect(proposalOf(form, draft, now)).toBe(outcome)
  })

  it('a job that was open when it left still waits for the bench', () => {
    const jobs = [{ id: 'job', code: 'knock-check' as const, text: '', openedAtUtc: now, notBeforeUtc: null }]
    expect(proposalOf({ ...form, kit: { ...kit, jobs } }, allPresent, now)).toBe('bench')
  })
})
