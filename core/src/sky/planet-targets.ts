import { Illumination, Body, type AstroTime } from 'astronomy-engine'
import { radToArcsec } from '../shared/angles.ts'
import { drift, seenFromGround } from './drift.ts'
import type { WantedPower } from './showpieces.ts'
import {
  best,
  darkEnoughDeg,
  LEAST_ALTITUDE_DEG,
  type Moment,
  type Rules,
  type TargetsInput,
  type Target,
} from './target-stretches.ts'

export const planets = ['Venus', 'Jupiter', 'Saturn', 'Mars'] as const

/** Mars under this shows nothing in a small telescope. */
const MARS_SMALL_ARCSEC = 8
const MARS_RADIUS_KM = 3396.2
export const KM_PER_AU = 149597870.7
const RING_EDGE_ON_DEG = 4
export function planetTargets(input: TargetsInput, moments: readonly Moment[], rules: Rules): readonly Target[] {
  const [first, last] = [moments[0], moments.at(-1)]
  if (!first || !last) return []
  return planets.flatMap((name): Target[] => {
    const path = drift(name, first.ms, last.ms + 1)
    const stands = moments.map((moment) => ({
      moment,
      place: seenFromGround(path.at(moment.ms), moment.siderealHours, input),
    }))
    const stand = best(stands, { leastDeg: LEAST_ALTITUDE_DEG.bright, sunBelowDeg: darkEnoughDeg.planet }, rules)
    if (!stand) return []
    const { heightShare, moment, ...when } = stand
    const { look, sure, power } = planetWords(name, moment.time)
    return [
      {
        id: name.toLowerCase(),
        name,
        catalogue: null,
        kind: 'planet',
        power,
        ...when,
        find: 'A bright point that doesn’t twinkle.',
        look,
        why: 'bright-in-any-sky',
        merit: sure * heightShare,
      },
    ]
  })
}

function planetWords(
  name: (typeof planets)[number],
  time: AstroTime,
): { readonly look: string; readonly sure: number; readonly power: WantedPower } {
  const { phase_fraction: lit, ring_tilt: tilt, geo_dist: au } = Illumination(Body[name], time)
  if (name === 'Venus')
    return {
      look:
        lit > 0.75 ? 'A small, very bright disc.' : lit > 0.35 ? 'A small half moon.' : 'A thin, bright crescent.',
      sure: lit > 0.75 ? 74 : 88,
      power: 'medium',
    }
  if (name === 'Jupiter')
    return { look: 'A disc with two grey belts, and up to four moons in a row.', sure: 96, power: 'medium' }
  if (name === 'Saturn')
    return Math.abs(tilt ?? 0) < RING_EDGE_ON_DEG
      ? { look: 'A small disc. The ring is nearly edge-on this year: a thin line.', sure: 84, power: 'high' }
      : { look: 'A small disc with its ring round it.', sure: 96, power: 'high' }
  const arcsec = radToArcsec((2 * MARS_RADIUS_KM) / (au * KM_PER_AU))
  return arcsec < MARS_SMALL_ARCSEC
    ? { look: 'A tiny orange dot; it is far away just now.', sure: 45, power: 'high' }
    : { look: 'A small orange disc, with a dark mark or a white cap in good moments.', sure: 78, power: 'high' }
}
