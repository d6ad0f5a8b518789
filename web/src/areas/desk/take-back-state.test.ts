import type { TakeBackForm } from '@binoculum/contract'
import { testKit, testPart as part } from '../../testing/kit-sheet.ts'
import {
  emptyTakeBack,
  judgeTakeBack,
  markOf,
  markRestPresent,
  marksToSend,
  nextUnseen,
  proposalOf,
  setMark,
  startFrom,
} from './take-back-state.ts'

const parts = [
  part('card'),
  part('caps', { count: 4 }),
  part('cell', { lookEveryTime: true }),
  part('rod'),
  part('case'),
]

it('“all the rest” stops at a part that needs its own look', () => {
  const first = markRestPresent(emptyTakeBack(), parts)
  expect(first.at).toBe(2)
  expect(parts.map((each) => markOf(first, each))).toEqual(['present', 'present', 'unseen', 'unseen', 'unseen'])
  const looked = markRestPresent(setMark(first, parts[2]!, 'present'), parts)
  expect(parts.every((each) => markOf(looked, each) === 'present')).toBe(true)
})

it('“all the rest” never changes a mark that was made', () => {
  const marked = markRestPresent(setMark(emptyTakeBack(), parts[0]!, 'missing'), parts)
  expect(markOf(marked, parts[0]!)).toBe('missing')
})

it('three of four caps are caps missing, with their number', () => {
  const draft = setMark(emptyTakeBack(), parts[1]!, 'present', 3)
  expect(draft.marks.caps).toEqual({ mark: 'missing', presentCount: 3, note: '' })
  expect(setMark(draft, parts[1]!, 'present', 4).marks.caps?.mark).toBe('present')
})

it('what went out missing is marked from the start, but never a part that is looked at every time', () => {
  const known = [
    part('cap', { mark: 'missing', presentCount: 0 }),
    part('cell', { mark: 'missing', lookEveryTime: true }),
  ]
  const draft = startFrom(emptyTakeBack(), known)
  expect(marksToSend(draft)).toEqual([{ partId: 'cap', mark: 'missing', presentCount: 0, note: '' }])
})

it('the pencil goes to the next part without a mark, round the end', () => {
  const draft = setMark(emptyTakeBack(), parts[4]!, 'present')
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
  }
  const allPresent = kit.parts.reduce((draft, each) => setMark(draft, each, 'present'), emptyTakeBack())
  const withMark = (id: string, mark: 'missing' | 'damaged' | 'wrong') =>
    setMark(
      allPresent,
      kit.parts.find((each) => each.id === id)!,
      mark,
    )

  it('proposes the shelf for a clean kit', () => {
    expect(proposalOf(form, allPresent, now)).toBe('shelf')
  })

  it('an untouched card proposes no more than a note, and says how much is left', () => {
    const judgement = judgeTakeBack(form, emptyTakeBack(), now)
    expect(judgement.reasons[0]).toMatchObject({ code: 'NOT_COUNTED', figures: { unseen: 5, parts: 5 } })
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
    { answers: { whatDidNotWork: 'It sank.' }, outcome: 'bench' },
    { answers: { batteryDoorShut: false }, outcome: 'hold' },
    { answers: { sunFilterFound: true }, outcome: 'hold' },
  ] as const)('$answers proposes $outcome', ({ answers, outcome }) => {
    const draft = { ...allPresent, answers: { ...allPresent.answers, ...answers } }
    expect(proposalOf(form, draft, now)).toBe(outcome)
  })

  it('a job that was open when it left still waits for the bench', () => {
    const jobs = [{ id: 'job', code: 'knock-check' as const, text: '', openedAtUtc: now }]
    expect(proposalOf({ ...form, kit: { ...kit, jobs } }, allPresent, now)).toBe('bench')
  })
})
