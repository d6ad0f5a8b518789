import { listFields, type ListField } from './list-fields.ts'
import { matchHeader, type ColumnMap } from './list-header.ts'
import { matcher, readPart, wordKey, type Matcher } from './list-part.ts'
import type {
  ContentsList,
  ListDecisions,
  ListedKit,
  ListedPart,
  ListedWord,
  ListQuestion,
  ListRow,
  RowProblem,
  RowProblemCode,
} from './listed.ts'
import { familyFromParts, tubeFromName } from './role-match.ts'
import { isRole, type Role } from './roles.ts'
import { MATCHED_FROM } from './similarity.ts'
import type { DecimalSign } from './units.ts'

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
