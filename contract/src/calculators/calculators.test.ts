import { good } from '../testing/good-inputs.ts'
import { calculate, calculators } from './register.ts'

it.each([...calculators.keys()])('%s answers in the shape it promises, and names its sources', (name) => {
  const answer = calculate(name, good[name])
  expect(answer.ok).toBe(true)
  const entry = calculators.get(name)
  expect(entry?.output.safeParse(answer.ok && answer.output).success).toBe(true)
  expect(entry?.sources.length).toBeGreaterThan(0)
})

it.each([
  { name: 'optics.view', change: { apertureMm: -130 }, path: 'apertureMm' },
  { name: 'optics.view', change: { eyepieceMm: 0 }, path: 'eyepieceMm' },
  { name: 'optics.view', change: { eyepieceMm: NaN }, path: 'eyepieceMm' },
  { name: 'optics.view', change: { focalLengthMm: '650' }, path: 'focalLengthMm' },
  { name: 'collimation.quality', change: { mirrorFigure: 'flat' }, path: 'mirrorFigure' },
  { name: 'collimation.turns', change: { screws: [{ name: 'A', angleDeg: 0 }] }, path: 'screws' },
  { name: 'collimation.turns', change: { pitchMm: 0 }, path: 'pitchMm' },
  { name: 'collimation.measurePhoto', change: { image: 'not pixels' }, path: 'image' },
  { name: 'collimation.measurePhoto', change: { apertureMm: -1 }, path: 'apertureMm' },
  { name: 'collimation.repeat', change: { readings: [{ x: 0, y: 0 }] }, path: 'readings' },
  { name: 'sky.sunSafety', change: { marginDeg: 19 }, path: 'marginDeg' },
  { name: 'mount.balance', change: { counterweights: [{ massG: 0 }] }, path: 'counterweights.0.massG' },
  { name: 'mount.balance', change: { shaft: { minMm: 310, maxMm: 300 } }, path: 'shaft.minMm' },
  { name: 'mount.load', change: { ratedLoadG: 0 }, path: 'ratedLoadG' },
  { name: 'mount.side', change: { latitudeDeg: 91 }, path: 'latitudeDeg' },
  { name: 'mount.poleStar', change: { longitudeDeg: -181 }, path: 'longitudeDeg' },
  { name: 'sky.alignmentStars', change: { count: 4 }, path: 'count' },
  { name: 'sky.targets', change: { limitingMagnitude: 9 }, path: 'limitingMagnitude' },
  { name: 'sky.targets', change: { date: '2026-02-30' }, path: 'date' },
  { name: 'guides.readingGrade', change: { language: 'xx' }, path: 'language' },
  { name: 'finder.parallax', change: { offsetMm: { x: 1 } }, path: 'offsetMm.y' },
  { name: 'contents.explainWeight', change: { parts: [] }, path: 'parts' },
  { name: 'contents.explainWeight', change: { maxMissing: 9 }, path: 'maxMissing' },
  {
    name: 'contents.explainWeight',
    change: { weighings: [{ measuredG: NaN, scaleResolutionG: 1 }] },
    path: 'weighings.0.measuredG',
  },
  { name: 'readiness.judge', change: { atUtc: 'noon' }, path: 'atUtc' },
  { name: 'loans.freeSlots', change: { openWeekdays: [0] }, path: 'openWeekdays.0' },
  { name: 'loans.plan', change: { turnaroundDays: -1 }, path: 'turnaroundDays' },
  { name: 'trends.forecast', change: { limitMm: 0 }, path: 'limitMm' },
  { name: 'trends.forecast', change: { dueChance: 1 }, path: 'dueChance' },
  { name: 'readiness.judge', change: { parts: [{ role: 'tube', mark: 'gone' }] }, path: 'parts.0.mark' },
])('$name refuses $change and names $path', ({ name, change, path }) => {
  const answer = calculate(name, { ...good[name], ...change })
  expect(answer).toMatchObject({ ok: false, error: { code: 'BAD_INPUT' } })
  expect(!answer.ok && answer.error.issues.map((issue) => issue.path)).toContain(path)
})

it('a misspelt optional field is an error, not ignored', () => {
  const answer = calculate('optics.view', { ...good['optics.view'], barlowe: 2 })
  expect(!answer.ok && answer.error.issues[0]?.message).toContain('barlowe')
})

it.each([null, 'text', [], 7])('%p as the whole input is refused', (input) => {
  expect(calculate('optics.view', input)).toMatchObject({ ok: false, error: { code: 'BAD_INPUT' } })
})

it('an unknown calculator is told which there are', () => {
  const answer = calculate('optics.magic', {})
  expect(answer).toMatchObject({ ok: false, error: { code: 'UNKNOWN_CALCULATOR' } })
  expect(!answer.ok && answer.error.issues[0]?.message).toContain('optics.view')
})
