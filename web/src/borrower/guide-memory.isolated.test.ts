import 'fake-indexeddb/auto'
import { deleteDB } from 'idb'
import { copyName, noMemory, openMemory } from './guide-memory.ts'

const token = 'thrush-meadow-lantern-27'

afterEach(() => deleteDB(copyName(token)))

test('what a phone remembers of a guide is there for the next visit, and for that guide only', async () => {
  await (await openMemory(token)).write('page', 'power')
  expect((await openMemory(token)).kept).toEqual({ page: 'power' })
  expect(await (await openMemory(token)).read('case')).toBeNull()
  expect((await openMemory('another-link-of-another-kit')).kept).toEqual({})
})

test('wiped, nothing of it is left, and it can begin anew', async () => {
  const memory = await openMemory(token)
  await memory.write('waiting', [{ words: 'blurred' }])
  await memory.wipe()
  expect((await indexedDB.databases()).map(({ name }) => name)).not.toContain(copyName(token))
  expect(await memory.read('waiting')).toBeNull()
})

test('the worker wipes it by name while a page has it open', async () => {
  const memory = await openMemory(token)
  await memory.write('page', 'case')
  await deleteDB(copyName(token))
  expect(await memory.read('page')).toBeNull()
})

test('a phone that keeps nothing says so when something is to be kept', async () => {
  const { open } = indexedDB
  indexedDB.open = () => {
    throw new DOMException('private', 'SecurityError')
  }
  const memory = await openMemory(token)
  indexedDB.open = open
  expect(memory).toBe(noMemory)
  await expect(memory.write('waiting', [])).rejects.toThrow('nothing is kept')
})
