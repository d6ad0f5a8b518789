import { readContentsList, type ColumnMap, type ContentsList, type ListDecisions } from '@binoculum/core'
import type { WorkerAnswer } from '../../platform/bounded-worker.ts'
import { answerEach } from '../../platform/worker-side.ts'
import { Problem } from '../../platform/errors.ts'
import { headerKey, readListFile, type ListFile } from './list-file.ts'

export interface ListWork {
  readonly contentBase64: string
  /** Columns as the user moved them, or null. */
  readonly columns: ColumnMap | null
  /** Columns of earlier lists, by their headings. */
  readonly remembered: Readonly<Record<string, ColumnMap>>
  readonly decisions: ListDecisions
  readonly openCells: boolean
}
export interface ReadList {
  readonly file: ListFile
  readonly list: ContentsList
  readonly columnsRemembered: boolean
}

function read({ contentBase64, columns, remembered, decisions, openCells }: ListWork): WorkerAnswer {
  try {
    const file = readListFile(contentBase64)
    const kept = columns ?? remembered[headerKey(file)]
    const { header, rows } = file
    const list = readContentsList({ header, rows, decisions, openCells, ...(kept ? { columns: kept } : {}) })
    const columnsRemembered = columns === null && kept !== undefined
    return { ok: true, value: { file, list, columnsRemembered } satisfies ReadList }
  } catch (error) {
    if (error instanceof Problem) return { ok: false, code: error.code, issues: error.rest.issues ?? [] }
    throw error
  }
}

answerEach(read)
