import { listFields, type ListField } from './list-fields.ts'
import { listLanguages, plainWords } from './list-words/list-words.ts'
import { familyFromParts, opticsFromName, tubeFromName } from './role-match.ts'
import { isRole, roleFacts, roles, type Criticality, type Family, type Role } from './roles.ts'
import { MATCHED_FROM, matchRole } from './similarity.ts'
import { parseLengthMm, parseMassG, parseNumber, type Amount, type DecimalSign } from './units.ts'

/** Headings of every language, the fields' own words among them. */
const headerWords: Readonly<Record<ListField, readonly string[]>> = Object.fromEntries(
  (Object.keys(listFields) as ListField[]).map((field) => [
    field,
    [...new Set(listLanguages.flatMap(({ headings }) => headings[field] ?? []))],
  ]),
) as unknown as Record<ListField, readonly string[]>

const plainHeader = (text: string) =>
  plainWords(text)
    .replaceAll(/[^\p{L}\d ]/gu, ' ')
    .replaceAll(/\s+/g, ' ')
    .trim()

/** Which column holds which field: index of the column, or null where no heading matches. */
export type ColumnMap = Readonly<Record<ListField, number | null>>

export function matchHeader(header: readonly string[]): ColumnMap {
  const words = header.map(plainHeader)
  const taken = new Set<number>()
  const find = (field: ListField): number | null => {
    for (const word of headerWords[field]) {
      const index = words.findIndex((candidate, i) => candidate === word && !taken.has(i))
      if (index >= 0) {
        taken.add(index)
        return index
      }
    }
    return null
  }
  const fields = Object.keys(listFields) as ListField[]
  return Object.fromEntries(fields.map((field) => [field, find(field)])) as Record<ListField, number | null>
}

/** The row that looks most like headings among the first ones: sheets often begin with a title and a blank line. */
export function findHeader(rows: readonly (readonly string[])[]): number {
  const known = rows.slice(0, HEADER_WITHIN).map((cells) => {
    const columns = matchHeader(cells)
    return Object.values(columns).filter((index) => index !== null).length
  })
  const best = Math.max(...known, 0)
  return best >= 2 ? known.indexOf(best) : 0
}

const HEADER_WITHIN = 12

export interface ListedPart {
  readonly line: number
  readonly name: string
  readonly role: Role
  /** How surely the free word names the role, 0 to 1; 1 where a person decided. */
  readonly confidence: number
  /** The list itself says what it is, in a column of its own. */
  readonly stated: boolean
  readonly criticality: Criticality
  readonly count: number
  readonly massG: number | null
  readonly place: string
  readonly note: string
  /** Whether the list itself says how much it is needed. */
  readonly criticalityGiven: boolean
  readonly focalLengthMm?: number
  readonly barlow?: number
}

export interface ListedKit {
  readonly code: string
  readonly name: string
  readonly parts: readonly ListedPart[]
  readonly massG: number
  readonly proposedFamily: Family
  readonly proposedTube: { readonly apertureMm: number; readonly focalLengthMm: number } | null
}

export type RowProblemCode =
  | 'NO_KIT_CODE'
  | 'NO_PART'
  | 'COUNT_NOT_WHOLE'
  | 'MASS_NOT_A_NUMBER'
  | 'MASS_NO_UNIT'
  | 'MASS_UNKNOWN_UNIT'
  | 'MASS_NEGATIVE'
  | 'MASS_AMBIGUOUS'
  | 'LENGTH_UNREADABLE'
  | 'WORD_UNKNOWN'
  | 'ROLE_UNKNOWN'
  | 'LENGTH_ZERO'
  | 'DATE_UNREADABLE'

export interface RowProblem {
  readonly line: number
  readonly field: ListField
  readonly code: RowProblemCode
  readonly value: string
}

/** A word of the list and the part it is taken for. */
export interface ListedWord {
  readonly word: string
  readonly role: Role
  readonly confidence: number
  readonly others: readonly Role[]
  readonly rows: number
  readonly decided: boolean
}

/** Something that only a person can say. `key` goes with the answer; `answers` are what can be said. */
export type ListQuestion =
  | {
      readonly code: 'SAME_CODE_TWICE'
      readonly key: string
      readonly line: number
      readonly kit: string
      readonly name: string
      readonly answers: readonly ['join', 'own-kit', 'spares']
    }
  | {
      readonly code: 'SUN_FILTER'
      readonly key: string
      readonly line: number
      readonly kit: string
      readonly name: string
      readonly answers: readonly ['held', 'destroyed']
    }
  | {
      readonly code: 'UNSURE_WORD'
      readonly key: string
      readonly line: number
      readonly kit: string
      readonly name: string
      readonly answers: readonly Role[]
    }

/** Answers by the questions' keys. */
export type ListDecisions = Readonly<Record<string, string>>

export interface ContentsList {
  readonly columns: ColumnMap
  readonly missingColumns: readonly ListField[]
  readonly decimal: DecimalSign
  /** Codes stand only on the first row of each kit's block. */
  readonly filledDown: boolean
  readonly kits: readonly ListedKit[]
  /** Parts that a person said are no kit of their own. */
  readonly spares: readonly ListedPart[]
  readonly words: readonly ListedWord[]
  readonly questions: readonly ListQuestion[]
  readonly problems: readonly RowProblem[]
}

/** One row of the file with the number of the line on which it begins. */
export interface ListRow {
  readonly line: number
  readonly cells: readonly string[]
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

export interface ReadListInput {
  readonly header: readonly string[]
  readonly rows: readonly ListRow[]
  readonly columns?: ColumnMap
  readonly decimal?: DecimalSign
  readonly decisions?: ListDecisions
  /** Cells that can't be read stay open and their parts come in; else the whole row stays out. */
  readonly openCells?: boolean
}

interface Block {
  readonly code: string
  readonly line: number
  name: string
  readonly parts: ListedPart[]
}

const noColumns = Object.fromEntries(Object.keys(listFields).map((field) => [field, null])) as Record<ListField, null>

/** Reads a contents list: what would come in, what a person has to decide, and every cell that can't be understood.
 * Writes nothing, drops nothing.
 * @param input header cells; rows with their line numbers; columns as matched or as the user moved them; decimal sign
 *   of the file (see `guessDecimal`); decisions on earlier questions
 * @returns kits with their parts, masses of one piece in grams; problems with line, field and the cell as written */
export function readContentsList(input: ReadListInput): ContentsList {
  const { decisions = {}, openCells = false } = input
  // Columns that were set before a field existed leave it open.
  const columns = { ...noColumns, ...(input.columns ?? matchHeader(input.header)) }
  const decimal = input.decimal ?? guessDecimal(input.rows, columns)
  const missingColumns = (['kitCode', 'part'] as const).filter((field) => columns[field] === null)
  const filledDown = isFilledDown(input.rows, columns)
  const nothing = { kits: [], spares: [], words: [], questions: [], problems: [] }
  if (missingColumns.length > 0) return { columns, missingColumns, decimal, filledDown, ...nothing }

  const problems: RowProblem[] = []
  const match = matcher()
  const blocks: Block[] = []
  let open: Block | null = null
  for (const row of input.rows) {
    const read = (field: ListField) => (columns[field] === null ? '' : (row.cells[columns[field]] ?? '').trim())
    const report = (field: ListField, code: RowProblemCode) =>
      problems.push({ line: row.line, field, code, value: read(field) })
    if (row.cells.every((cell) => cell.trim() === '')) {
      // A blank row ends a block: what follows without a code belongs to nobody.
      open = null
      continue
    }
    const code = read('kitCode').replaceAll(/\s+/g, ' ').toUpperCase()
    const before = problems.length
    const block: Block | null =
      code === ''
        ? filledDown
          ? open
          : null
        : blockFor(blocks, { code, name: read('kitName'), line: row.line, filledDown })
    open = block
    if (!block) report('kitCode', 'NO_KIT_CODE')
    const part = readPart({ line: row.line, read, report, decimal, decisions, match })
    const bad = problems.slice(before)
    const isRowBad = bad.some(({ field }) => field === 'kitCode' || field === 'part')
    if (isRowBad || (bad.length > 0 && !openCells)) continue
    block?.parts.push(part)
  }
  const { kits, spares, questions } = settleBlocks(
    blocks.filter(({ parts }) => parts.length > 0),
    decisions,
  )
  const all = [...kits.flatMap(({ parts }) => parts), ...spares]
  const words = wordsOf(all, decisions, match)
  return {
    columns,
    missingColumns,
    decimal,
    filledDown,
    kits,
    spares,
    words,
    questions: [...questions, ...wordQuestions(words, kits)],
    problems,
  }
}

/** Codes stand only on first rows where most rows that name a part have none. */
function isFilledDown(rows: readonly ListRow[], columns: ColumnMap): boolean {
  const { kitCode, part } = columns
  if (kitCode === null || part === null) return false
  const named = rows.filter(({ cells }) => (cells[part] ?? '').trim() !== '')
  const coded = named.filter(({ cells }) => (cells[kitCode] ?? '').trim() !== '')
  return coded.length > 0 && coded.length * 2 < named.length
}

/** The block a coded row belongs to. The same code begins a second one in a later block, or under another name. */
function blockFor(
  blocks: Block[],
  row: { readonly code: string; readonly name: string; readonly line: number; readonly filledDown: boolean },
): Block {
  const same = blocks.findLast(
    ({ code, name }) =>
      code === row.code && (name === '' || row.name === '' || name.toLowerCase() === row.name.toLowerCase()),
  )
  if (same && !row.filledDown) {
    same.name ||= row.name
    return same
  }
  const block = { code: row.code, name: row.name, line: row.line, parts: [] }
  blocks.push(block)
  return block
}

/** Blocks as kits: a code that stands twice is asked about, and so is a sun filter. */
function settleBlocks(blocks: readonly Block[], decisions: ListDecisions) {
  const kits: ListedKit[] = []
  const spares: ListedPart[] = []
  const questions: ListQuestion[] = []
  const times = new Map<string, number>()
  const merged = new Map<string, Block>()
  const own: { readonly code: string; readonly block: Block }[] = []
  for (const given of blocks) {
    const block = { ...given, parts: [...given.parts] }
    const time = (times.get(block.code) ?? 0) + 1
    times.set(block.code, time)
    const code = time === 1 ? block.code : `${block.code}-${time}`
    const about = { line: block.line, kit: code, name: block.name || code }
    if (time > 1) {
      const key = `code ${code}`
      questions.push({ code: 'SAME_CODE_TWICE', key, ...about, answers: ['join', 'own-kit', 'spares'] })
      if (decisions[key] === 'spares') {
        spares.push(...block.parts)
        continue
      }
      // The rest of a kit that was met before: its list was written in two sittings.
      const first = decisions[key] === 'join' ? merged.get(block.code) : undefined
      if (first) {
        first.parts.push(...block.parts)
        continue
      }
    }
    if (!merged.has(block.code)) merged.set(block.code, block)
    own.push({ code, block })
  }
  for (const { code, block } of own) {
    const about = { line: block.line, kit: code, name: block.name || code }
    // What the program's own list says of a part was decided once already.
    const filter = block.parts.find(({ role, stated }) => role === 'screw-in-sun-filter' && !stated)
    const filterKey = `filter ${code}`
    if (filter)
      questions.push({
        code: 'SUN_FILTER',
        key: filterKey,
        ...about,
        line: filter.line,
        answers: ['held', 'destroyed'],
      })
    const parts = block.parts.filter((part) => part !== filter || decisions[filterKey] !== 'destroyed')
    kits.push(describeKit(code, block.name, markLowestEyepiece(parts)))
  }
  return { kits, spares, questions: questions.sort((a, b) => a.line - b.line) }
}

type Matcher = typeof matchRole

/** Matches a word once, however many rows it stands in: a club's list has the same thirty words in every kit. */
function matcher(): Matcher {
  const known = new Map<string, ReturnType<Matcher>>()
  return (name) => {
    const found = known.get(name) ?? matchRole(name)
    known.set(name, found)
    return found
  }
}

const wordKey = (name: string) => `word ${name.toLowerCase()}`

function wordsOf(parts: readonly ListedPart[], decisions: ListDecisions, match: Matcher): readonly ListedWord[] {
  const words = new Map<string, ListedWord>()
  for (const { name, stated, role: own } of parts) {
    const key = wordKey(name)
    const known = words.get(key)
    const matched = match(name)
    const { role, confidence, others } = stated ? { ...matched, role: own, confidence: 1 } : matched
    const decided = decisions[key]
    words.set(
      key,
      known
        ? { ...known, rows: known.rows + 1 }
        : {
            word: name,
            role: decided && isRole(decided) ? decided : role,
            confidence,
            others,
            rows: 1,
            decided: decided !== undefined,
          },
    )
  }
  return [...words.values()]
}

function wordQuestions(words: readonly ListedWord[], kits: readonly ListedKit[]): ListQuestion[] {
  const first = new Map<string, { readonly kit: string; readonly line: number }>()
  for (const { code, parts } of kits)
    for (const { name, line } of parts) {
      const key = wordKey(name)
      if (!first.has(key)) first.set(key, { kit: code, line })
    }
  return words
    .filter(({ confidence }) => confidence < MATCHED_FROM)
    .map(({ word, role, others }) => {
      const { kit, line } = first.get(wordKey(word)) ?? { kit: '', line: 0 }
      const answers = [...new Set<Role>([role, ...others, 'other'])].slice(0, 4)
      if (!answers.includes('other')) answers.push('other')
      return { code: 'UNSURE_WORD', key: wordKey(word), line, kit, name: word, answers }
    })
}

function readPart(given: {
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
function roleOf(name: string, decisions: ListDecisions, match: Matcher): { role: Role; confidence: number } {
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

/** Comma where some mass is written with a comma and not all such cells could be thousands; else point. */
export function guessDecimal(rows: readonly ListRow[], columns: ColumnMap): DecimalSign {
  const index = columns.mass
  if (index === null) return '.'
  const cells = rows.map((row) => row.cells[index] ?? '')
  const hasComma = cells.some((cell) => /\d,(\d{1,2}|\d{4,})(?!\d)/.test(cell))
  const hasPoint = cells.some((cell) => /\d\.(\d{1,2}|\d{4,})(?!\d)/.test(cell))
  return hasComma && !hasPoint ? ',' : '.'
}

/** The eyepiece of the longest focal length gives the lowest power; without it nobody finds anything. A low eyepiece that
 * the list itself names stands. */
function markLowestEyepiece(parts: readonly ListedPart[]): readonly ListedPart[] {
  if (parts.some((part) => part.role === 'low-eyepiece' && part.stated)) return parts
  const eyepieces = parts.filter((part) => part.role === 'eyepiece')
  const longest = Math.max(...eyepieces.map((part) => part.focalLengthMm ?? 0))
  const lowest = eyepieces.find((part) => (part.focalLengthMm ?? 0) === longest)
  return parts.map((part) => (part === lowest ? { ...part, role: 'low-eyepiece', criticality: 'essential' } : part))
}

function describeKit(code: string, name: string, parts: readonly ListedPart[]): ListedKit {
  const tube = parts.find((part) => part.role === 'tube')
  return {
    code,
    name: name || code,
    parts,
    massG: parts.reduce((sum, part) => sum + part.count * (part.massG ?? 0), 0),
    proposedFamily: familyFromParts(parts),
    proposedTube: tube ? tubeFromName(tube.name) : null,
  }
}
