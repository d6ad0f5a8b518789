import type { Part } from '@binoculum/contract'
import {
  emptyTakeBack,
  markOf,
  markRestPresent,
  marksToSend,
  nextUnseen,
  setMark,
  startFrom,
} from './take-back-state.ts'

const part = (id: string, rest: Partial<Part> = {}): Part => ({
  id,
  position: 1,
  name: id,
  role: 'other',
  criticality: 'useful',
  count: 1,
  presentCount: 1,
  massG: null,
  place: 'Tray',
  mark: 'present',
  note: '',
  costMinor: null,
  lookEveryTime: false,
  lookFor: '',
  optics: {},
  ...rest,
})
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
