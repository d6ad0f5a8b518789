import { spreadsheetSafe, unguarded } from './spreadsheet-safe.ts'
import { readScaleLine, settledReading, type TimedReading } from './scale-lines.ts'

it.each([
  ['14.63 kg', 14_630, 10, null],
  ['+  1204 g', 1204, 1, null],
  ['S   1204.5 g', 1204.5, 0.1, true],
  ['ST,GS,+  52 g', 52, 1, true],
  ['moving 52 g', 52, 1, false],
  ['- 12 g', -12, 1, null],
  ['1,25 kg', 1250, 10, null],
  // Pound and ounce are exact by definition [International yard and pound, 1959].
  ['2 lb', 907.18474, 453.59237, null],
  ['1.0 oz', 28.349523125, 2.8349523125, null],
] as const)('“%s”', (line, massG, stepG, stable) => {
  const read = readScaleLine(line)
  if (read.kind !== 'reading') throw new Error(`unread: ${line}`)
  expect(read.massG).toBeCloseTo(massG, 6)
  expect(read.stepG).toBeCloseTo(stepG, 6)
  expect(read.stable).toBe(stable)
})

it.each([['OL'], ['-----'], ['OVERLOAD']])('“%s” is an overload', (line) => {
  expect(readScaleLine(line)).toEqual({ kind: 'overload' })
})

it.each([[''], ['hello'], ['12 stone'], ['g 12'], ['1.2.3 kg']])('“%s” is not taken for a mass', (line) => {
  expect(readScaleLine(line).kind).toBe('unreadable')
})

describe('when it has come to rest', () => {
  const at = (massG: number, atMs: number, stable: boolean | null = null): TimedReading => ({
    massG,
    atMs,
    stepG: 1,
    stable,
  })
  it('not while it drifts, not before it has stood', () => {
    expect(settledReading([at(100, 0), at(104, 500), at(109, 1000), at(112, 1500)])).toBeNull()
    expect(settledReading([at(100, 0), at(100, 300)])).toBeNull()
    expect(settledReading([])).toBeNull()
  })
  it('after it stood for more than a second', () => {
    expect(settledReading([at(90, 0), at(112, 500), at(112, 1100), at(113, 1800)])?.massG).toBe(113)
  })
  it('at once when the scale says so, never when it says it moves', () => {
    expect(settledReading([at(50, 0, true)])?.massG).toBe(50)
    expect(settledReading([at(50, 0), at(50, 2000, false)])).toBeNull()
  })
})

describe('cells that a spreadsheet would run', () => {
  it.each([['=1+1'], ['+cmd|calc'], ['-2+3'], ['@SUM(A1)'], ['\t=1']])(
    '%j is guarded, and read back as it was',
    (cell) => {
      expect(spreadsheetSafe(cell)).toBe(`'${cell}`)
      expect(unguarded(spreadsheetSafe(cell))).toBe(cell)
    },
  )
  it.each([['-5'], ['+3.5'], ['Tube 110/480'], [''], ["'quoted'"]])('%j stays as it is', (cell) => {
    expect(spreadsheetSafe(cell)).toBe(cell)
    expect(unguarded(cell)).toBe(cell)
  })
})
