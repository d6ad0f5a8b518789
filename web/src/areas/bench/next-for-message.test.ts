import { nextForMessage } from './next-for-message.ts'

const message = {
  id: 'm1',
  loanId: 'l1',
  loanCode: 'L-0001',
  kitCode: 'M-11',
  kitName: 'Larkspur',
  kind: 'report' as const,
  look: null,
  walked: [] as string[],
  words: '',
  missing: [] as string[],
  looked: 0,
  of: 0,
  pictureId: null as string | null,
  atUtc: '2026-04-17T20:00:00Z',
}

const looked = (look: 'peephole' | 'star' | 'case', meaning: 'off' | 'usable' | 'unsure') => ({
  ...{ kind: 'look' as const, pictureId: 'p1' },
  look: { look, meaning, figure: null },
})

test.each([
  ['all there', { kind: 'contents' as const, looked: 28, of: 28 }, /^Nothing to do/],
  ['something missing', { kind: 'contents' as const, missing: ['Focuser cap'] }, /^Look for it here first/],
  ['a picture alone', { pictureId: 'p1' }, /picture and ring them/],
  ['a mirror that is off', looked('peephole', 'off'), /wait at its station/],
  ['a mirror that is fine', looked('peephole', 'usable'), /^Nothing to do/],
  ['a star that tells nothing', looked('star', 'unsure'), /send another/],
  ['a case that differs', looked('case', 'off'), /Look there first when it is back/],
  ['a walk through the tree', { walked: ['You see a blur', 'Never'], words: 'blurred' }, /Ring them if a word helps/],
])('%s', (_what, part, next) => {
  expect(nextForMessage({ ...message, ...part })).toMatch(next)
})
