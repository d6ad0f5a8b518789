import { subsolarLongitudeDeg, moonFeatures, sunOverFeature, type MoonFeature } from './moon-features.ts'
import { best, darkEnoughDeg, LEAST_ALTITUDE_DEG, type Moment, type Rules, type Target } from './target-stretches.ts'

export function moonTargets(moments: readonly Moment[], moonLit: number, rules: Rules): readonly Target[] {
  const stands = moments.map((moment) => ({ moment, place: moment.moon }))
  const stand = best(stands, { leastDeg: LEAST_ALTITUDE_DEG.bright, sunBelowDeg: darkEnoughDeg.moon }, rules)
  if (!stand || moonLit < THIN_MOON) return []
  const { heightShare, moment, ...when } = stand
  const whole: Target = {
    id: 'moon',
    name: 'the Moon',
    catalogue: null,
    kind: 'moon',
    power: 'low',
    ...when,
    find: 'You can’t miss it.',
    look:
      moonLit > FULL_MOON
        ? 'Full and glaring. Look at the bright rays; there are hardly any shadows.'
        : 'Craters, best along the edge of the shadow.',
    why: 'bright-in-any-sky',
    merit: 100 * heightShare,
  }
  const subsolar = subsolarLongitudeDeg(moment.time)
  const features = moonFeatures
    .filter((feature) => Math.abs(feature.longitudeDeg) < MOON_EDGE_DEG)
    .map((feature) => ({ feature, sunDeg: sunOverFeature(feature, subsolar) }))
    .filter(({ sunDeg }) => sunDeg >= SHADOWS_DEG.least && sunDeg <= SHADOWS_DEG.most)
    .sort((a, b) => a.sunDeg - b.sunDeg)
    .map(({ feature }): Target => featureTarget(feature, when, heightShare))
  return [whole, ...features]
}

const featureTarget = (
  { id, name, look }: MoonFeature,
  when: Pick<Target, 'bestUtc' | 'altitudeDeg' | 'azimuthDeg' | 'stretches' | 'session'>,
  heightShare: number,
): Target => ({
  id: `moon-${id}`,
  name,
  catalogue: null,
  kind: 'moon-feature',
  power: 'medium',
  ...when,
  find: 'On the Moon, close to the edge of the shadow.',
  look,
  why: 'low-shadows',
  merit: 80 * heightShare,
})

/** The Sun low over a crater: long shadows. */
const SHADOWS_DEG = { least: 3, most: 20 } as const

/** Nearer to the Moon's edge it is seen too flat. */
const MOON_EDGE_DEG = 66
const THIN_MOON = 0.02
const FULL_MOON = 0.97
