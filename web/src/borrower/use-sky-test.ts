import type { IssuedGuide } from '@binoculum/contract'
import {
  faintPattern,
  moonEdges,
  skyVerdict,
  twinkles,
  type MoonEdge,
  type SkyAnswers,
  type SkyVerdict,
  type Twinkle,
} from '@binoculum/core'
import { computed, type ComputedRef } from 'vue'
import { useMemory, useRemembered } from './use-kept.ts'
import { useNight } from './use-night.ts'

interface Kept extends SkyAnswers {
  /** Evening that the air was looked at; the sky's darkness stays with the place. */
  readonly date: string | null
}
const nothing: Kept = { date: null, twinkle: null, moonEdge: null, stars: null }

const oneOf = <T>(list: readonly T[], value: unknown): value is T | null =>
  value === null || (list as readonly unknown[]).includes(value)
function isKept(value: unknown): value is Kept {
  if (typeof value !== 'object' || value === null) return false
  const { date, twinkle, moonEdge, stars } = value as Partial<Record<keyof Kept, unknown>>
  const isCount = stars === null || (typeof stars === 'number' && Number.isInteger(stars) && stars >= 0 && stars <= 7)
  return (
    (date === null || typeof date === 'string') && oneOf(twinkles, twinkle) && oneOf(moonEdges, moonEdge) && isCount
  )
}

/** What was seen of tonight's air and sky, and what it allows; kept on the phone. Another evening's air says nothing. */
export function useSkyTest(guide: IssuedGuide): {
  answers: ComputedRef<SkyAnswers>
  verdict: ComputedRef<SkyVerdict>
  pattern: ReturnType<typeof faintPattern>
  answer(given: { twinkle?: Twinkle; moonEdge?: MoonEdge | null; stars?: number }): void
} {
  const { night } = useNight()
  const kept = useRemembered<Kept>(useMemory(), 'sky test', nothing, isKept)
  const pattern = guide.place ? faintPattern(guide.place.latitudeDeg) : null
  const date = computed(() => night.value?.date ?? null)
  const answers = computed<SkyAnswers>(() => {
    const { twinkle, moonEdge, stars } = kept.value
    const seen = stars !== null && pattern ? Math.min(stars, pattern.magnitudes.length) : null
    return kept.value.date === date.value ? { twinkle, moonEdge, stars: seen } : { ...nothing, stars: seen }
  })
  const verdict = computed(() =>
    skyVerdict(answers.value, {
      apertureMm: guide.drawn?.optics.apertureMm ?? LEAST_APERTURE_MM,
      pattern,
      placeSky: guide.place?.sky,
    }),
  )
  const answer = (given: Partial<SkyAnswers>) => void (kept.value = { ...answers.value, ...given, date: date.value })
  return { answers, verdict, pattern, answer }
}

/** Guides from before drawings came don't say how wide their tube is. */
const LEAST_APERTURE_MM = 50
