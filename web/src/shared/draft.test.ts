import { effectScope } from 'vue'
import { FakeStorage } from '../testing/kit-sheet.ts'
import { useDraft } from './draft.ts'

const open = (storage: Storage, shape = 1) => {
  const scope = effectScope()
  const made = scope.run(() =>
    useDraft('hand-out M-01', () => ({ name: '', marks: {} as Record<string, string> }), { shape, storage }),
  )
  if (!made) throw new Error('no scope')
  return { ...made, close: () => scope.stop() }
}

it('keeps what was typed over a reload, deep changes too', () => {
  const storage = new FakeStorage()
  const first = open(storage)
  first.draft.value.name = 'Mira'
  first.draft.value.marks.slug = 'missing'
  first.close()
  const second = open(storage)
  expect(second.wasKept).toBe(true)
  expect(second.draft.value).toEqual({ name: 'Mira', marks: { slug: 'missing' } })
})

it('lets a draft go that was sent', () => {
  const storage = new FakeStorage()
  const first = open(storage)
  first.draft.value.name = 'Mira'
  first.discard()
  first.draft.value.name = 'late change'
  expect(open(storage).wasKept).toBe(false)
})

it('lets a draft of an older shape go instead of misreading it', () => {
  const storage = new FakeStorage()
  open(storage).draft.value.name = 'Mira'
  expect(open(storage, 2).draft.value.name).toBe('')
})

it('starts afresh where the kept text is damaged', () => {
  const storage = new FakeStorage()
  storage.setItem('binoculum draft hand-out M-01', '{half')
  expect(open(storage).wasKept).toBe(false)
})
