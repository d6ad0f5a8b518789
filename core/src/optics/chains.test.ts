import fc from 'fast-check'
import { barrelFits, opticalChains, type ChainInput, type ChainPart } from './chains.ts'

const WIDE = 50.8
const NARROW = 31.75
const low: ChainPart = { id: 'low', kind: 'eyepiece', maleMm: WIDE }
const high: ChainPart = { id: 'high', kind: 'eyepiece', maleMm: NARROW }
const barlow: ChainPart = { id: 'barlow', kind: 'barlow', maleMm: NARROW, femaleMm: NARROW, factor: 2.5 }
const adapter: ChainPart = { id: 'adapter', kind: 'adapter', maleMm: WIDE, femaleMm: NARROW }
const diagonal: ChainPart = { id: 'diagonal', kind: 'diagonal', maleMm: NARROW, femaleMm: NARROW }
const said = (input: ChainInput) =>
  opticalChains(input).chains.map(({ eyepiece, through, factor }) => [...through, eyepiece, factor].join(' '))

it('a wide focuser takes the wide eyepiece bare, the narrow one and its Barlow only through the adapter', () => {
  expect(said({ focuserFemaleMm: WIDE, parts: [low, high, barlow, adapter] })).toEqual([
    'low 1',
    'adapter high 1',
    'adapter barlow high 2.5',
  ])
})

it('no chain, no lie: what fits nowhere is named', () => {
  const { chains, lonely } = opticalChains({ focuserFemaleMm: NARROW, parts: [low, high, barlow] })
  expect(chains.map(({ eyepiece }) => eyepiece)).toEqual(['high', 'high'])
  expect(lonely).toEqual([{ id: 'low', reason: 'no-barrel-fits' }])
})

it('where the design needs a diagonal there is none without', () => {
  const input = { focuserFemaleMm: NARROW, parts: [high, diagonal], needsDiagonal: true }
  expect(said(input)).toEqual(['diagonal high 1'])
  const bare = opticalChains({ ...input, parts: [high] })
  expect(bare).toEqual({ chains: [], lonely: [{ id: 'high', reason: 'needs-diagonal' }] })
})

it('an adapter that nothing needs is neither used nor lonely', () => {
  const wideBarlow = { ...barlow, maleMm: WIDE, femaleMm: WIDE }
  const input = { focuserFemaleMm: WIDE, parts: [low, wideBarlow, { ...adapter, femaleMm: WIDE }] }
  expect(said(input)).toEqual(['low 1', 'barlow low 2.5'])
  expect(opticalChains(input).lonely).toEqual([])
})

it('an adapter is lonely where it goes in nowhere, and where nothing goes into it', () => {
  const lonely = (parts: readonly ChainPart[], focuserFemaleMm = NARROW) =>
    opticalChains({ focuserFemaleMm, parts }).lonely.map(({ id }) => id)
  expect(lonely([high, adapter])).toEqual(['adapter'])
  expect(lonely([low, adapter], WIDE)).toEqual(['adapter'])
  // Into a wide Barlow it would go, though nothing wide enters this focuser; its own hole is none it could go into.
  expect(lonely([high, { ...barlow, maleMm: NARROW, femaleMm: WIDE }, adapter])).not.toContain('adapter')
  expect(lonely([high, { ...adapter, femaleMm: WIDE }])).toEqual(['adapter'])
  // Its own hole takes it as little as a hole that nobody has.
  expect(lonely([low, high, { ...adapter, maleMm: NARROW }], WIDE)).toContain('adapter')
})

it('refuses a barrel of no width', () => {
  expect(() => opticalChains({ focuserFemaleMm: 0, parts: [] })).toThrow('focuserFemaleMm')
})

/** Every ordering of every subset, tried one by one: slow, and sure. */
function tried({ focuserFemaleMm, parts, needsDiagonal = false, maxParts = 3 }: ChainInput): string[] {
  const between = parts.filter(({ kind }) => kind !== 'eyepiece')
  const orders = (left: readonly ChainPart[], most: number): ChainPart[][] =>
    most === 0
      ? [[]]
      : [
          [],
          ...left.flatMap((each) =>
            orders(
              left.filter((other) => other !== each),
              most - 1,
            ).map((rest) => [each, ...rest]),
          ),
        ]
  const unique = new Map(orders(between, maxParts).map((run) => [run.map(({ id }) => id).join(), run]))
  const found: string[] = []
  for (const eyepiece of parts.filter(({ kind }) => kind === 'eyepiece'))
    for (const run of unique.values()) {
      const whole = [...run, eyepiece]
      const holes = [focuserFemaleMm, ...run.map(({ femaleMm = 0 }) => femaleMm)]
      const fits = whole.every(({ maleMm }, index) => barrelFits(maleMm, holes[index] ?? 0))
      const kinds = new Set(run.map(({ kind }) => kind))
      const idle = run.some(
        ({ kind }, index) => kind === 'adapter' && barrelFits(whole[index + 1]?.maleMm ?? 0, holes[index] ?? 0),
      )
      const turned = !needsDiagonal || kinds.has('diagonal') || kinds.has('erecting')
      if (fits && kinds.size === run.length && !idle && turned)
        found.push([...run, eyepiece].map(({ id }) => id).join(' '))
    }
  return found.sort()
}

it('is what trying every order of every choice gives', () => {
  const barrel = fc.constantFrom(24.5, NARROW, WIDE)
  const part = fc.record({
    kind: fc.constantFrom('eyepiece', 'barlow', 'extender', 'diagonal', 'erecting', 'adapter' as const),
    maleMm: barrel,
    femaleMm: barrel,
  })
  const input = fc.record({
    focuserFemaleMm: barrel,
    parts: fc.array(part, { maxLength: 6 }).map((list) =>
      list.map((each, index) => ({
        ...each,
        id: String(index),
        femaleMm: each.kind === 'eyepiece' ? undefined : each.femaleMm,
      })),
    ),
    needsDiagonal: fc.boolean(),
    maxParts: fc.constantFrom(1, 2, 3),
  })
  fc.assert(
    fc.property(input, (given) => {
      const fast = opticalChains(given).chains.map(({ eyepiece, through }) => [...through, eyepiece].join(' '))
      expect([...fast].sort()).toEqual(tried(given))
    }),
  )
})
