import type { Judgement, Reason, ReadingKind } from '../readiness/judged.ts'

/** What somebody has to be able to do at a bench, by the stations of its check; and going through a case, and mending. */
export const benchSkills = [
  'contents',
  'assembly',
  'balance',
  'place',
  'collimation',
  'star',
  'finder',
  'glass',
  'pack',
  'mending',
] as const
export type BenchSkill = (typeof benchSkills)[number]

const skillOfKind: Readonly<Record<ReadingKind, BenchSkill>> = {
  glass: 'glass',
  stand: 'assembly',
  shake: 'assembly',
  mount: 'assembly',
  tube: 'assembly',
  'fit-out': 'assembly',
  balance: 'balance',
  'let-go': 'balance',
  place: 'place',
  alignment: 'place',
  polar: 'place',
  collimation: 'collimation',
  repeat: 'mending',
  star: 'star',
  finder: 'finder',
  focus: 'finder',
  power: 'assembly',
  pack: 'pack',
}

/** What one reason asks for; several where readings of several kinds are missing. */
export function skillsFor({ code, figures }: Pick<Reason, 'code' | 'figures'>): readonly BenchSkill[] {
  const kinds = String(figures.kinds ?? figures.kind ?? '').split(',')
  const byKind = kinds.flatMap((kind) => (kind in skillOfKind ? [skillOfKind[kind as ReadingKind]] : []))
  if (byKind.length > 0) return [...new Set(byKind)]
  if (code === 'CANT_BALANCE') return ['balance']
  return [code === 'OPEN_JOB' || code === 'HAZARD' ? 'mending' : 'contents']
}

/** Fewer checks than these say little about a model's station. */
const FEWEST_TIMES = 3

export interface StationTime {
  readonly station: string
  readonly medianMinutes: number
  readonly times: number
}

export interface WorkAhead {
  readonly minutes: number
  readonly skills: readonly BenchSkill[]
  /** How many of its stations go by what they took before; the others by what is usual. */
  readonly measuredStations: number
}

/**
 * How long a kit will take at the bench, and what its hands have to know. A station that the model's own checks have timed
 * counts with their median, once, however many reasons lead to it; others with the minutes that their reasons carry.
 */
export function workAhead(
  reasons: readonly Pick<Judgement['reasons'][number], 'code' | 'figures' | 'minutes'>[],
  timed: readonly StationTime[],
): WorkAhead {
  const known = new Map(
    timed.filter(({ times }) => times >= FEWEST_TIMES).map(({ station, medianMinutes }) => [station, medianMinutes]),
  )
  const measured = new Set<BenchSkill>()
  const all = new Set<BenchSkill>()
  let guessed = 0
  for (const reason of reasons) {
    const skills = skillsFor(reason)
    for (const skill of skills) all.add(skill)
    const timedOnes = skills.filter((skill) => known.has(skill))
    for (const skill of timedOnes) measured.add(skill)
    guessed += (reason.minutes * (skills.length - timedOnes.length)) / skills.length
  }
  const sum = [...measured].reduce((minutes, skill) => minutes + (known.get(skill) ?? 0), guessed)
  return { minutes: Math.ceil(sum), skills: [...all], measuredStations: measured.size }
}
