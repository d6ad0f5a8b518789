import type { GuideMemory } from './guide-memory.ts'
import { forgetRefused, sendToLibrary, sendWaiting, type Report } from './send-to-library.ts'

const report = (words: string): Report => ({ kind: 'report', sign: 'blur', walked: ['You see a blur'], words })

class FakeFileReader {
  result: string | null = null
  onload = () => {}
  readAsDataURL(blob: Blob) {
    void blob.arrayBuffer().then((bytes) => {
      this.result = `data:image/jpeg;base64,${Buffer.from(bytes).toString('base64')}`
      this.onload()
    })
  }
}
Object.assign(globalThis, { FileReader: FakeFileReader })

function memoryOf(kept: Record<string, unknown>): GuideMemory {
  return {
    kept,
    read: (key) => Promise.resolve(kept[key] ?? null),
    write: (key, value) => Promise.resolve(void (kept[key] = value)),
    wipe: () => Promise.resolve(),
  }
}

let sent: { key: string; words: string; picture: string | null }[]
let answers: (number | 'no network')[]
let kept: Record<string, unknown>
const sender = () => ({ token: 'thrush-meadow-lantern-27', memory: memoryOf(kept) })

beforeEach(() => {
  sent = []
  answers = []
  kept = {}
  globalThis.fetch = (_url, init) => {
    const answer = answers.shift() ?? 204
    if (answer === 'no network') return Promise.reject(new TypeError('no network'))
    sent.push(JSON.parse(init?.body as string) as (typeof sent)[number])
    return Promise.resolve(new Response(null, { status: answer }))
  }
})

test('with a network it goes at once, the picture as plain bytes', async () => {
  const picture = new Blob([Uint8Array.of(0xff, 0xd8, 0xff)])
  expect(await sendToLibrary(sender(), report('a blur'), picture)).toBe('sent')
  expect(sent).toMatchObject([{ words: 'a blur', picture: '/9j/', walked: ['You see a blur'] }])
  expect(kept).toEqual({})
})

test.each([['no network'], [503]] as const)(
  'with %s it is kept, and goes later once, under the same key',
  async (trouble) => {
    answers = [trouble, trouble, 204]
    expect(await sendToLibrary(sender(), report('first'))).toBe('kept')
    await sendWaiting(sender())
    expect(kept.waiting).toHaveLength(1)
    await sendWaiting(sender())
    expect(kept.waiting).toEqual([])
    expect(new Set(sent.map(({ key }) => key)).size).toBe(1)
    sent = []
    await sendWaiting(sender())
    expect(sent).toEqual([])
  },
)

test('what the library refuses is said, and not tried for ever', async () => {
  answers = [409]
  expect(await sendToLibrary(sender(), report('too many'))).toBe('failed')
  expect(kept).toEqual({})
  answers = ['no network', 409]
  await sendToLibrary(sender(), report('refused later'))
  expect(await sendWaiting(sender())).toEqual(['refused later'])
  expect(kept.waiting).toEqual([])
  // Still there when the page is opened again, until it is let go.
  expect(await sendWaiting(sender())).toEqual(['refused later'])
  await forgetRefused(sender().memory)
  expect(await sendWaiting(sender())).toEqual([])
})

test('told to wait a minute, it waits', async () => {
  answers = ['no network', 429, 204]
  await sendToLibrary(sender(), report('patient'))
  expect(await sendWaiting(sender())).toEqual([])
  expect(kept.waiting).toHaveLength(1)
  expect(await sendWaiting(sender())).toEqual([])
  expect(kept.waiting).toEqual([])
})

test('two that wait go in their order; one that can’t doesn’t hold up the other', async () => {
  answers = ['no network', 'no network']
  await sendToLibrary(sender(), report('one'))
  await sendToLibrary(sender(), report('two'))
  answers = ['no network', 204]
  await sendWaiting(sender())
  expect(sent.map(({ words }) => words)).toEqual(['two'])
  await sendWaiting(sender())
  expect(sent.map(({ words }) => words)).toEqual(['two', 'one'])
})

test('a phone that keeps nothing says so instead of losing it', async () => {
  answers = ['no network']
  const memory = { ...memoryOf(kept), write: () => Promise.reject(new Error('full')) }
  expect(await sendToLibrary({ ...sender(), memory }, report('lost?'))).toBe('failed')
})
