import { listFields, type ListField } from './list-fields.ts'
import { listLanguages, plainWords } from './list-words/list-words.ts'

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
