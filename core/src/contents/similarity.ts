import { listLanguages, plainWords } from './list-words/list-words.ts'
import { namedRole } from './role-match.ts'
import { roles, type Role } from './roles.ts'

/** From this confidence on a free word is matched without asking. A default of the programme, changeable. */
export const MATCHED_FROM = 0.8
/** A pattern that names the thing in the trade's own word is as good as certain; a word in passing is less. */
const PATTERN_CONFIDENCE = 0.93
const WEAK_PATTERN_CONFIDENCE = 0.84
/** Below what is matched without asking. */
const UNSURE_CONFIDENCE = 0.7

const SOLAR = /\b(sun|solar|sonne\w*|sol|soleil|solaire)/i
const solarRoles: readonly Role[] = ['screw-in-sun-filter', 'front-filter', 'sun-label']

export interface RoleMatch {
  readonly role: Role
  /** 0 to 1. */
  readonly confidence: number
  /** The next best ones, for the question. */
  readonly others: readonly Role[]
}

/** Words the trade uses for a role beside our own. Common practice, no source. */
const otherWords: Readonly<Partial<Record<Role, readonly string[]>>> = {
  tube: ['optical tube', 'ota', 'telescope tube'],
  finder: ['red dot finder', 'redot finder', 'rdf', 'finder scope'],
  eyepiece: ['eyepiece', 'ocular', 'ep', 'zoom eyepiece'],
  diagonal: ['star diagonal', 'zenith mirror'],
  'erecting-diagonal': ['amici prism', 'erecting prism'],
  'slow-motion-rod': ['slow motion cable', 'flex cable', 'slow motion rod'],
  'weight-shaft': ['counterweight shaft', 'counterweight rod', 'weight bar'],
  counterweight: ['counterweight', 'counter weight'],
  'mount-head': ['mount head', 'equatorial head', 'eq head'],
  controller: ['hand controller', 'hand box', 'keypad'],
  'mount-cable': ['coil cable', 'controller cable'],
  tray: ['accessory tray', 'spreader', 'leg tray'],
  bag: ['bag', 'soft case', 'pouch'],
  case: ['hard case', 'rucksack', 'case'],
  'power-pack': ['power pack', 'power tank', 'battery pack'],
  'aa-cells': ['aa cells', 'aa batteries'],
  'front-cap': ['front cap', 'dust cap', 'dust cap big'],
  'focuser-cap': ['focuser cap', 'cap focuser'],
  'tube-rings': ['tube rings', 'straps'],
  'bubble-level': ['bubble level', 'bubble level compass', 'compass'],
  'hex-key': ['hex key', 'allen key'],
  'spare-screws': ['wing nuts', 'thumbscrews', 'bolts', 'nuts'],
  'screw-in-sun-filter': ['sun filter', 'solar filter'],
  base: ['one arm base', 'rocker box'],
}

const normal = (text: string): string =>
  text
    .toLowerCase()
    .replaceAll(/\d+([.,]\d+)?\s*(mm|x|×|v|°|g|kg)?|[()+/.,"“”&-]/g, ' ')
    .replaceAll(/\s+/g, ' ')
    .trim()

function pairsOf(text: string): Map<string, number> {
  const pairs = new Map<string, number>()
  for (const word of normal(text).split(' '))
    for (let at = -1; at < word.length; at++) {
      const pair = `${word[at] ?? '^'}${word[at + 1] ?? '$'}`
      pairs.set(pair, (pairs.get(pair) ?? 0) + 1)
    }
  return pairs
}

/** Likeness of two texts, 0 to 1: twice the letter pairs in common over all letter pairs, word order apart.
 * Source: Dice's coefficient [Dice 1945] over bigrams, from memory */
export function likeness(one: string, other: string): number {
  const [a, b] = [pairsOf(one), pairsOf(other)]
  const count = (pairs: Map<string, number>) => [...pairs.values()].reduce((sum, each) => sum + each, 0)
  const total = count(a) + count(b)
  if (total === 0) return 0
  let common = 0
  for (const [pair, times] of a) common += Math.min(times, b.get(pair) ?? 0)
  return (2 * common) / total
}

const vocabulary = Object.entries(roles)
  .filter(([role]) => role !== 'other')
  .map(([role, { words }]) => ({ role: role as Role, words: [words, ...(otherWords[role as Role] ?? [])] }))

/** Whether only the list of another language knows the word. */
const isForeign = (name: string): boolean => {
  const [english, ...others] = listLanguages
  const says = (words: typeof english) => words?.roles.some(([pattern]) => pattern.test(plainWords(name))) ?? false
  return !says(english) && others.some(says)
}

/** The role that a free word names most likely, how surely, and what else it may be. @param name as written in the list */
export function matchRole(name: string): RoleMatch {
  const { role: named, isHardware, isInPassing } = namedRole(name)
  const isSolar = SOLAR.test(name) && named !== 'finder'
  const ranked = vocabulary
    // “Filter” and “finder” are alike to the letter pairs: only a solar word speaks of the Sun.
    .filter(({ role }) => isSolar || !solarRoles.includes(role))
    .map(({ role, words }) => ({ role, score: Math.max(...words.map((word) => likeness(name, word))) }))
    .sort((a, b) => b.score - a.score)
  const best = ranked[0]
  const scoreOf = (role: Role) => ranked.find((each) => each.role === role)?.score ?? 0
  const others = (role: Role) =>
    ranked
      .filter((each) => each.role !== role)
      .slice(0, 3)
      .map((each) => each.role)
  // A nut for the tray is no tray: somebody says what it is.
  if (isHardware)
    return {
      role: 'spare-screws',
      confidence: UNSURE_CONFIDENCE,
      others: [named, ...others('spare-screws')].slice(0, 3),
    }
  if (isInPassing)
    return { role: 'other', confidence: UNSURE_CONFIDENCE, others: [named, ...others(named)].slice(0, 3) }
  if (named !== 'other') {
    // The pattern decides; likeness only says how much of the name it leaves unexplained.
    const own = scoreOf(named)
    const rival = best && best.role !== named && best.score > own + 0.15
    // Words of another language look like none of ours: what their own list says is enough.
    const confidence = isForeign(name)
      ? PATTERN_CONFIDENCE
      : rival
        ? Math.min(WEAK_PATTERN_CONFIDENCE - 0.1, own + 0.4)
        : own > 0.45
          ? Math.max(PATTERN_CONFIDENCE, own)
          : WEAK_PATTERN_CONFIDENCE
    return { role: named, confidence, others: others(named) }
  }
  if (!best || best.score < 0.3)
    return { role: 'other', confidence: best?.score ?? 0, others: ranked.slice(0, 3).map(({ role }) => role) }
  return { role: best.role, confidence: best.score, others: others(best.role) }
}
