import type { ConfirmList, ImportLine, ImportResult, ListPreview, Session } from '@binoculum/contract'
import {
  isHazardRole,
  answerWords,
  changesOf,
  listFields,
  massText,
  problemSentence,
  questionWords,
  spreadsheetSafe,
  type ColumnMap,
  type ContentsList,
  type ListChange,
  type ListedKit,
} from '@binoculum/core'
import { stringify } from 'csv-stringify/sync'
import { branchIdsOf, coordinatorOnly, requireRole } from '../../platform/access.ts'
import { runBounded } from '../../platform/bounded-worker.ts'
import type { Context } from '../../platform/context.ts'
import { Problem } from '../../platform/errors.ts'
import { listWorker, type ListWork, type ReadList } from './workers.ts'
import { headerKey, type ListFile } from './list-file.ts'
import { bringKitIn, bringUpToDate, prepareModels } from './list-kits.ts'
import * as queries from './queries.ts'

/** Rows and kits that the preview shows in full; the reading is of all of them. */
const PREVIEW_ROWS = 300
const PREVIEW_KITS_WITH_PARTS = 60
const READ_BOUNDS = { timeoutMs: 60_000, memoryMb: 512 }
/** Kits written side by side, each in a transaction of its own. */
const AT_ONCE = 6

type SentFile = Pick<ConfirmList, 'contentBase64' | 'branchId' | 'decisions' | 'openCells'> & {
  readonly columns?: Partial<Record<string, number | null>> | undefined
}

interface Plan {
  readonly file: ListFile
  readonly list: ContentsList
  readonly columnsRemembered: boolean
  /** Answers of earlier lists and of this one. */
  readonly decided: Readonly<Record<string, string>>
  readonly known: ReadonlyMap<string, queries.KnownKit>
  readonly changes: ReadonlyMap<string, readonly ListChange[]>
}

/** Lists of whole clubs: a dry run that says what would change, then kit by kit, all of a kit or nothing of it. */
export class Lists {
  constructor(private readonly context: Context) {}

  /** What would come in, what has to be decided, and every cell that can't be read. Writes nothing. */
  async preview(session: Session, given: SentFile): Promise<ListPreview> {
    requireRole(session, given.branchId, coordinatorOnly)
    const { file, list, ...plan } = await this.plan(given)
    return {
      delimiter: file.delimiter,
      decimal: list.decimal,
      header: [...file.header],
      rows: file.rows.slice(0, PREVIEW_ROWS).map(({ line, cells }) => ({ line, cells: [...cells] })),
      rowCount: file.rows.length,
      titleLines: file.titleLines,
      filledDown: list.filledDown,
      columnsRemembered: plan.columnsRemembered,
      columns: { ...list.columns },
      missingColumns: [...list.missingColumns],
      kits: list.kits.map((kit, index) => ({
        ...kit,
        parts: index < PREVIEW_KITS_WITH_PARTS ? [...kit.parts] : [],
        partCount: kit.parts.length,
        held: kit.parts.some(({ role }) => isHazardRole(role)),
        ...stateOf(kit, given.branchId, plan),
      })),
      spares: list.spares.length,
      words: list.words.map(({ others: _others, ...word }) => word),
      // What was answered once is not asked again.
      questions: list.questions
        .filter(({ key }) => key in given.decisions || !(key in plan.decided))
        .map((question) => ({
          key: question.key,
          line: question.line,
          ...questionWords(question),
          answers: question.answers.map((value) => ({ value, words: answerWords(question, value) })),
          answer: given.decisions[question.key] ?? null,
        })),
      problems: list.problems.map((problem) => ({
        line: problem.line,
        field: problem.field,
        sentence: problemSentence(problem),
      })),
    }
  }

  private async plan(given: SentFile): Promise<Plan> {
    const { reader } = this.context.database
    const words = await queries.remembered(reader, given.branchId, 'word')
    const columns = await queries.remembered(reader, given.branchId, 'columns')
    const decided = { ...(Object.fromEntries(words) as Record<string, string>), ...given.decisions }
    const work: ListWork = {
      contentBase64: given.contentBase64,
      columns: (given.columns as ColumnMap | undefined) ?? null,
      remembered: Object.fromEntries(columns) as Record<string, ColumnMap>,
      decisions: decided,
      openCells: given.openCells,
    }
    const { file, list, columnsRemembered } = await runBounded<ReadList>(listWorker, work, READ_BOUNDS)
    const kits = await queries.kitsWithCodes(
      reader,
      list.kits.map(({ code }) => code),
    )
    const known = new Map(kits.map((kit) => [kit.code, kit]))
    const own = kits.filter(({ branchId }) => branchId === given.branchId)
    const parts = new Map<string, queries.PartToCompare[]>(own.map(({ id }) => [id, []]))
    for (const part of await queries.partsToCompare(reader, [...parts.keys()])) parts.get(part.kitId)?.push(part)
    const changes = list.kits.flatMap((kit) => {
      const here = own.find(({ code }) => code === kit.code)
      return here ? [[kit.code, changesOf(parts.get(here.id) ?? [], kit.parts)] as const] : []
    })
    return { file, list, known, decided, changes: new Map(changes), columnsRemembered }
  }

  /** Brings the chosen kits in, and up to date where they are here. The file is read again, so what comes in is what the
   * file says; a second sending finds everything done. Yields how far it is.
   * @throws Problem before anything is written: undecided questions, rows that can't be read, codes of other branches */
  async confirm(session: Session, given: ConfirmList): Promise<AsyncGenerator<ImportLine>> {
    requireRole(session, given.branchId, coordinatorOnly)
    const plan = await this.plan(given)
    refuseOpen(plan, given)
    return this.bringIn(session, given, plan)
  }

  private async *bringIn(session: Session, given: ConfirmList, plan: Plan): AsyncGenerator<ImportLine> {
    const { database, clock } = this.context
    const result: Omit<ImportResult, 'kind'> = {
      kitCodes: [],
      partCount: 0,
      updated: [],
      same: [],
      spares: 0,
      failed: [],
    }
    const act = { branchId: given.branchId, staffId: session.staffId, at: clock(), fileName: given.fileName }
    const fresh = given.kits.filter(({ code }) => !plan.known.has(code))
    const listed = new Map(plan.list.kits.map((kit) => [kit.code, kit]))
    const models = await database.inTransaction((tx) => prepareModels(tx, given.branchId, fresh, listed))
    const one = async (chosen: ConfirmList['kits'][number]): Promise<void> => {
      const kit = listed.get(chosen.code)
      const here = plan.known.get(chosen.code)
      if (!kit) return
      try {
        if (!here) {
          await database.inTransaction((tx) => bringKitIn(tx, { chosen, kit, models, act }))
          result.kitCodes.push(chosen.code)
          result.partCount += kit.parts.length
        } else if ((plan.changes.get(chosen.code) ?? []).some(({ kind }) => kind !== 'not-listed')) {
          await database.inTransaction((tx) => bringUpToDate(tx, { kit, here, act }))
          result.updated.push(chosen.code)
        } else result.same.push(chosen.code)
      } catch (error) {
        // The kit's own transaction is rolled back; the others go on.
        result.failed.push({
          code: chosen.code,
          message: error instanceof Problem ? error.message : 'could not be written',
        })
      }
    }
    const total = given.kits.length
    for (let at = 0; at < total; at += AT_ONCE) {
      await Promise.all(given.kits.slice(at, at + AT_ONCE).map(one))
      yield { kind: 'progress', done: Math.min(at + AT_ONCE, total), total }
    }
    await database.inTransaction(async (tx) => {
      await queries.deletePartsOfModels(tx, models.made)
      await queries.deleteUnusedModels(tx, models.made)
      for (const { name, role, count, massG, note } of plan.list.spares) {
        const added = await queries.addSpare(tx, { branchId: given.branchId, name, role, count, massG, note })
        result.spares += added.length
      }
      await queries.remember(tx, given.branchId, 'columns', headerKey(plan.file), plan.list.columns)
      for (const [key, answer] of Object.entries(given.decisions))
        if (/^(word|filter|code) /.test(key)) await queries.remember(tx, given.branchId, 'word', key, answer)
    })
    for (const codes of [result.kitCodes, result.updated, result.same]) codes.sort()
    yield { kind: 'done', ...result }
  }

  /** All kits of a branch as a list that comes in again without a change. No cell runs as a formula. */
  async export(session: Session, branchId: string): Promise<string> {
    if (!branchIdsOf(session).includes(branchId)) throw new Problem('NOT_FOUND')
    const rows = await queries.exportRows(this.context.database.reader, branchId)
    const fields = [
      'kitCode',
      'kitName',
      'part',
      'role',
      'count',
      'mass',
      'unit',
      'place',
      'criticality',
      'focalLength',
      'note',
    ] as const
    const text = (value: string | number | null) => spreadsheetSafe(value === null ? '' : String(value))
    return stringify(
      [
        fields.map((field) => listFields[field]),
        ...rows.map(({ massG, focalLengthMm, ...row }) =>
          [
            row.kitCode,
            row.kitName,
            row.part,
            row.role,
            row.count,
            massG === null ? null : Math.round(massG * 10) / 10,
            massG === null ? null : 'g',
            row.place,
            row.criticality,
            focalLengthMm,
            row.note,
          ].map(text),
        ),
      ],
      { record_delimiter: 'windows', bom: true },
    )
  }
}

function stateOf(kit: ListedKit, branchId: string, { known, changes }: Pick<Plan, 'known' | 'changes'>) {
  const here = known.get(kit.code)
  if (!here) return { state: 'new' as const, changes: [] }
  if (here.branchId !== branchId) return { state: 'elsewhere' as const, changes: [] }
  const all = changes.get(kit.code) ?? []
  const state = all.some(({ kind }) => kind !== 'not-listed') ? ('changes' as const) : ('same' as const)
  return { state, changes: all.map(changeWords) }
}

function changeWords(change: ListChange): string {
  if (change.kind === 'new') return `${change.listed.name}: comes in`
  if (change.kind === 'not-listed') return `${change.name}: not in the list, stays`
  const { massG, ...rest } = change.set
  const fields = Object.entries(rest).map(([field, value]) => `${field} ${value}`)
  return `${change.name}: ${[...fields, ...(massG === undefined ? [] : [massText(massG)])].join(', ')}`
}

function refuseOpen({ list, known, decided }: Plan, given: ConfirmList): void {
  const bad = list.problems.filter(({ field }) => !given.openCells || field === 'kitCode' || field === 'part')
  if (bad.length > 0 && !given.leaveOutProblemRows)
    throw new Problem('LIST_HAS_PROBLEMS', {
      issues: bad
        .slice(0, 50)
        .map((problem) => ({ path: `line ${problem.line}`, message: problemSentence(problem) })),
    })
  const chosen = new Set(given.kits.map(({ code }) => code))
  const open = list.questions.filter(
    ({ key, kit, code }) => decided[key] === undefined && (chosen.has(kit) || code === 'SAME_CODE_TWICE'),
  )
  if (open.length > 0)
    throw new Problem('LIST_HAS_QUESTIONS', {
      issues: open.slice(0, 50).map((question) => ({ path: question.key, message: questionWords(question).title })),
    })
  for (const { code } of given.kits) {
    if (!list.kits.some((kit) => kit.code === code))
      throw new Problem('BAD_INPUT', { issues: [{ path: 'kits', message: `no kit ${code} in the file` }] })
    const here = known.get(code)
    if (here && here.branchId !== given.branchId) throw new Problem('CODE_TAKEN', { details: { codes: [code] } })
  }
}
