import { jest } from '@jest/globals'
import { effectScope, type EffectScope } from 'vue'
import { FakeButton, FakeInput, FakeTextArea, installFakePage, pressKey } from '../../testing/fake-page.ts'

installFakePage()
const store = new Map<string, string>()
Object.assign(globalThis, {
  localStorage: {
    getItem: (key: string) => store.get(key) ?? null,
    setItem: (key: string, value: string) => void store.set(key, value),
    removeItem: (key: string) => void store.delete(key),
  },
})
const { useKeys, singleKeysOn } = await import('./use-keys.ts')
const { useScans, simulatedScanner } = await import('../devices/scanner.ts')

let scope: EffectScope
let acted: string[]
let scans: string[]

beforeEach(() => {
  jest.useFakeTimers()
  acted = []
  scans = []
  jest.advanceTimersByTime(1000)
  singleKeysOn.value = true
  scope = effectScope()
  scope.run(() => {
    useScans((code) => void scans.push(code))
    useKeys(() =>
      Object.fromEntries(
        ['Space', 'm', 'd', 'w', 'n', 'r', '1', '2', '-', 'Enter'].map((key) => [key, () => acted.push(key)]),
      ),
    )
  })
})
afterEach(() => {
  scope.stop()
  jest.useRealTimers()
})

/** Keys one after the other, so many milliseconds apart. */
function type(keys: readonly string[], gapMs: number, target?: EventTarget): void {
  for (const key of keys) {
    jest.advanceTimersByTime(gapMs)
    pressKey(key, { atMs: performance.now(), ...(target ? { target } : {}) })
  }
}
const settle = () => jest.advanceTimersByTime(200)

it('a burst that ends in Enter is a scan and no key of it acts', () => {
  type([...'WRN-12', 'Enter'], 5)
  settle()
  expect(scans).toEqual(['WRN-12'])
  expect(acted).toEqual([])
})

it('a hand’s keys act, each once, and make no scan', () => {
  for (const key of ['m', 'd', 'Enter']) {
    type([key], 120)
    settle()
  }
  expect(acted).toEqual(['m', 'd', 'Enter'])
  expect(scans).toEqual([])
})

it('35 ms apart is a scanner, 40 ms a quick hand', () => {
  type([...'mdm1', 'Enter'], 35)
  settle()
  expect(scans).toEqual(['mdm1'])
  type([...'mdm1'], 40)
  settle()
  expect(acted).toEqual(['m', 'd', 'm', '1'])
})

it('on a busy page a letter acts before the next is looked up, late as its timer may be', () => {
  const inner = effectScope()
  let went = ''
  let isPending = false
  inner.run(() =>
    useKeys(() => ({ g: () => (isPending = true), ...(isPending ? { b: () => (went = 'bench') } : {}) })),
  )
  const nowMs = performance.now()
  pressKey('g', { atMs: nowMs })
  pressKey('b', { atMs: nowMs + 60 })
  settle()
  expect(went).toBe('bench')
  inner.stop()
})

it('two letters in one stroke are no scan, and do nothing rather than something wrong', () => {
  type(['m', 'd'], 10)
  settle()
  type(['Enter'], 300)
  expect(scans).toEqual([])
  expect(acted).toEqual(['Enter'])
})

it('Space acts at once: no scanner sends it first', () => {
  type([' '], 100)
  expect(acted).toEqual(['Space'])
})

it('what a scanner types into a field is taken out again, where the caret was', () => {
  const field = new FakeTextArea()
  field.value = 'saw the Moon'
  field.selectionStart = 3
  type([...'WRN-12', 'Enter'], 5, field)
  settle()
  expect(scans).toEqual(['WRN-12'])
  expect(field.value).toBe('saw the Moon')
  expect(field.selectionStart).toBe(3)
  expect(field.inputs).toBe(1)
})

it('typing into a field makes no marks; a number field may be scanned into too', () => {
  const field = new FakeInput()
  type([...'mdw'], 150, field)
  settle()
  expect(acted).toEqual([])
  const figure = new FakeInput('number')
  figure.value = '12'
  type([...'M-12/5', 'Enter'], 5, figure)
  expect([scans, figure.value]).toEqual([['M-12/5'], '12'])
})

it('a button answers to Space and Enter by itself; letters still act', () => {
  const button = new FakeButton()
  type([' '], 100, button)
  type(['Enter'], 100, button)
  type(['m'], 100, button)
  settle()
  expect(acted).toEqual(['m'])
})

it('with Ctrl nothing acts, and single keys can be turned off but for Space and Enter', () => {
  pressKey('m', { atMs: performance.now(), ctrl: true })
  singleKeysOn.value = false
  type(['m'], 100)
  settle()
  type([' '], 100)
  type(['Enter'], 100)
  expect(acted).toEqual(['Space', 'Enter'])
})

it('the last who asked gets the scan; one that answers false passes it on; who has left gets none', () => {
  const inner = effectScope()
  const seen: string[] = []
  inner.run(() =>
    useScans((code) => {
      seen.push(code)
      return code.startsWith('M-') ? undefined : false
    }),
  )
  type([...'M-12', 'Enter'], 5)
  type([...'WRN-12', 'Enter'], 5)
  expect([seen, scans]).toEqual([['M-12', 'WRN-12'], ['WRN-12']])
  inner.stop()
  settle()
  type([...'M-12', 'Enter'], 5)
  expect(scans).toEqual(['WRN-12', 'M-12'])
})

it('the stand-in’s scan comes the same way', async () => {
  jest.useRealTimers()
  simulatedScanner.scan('F-01/7')
  for (let tries = 0; tries < 50 && scans.length === 0; tries++)
    await new Promise((resolve) => setTimeout(resolve, 10))
  expect(scans).toEqual(['F-01/7'])
})
