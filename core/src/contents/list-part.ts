import type { ListField } from './list-fields.ts'
import { listLanguages, plainWords } from './list-words/list-words.ts'
import type { ListedPart, ListDecisions, RowProblemCode } from './listed.ts'
import { opticsFromName } from './role-match.ts'
import { roleFacts, isRole, roles, type Role, type Criticality } from './roles.ts'
import { MATCHED_FROM, matchRole } from './similarity.ts'
import { parseNumber, parseMassG, parseLengthMm, type Amount, type DecimalSign } from './units.ts'

export type Matcher = typeof matchRole

/** Matches a word once, however many rows it stands in: a club's list has the same thirty words in every kit. */
export function matcher(): Matcher {
  const known = new Map<string, ReturnType<Matcher>>()
  return (name) => {
    const found = known.get(name) ?? matchRole(name)
    known.set(name, found)
    return found
  }
}

const criticalityWords: Readonly<Record<string, Criticality | null>> = Object.assign(
  { '': null },
  ...[...listLanguages].reverse().map(({ criticality }) => criticality),
) as Record<string, Criticality | null>
const massProblem: Readonly<Record<Exclude<Amount & { ok: false }, never>['reason'], RowProblemCode | null>> = {
  EMPTY: null,
  NOT_A_NUMBER: 'MASS_NOT_A_NUMBER',
  NO_UNIT: 'MASS_NO_UNIT',
  UNKNOWN_UNIT: 'MASS_UNKNOWN_UNIT',
  NEGATIVE: 'MASS_NEGATIVE',
}

export function readPart(given: {
  readonly line: number
  readonly read: (field: ListField) => string
  readonly report: (field: ListField, code: RowProblemCode) => void
  readonly decimal: DecimalSign
  readonly decisions: ListDecisions
  readonly match: Matcher
}): ListedPart {
  const { line, read, report, decimal, decisions, match } = given
  const name = read('part').replaceAll(/\s+/g, ' ')
  if (name === '') report('part', 'NO_PART')
  const countText = read('count')
  const count = countText === '' ? 1 : (parseNumber(countText, decimal) ?? NaN)
  if (!Number.isInteger(count) || count < 1) report('count', 'COUNT_NOT_WHOLE')
  const said = statedRole(read('role'))
  if (said === undefined) report('role', 'ROLE_UNKNOWN')
  const { role, confidence } = said ? { role: said, confidence: 1 } : roleOf(name, decisions, match)
  const neededWord = criticalityWords[plainWords(read('criticality'))]
  if (neededWord === undefined) report('criticality', 'WORD_UNKNOWN')
  const fromName = opticsFromName(name, role)
  if (fromName.focalLengthMm === 0 || fromName.barlow === 0) report('part', 'LENGTH_ZERO')
  const fromColumn = readFocalLength(read('focalLength'), report, decimal)
  return {
    line,
    name,
    role,
    confidence,
    stated: Boolean(said),
    criticality: neededWord ?? roleFacts(role).criticality,
    criticalityGiven: neededWord !== null && neededWord !== undefined,
    count: Number.isInteger(count) && count >= 1 ? count : 1,
    massG: readMass(read('mass'), read('unit'), report, decimal),
    place: read('place'),
    note: [read('note').replaceAll(/\s+/g, ' '), readLastSeen(read('lastSeen'), report)].filter(Boolean).join('; '),
    ...fromName,
    ...(fromColumn === null ? {} : { focalLengthMm: fromColumn }),
  }
}

/** The role that a list's own column says; null where it says nothing, undefined for a word that is none. */
function statedRole(text: string): Role | null | undefined {
  if (text === '') return null
  const words = plainWords(text)
  if (isRole(words)) return words
  return roleOfWords.get(words)
}

const roleOfWords = new Map(
  (Object.keys(roles) as Role[]).map((role) => [plainWords(roleFacts(role).words), role] as const),
)

/** A word that nobody is sure of stands for no role until a person has said so. */
export function roleOf(name: string, decisions: ListDecisions, match: Matcher): { role: Role; confidence: number } {
  const decided = decisions[wordKey(name)]
  if (decided !== undefined && isRole(decided)) return { role: decided, confidence: 1 }
  const { role, confidence } = match(name)
  return { role: confidence >= MATCHED_FROM ? role : 'other', confidence }
}

/** “last seen 2026-07-05” from 5.7.2026, 5/7/2026 or 2026-07-05; words such as “ok” say nothing that helps later. */
function readLastSeen(text: string, report: (field: ListField, code: RowProblemCode) => void): string {
  const dayFirst = /^(\d{1,2})[./](\d{1,2})[./](\d{4})$/.exec(text)
  const yearFirst = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(text)
  if (!dayFirst && !yearFirst) return ''
  const [year, month, day] = dayFirst
    ? [dayFirst[3], dayFirst[2], dayFirst[1]]
    : [yearFirst?.[1], yearFirst?.[2], yearFirst?.[3]]
  const iso = `${year}-${month?.padStart(2, '0')}-${day?.padStart(2, '0')}`
  const at = new Date(`${iso}T00:00:00Z`)
  if (!Number.isNaN(at.getTime()) && at.toISOString().startsWith(iso)) return `last seen ${iso}`
  report('lastSeen', 'DATE_UNREADABLE')
  return ''
}

function readMass(
  text: string,
  unit: string,
  report: (field: ListField, code: RowProblemCode) => void,
  decimal: DecimalSign,
): number | null {
  // In a file with decimal points, “1,250” may still be one and a quarter: nobody but its writer can tell.
  if (/^\d{1,3},\d{3}(\s|$|[a-z])/i.test(text.trim()) && decimal === '.') {
    report('mass', 'MASS_AMBIGUOUS')
    return null
  }
  const mass = parseMassG(text, unit, decimal)
  if (mass.ok) return Math.round(mass.value)
  const code = massProblem[mass.reason]
  if (code) report('mass', code)
  return null
}

function readFocalLength(
  text: string,
  report: (field: ListField, code: RowProblemCode) => void,
  decimal: DecimalSign,
): number | null {
  if (text === '') return null
  const length = parseLengthMm(text, 'mm', decimal)
  if (length.ok && length.value > 0) return length.value
  report('focalLength', 'LENGTH_UNREADABLE')
  return null
}

export const wordKey = (name: string) => `word ${name.toLowerCase()}`
