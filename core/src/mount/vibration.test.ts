import { seeded } from '../shared/seeded.ts'
import { vibration, type ShakeSample } from './vibration.ts'

interface Stand {
  readonly frequencyHz: number
  readonly dampingRatio: number
  readonly rateHz?: number
  readonly lastsS?: number
  readonly restsS?: number
  readonly peakMps2?: number
  readonly noiseMps2?: number
  readonly seed?: number
}

/** The exact solution of x″ + 2ζω₀x′ + ω₀²x = 0 struck at x = 0 with velocity v: its acceleration, and a sensor's noise. */
function struck(stand: Stand): ShakeSample[] {
  const { frequencyHz, dampingRatio: zeta, rateHz = 60, lastsS = 6, restsS = 0.5 } = stand
  const { peakMps2 = 1.5, noiseMps2 = 0.01, seed = 7 } = stand
  const damped = 2 * Math.PI * frequencyHz
  const undamped = damped / Math.sqrt(1 - zeta ** 2)
  const chance = seeded(seed)
  const noise = () => noiseMps2 * (chance() + chance() + chance() + chance() - 2) * Math.sqrt(3)
  return Array.from({ length: Math.round((lastsS + restsS) * rateHz) }, (_, i) => {
    const tS = i / rateHz
    const t = tS - restsS
    const swing =
      t < 0
        ? 0
        : peakMps2 *
          Math.exp(-zeta * undamped * t) *
          (((2 * zeta ** 2 - 1) * undamped * Math.sin(damped * t)) / damped - 2 * zeta * Math.cos(damped * t))
    return { tS, accelMps2: swing + noise() }
  })
}
/** ln(1/0.05) ÷ (ζω₀), by hand. */
const settlesS = ({ frequencyHz, dampingRatio }: Stand) =>
  (2.995732 * Math.sqrt(1 - dampingRatio ** 2)) / (dampingRatio * 2 * Math.PI * frequencyHz)

const stands: readonly Stand[] = [
  { frequencyHz: 2.1, dampingRatio: 0.03 },
  { frequencyHz: 4, dampingRatio: 0.08 },
  { frequencyHz: 7.5, dampingRatio: 0.05, noiseMps2: 0.03 },
  { frequencyHz: 12, dampingRatio: 0.1, rateHz: 100 },
  { frequencyHz: 3.3, dampingRatio: 0.2 },
  { frequencyHz: 1.2, dampingRatio: 0.05, peakMps2: 0.4 },
]
it.each(stands)('a stand of %o is told back', (stand) => {
  for (let seed = 1; seed <= 5; seed++) {
    const told = vibration({ samples: struck({ ...stand, seed }) })
    expect(told.refused).toBeNull()
    expect(Math.abs((told.frequencyHz ?? 0) / stand.frequencyHz - 1)).toBeLessThan(0.02)
    expect(Math.abs((told.dampingRatio ?? 0) / stand.dampingRatio - 1)).toBeLessThan(0.15)
    expect(Math.abs((told.settleS ?? 0) / settlesS(stand) - 1)).toBeLessThan(0.15)
    expect(told.warnings.filter((warning) => warning !== 'longer-than-recorded')).toEqual([])
  }
})

it('a vector’s length swings twice as fast as the stand, and that is known', () => {
  const stand = { frequencyHz: 3, dampingRatio: 0.06 }
  const samples = struck(stand).map(({ tS, accelMps2 }) => ({ tS, accelMps2: Math.abs(accelMps2) }))
  const told = vibration({ samples })
  expect(told.frequencyHz).toBeCloseTo(3, 1)
  expect((told.settleS ?? 0) / settlesS(stand)).toBeCloseTo(1, 1)
})

it('gaps take nothing but certainty', () => {
  const stand = { frequencyHz: 3, dampingRatio: 0.06 }
  const samples = struck(stand).filter(({ tS }) => (tS < 0.9 || tS > 1.2) && (tS < 1.7 || tS > 1.8))
  const told = vibration({ samples })
  expect(told.warnings).toEqual(['gaps'])
  expect((told.settleS ?? 0) / settlesS(stand)).toBeCloseTo(1, 1)
})

it('ten readings a second do for a slow stand; near half of their rate it is said', () => {
  const slow = { frequencyHz: 2, dampingRatio: 0.06, rateHz: 10 }
  const told = vibration({ samples: struck(slow) })
  expect(told.warnings).toEqual([])
  expect((told.settleS ?? 0) / settlesS(slow)).toBeCloseTo(1, 0)
  expect(vibration({ samples: struck({ ...slow, frequencyHz: 4.4 }) }).warnings).toContain('slow-sampling')
})

it('a swing that outlasts the recording is reckoned on, and said to be', () => {
  const told = vibration({ samples: struck({ frequencyHz: 2, dampingRatio: 0.02, lastsS: 4 }) })
  expect(told.warnings).toEqual(['longer-than-recorded'])
  expect((told.settleS ?? 0) / settlesS({ frequencyHz: 2, dampingRatio: 0.02 })).toBeCloseTo(1, 1)
})

it('a recording that began long ago tells the same', () => {
  const samples = struck({ frequencyHz: 4, dampingRatio: 0.08 })
  const later = samples.map(({ tS, accelMps2 }) => ({ tS: tS + 4096, accelMps2 }))
  expect(vibration({ samples: later }).frequencyHz).toBeCloseTo(vibration({ samples }).frequencyHz ?? 0, 6)
})

it('a second tap is no single swing', () => {
  const once = struck({ frequencyHz: 3, dampingRatio: 0.08 })
  const twice = once.map(({ tS, accelMps2 }, i) => ({ tS, accelMps2: accelMps2 + (once[i - 75]?.accelMps2 ?? 0) }))
  const told = vibration({ samples: twice })
  expect(told.refused !== null || told.warnings.includes('disturbed')).toBe(true)
})

it('a tap’s own knock of one reading doesn’t lead astray', () => {
  const samples = struck({ frequencyHz: 3, dampingRatio: 0.06 })
  const knocked = samples.map((sample, i) => (i === 30 ? { ...sample, accelMps2: 6 } : sample))
  expect(
    (vibration({ samples: knocked }).settleS ?? 0) / settlesS({ frequencyHz: 3, dampingRatio: 0.06 }),
  ).toBeCloseTo(1, 0)
})

it('clipped readings are refused: how hard it was tapped is lost', () => {
  const samples = struck({ frequencyHz: 3, dampingRatio: 0.05, peakMps2: 30 })
  const clipped = samples.map(({ tS, accelMps2 }) => ({ tS, accelMps2: Math.max(-19.6, Math.min(19.6, accelMps2)) }))
  expect(vibration({ samples: clipped }).refused).toBe('saturated')
})

it.each([
  { runs: [3], refused: 'saturated' },
  { runs: [2, 2], refused: 'saturated' },
  { runs: [2], refused: null },
  { runs: [1, 1, 1], refused: null },
])('at its very largest for $runs readings in a row: $refused', ({ runs, refused }) => {
  for (const sign of [1, -1]) {
    const samples = struck({ frequencyHz: 3, dampingRatio: 0.05, peakMps2: 8, noiseMps2: 0.02 })
    const most = 1.01 * Math.max(...samples.map(({ accelMps2 }) => Math.abs(accelMps2)))
    const first = samples.findIndex(({ accelMps2 }) => Math.abs(accelMps2) > 1)
    const atEnd = runs.flatMap((run, at) => Array.from({ length: run }, (_each, i) => first + 4 * at + i))
    const held = samples.map((sample, i) => (atEnd.includes(i) ? { ...sample, accelMps2: sign * most } : sample))
    expect(vibration({ samples: held }).refused === 'saturated').toBe(refused === 'saturated')
  }
})

it('nobody tapped', () => {
  expect(vibration({ samples: struck({ frequencyHz: 3, dampingRatio: 0.05, peakMps2: 0 }) }).refused).toBe('no-tap')
  const street = struck({ frequencyHz: 3, dampingRatio: 0.05, peakMps2: 0, noiseMps2: 0.2 })
  expect(vibration({ samples: street }).refused).toBe('no-tap')
})

it('too few readings say so', () => {
  expect(vibration({ samples: struck({ frequencyHz: 3, dampingRatio: 0.05 }).slice(0, 8) }).refused).toBe('too-few')
  expect(vibration({ samples: struck({ frequencyHz: 3, dampingRatio: 0.05 }).slice(0, 36) }).refused).toBe('too-few')
})

it('times that run back are an error by name', () => {
  const samples = struck({ frequencyHz: 3, dampingRatio: 0.05 }).toReversed()
  expect(() => vibration({ samples })).toThrow('samples[1].tS')
})

it('“still” can be asked for more strictly', () => {
  const samples = struck({ frequencyHz: 4, dampingRatio: 0.08 })
  const [usual, strict] = [vibration({ samples }), vibration({ samples, stillFraction: 0.01 })]
  expect((strict.settleS ?? 0) / (usual.settleS ?? 1)).toBeCloseTo(Math.log(100) / Math.log(20), 6)
})
