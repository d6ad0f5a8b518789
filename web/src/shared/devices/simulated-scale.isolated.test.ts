import { jest } from '@jest/globals'
import { readScaleLine, settledReading, type TimedReading } from '@binoculum/core'
import { SimulatedScale, simulatedScale, type SimulatedPan } from './simulated-scale.ts'

jest.useFakeTimers()
const pan = (rest: Partial<SimulatedPan> = {}): SimulatedPan => ({
  loadG: 528,
  unit: 'g',
  stepG: 1,
  mostG: 5000,
  driftGPerS: 0,
  ...rest,
})

/** Lets a scale write for so long; gives its lines with their times. */
function linesOf(given: () => SimulatedPan, ms: number, before?: (scale: SimulatedScale) => void) {
  const lines: { line: string; atMs: number }[] = []
  let elapsedMs = 0
  const scale = new SimulatedScale(given, (line) => lines.push({ line, atMs: elapsedMs }))
  scale.plugIn()
  for (; elapsedMs < ms; elapsedMs += 200) {
    if (elapsedMs === ms / 2) before?.(scale)
    jest.advanceTimersByTime(200)
  }
  scale.close()
  return lines
}
const readingsOf = (lines: readonly { line: string; atMs: number }[]): TimedReading[] =>
  lines.flatMap(({ line, atMs }) => {
    const read = readScaleLine(line)
    return read.kind === 'reading' ? [{ massG: read.massG, stepG: read.stepG, stable: read.stable, atMs }] : []
  })

it.each(['g', 'kg', 'lb', 'oz'] as const)('a load comes to rest at its mass, whatever the unit: %s', (unit) => {
  const readings = readingsOf(linesOf(() => pan({ unit }), 6000))
  expect(readings[0]?.stable).toBe(false)
  const settled = settledReading(readings)
  expect(settled?.massG).toBeGreaterThan(528 - 1.6)
  expect(settled?.massG).toBeLessThan(528 + 1.6)
})

it('while it drifts by its step each second it is not taken for settled at one mass', () => {
  const readings = readingsOf(linesOf(() => pan({ driftGPerS: 4 }), 6000))
  expect((readings.at(-1)?.massG ?? 0) - (readings.at(-6)?.massG ?? 0)).toBeGreaterThan(2)
})

it('tare takes off what lies there; more than it can carry is said, not weighed', () => {
  const tared = readingsOf(
    linesOf(
      () => pan(),
      8000,
      (scale) => scale.tare(),
    ),
  )
  expect(Math.abs(tared.at(-1)?.massG ?? 99)).toBeLessThanOrEqual(1)
  expect(linesOf(() => pan({ mostG: 300 }), 1000).map(({ line }) => readScaleLine(line).kind)).toContain('overload')
})

it('a window that reads the stand-in hears its lines, and that it was unplugged', async () => {
  jest.useRealTimers()
  const heard: string[] = []
  let stop = () => undefined as void
  const ended = new Promise<string>((resolve) => {
    void simulatedScale.open((line) => heard.push(line), resolve).then((close) => (stop = close))
  })
  const scale = new SimulatedScale(
    () => pan(),
    () => undefined,
  )
  scale.plugIn()
  await new Promise((resolve) => setTimeout(resolve, 500))
  scale.unplug()
  expect(await ended).toBe('The scale was unplugged.')
  expect(heard.length).toBeGreaterThan(0)
  scale.close()
  stop()
})
