import type { Sky } from '../sky/skies.ts'
import type { GuideNight } from './nights.ts'
import type { GuidePower } from './guide.ts'

/** Two minutes before the first look: what the air and the sky allow tonight. */
export const twinkles = ['hardly', 'a-little', 'hard'] as const
export type Twinkle = (typeof twinkles)[number]
export const moonEdges = ['sharp', 'wavers', 'boils'] as const
export type MoonEdge = (typeof moonEdges)[number]

export interface SkyAnswers {
  /** Stars high up. */
  readonly twinkle: Twinkle | null
  /** The Moon's edge at the lowest power; null where it isn't up, or nobody looked. */
  readonly moonEdge: MoonEdge | null
  /** How many stars of the place's pattern show. */
  readonly stars: number | null
}

export interface FaintPattern {
  readonly key: 'little-bear' | 'southern-cross'
  /** From the brightest to the faintest. */
  readonly magnitudes: readonly number[]
}

/** Magnitudes rounded from the Hipparcos catalogue (ESA 1997, public), the faint ones from memory. */
const patterns: Readonly<Record<FaintPattern['key'], FaintPattern>> = {
  'little-bear': { key: 'little-bear', magnitudes: [1.98, 2.07, 3.0, 4.21, 4.29, 4.35, 4.95] },
  'southern-cross': { key: 'southern-cross', magnitudes: [0.77, 1.25, 1.59, 2.79, 3.59] },
}
/** Further south the Little Bear is low, further north the Cross is. */
const LITTLE_BEAR_FROM_DEG = 20
const SOUTHERN_CROSS_FROM_DEG = -25

/** The pattern whose stars are counted at a place; null near the equator, where neither stands high all year. */
export function faintPattern(latitudeDeg: number): FaintPattern | null {
  if (latitudeDeg >= LITTLE_BEAR_FROM_DEG) return patterns['little-bear']
  return latitudeDeg <= SOUTHERN_CROSS_FROM_DEG ? patterns['southern-cross'] : null
}

export type Air = 'steady' | 'fair' | 'poor'

export interface SkyVerdict {
  /** Null: nobody answered. */
  readonly air: Air | null
  readonly sky: Sky | null
  /** The highest power that is worth it now; null where nothing is known of the air. */
  readonly mostPower: number | null
  /** Faintest star seen, as a magnitude; null where nobody counted. */
  readonly faintestMagnitude: number | null
  /** Whether the sky is told by what is known of the place, and nobody counted stars. */
  readonly isSkyOfPlace: boolean
}

/** Times the aperture in mm: twice on the best nights, once on ordinary ones (DOMAIN, section 7), half where the air boils.
 * Common practice, no source. */
const POWER_PER_MM: Readonly<Record<Air, number>> = { steady: 2, fair: 1, poor: 0.5 }
/** From here clusters and nebulae show, from there galaxies as well. Common practice, no source. */
const FAIR_FROM_MAGNITUDE = 4
const DARK_FROM_MAGNITUDE = 4.9

const airOfTwinkle: Readonly<Record<Twinkle, Air>> = { hardly: 'steady', 'a-little': 'fair', hard: 'poor' }
const airOfEdge: Readonly<Record<MoonEdge, Air>> = { sharp: 'steady', wavers: 'fair', boils: 'poor' }
const worstFirst: readonly Air[] = ['poor', 'fair', 'steady']

/** What the answers come to: the worse of two signs of the air counts, and a question nobody answered says nothing.
 * @param given pattern as `faintPattern` gave it; null says nothing of the sky
 * @throws RangeError for an aperture that isn't above 0, or more stars than the pattern has */
export function skyVerdict(
  { twinkle, moonEdge, stars }: SkyAnswers,
  given: {
    readonly apertureMm: number
    readonly pattern: FaintPattern | null
    /** How dark the place gets, where somebody wrote it down. */
    readonly placeSky?: Sky | null | undefined
  },
): SkyVerdict {
  const { apertureMm, pattern, placeSky = null } = given
  if (!(apertureMm > 0)) throw new RangeError('apertureMm must be above 0')
  if (stars !== null && pattern && !(stars >= 0 && stars <= pattern.magnitudes.length))
    throw new RangeError(`stars must lie between 0 and ${pattern.magnitudes.length}`)
  const signs = [twinkle && airOfTwinkle[twinkle], moonEdge && airOfEdge[moonEdge]]
  const air = worstFirst.find((each) => signs.includes(each)) ?? null
  const faintestMagnitude = stars === null || !pattern ? null : (pattern.magnitudes[stars - 1] ?? 0)
  return {
    air,
    sky: faintestMagnitude === null ? placeSky : skyOf(faintestMagnitude, stars === pattern?.magnitudes.length),
    isSkyOfPlace: faintestMagnitude === null && placeSky !== null,
    mostPower: air && POWER_PER_MM[air] * apertureMm,
    faintestMagnitude,
  }
}

/** A pattern of bright stars alone, seen whole, can't say that the sky is bright. */
function skyOf(faintestMagnitude: number, isWhole: boolean): Sky {
  if (faintestMagnitude >= DARK_FROM_MAGNITUDE) return 'dark'
  return faintestMagnitude >= FAIR_FROM_MAGNITUDE || isWhole ? 'fair' : 'bright'
}

/** The kit's highest power that is worth it, or its lowest where even that is more; null where it has none. */
export function highestWorth(
  powers: readonly Pick<GuidePower, 'eyepiece' | 'barlow' | 'magnification' | 'verdict'>[],
  mostPower: number,
): (typeof powers)[number] | null {
  const usable = powers.filter(({ verdict }) => verdict !== 'empty')
  const rising = [...usable].sort((a, b) => a.magnification - b.magnification)
  return rising.filter(({ magnification }) => magnification <= mostPower).at(-1) ?? rising[0] ?? null
}

/** Why something isn't worth looking for tonight; null where it is. */
export function leftOutBy(
  { kind }: Pick<GuideNight['targets'][number], 'kind'>,
  { air, sky }: Pick<SkyVerdict, 'air' | 'sky'>,
): 'too-bright' | 'air-boils' | null {
  if (sky === 'bright' && (kind === 'nebula' || kind === 'globular-cluster' || kind === 'galaxy')) return 'too-bright'
  if (sky === 'fair' && kind === 'galaxy') return 'too-bright'
  return air === 'poor' && kind === 'double-star' ? 'air-boils' : null
}

/** What the page says; each language has to know them. */
export const twinkleWords: Readonly<Record<Twinkle, string>> = {
  hardly: 'hardly at all',
  'a-little': 'a little',
  hard: 'hard, in colours',
}
export const moonEdgeWords: Readonly<Record<MoonEdge, string>> = {
  sharp: 'sharp and still',
  wavers: 'it wavers',
  boils: 'it boils',
}
export const patternWords: Readonly<Record<FaintPattern['key'], string>> = {
  'little-bear':
    'How many of the Little Bear’s seven stars do you see? The pole star is one, at the end of its tail.',
  'southern-cross': 'How many of the Southern Cross’s five stars do you see? The fifth is the faint one.',
}
export const airWords: Readonly<Record<Air, string>> = {
  steady: 'The air is steady. Up to {power} is worth a try: {eyepiece}.',
  fair: 'The air is fair. Stay at {power} or less: {eyepiece}.',
  poor: 'The air is restless. Stay at {power} or less: {eyepiece}. Planets are sharp for moments only.',
}
/** Where even its lowest power is more than the air bears. */
export const ONLY_LOWEST = 'The air is restless. Use the lowest power alone: {eyepiece}.'
export const skyWords: Readonly<Record<Sky, string>> = {
  dark: 'The sky is dark. Faint things are worth it.',
  fair: 'The sky is fair. Bright clusters and nebulae show, galaxies hardly.',
  bright: 'The sky is bright. Keep to the Moon, the planets and bright clusters.',
}
/** After what the place's sky is like. */
export const SKY_OF_PLACE = 'That is how the library knows this place. Count the stars to know tonight’s sky.'
export const leftOutWords: Readonly<Record<'too-bright' | 'air-boils', string>> = {
  'too-bright': 'the sky is too bright for it',
  'air-boils': 'the air is too restless for it',
}
