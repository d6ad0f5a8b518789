import { effectScope, ref } from 'vue'
import { FakeStorage } from '../../../testing/kit-sheet.ts'
import { useKeptForm } from './use-kept-form.ts'

const storage = new FakeStorage()
function open(version: number, kept = { name: 'Heron', mm: 110 }) {
  const form = ref<typeof kept | null>(null)
  const scope = effectScope()
  const page = scope.run(() => useKeptForm('mount of m1', form, { storage }))
  if (!page) throw new Error('not opened')
  page.begin(kept, version)
  return { form, page, leave: () => scope.stop() }
}
beforeEach(() => storage.clear())

it('what was typed is there again after the page was left, and says so', () => {
  const first = open(3)
  if (first.form.value) first.form.value.mm = 125
  first.leave()
  const second = open(3)
  expect([second.form.value, second.page.takenUp.value]).toEqual([{ name: 'Heron', mm: 125 }, true])
  second.page.letGo()
  expect([second.form.value?.mm, open(3).page.takenUp.value]).toEqual([110, false])
})

it('kept, or typed back to what it was, leaves nothing behind', () => {
  const first = open(3)
  if (first.form.value) first.form.value.mm = 125
  first.page.done()
  expect(open(4).page.older.value).toBeNull()
  const again = open(4)
  if (again.form.value) again.form.value.mm = 125
  if (again.form.value) again.form.value.mm = 110
  expect(storage.length).toBe(0)
})

it('what was typed while it was being kept is not kept yet: it stands on what was made', () => {
  const { form, page } = open(3)
  page.change((now) => ({ ...now, mm: 125 }))
  const sent = { name: 'Heron', mm: 125 }
  page.change((now) => ({ ...now, name: 'Bittern' }))
  page.keptAs(sent, 4)
  page.begin(sent, 4)
  expect([form.value, page.takenUp.value, page.older.value]).toEqual([{ name: 'Bittern', mm: 125 }, true, null])
})

it('what was typed before somebody changed the model is offered, not laid over it', () => {
  const first = open(3)
  if (first.form.value) first.form.value.mm = 125
  first.leave()
  const second = open(4, { name: 'Heron', mm: 112 })
  expect([second.form.value?.mm, second.page.older.value]).toEqual([112, { name: 'Heron', mm: 125 }])
  second.page.takeUpOlder()
  expect([second.form.value?.mm, second.page.takenUp.value]).toEqual([125, true])
})

it('changes are taken back one by one, and not past what was kept', () => {
  const { form, page } = open(3)
  page.change((now) => ({ ...now, mm: 125 }))
  page.change((now) => ({ ...now, name: 'Bittern' }))
  expect([form.value, page.canUndo.value]).toEqual([{ name: 'Bittern', mm: 125 }, true])
  page.undo()
  expect(form.value).toEqual({ name: 'Heron', mm: 125 })
  page.undo()
  page.undo()
  expect([form.value, page.canUndo.value]).toEqual([{ name: 'Heron', mm: 110 }, false])
  page.change((now) => ({ ...now, mm: 125 }))
  page.done()
  expect(page.canUndo.value).toBe(false)
})
