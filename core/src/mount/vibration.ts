import { requirePositive } from '../shared/require.ts'
import { solved } from '../shared/linear-system.ts'

/** Taken out of the global object once: inner loops ask for them millions of times. */
const { abs, cos, exp, floor, hypot, log, max, min, sin, sqrt } = Math

/** What a sensor clamped to the tube reads. */
export interface ShakeSample {
  readonly tS: number
  /** Along one axis or the length of the vector, gravity taken off. */
  readonly accelMps2: number
}
export type ShakeRefusal = 'no-tap' | 'too-few' | 'saturated'
export type ShakeWarning = 'gaps' | 'slow-sampling' | 'longer-than-recorded' | 'disturbed'

export interface Vibration {
  /** Of the damped swing, as it is seen. */
  readonly frequencyHz: number | null
  /** Decay ÷ undamped angular frequency. */
  readonly dampingRatio: number | null
  /** From the tap until the swing's envelope stays under `stillFraction` of its beginning. */
  readonly settleS: number | null
  readonly refused: ShakeRefusal | null
  readonly warnings: readonly ShakeWarning[]
}

/** Under this a tablet only hears itself and the street; common practice, no source. */
const LEAST_TAP_MPS2 = 0.03
/** A tap stands so many times above what was there before it. */
const TAP_OVER_NOISE = 4
const LEAST_SAMPLES = 12
/** Stands swing slower than this only where they fall over. */
const SLOWEST_HZ = 0.4
/** What a hand-held stand can do at most; beyond it is the tube's own ringing. */
const FASTEST_HZ = 30
/** Nearer than this to half the rate of the sensor, a swing can't be told from a slower one. */
const SURE_BELOW_NYQUIST = 0.8
const LONGEST_FIT_S = 8
/** The finger's own knock may stand in the first readings: a fit without them is tried as well. */
const KNOCK_SAMPLES = 2
const CLEAN_FROM = 0.95
/** How much of what moves has to be one damped swing. */
const LEAST_EXPLAINED = 0.5
const DISTURBED_BELOW = 0.85
const GAP_OVER_STEP = 3
const DECAYS_PER_S = [0.4, 1.5, 5, 14] as const

/** How a stand swings after a tap, and when it is still.
 *
 * A damped oscillator, a(t) = e^(−γt)·(p·cos ωt + q·sin ωt) + c, is fitted by least squares: p, q and c are linear and are
 * solved for at each γ and ω of a grid, which is then refined. Uneven times and gaps need nothing of their own so. A vector's
 * length never turns negative; there its square is fitted, which swings twice as fast about a decaying mean. The envelope
 * falls to a fraction s in ln(1/s)/γ.
 * @param input samples in order of time; stillFraction in (0, 1), 0.05 unless given
 * @throws RangeError where times don't rise or a figure isn't finite. Source: exact solution of the damped oscillator */
export function vibration(input: {
  readonly samples: readonly ShakeSample[]
  readonly stillFraction?: number | undefined
}): Vibration {
  const { samples, stillFraction = 0.05 } = input
  requireSamples(samples)
  requirePositive({ stillFraction })
  if (stillFraction >= 1) throw new RangeError(`stillFraction must be under 1; got ${stillFraction}`)
  if (samples.length < LEAST_SAMPLES) return refusal('too-few')
  if (isSaturated(samples)) return refusal('saturated')
  const tapAt = tapIndex(samples)
  if (tapAt === null) return refusal('no-tap')
  const first = samples[tapAt]?.tS ?? 0
  const swing = samples.slice(tapAt).filter(({ tS }) => tS - first <= LONGEST_FIT_S)
  if (swing.length < LEAST_SAMPLES) return refusal('too-few')

  const times = swing.map(({ tS }) => tS - first)
  const steps = times.slice(1).map((t, i) => t - (times[i] ?? 0))
  const stepS = median(steps)
  // A length is never below nought: its square is what swings, twice as fast as the stand.
  const isLength = samples.every(({ accelMps2 }) => accelMps2 >= 0)
  const surelySeenHz = (isLength ? 0.25 : 0.5) / stepS
  const sensor = { isLength, fastestHz: min(FASTEST_HZ, surelySeenHz) }
  let fit = fitSwing(swing, sensor)
  if (fit.explained < CLEAN_FROM) {
    const without = fitSwing(swing.slice(KNOCK_SAMPLES), sensor)
    if (without.explained > fit.explained) fit = without
  }
  if (fit.explained < LEAST_EXPLAINED) return refusal('no-tap')
  const { frequencyHz, decayPerS } = fit
  const settleS = log(1 / stillFraction) / decayPerS
  // So few samples in the time in which it swings at all say little about it.
  const whileItSwings = times.filter((t) => t <= max(settleS, 1 / frequencyHz)).length
  if (whileItSwings < LEAST_SAMPLES / 2 || frequencyHz > 0.98 * surelySeenHz) return refusal('too-few')
  const warnings: ShakeWarning[] = []
  if (steps.some((step) => step > GAP_OVER_STEP * stepS)) warnings.push('gaps')
  if (frequencyHz > SURE_BELOW_NYQUIST * surelySeenHz) warnings.push('slow-sampling')
  if (settleS > (times.at(-1) ?? 0)) warnings.push('longer-than-recorded')
  if (fit.explained < DISTURBED_BELOW) warnings.push('disturbed')
  const omega = 2 * Math.PI * frequencyHz
  const dampingRatio = decayPerS / hypot(decayPerS, omega)
  return { frequencyHz, dampingRatio, settleS, refused: null, warnings }
}

const refusal = (refused: ShakeRefusal): Vibration => ({
  ...{ frequencyHz: null, dampingRatio: null, settleS: null, refused, warnings: [] },
})

function requireSamples(samples: readonly ShakeSample[]): void {
  samples.forEach(({ tS, accelMps2 }, i) => {
    if (!Number.isFinite(tS) || !Number.isFinite(accelMps2))
      throw new RangeError(`samples[${i}] must have a finite tS and accelMps2`)
    if (i > 0 && tS <= (samples[i - 1]?.tS ?? 0))
      throw new RangeError(`samples[${i}].tS must be later than the one before`)
  })
}

/** A sensor at its end repeats its end: three in a row, or two twice, that are the very largest and alike. */
function isSaturated(samples: readonly ShakeSample[]): boolean {
  for (const sign of [1, -1]) {
    const most = max(...samples.map(({ accelMps2 }) => sign * accelMps2))
    if (most <= LEAST_TAP_MPS2) continue
    let run = 0
    let runs = 0
    for (const { accelMps2 } of samples) {
      run = sign * accelMps2 >= most * (1 - 1e-6) ? run + 1 : 0
      if (run === 2) runs++
      if (run >= 3 || runs >= 2) return true
    }
  }
  return false
}

/** Where the swing begins: the first sample that comes near the largest; null where nothing rises over what was before. */
function tapIndex(samples: readonly ShakeSample[]): number | null {
  const sizes = samples.map(({ accelMps2 }) => abs(accelMps2))
  const most = max(...sizes)
  if (most < LEAST_TAP_MPS2) return null
  const at = sizes.findIndex((size) => size >= most / 2)
  const before = sizes.slice(0, at)
  if (before.length >= LEAST_SAMPLES && most < TAP_OVER_NOISE * median(before)) return null
  return at
}

interface Swing {
  readonly frequencyHz: number
  readonly decayPerS: number
  /** The part of the values' variance that it takes away, 0 to 1. */
  readonly explained: number
}

function fitSwing(
  swing: readonly ShakeSample[],
  { isLength, fastestHz }: { readonly isLength: boolean; readonly fastestHz: number },
): Swing {
  const begin = swing[0]?.tS ?? 0
  const times = Float64Array.from(swing, ({ tS }) => tS - begin)
  const values = Float64Array.from(swing, ({ accelMps2 }) => (isLength ? accelMps2 ** 2 : accelMps2))
  const lastsS = max(times.at(-1) ?? 0, 0.1)
  const tried = (frequencyHz: number, decayPerS: number): Swing => ({
    ...{ frequencyHz, decayPerS },
    explained: explainedBy(times, values, { frequencyHz, decayPerS, isLength }),
  })
  // A swing that dies sooner is known less sharply: coarser steps find it.
  const stepFor = (decayPerS: number) => 1 / (4 * min(lastsS, 4 / decayPerS))
  let best = tried(SLOWEST_HZ, DECAYS_PER_S[0])
  for (const decayPerS of DECAYS_PER_S)
    for (let frequencyHz = SLOWEST_HZ; frequencyHz <= fastestHz; frequencyHz += stepFor(decayPerS)) {
      const next = tried(frequencyHz, decayPerS)
      if (next.explained > best.explained) best = next
    }
  let [stepHz, factor] = [stepFor(best.decayPerS), 2]
  while (stepHz > 1e-5) {
    const { frequencyHz, decayPerS } = best
    const better = [
      tried(min(frequencyHz + stepHz, fastestHz), decayPerS),
      tried(max(frequencyHz - stepHz, SLOWEST_HZ / 2), decayPerS),
      tried(frequencyHz, decayPerS * factor),
      tried(frequencyHz, decayPerS / factor),
    ].reduce((a, b) => (b.explained > a.explained ? b : a))
    if (better.explained > best.explained) best = better
    else [stepHz, factor] = [stepHz / 2, sqrt(factor)]
  }
  return best
}

/** How much of the values' variance the best sum of e^(−γt)·cos ωt, e^(−γt)·sin ωt and a constant takes away. Squared,
 * cos² is a half and half a swing of twice the frequency: the decaying mean is a term more. */
function explainedBy(
  times: Float64Array,
  values: Float64Array,
  of: { readonly frequencyHz: number; readonly decayPerS: number; readonly isLength: boolean },
): number {
  const rate = of.isLength ? 2 : 1
  const [omega, decay] = [rate * 2 * Math.PI * of.frequencyHz, rate * of.decayPerS]
  // Sums of products, one by one: this runs a thousand times for each shake.
  let [cc, cs, ss, c1, s1, ce, se] = [0, 0, 0, 0, 0, 0, 0]
  let [e1, ee, cv, sv, ev, sum, squares] = [0, 0, 0, 0, 0, 0, 0]
  for (let i = 0; i < times.length; i++) {
    const [t, value] = [times[i] as number, values[i] as number]
    const envelope = exp(-decay * t)
    const cosine = envelope * cos(omega * t)
    const sine = envelope * sin(omega * t)
    cc += cosine * cosine
    cs += cosine * sine
    ss += sine * sine
    c1 += cosine
    s1 += sine
    ce += cosine * envelope
    se += sine * envelope
    e1 += envelope
    ee += envelope * envelope
    cv += cosine * value
    sv += sine * value
    ev += envelope * value
    sum += value
    squares += value * value
  }
  const size = of.isLength ? 4 : 3
  const normal = [
    [cc, cs, c1, ce],
    [cs, ss, s1, se],
    [c1, s1, times.length, e1],
    [ce, se, e1, ee],
  ]
  const right = [cv, sv, sum, ev]
  const factors = solved(
    normal.slice(0, size).map((row) => row.slice(0, size)),
    right.slice(0, size),
  )
  const all = squares - (sum * sum) / times.length
  if (!factors || all <= 0) return 0
  // At the least squares the remainder is what the factors don't take along.
  const left = squares - factors.reduce((taken, factor, a) => taken + factor * (right[a] ?? 0), 0)
  return 1 - left / all
}

function median(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b)
  return sorted[floor(sorted.length / 2)] ?? 0
}
