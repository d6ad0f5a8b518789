import { archivedKinds, archivedRows, type ArchivedKind } from '@binoculum/contract'
import type { Database, Tx } from '../../platform/database.ts'
import { snake } from '../../platform/naming.ts'

type DataSource = Tx['connection']
type EntityMetadata = ReturnType<DataSource['getMetadata']>
type QueryRunner = ReturnType<DataSource['createQueryRunner']>

/** $1 is the branch. A kit's history goes with the kit, wherever it was lent before. */
const kits = 'SELECT id FROM kit WHERE branch_id = $1'
const loans = `SELECT id FROM loan WHERE kit_id IN (${kits})`
const models = `SELECT model_id FROM kit WHERE branch_id = $1 UNION SELECT id FROM model WHERE branch_id = $1`
const ofKit = `t.kit_id IN (${kits})`
const ofLoan = `t.loan_id IN (${loans})`
/** $2: borrowers were asked for; those of another branch are never told. */
const asked = '$2::boolean AND t.branch_id = $1'
const askedOfLoan = '$2::boolean AND EXISTS (SELECT 1 FROM loan l WHERE l.id = t.loan_id AND l.branch_id = $1)'

/** Which rows of a table are a branch's, where it isn't those with its `branch_id`. */
const ofBranch: Partial<Record<ArchivedKind, string>> = {
  branch: 't.id = $1',
  landmark: 't.site_id IN (SELECT id FROM site WHERE branch_id = $1)',
  model: `t.id IN (${models})`,
  modelPart: `t.model_id IN (${models})`,
  part: ofKit,
  borrower: `t.branch_id = $1 OR t.id IN (SELECT borrower_id FROM loan WHERE kit_id IN (${kits}))`,
  agreement: `t.branch_id = $1 OR t.id IN (SELECT agreement_id FROM loan WHERE kit_id IN (${kits}))`,
  loan: ofKit,
  takeBack: ofLoan,
  takeBackDraft: ofLoan,
  extraPart: ofKit,
  notice: `t.model_id IN (${models}) AND t.id IN (SELECT notice_id FROM job WHERE kit_id IN (${kits}))`,
  job: ofKit,
  weighing: ofKit,
  openCase: ofKit,
  caseView: ofKit,
  benchCheck: ofKit,
  reading: ofKit,
  turnedStep: ofKit,
  knobStep: ofKit,
  stepTime: ofKit,
  stepMedian: `t.model_id IN (${models})`,
  packingPicture: ofKit,
  toldTarget: `t.model_id IN (${models})`,
  toldStop: `t.model_id IN (${models})`,
  kitDrift: ofKit,
  guide: ofLoan,
  guidePiece: `t.hash IN (SELECT piece.value FROM guide g CROSS JOIN LATERAL jsonb_each(g.pieces) each
    CROSS JOIN LATERAL jsonb_each_text(each.value) piece WHERE g.loan_id IN (${loans}))`,
  guideText: `t.branch_id = $1 AND (t.kit_id IS NULL OR ${ofKit}) AND (t.model_id IS NULL OR t.model_id IN (${models}))`,
  // What a borrower wrote and sent is theirs.
  borrowerMessage: `${ofKit} AND ${asked}`,
  picture: `t.branch_id = $1 AND ($2::boolean OR t.by_staff_id IS NOT NULL)
    OR t.id IN (SELECT picture_id FROM model_part WHERE model_id IN (${models}))
    OR t.id IN (SELECT unnest(picture_ids) FROM part WHERE kit_id IN (${kits}))
    OR t.id IN (SELECT picture_id FROM case_view WHERE kit_id IN (${kits}))
    OR t.id IN (SELECT picture_id FROM packing_picture WHERE kit_id IN (${kits}))`,
  waitingRequest: `t.branch_id = $1 AND (t.offer_loan_id IS NULL OR t.offer_loan_id IN (${loans}))`,
  message: ofKit,
  record: `t.branch_id = $1 OR ${ofKit}`,
}

/** What stands in a file instead of what names a borrower, where it may not be told. */
const hidden: Partial<Record<ArchivedKind, Readonly<Record<string, string>>>> = {
  borrower: {
    name: `CASE WHEN ${asked} THEN t.name ELSE 'somebody' END`,
    contact: `CASE WHEN ${asked} THEN t.contact ELSE '' END`,
    cardNumber: `CASE WHEN ${asked} THEN t.card_number ELSE '' END`,
    unlinkedAt: `CASE WHEN ${asked} THEN t.unlinked_at ELSE coalesce(t.unlinked_at, now()) END`,
  },
  message: {
    subject: `CASE WHEN ${asked} THEN t.subject ELSE '' END`,
    body: `CASE WHEN ${asked} THEN t.body ELSE '' END`,
  },
  guide: { content: `CASE WHEN ${askedOfLoan} THEN t.content ELSE t.content || '{"firstName": null}' END` },
  takeBack: { answers: `CASE WHEN ${askedOfLoan} THEN t.answers ELSE t.answers || '{"whatDidNotWork": ""}' END` },
  // Where a coin cell was missing, what was said and to whom stands in the record.
  record: { after: `CASE WHEN ${asked} THEN t.after ELSE t.after - 'spokeTo' - 'whereIsIt' END` },
  waitingRequest: { note: `CASE WHEN ${asked} THEN t.note ELSE '' END` },
}

/** Rows stand by key, the record by time: the same archive twice is the same text. */
const orderOf = (table: EntityMetadata) =>
  table.primaryColumns.map(({ databaseName }) => `t.${databaseName}`).join(', ')

const tableOf = (source: DataSource, kind: ArchivedKind): EntityMetadata =>
  source.entityMetadatas.find(({ tableName }) => tableName === snake(kind)) ?? fail(kind)
const fail = (kind: string): never => {
  throw new Error(`There is no table for ${kind}`)
}
export const entityOf = (source: DataSource, kind: ArchivedKind) => tableOf(source, kind).target

const conditionOf = (kind: ArchivedKind) => ofBranch[kind] ?? 't.branch_id = $1'

/** Columns that say who did it; the record keeps the key of somebody who may be gone. */
function staffColumns({ tableName, foreignKeys }: EntityMetadata): string[] {
  const referring = foreignKeys.filter(({ referencedEntityMetadata: other }) => other.tableName === 'staff')
  const named = referring.flatMap(({ columns }) => columns.map(({ databaseName }) => databaseName))
  return tableName === 'record' ? [...named, 'staff_id'] : named
}

/** Everybody who did something that is in the archive. */
function staffIds(source: DataSource): string {
  const did = archivedKinds
    .filter((kind) => kind !== 'staff')
    .flatMap((kind) => staffColumns(tableOf(source, kind)).map((column) => ({ kind, column })))
  return did
    .map(({ kind, column }) => `SELECT t.${column} FROM ${snake(kind)} t WHERE ${conditionOf(kind)}`)
    .join(' UNION ')
}

/** One statement that gives a kind's rows as lines of JSON; $1 the branch, $2 whether with borrowers. */
export function rowsAsText(source: DataSource, kind: ArchivedKind): string {
  const table = tableOf(source, kind)
  const columns = Object.keys(archivedRows[kind].shape).map(
    (key) => `'${key}', ${hidden[kind]?.[key] ?? `t.${snake(key)}`}`,
  )
  const condition = kind === 'staff' ? `t.id IN (${staffIds(source)})` : conditionOf(kind)
  return `SELECT json_build_object(${columns.join(', ')})::text AS row FROM ${table.tableName} t
    WHERE ($2::boolean IS NOT NULL) AND (${condition}) ORDER BY ${orderOf(table)}`
}

const ROWS_AT_ONCE = 500

/** All kinds of rows as they were at one moment, as lines of JSON, a few rows at a time. */
export async function* linesOfOneMoment(database: Database, values: readonly unknown[]): AsyncGenerator<string> {
  const runner = database.source.createQueryRunner()
  try {
    await runner.startTransaction('REPEATABLE READ')
    // Whoever stops taking it keeps no moment of the database open.
    await runner.query(`SET LOCAL idle_in_transaction_session_timeout = '60s'`)
    // All rows are wanted, not the first few soon.
    await runner.query('SET LOCAL cursor_tuple_fraction = 1')
    for (const [index, kind] of archivedKinds.entries()) {
      yield `${index === 0 ? '' : ',\n'}${JSON.stringify(kind)}:[`
      yield* rowLines(runner, kind, values)
      yield ']'
    }
  } finally {
    await runner.rollbackTransaction().catch(() => undefined)
    await runner.release()
  }
}

async function* rowLines(
  runner: QueryRunner,
  kind: ArchivedKind,
  values: readonly unknown[],
): AsyncGenerator<string> {
  await runner.query(
    `DECLARE archived NO SCROLL CURSOR FOR ${rowsAsText(runner.connection, kind)}`,
    values as unknown[],
  )
  for (let first = true; ; first = false) {
    const rows = (await runner.query(`FETCH ${ROWS_AT_ONCE} FROM archived`)) as { row: string }[]
    if (rows.length > 0) yield `${first ? '\n' : ',\n'}${rows.map(({ row }) => row).join(',\n')}`
    if (rows.length < ROWS_AT_ONCE) break
  }
  await runner.query('CLOSE archived')
}
