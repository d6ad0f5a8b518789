import type { Readable } from 'node:stream'
import { archivedKinds, archivedRows, branchArchiveHeadSchema, type ArchivedKind } from '@binoculum/contract'
import { none } from 'stream-chain/core'
import Assembler from 'stream-json/assembler.js'
import { jsonParser, type Token } from 'stream-json/parser.js'
import { Problem } from '../../platform/errors.ts'
import { DEEPEST, unstorableIn } from '../../platform/json-rules.ts'

export type ArchivedRow = Record<string, unknown>

/** Brackets that stand open in the middle of a kind's list: the file, its rows, the list. */
const LIST_DEPTH = 3
const MOST_TOLD = 10
const PIECE_BYTES = 65_536

const refuse = (path: string, message: string): never => {
  throw new Problem('NOT_AN_ARCHIVE', { issues: [{ path, message }] })
}

/**
 * An archive's rows one after the other, however long the file: each is checked against its shape before it is given.
 * @throws Problem NOT_JSON, NOT_AN_ARCHIVE with the row and what is wrong in it; also where the file ends before its end
 */
export async function* readRows(
  file: Readable,
): AsyncGenerator<{ readonly kind: ArchivedKind; readonly row: ArchivedRow }> {
  const building = new Assembler()
  let headSeen = false
  let last = -1
  try {
    for await (const tokens of tokensOf(file))
      for (const token of tokens) {
        building.consume(token)
        if (building.depth > DEEPEST) refuse('', 'is nested deeper than any archive')
        if (building.depth !== LIST_DEPTH || !Array.isArray(building.current)) continue
        const [outer, name] = building.path
        if (outer !== 'rows') refuse(String(outer), 'is no part of an archive')
        if (!headSeen) {
          // The file itself lies at the bottom of what is being built.
          requireHead(building.stack[0])
          headSeen = true
        }
        const index = archivedKinds.indexOf(name as ArchivedKind)
        if (index < 0) refuse(`rows.${String(name)}`, 'is a kind of row that no archive has')
        if (index < last) refuse(`rows.${String(name)}`, 'stands after rows that need it')
        last = index
        const kind = archivedKinds[index] as ArchivedKind
        for (const row of building.current.splice(0)) yield { kind, row: checked(kind, row) }
      }
  } catch (error) {
    throw error instanceof Problem ? error : new Problem('NOT_JSON')
  }
  if (!building.done) refuse('', 'ends before its end: fetch it again')
  if (!headSeen) requireHead(building.current)
}

/** A piece's tokens at a time: one by one through a stream they take four times as long. */
async function* tokensOf(file: Readable): AsyncGenerator<readonly Token[]> {
  const parse = jsonParser({ streamValues: false })
  const decoder = new TextDecoder()
  for await (const chunk of file as AsyncIterable<Buffer>)
    for (let at = 0; at < chunk.length; at += PIECE_BYTES) {
      const read = parse(decoder.decode(chunk.subarray(at, at + PIECE_BYTES), { stream: true }))
      if (read !== none) yield read.values
    }
  // Its word for the end, which its type doesn't name.
  const rest = parse(none as never)
  if (rest !== none) yield rest.values
}

function requireHead(given: unknown): void {
  const { rows: _rows, ...head } = (given ?? {}) as Record<string, unknown>
  const read = branchArchiveHeadSchema.safeParse(head)
  if (!read.success) {
    const later = typeof head.version === 'number' && head.version > 1
    refuse(
      'version',
      later ? 'is of a later version: bring this house up to date first' : 'is none of these archives',
    )
  }
}

function checked(kind: ArchivedKind, given: unknown): ArchivedRow {
  const unstorable = unstorableIn(given)
  if (unstorable !== null) refuse(`rows.${kind}.${unstorable}`, 'holds a sign that can’t be kept')
  const read = archivedRows[kind].safeParse(given)
  if (read.success) return read.data as ArchivedRow
  const issues = read.error.issues.slice(0, MOST_TOLD)
  const which = typeof given === 'object' && given && 'id' in given ? ` ${String(given.id).slice(0, 40)}` : ''
  throw new Problem('NOT_AN_ARCHIVE', {
    issues: issues.map(({ path, message }) => ({ path: `rows.${kind}${which}.${path.join('.')}`, message })),
  })
}
