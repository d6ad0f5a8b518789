import 'fake-indexeddb/auto'
import { deleteDB } from 'idb'
import { copyName, guideMemory } from './guide-memory.ts'

const token = 'thrush-meadow-lantern-27'

afterEach(() => deleteDB(copyName(token)))

test('what a phone remembers of a guide is there for the next visit, and for that guide only', async () => {
  await guideMemory(token).write('page', 'power')
  expect(await guideMemory(token).read('page')).toBe('power')
  expect(await guideMemory('another-link-of-another-kit').read('page')).toBeNull()
  expect(await guideMemory(token).read('case')).toBeNull()
})

test('wiped, nothing of it is left, and it can begin anew', async () => {
  const memory = guideMemory(token)
  await memory.write('waiting', [{ words: 'blurred' }])
  await memory.wipe()
  expect((await indexedDB.databases()).map(({ name }) => name)).not.toContain(copyName(token))
  expect(await memory.read('waiting')).toBeNull()
})

test('the worker wipes it by name while a page has it open', async () => {
  const memory = guideMemory(token)
  await memory.write('page', 'case')
  await deleteDB(copyName(token))
  expect(await memory.read('page')).toBeNull()
})

test('a coordinator’s look leaves nothing behind', async () => {
  const before = (await indexedDB.databases()).length
  const memory = guideMemory('')
  await memory.write('page', 'power')
  expect(await memory.read('page')).toBeNull()
  expect(await indexedDB.databases()).toHaveLength(before)
})
