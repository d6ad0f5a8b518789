/** A short scale for what a torch shows at a slant, where glass always looks bad. */
export const glassGrades = ['none', 'little', 'much'] as const
export type GlassGrade = (typeof glassGrades)[number]
export const glassTroubles = ['dust', 'fungus', 'scratches', 'coating'] as const
export type GlassTrouble = (typeof glassTroubles)[number]
export type GlassGrades = Readonly<Record<GlassTrouble, GlassGrade>>

export const cleaningWays = ['blown', 'rinsed', 'wiped'] as const
export type CleaningWay = (typeof cleaningWays)[number]

/** What an earlier look saw, and when the glass was cleaned last. */
export interface GlassBefore {
  readonly grades: GlassGrades | null
  readonly daysSinceCleaning: number | null
}

export interface GlassAdvice {
  readonly judged: 'fine' | 'not-fine'
  /** The usual answer is not now. */
  readonly clean: 'not-now' | 'blow' | 'by-one-who-knows'
  readonly cleanWhy: 'hardly-costs-light' | 'cleaned-lately' | 'much-dust' | 'fungus-first'
  /** Threads spread: dry it, keep it apart, and let a workshop see it. */
  readonly keepApart: boolean
  /** More than at the look before. */
  readonly worse: readonly GlassTrouble[]
}

/** Glass is cleaned once in some seasons at most (DOMAIN, section 14). Common practice, no source. */
const CLEANED_LATELY_DAYS = 540

/** What to do about what a torch shows. Dust alone never makes glass unfit, and wear that stays as it was is known wear. */
export function glassAdvice(
  grades: GlassGrades,
  before: GlassBefore = { grades: null, daysSinceCleaning: null },
): GlassAdvice {
  const rank = (grade: GlassGrade) => glassGrades.indexOf(grade)
  const earlier = before.grades
  const worse = earlier ? glassTroubles.filter((each) => rank(grades[each]) > rank(earlier[each])) : []
  const keepApart = grades.fungus !== 'none'
  const flakes = grades.coating === 'much' && worse.includes('coating')
  const scratched = grades.scratches === 'much' && worse.includes('scratches')
  return {
    judged: keepApart || flakes || scratched ? 'not-fine' : 'fine',
    ...cleaning(grades, before.daysSinceCleaning),
    keepApart,
    worse,
  }
}

function cleaning(
  { dust, fungus }: GlassGrades,
  daysSinceCleaning: number | null,
): Pick<GlassAdvice, 'clean' | 'cleanWhy'> {
  if (fungus !== 'none') return { clean: 'not-now', cleanWhy: 'fungus-first' }
  if (dust !== 'much') return { clean: 'not-now', cleanWhy: 'hardly-costs-light' }
  if (daysSinceCleaning !== null && daysSinceCleaning < CLEANED_LATELY_DAYS)
    return { clean: 'blow', cleanWhy: 'cleaned-lately' }
  return { clean: 'by-one-who-knows', cleanWhy: 'much-dust' }
}
