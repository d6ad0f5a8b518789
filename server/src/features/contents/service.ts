import { randomUUID } from 'node:crypto'
import type { ConfirmList, ListPreview, Session } from '@binoculum/contract'
import {
  families,
  problemSentence,
  readContentsList,
  type ColumnMap,
  type ContentsList,
  type Family,
  type ListedKit,
  type ListedPart,
} from '@binoculum/core'
import { coordinatorOnly, requireRole } from '../../platform/access.ts'
import type { Context } from '../../platform/context.ts'
import type { Tx } from '../../platform/database.ts'
import { Problem } from '../../platform/errors.ts'
import { appendRecord } from '../../platform/record.ts'
import { once } from '../../platform/sent-once.ts'
import { readListFile } from './list-file.ts'
import { insertKit } from '../kits/service.ts'
import { takenCodes } from './queries.ts'

/** Rows of the file that the preview shows; the reading is of all of them. */
const PREVIEW_ROWS = 200
/** Declared masses are good to two per cent, a gram at least. Common practice, no source. */
const MASS_TOLERANCE = 0.02
/** Where nothing is known of a model: the finder stands up and to the left of the tube's axis. No source. */
const ASSUMED_FINDER_OFFSET_MM = { x: -70, y: 90 }

interface SentFile {
  readonly contentBase64: string
  readonly columns?: Partial<Record<string, number | null>> | undefined
}

export class Contents {
  constructor(private readonly context: Context) {}

  /** What would come in, and every cell that can't be read. Writes nothing. */
  async preview(given: SentFile): Promise<ListPreview> {
    const file = readListFile(given.contentBase64)
    const list = read(given)
    const taken = await takenCodes(
      this.context.database.reader,
      list.kits.map(({ code }) => code),
    )
    return {
      delimiter: file.delimiter,
      decimal: list.decimal,
      header: [...file.header],
      rows: file.rows.slice(0, PREVIEW_ROWS).map(({ line, cells }) => ({ line, cells: [...cells] })),
      rowCount: file.rows.length,
      columns: { ...list.columns },
      missingColumns: [...list.missingColumns],
      kits: list.kits.map((kit) => ({ ...kit, parts: [...kit.parts], codeTaken: taken.has(kit.code) })),
      problems: list.problems.map((problem) => ({ line: problem.line, sentence: problemSentence(problem) })),
    }
  }

  /** Brings the chosen kits in: the file is read again, so what comes in is what the file says. All or nothing. */
  async confirm(session: Session, given: ConfirmList) {
    requireRole(session, given.branchId, coordinatorOnly)
    const list = read(given)
    if (list.problems.length > 0 && !given.leaveOutProblemRows) {
      const issues = list.problems.map((problem) => ({
        path: `line ${problem.line}`,
        message: problemSentence(problem),
      }))
      throw new Problem('LIST_HAS_PROBLEMS', { issues })
    }
    return this.context.database.inTransaction((tx) =>
      once(tx, { key: given.idempotencyKey, staffId: session.staffId }, () => this.bringIn(tx, session, given, list)),
    )
  }

  private async bringIn(tx: Tx, session: Session, given: ConfirmList, list: ContentsList) {
    const taken = await takenCodes(
      tx,
      given.kits.map(({ code }) => code),
    )
    if (taken.size > 0) throw new Problem('CODE_TAKEN', { details: { codes: [...taken] } })
    let partCount = 0
    for (const chosen of given.kits) {
      const listed = list.kits.find(({ code }) => code === chosen.code)
      if (!listed)
        throw new Problem('BAD_INPUT', { issues: [{ path: 'kits', message: `no kit ${chosen.code} in the file` }] })
      const made = makeKit(chosen, listed, given.branchId)
      await insertKit(tx, made)
      partCount += made.parts.length
      await appendRecord(tx, {
        act: 'brought-in',
        at: this.context.clock(),
        branchId: given.branchId,
        staffId: session.staffId,
        kitId: made.kit.id,
        after: { file: given.fileName, parts: made.parts.length },
      })
    }
    return { kitCodes: given.kits.map(({ code }) => code), partCount }
  }
}

function read(given: SentFile): ContentsList {
  const { header, rows } = readListFile(given.contentBase64)
  const columns = given.columns as ColumnMap | undefined
  return readContentsList({ header, rows, ...(columns ? { columns } : {}) })
}

const opticsKind = (family: Family, parts: readonly ListedPart[]) => {
  if (family === 'tripod-refractor') return 'refractor'
  if (family === 'equatorial-maksutov') return 'maksutov'
  const namesMaksutov = parts.some(({ name }) => /maksutov|\bmak\b/i.test(name))
  return namesMaksutov ? 'maksutov' : 'newtonian'
}

function makeKit(chosen: ConfirmList['kits'][number], listed: ListedKit, branchId: string) {
  const { family, apertureMm, focalLengthMm } = chosen
  const kind = opticsKind(family, listed.parts)
  const kitId = randomUUID()
  const model = {
    id: randomUUID(),
    name: `${families[family]} ${apertureMm}/${focalLengthMm}`,
    family,
    optics: {
      apertureMm,
      focalLengthMm,
      primaryFocalLengthMm: focalLengthMm,
      kind,
      collimatable: kind === 'newtonian',
      mirrorFigure: 'unknown',
      collapsible: false,
      finderOffsetMm: ASSUMED_FINDER_OFFSET_MM,
      peepholeOutsideFocusMm: 0,
    },
  }
  const kit = {
    id: kitId,
    branchId,
    modelId: model.id,
    code: chosen.code,
    name: chosen.name,
    place: 'not shelved yet',
    standsAt: 'bench' as const,
    collimationPolicy: 'leave-it-to-us',
    hazards: [],
    version: 1,
  }
  return { model, kit, parts: listed.parts.map((part, index) => partRow(part, kitId, index + 1)) }
}

/** A part that is on the list was not looked at by us yet. */
function partRow(part: ListedPart, kitId: string, position: number) {
  const { name, role, criticality, count, massG, place, note, focalLengthMm, barlow } = part
  return {
    id: randomUUID(),
    kitId,
    position,
    name,
    role,
    criticality,
    count,
    presentCount: 0,
    massG,
    toleranceG: massG === null ? null : Math.max(1, massG * MASS_TOLERANCE),
    place,
    mark: 'unseen',
    note,
    costMinor: null,
    optics: { ...(focalLengthMm ? { focalLengthMm } : {}), ...(barlow ? { barlow } : {}) },
  }
}
