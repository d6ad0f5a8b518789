import { parse } from 'csv-parse/sync'
import { findHeader, unguarded, type ListRow } from '@binoculum/core'
import { Problem } from '../../platform/errors.ts'

export interface ListFile {
  readonly delimiter: string
  readonly header: readonly string[]
  readonly rows: readonly ListRow[]
  /** Lines above the headings: a title, blank lines. */
  readonly titleLines: number
}

/** Headings as they are written, so that the next file of the same sheet is read the same way. */
export const headerKey = ({ header }: ListFile): string => header.map((cell) => cell.trim().toLowerCase()).join(' | ')

const MAX_ROWS = 100_000
const delimiters = [';', '\t', ','] as const

/** Reads a CSV file as people have them: RFC 4180, also with ; or tab, byte-order mark, any line ends.
 * @throws Problem NOT_A_LIST for pictures and other files that are no text, and for unclosed quotes */
export function readListFile(contentBase64: string): ListFile {
  const text = decodeText(Buffer.from(contentBase64, 'base64'))
  const delimiter = guessDelimiter(text)
  let records: { record: string[]; info: { bytes: number } }[]
  try {
    records = parse(text, {
      delimiter,
      bom: true,
      info: true,
      relax_column_count: true,
      // 35mm 2" eyepiece: a sign for inches, not a quotation.
      relax_quotes: true,
      skip_empty_lines: true,
      to: MAX_ROWS,
    }) as unknown as typeof records
  } catch (error) {
    throw new Problem('NOT_A_LIST', { issues: [{ path: 'file', message: explain(error) }] })
  }
  if (records.length === 0)
    throw new Problem('NOT_A_LIST', { issues: [{ path: 'file', message: 'The file is empty.' }] })
  const lineAt = lineCounter(text)
  let end = 0
  const all = records.map(({ record, info }) => {
    const line = lineAt(end)
    end = info.bytes
    return { line, cells: record.map(unguarded) }
  })
  const at = findHeader(all.map(({ cells }) => cells))
  if (all.length === at + 1)
    throw refuse('There are only headings in this file, and no row below them. Fill in a line for each part.')
  return { delimiter, header: all[at]?.cells ?? [], rows: all.slice(at + 1), titleLines: (all[at]?.line ?? 1) - 1 }
}

/**
 * The line on which the row after a byte begins, blank lines skipped. csv-parse's own count is one too many for each
 * quoted line break of two signs (tried with 7.0.3), so lines are counted here. Bytes must not go backwards.
 */
function lineCounter(text: string): (afterByte: number) => number {
  const bytes = Buffer.from(text)
  let at = 0
  let line = 1
  const step = () => {
    if (bytes[at] === CARRIAGE_RETURN && bytes[at + 1] === LINE_FEED) at++
    if (bytes[at] === CARRIAGE_RETURN || bytes[at] === LINE_FEED) line++
    at++
  }
  return (afterByte) => {
    while (at < afterByte) step()
    while (bytes[at] === CARRIAGE_RETURN || bytes[at] === LINE_FEED) step()
    return line
  }
}

const LINE_FEED = 10
const CARRIAGE_RETURN = 13

const refuse = (message: string) => new Problem('NOT_A_LIST', { issues: [{ path: 'file', message }] })

/** Spreadsheets that were only renamed, told by their first bytes. */
function spreadsheetKind(bytes: Buffer): string | null {
  if (bytes.subarray(0, 4).equals(Buffer.from([0x50, 0x4b, 3, 4]))) return 'a spreadsheet or archive'
  if (bytes.subarray(0, 4).equals(Buffer.from([0xd0, 0xcf, 0x11, 0xe0]))) return 'an old spreadsheet'
  return null
}

/** UTF-16 without its mark: every other byte of plain text is 0. */
function wideText(bytes: Buffer): 'utf-16le' | 'utf-16be' | null {
  const head = bytes.subarray(0, 400)
  const zeros = (parity: 0 | 1) => head.filter((byte, index) => index % 2 === parity && byte === 0).length
  const enough = head.length / 2 / 2
  if (head.length < 8) return null
  if (zeros(1) > enough && zeros(0) === 0) return 'utf-16le'
  return zeros(0) > enough && zeros(1) === 0 ? 'utf-16be' : null
}

function decodeText(bytes: Buffer): string {
  // “Unicode text” of spreadsheet programs is UTF-16 with its mark in front.
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder('utf-16le').decode(bytes)
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder('utf-16be').decode(bytes)
  const kind = spreadsheetKind(bytes)
  if (kind) throw refuse(`This is ${kind} file under the name of a list. Open it there and save it as CSV.`)
  const wide = wideText(bytes)
  if (wide) return new TextDecoder(wide).decode(bytes)
  // Text has no zero bytes; pictures, archives and spreadsheets do.
  if (bytes.includes(0)) throw refuse('This looks like a picture or a spreadsheet file, not like text.')
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    // Older office programs write Windows-1252. Control signs mean it is no text at all.
    const text = new TextDecoder('windows-1252').decode(bytes)
    if (/[\u0001-\u0008\u000e-\u001f]/.test(text)) throw refuse('This file is not text.')
    return text
  }
}

/** The sign that splits the first lines into most cells, outside quotes; a title above the headings has none. */
function guessDelimiter(text: string): string {
  const firstLines = text
    .slice(0, 20_000)
    .split(/\r?\n/, 12)
    .join('\n')
    .replaceAll(/"[^"]*"/g, '')
  const counts = delimiters.map((delimiter) => ({ delimiter, count: firstLines.split(delimiter).length - 1 }))
  return counts.sort((a, b) => b.count - a.count)[0]?.delimiter ?? ','
}

function explain(error: unknown): string {
  const problem = error as { code?: string; lines?: number }
  if (problem.code === 'CSV_QUOTE_NOT_CLOSED')
    return `A quotation mark is opened and never closed, near line ${problem.lines}.`
  if (problem.code === 'INVALID_OPENING_QUOTE')
    return `A quotation mark stands inside a cell, in line ${problem.lines}.`
  return `Line ${problem.lines ?? '?'} can’t be read as a row of a list.`
}
