import { familyFromParts, opticsFromName, roleFromName, tubeFromName } from './role-match.ts'
import { roleFacts, type Criticality, type Family, type Role } from './roles.ts'
import { parseLengthMm, parseMassG, parseNumber, type Amount, type DecimalSign } from './units.ts'

/** Columns of a contents list that we understand. */
export const listFields = {
  kitCode: 'kit code',
  kitName: 'kit name',
  part: 'part',
  count: 'how many',
  mass: 'mass of one',
  unit: 'unit',
  place: 'place in the case',
  criticality: 'needed?',
  focalLength: 'focal length',
  note: 'note',
} as const

export type ListField = keyof typeof listFields

const headerWords: Readonly<Record<ListField, readonly string[]>> = {
  kitCode: ['kit code', 'kit', 'code', 'nr', 'no', 'tag', 'kit no', 'kit number'],
  kitName: ['name', 'kit name'],
  part: ['part', 'item', 'part name', 'what', 'description', 'component'],
  count: ['how many', 'count', 'pcs', 'quantity', 'qty', 'number', 'pieces'],
  mass: ['weight', 'mass', 'weight each', 'mass each', 'mass of one'],
  unit: ['unit', 'units', 'weight unit', 'mass unit'],
  place: ['where in the case', 'place', 'where', 'compartment', 'place in the case', 'location'],
  criticality: ['needed', 'criticality', 'essential', 'required'],
  focalLength: ['focal length', 'focal', 'focal length mm', 'size'],
  note: ['note', 'notes', 'remark', 'remarks', 'comment', 'comments'],
}

const plainHeader = (text: string) =>
  text
    .toLowerCase()
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

export interface ListedPart {
  readonly line: number
  readonly name: string
  readonly role: Role
  readonly criticality: Criticality
  readonly count: number
  readonly massG: number | null
  readonly place: string
  readonly note: string
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

export interface RowProblem {
  readonly line: number
  readonly field: ListField
  readonly code: RowProblemCode
  readonly value: string
}

export interface ContentsList {
  readonly columns: ColumnMap
  readonly missingColumns: readonly ListField[]
  readonly decimal: DecimalSign
  readonly kits: readonly ListedKit[]
  readonly problems: readonly RowProblem[]
}

/** One row of the file with the number of the line on which it begins. */
export interface ListRow {
  readonly line: number
  readonly cells: readonly string[]
}

const criticalityWords: Readonly<Record<string, Criticality | null>> = {
  '': null,
  yes: 'essential',
  essential: 'essential',
  no: 'useful',
  useful: 'useful',
  optional: 'useful',
  protective: 'protective',
  consumable: 'consumable',
  tool: 'tool',
  tools: 'tool',
  papers: 'papers',
  paper: 'papers',
  safety: 'safety',
}

const massProblem: Readonly<Record<Exclude<Amount & { ok: false }, never>['reason'], RowProblemCode | null>> = {
  EMPTY: null,
  NOT_A_NUMBER: 'MASS_NOT_A_NUMBER',
  NO_UNIT: 'MASS_NO_UNIT',
  UNKNOWN_UNIT: 'MASS_UNKNOWN_UNIT',
  NEGATIVE: 'MASS_NEGATIVE',
}

/** Reads a contents list: what would come in, and every cell that can't be understood. Writes nothing, drops nothing.
 * @param input header cells; rows with their line numbers; columns as matched or as the user moved them; decimal sign
 *   of the file (see `guessDecimal`)
 * @returns kits with their parts, masses of one piece in grams; problems with line, field and the cell as written */
export function readContentsList(input: {
  readonly header: readonly string[]
  readonly rows: readonly ListRow[]
  readonly columns?: ColumnMap
  readonly decimal?: DecimalSign
}): ContentsList {
  const columns = input.columns ?? matchHeader(input.header)
  const decimal = input.decimal ?? guessDecimal(input.rows, columns)
  const missingColumns = (['kitCode', 'part'] as const).filter((field) => columns[field] === null)
  if (missingColumns.length > 0) return { columns, missingColumns, decimal, kits: [], problems: [] }

  const problems: RowProblem[] = []
  const byKit = new Map<string, { name: string; parts: ListedPart[] }>()
  for (const row of input.rows) {
    const read = (field: ListField) => (columns[field] === null ? '' : (row.cells[columns[field]] ?? '').trim())
    const report = (field: ListField, code: RowProblemCode) =>
      problems.push({ line: row.line, field, code, value: read(field) })
    if (row.cells.every((cell) => cell.trim() === '')) continue
    const code = read('kitCode').toUpperCase()
    const before = problems.length
    if (code === '') report('kitCode', 'NO_KIT_CODE')
    const part = readPart({ line: row.line, read, report, decimal })
    if (problems.length > before) continue
    const kit = byKit.get(code) ?? { name: '', parts: [] }
    byKit.set(code, { name: kit.name || read('kitName'), parts: [...kit.parts, part] })
  }
  const kits = [...byKit].map(([code, kit]) => describeKit(code, kit.name, markLowestEyepiece(kit.parts)))
  return { columns, missingColumns, decimal, kits, problems }
}

function readPart(given: {
  readonly line: number
  readonly read: (field: ListField) => string
  readonly report: (field: ListField, code: RowProblemCode) => void
  readonly decimal: DecimalSign
}): ListedPart {
  const { line, read, report, decimal } = given
  const name = read('part').replaceAll(/\s+/g, ' ')
  if (name === '') report('part', 'NO_PART')
  const countText = read('count')
  const count = countText === '' ? 1 : (parseNumber(countText, decimal) ?? NaN)
  if (!Number.isInteger(count) || count < 1) report('count', 'COUNT_NOT_WHOLE')
  const role = roleFromName(name)
  const neededWord = criticalityWords[read('criticality').toLowerCase()]
  if (neededWord === undefined) report('criticality', 'WORD_UNKNOWN')
  const fromColumn = readFocalLength(read('focalLength'), report, decimal)
  return {
    line,
    name,
    role,
    criticality: neededWord ?? roleFacts(role).criticality,
    count,
    massG: readMass(read('mass'), read('unit'), report, decimal),
    place: read('place'),
    note: read('note').replaceAll(/\s+/g, ' '),
    ...opticsFromName(name, role),
    ...(fromColumn === null ? {} : { focalLengthMm: fromColumn }),
  }
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

/** The eyepiece of the longest focal length gives the lowest power; without it nobody finds anything. */
function markLowestEyepiece(parts: readonly ListedPart[]): readonly ListedPart[] {
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
