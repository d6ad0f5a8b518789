import fc from 'fast-check'
import type { ListedPart } from './listed.ts'
import { changesOf, type ExistingPart } from './list-changes.ts'

const here = (id: string, name: string, rest: Partial<ExistingPart> = {}): ExistingPart => ({
  id,
  name,
  count: 1,
  massG: 92,
  place: 'Tray',
  criticality: 'useful',
  weighed: false,
  ...rest,
})
const listed = (name: string, rest: Partial<ListedPart> = {}): ListedPart => ({
  line: 2,
  name,
  role: 'eyepiece',
  confidence: 1,
  stated: false,
  criticality: 'useful',
  criticalityGiven: false,
  count: 1,
  massG: 92,
  place: 'Tray',
  note: '',
  ...rest,
})

it('a list that says what is here changes nothing, whatever the case and spaces of its words', () => {
  expect(changesOf([here('a', 'Eyepiece 10 mm')], [listed('  eyepiece  10 MM ')])).toEqual([])
})

it('names what is new, what changes and what the list leaves out; nothing is taken away', () => {
  const changes = changesOf(
    [here('a', 'Eyepiece 10 mm'), here('b', 'Moon filter')],
    [listed('Eyepiece 10 mm', { count: 2, place: 'Pouch' }), listed('Barlow 2x')],
  )
  expect(changes).toEqual([
    { kind: 'changed', id: 'a', name: 'Eyepiece 10 mm', set: { count: 2, place: 'Pouch' } },
    { kind: 'new', listed: expect.objectContaining({ name: 'Barlow 2x' }) },
    { kind: 'not-listed', id: 'b', name: 'Moon filter' },
  ])
})

it('empty cells change nothing, and a rounded mass is the same mass', () => {
  expect(changesOf([here('a', 'Cap', { massG: 4.3 })], [listed('Cap', { massG: 4, place: '' })])).toEqual([])
  expect(changesOf([here('a', 'Cap')], [listed('Cap', { massG: null })])).toEqual([])
})

it('a mass that was weighed in the kit is never replaced by a declared one; a missing one is filled in', () => {
  expect(changesOf([here('a', 'Cap', { massG: 5, weighed: true })], [listed('Cap', { massG: 9 })])).toEqual([])
  expect(changesOf([here('a', 'Cap', { massG: null })], [listed('Cap', { massG: 9 })])).toEqual([
    { kind: 'changed', id: 'a', name: 'Cap', set: { massG: 9 } },
  ])
})

it('how much it is needed changes only where the list says so', () => {
  const essential = { criticality: 'essential' as const }
  expect(changesOf([here('a', 'Cap')], [listed('Cap', essential)])).toEqual([])
  expect(changesOf([here('a', 'Cap')], [listed('Cap', { ...essential, criticalityGiven: true })])).toEqual([
    { kind: 'changed', id: 'a', name: 'Cap', set: essential },
  ])
})

it('of several parts of one name the first goes with the first, and each is counted once', () => {
  const names = fc.array(fc.constantFrom('Cap', 'Rod', 'Screw'), { maxLength: 12 })
  fc.assert(
    fc.property(names, names, (ours, theirs) => {
      const changes = changesOf(
        ours.map((name, index) => here(String(index), name)),
        theirs.map((name) => listed(name)),
      )
      const count = (list: readonly string[], name: string) => list.filter((each) => each === name).length
      for (const name of ['Cap', 'Rod', 'Screw']) {
        const fresh = changes.filter((change) => change.kind === 'new' && change.listed.name === name).length
        const left = changes.filter((change) => change.kind === 'not-listed' && change.name === name).length
        expect(fresh).toBe(Math.max(0, count(theirs, name) - count(ours, name)))
        expect(left).toBe(Math.max(0, count(ours, name) - count(theirs, name)))
      }
    }),
  )
})
