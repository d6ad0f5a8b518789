import { nextForMessage } from './next-for-message.ts'

const message = {
  id: 'm1',
  loanId: 'l1',
  loanCode: 'L-0001',
  kitCode: 'M-11',
  kitName: 'Larkspur',
  kind: 'report' as const,
  walked: [] as string[],
  words: '',
  missing: [] as string[],
  looked: 0,
  of: 0,
  pictureId: null as string | null,
  atUtc: '2026-04-17T20:00:00Z',
}

test.each([
  ['all there', { kind: 'contents' as const, looked: 28, of: 28 }, /^Nothing to do/],
  ['something missing', { kind: 'contents' as const, missing: ['Focuser cap'] }, /^Look for it here first/],
  ['a picture alone', { pictureId: 'p1' }, /picture and ring them/],
  [
    'a photo through the peephole',
    { walked: ['photo through the peephole'], pictureId: 'p1' },
    /Judge by the picture/,
  ],
  ['a walk through the tree', { walked: ['You see a blur', 'Never'], words: 'blurred' }, /Ring them if a word helps/],
])('%s', (_what, part, next) => {
  expect(nextForMessage({ ...message, ...part })).toMatch(next)
})
