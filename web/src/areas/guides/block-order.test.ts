import { movedBlock } from './block-order.ts'

const all = ['sun', 'case', 'sky', 'controller', 'polar', 'away']
const shown = ['sun', 'case', 'sky', 'away']

test.each([
  ['down', 1, 2, ['sun', 'sky', 'case', 'controller', 'polar', 'away']],
  ['to the end', 1, 3, ['sun', 'sky', 'controller', 'polar', 'away', 'case']],
  ['up', 3, 1, ['sun', 'away', 'case', 'sky', 'controller', 'polar']],
  ['where it was', 2, 2, all],
  ['above the Sun', 3, 0, ['sun', 'away', 'case', 'sky', 'controller', 'polar']],
  ['the Sun itself', 0, 2, all],
  ['nothing', 9, 1, all],
])('%s', (_where, from, to, order) => {
  expect(movedBlock(all, shown, from, to)).toEqual(order)
})

test('what this kit doesn’t show keeps its neighbours', () => {
  const order = movedBlock(all, shown, 3, 1)
  expect(order.indexOf('controller')).toBe(order.indexOf('sky') + 1)
  expect([...order].sort()).toEqual([...all].sort())
})
