import { setValueAt, valueAt } from './model-fields.ts'

const form = () => ({ name: 'Wren', cell: { screws: [{ angleDeg: 0 }, { angleDeg: 120 }] }, holder: null })

it.each([
  ['name', 'Wren'],
  ['cell.screws.1.angleDeg', 120],
  ['holder', null],
  ['holder.pitchMm', undefined],
  ['nowhere.at.all', undefined],
])('reads %s', (path, value) => {
  expect(valueAt(form(), path)).toBe(value)
})

it('writes where the path leads, and nothing else', () => {
  const written = form()
  setValueAt(written, 'cell.screws.0.angleDeg', 15)
  setValueAt(written, 'name', 'Jay')
  expect(written).toEqual({ name: 'Jay', cell: { screws: [{ angleDeg: 15 }, { angleDeg: 120 }] }, holder: null })
})

it('a path through what isn’t there is refused by name', () => {
  expect(() => setValueAt(form(), 'holder.pitchMm', 1)).toThrow('the form has no holder.pitchMm')
})
