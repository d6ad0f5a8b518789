import type { BorrowerLoans, BorrowerSheet, KitStory, Outbox, StoryLines } from '@binoculum/contract'
import { kitOf, startTestServer, type Agent } from './support.ts'

/** Lists that grow are walked page by page: nothing is left out, nothing comes twice, and an index serves each page. */
let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
})
afterAll(() => server.close())

async function walk<T extends { readonly next: string | null }>(
  first: string,
  then: (before: string) => string,
): Promise<T[]> {
  const pages = [(await ines.get<T>(first)).body]
  for (let next = pages[0]?.next ?? null; next !== null; next = pages.at(-1)?.next ?? null) {
    pages.push((await ines.get<T>(then(next))).body)
    if (pages.length > 40) throw new Error('it goes on without end')
  }
  return pages
}
const sql = async <T>(text: string, values: unknown[] = []): Promise<T[]> => server.source.query(text, values)

it('letters, many of them of one and the same instant', async () => {
  await sql(
    `INSERT INTO message (id, branch_id, borrower_id, loan_id, kit_id, subject, body, state, by_staff_id, made_at)
     SELECT gen_random_uuid(), l.branch_id, l.borrower_id, l.id, l.kit_id, 'letter ' || n, 'words', 'sent', NULL,
       TIMESTAMPTZ '2026-01-01 10:00:00.123456Z' + (n / 40) * interval '1 microsecond'
     FROM (SELECT * FROM loan ORDER BY number LIMIT 2) l CROSS JOIN generate_series(1, 180) n`,
  )
  const pages = await walk<Outbox>('/api/messages', (before) => `/api/messages?before=${before}`)
  const ids = pages.flatMap(({ messages }) => messages.map(({ id }) => id))
  const all = await sql<{ id: string }>('SELECT id FROM message ORDER BY made_at DESC, id DESC')
  expect(pages.length).toBeGreaterThan(3)
  expect(ids).toEqual(all.map(({ id }) => id))
  expect((await ines.get('/api/messages?before=nothing')).status).toBe(400)
})

it('a borrower’s loans', async () => {
  const [someone] = await sql<{ id: string }>(
    `UPDATE loan SET borrower_id = (SELECT id FROM borrower WHERE unlinked_at IS NULL AND branch_id = '${(await kitOf(ines, 'M-12')).branchId}' ORDER BY id LIMIT 1)
     WHERE id IN (SELECT id FROM loan WHERE state = 'back' ORDER BY number LIMIT 130) RETURNING borrower_id AS id`,
  ).then(([rows]) => rows as unknown as { id: string }[])
  const path = `/api/borrowers/${someone?.id}`
  const pages = await walk<BorrowerLoans>(path, (before) => `${path}/loans?before=${before}`)
  const ids = pages.flatMap(({ loans }) => loans.map(({ id }) => id))
  const all = await sql<{ id: string }>(
    'SELECT id FROM loan WHERE borrower_id = $1 ORDER BY from_on DESC, number DESC',
    [someone?.id],
  )
  expect(pages.length).toBeGreaterThan(2)
  expect(ids).toEqual(all.map(({ id }) => id))
  expect((await ines.get<BorrowerSheet>(path)).body.loans).toHaveLength(50)
})

it('what was done to a kit', async () => {
  const { id, branchId } = await kitOf(ines, 'M-01')
  await sql(
    `INSERT INTO record (at, branch_id, kit_id, act) SELECT TIMESTAMPTZ '2026-02-01Z', $1, $2, 'part-marked' FROM generate_series(1, 450)`,
    [branchId, id],
  )
  const { body: story } = await ines.get<KitStory>('/api/kits/M-01/story')
  const pages = await walk<StoryLines>(
    '/api/kits/M-01/story',
    (before) => `/api/kits/M-01/story/lines?from=${story.from}&before=${before}`,
  )
  const ids = pages.flatMap(({ lines }) => lines.map((line) => line.id))
  const all = await sql<{ id: string }>('SELECT id FROM record WHERE kit_id = $1 AND at >= $2 ORDER BY id DESC', [
    id,
    `${story.from}T00:00:00Z`,
  ])
  expect(pages.length).toBeGreaterThan(2)
  expect(ids).toEqual(all.map((line) => line.id))
})

it('a story of very many years shows the newest of each figure, none crowded out by another', async () => {
  const { id } = await kitOf(ines, 'M-01')
  const path = '/api/kits/M-01/story?from=2001-01-01'
  const finderOf = ({ readings }: KitStory) => readings.filter(({ kind }) => kind === 'finder')
  const othersOf = ({ readings }: KitStory) => readings.filter(({ kind }) => kind !== 'finder')
  const before = (await ines.get<KitStory>(path)).body
  const [newest] = await sql<{ at: Date }>(
    `SELECT max(at) AS at FROM reading WHERE kit_id = $1 AND kind = 'finder'`,
    [id],
  )
  await sql(
    `INSERT INTO reading SELECT (jsonb_populate_record(r, jsonb_build_object('id', gen_random_uuid(), 'current', false, 'at', r.at - n * interval '1 minute'))).*
     FROM reading r, generate_series(1, 2500) n WHERE r.id = (SELECT id FROM reading WHERE kit_id = $1 AND kind = 'finder' ORDER BY at DESC LIMIT 1)`,
    [id],
  )
  const after = (await ines.get<KitStory>(path)).body
  expect(finderOf(after)).toHaveLength(300)
  expect(finderOf(after).at(-1)?.atUtc).toBe(newest?.at.toISOString())
  expect(othersOf(before).length).toBeGreaterThan(0)
  expect(othersOf(after)).toEqual(othersOf(before))
})

it('each page walks an index, whatever the number of rows', async () => {
  const runner = server.source.createQueryRunner()
  await runner.startTransaction()
  try {
    await runner.query(
      `INSERT INTO message SELECT (jsonb_populate_record(m, jsonb_build_object('id', gen_random_uuid(), 'once_key', null, 'made_at', m.made_at - n * interval '1 hour'))).*
       FROM message m, generate_series(1, 100) n`,
    )
    // A kit's own lines are few among very many, as they are after years. Counted here, since the planner's choice
    // would otherwise rest on whether the database happened to count these tables by itself a moment ago.
    await runner.query(
      `INSERT INTO record (at, branch_id, kit_id, act) SELECT TIMESTAMPTZ '2026-02-01Z', k.branch_id, k.id, 'part-marked'
       FROM kit k, generate_series(1, 400) WHERE k.code <> 'M-12'`,
    )
    await runner.query('ANALYZE message, record, bench_check, job, loan')
    const plan = async (text: string) =>
      (await runner.query(`EXPLAIN ${text}`)).map((line: Record<string, string>) => line['QUERY PLAN']).join('\n')
    const branch = `'${(await kitOf(ines, 'M-12')).branchId}'`
    expect(
      await plan(
        `SELECT id FROM message WHERE branch_id = ${branch} AND (made_at, id) < (now(), gen_random_uuid()) ORDER BY made_at DESC, id DESC LIMIT 101`,
      ),
    ).toMatch(/Index Scan Backward using ix_message_branch_id_made_at/)
    await runner.query('SET LOCAL enable_seqscan = off')
    expect(await plan(`SELECT 1 FROM loan WHERE borrower_id = gen_random_uuid()`)).toMatch(/ix_loan_borrower_id/)
    const kit = `'${(await kitOf(ines, 'M-12')).id}'`
    expect(
      await plan(`SELECT 1 FROM record WHERE kit_id = ${kit} AND id < 100000 ORDER BY id DESC LIMIT 201`),
    ).toMatch(/ix_record_(id_kit_id|kit_id_id)/)
    expect(
      await plan(`SELECT 1 FROM bench_check WHERE kit_id = ${kit} AND at >= '2025-01-01' ORDER BY at DESC LIMIT 200`),
    ).toMatch(/ix_bench_check_at_kit_id|ix_bench_check_kit_id_at/)
    expect(await plan(`SELECT 1 FROM job WHERE kit_id = ${kit} AND opened_at >= '2025-01-01'`)).toMatch(
      /ix_job_kit_id/,
    )
  } finally {
    await runner.rollbackTransaction()
    await runner.release()
  }
})
