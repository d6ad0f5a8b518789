import {
  archivedKinds,
  archivedRows,
  branchArchiveJsonSchema,
  branchArchiveSchema,
  type BranchArchiveResult,
  type BroughtPictures,
  type Shelf,
} from '@binoculum/contract'
import { Ajv2020 } from 'ajv/dist/2020.js'
import addFormats from 'ajv-formats'
import sharp from 'sharp'
import { fromBufferPromise } from 'yauzl'
import { idInBranch } from '../src/features/branch-archive/bring-in.ts'
import { snake } from '../src/platform/naming.ts'
import { passwordOf, startTestServer, type Agent } from './support.ts'
import { longTest } from '../../core/src/testing/sweep.ts'

type Server = Awaited<ReturnType<typeof startTestServer>>
let from: Server
let to: Server
let there: Agent
let here: Agent
let fromBranch = ''
let toBranch = ''
let photoId = ''
let file: Buffer = Buffer.alloc(0)

beforeAll(async () => {
  from = await startTestServer()
  to = await startTestServer({ filled: false })
  there = await from.signIn('ines')
  fromBranch = (await there.get<Shelf>('/api/kits')).body.kits.find(({ code }) => code === 'M-12')?.branchId ?? ''
  await from.source.query('DELETE FROM membership WHERE branch_id <> $1', [fromBranch])
  // What other branches' kits of a model did is no part of this branch's archive, though a forecast leans on it.
  await from.source.query('DELETE FROM reading WHERE kit_id IN (SELECT id FROM kit WHERE branch_id <> $1)', [
    fromBranch,
  ])
  toBranch = await firstCoordinator()
  here = await signInAt(to)
  const photo = await sharp({ create: { width: 900, height: 600, channels: 3, background: '#886644' } })
    .withExif({ IFD0: { Copyright: 'somebody' } })
    .jpeg()
    .toBuffer()
  photoId = (await there.upload<{ id: string }>(`/api/pictures?branchId=${fromBranch}`, photo)).body.id
  file = await there.bytes(`/api/branches/${fromBranch}/archive?borrowers=with`)
})
afterAll(async () => {
  await from.close()
  await to.close()
})

const email = 'ines@marrowdale.example'
const signInAt = async (server: Server): Promise<Agent> => {
  const reply = await server.agent().post('/api/session', { email, password: passwordOf(email) })
  return server.agent(String(reply.headers['set-cookie']).split(';')[0])
}

/** A new house with one coordinator in one empty branch. */
async function firstCoordinator(): Promise<string> {
  const [ines] = await from.source.query('SELECT name, password_hash FROM staff WHERE email = $1', [email])
  const [branch] = await to.source.query(
    `INSERT INTO branch (id, name, zone, emergency_line, policies)
     VALUES (gen_random_uuid(), 'New', 'Europe/Dublin', '', '{"maxAgeDays": 180, "collimation": "leave-it-to-us"}') RETURNING id`,
  )
  await to.source.query(
    `WITH made AS (INSERT INTO staff (id, name, email, password_hash) VALUES (gen_random_uuid(), $1, $2, $3) RETURNING id)
     INSERT INTO membership (staff_id, branch_id, role) SELECT id, $4, 'coordinator' FROM made`,
    [ines.name, email, ines.password_hash, branch.id],
  )
  return branch.id as string
}

const send = (agent: Agent, branchId: string, body: Buffer | object) =>
  agent.upload<BranchArchiveResult & { error?: { code: string; issues?: { path: string; message: string }[] } }>(
    `/api/branches/${branchId}/archive`,
    Buffer.isBuffer(body) ? body : Buffer.from(JSON.stringify(body)),
    'application/json',
  )
const read = (bytes: Buffer) => JSON.parse(bytes.toString()) as { rows: Record<string, Record<string, unknown>[]> }
const refusal = async (body: Buffer | object) => {
  const { status, body: answer } = await send(here, toBranch, body)
  return `${status} ${answer.error?.code} ${answer.error?.issues?.map(({ path, message }) => `${path}: ${message}`).join('; ') ?? ''}`
}

it('every table is in the archive with all its columns, or is left out for a reason', () => {
  const leftOut = {
    // Whom a file must not let in: people are invited anew.
    ...{ session: 1, sign_in_try: 1, invitation: 1, membership: 1, second_factor: 1, bench_skill: 1, bench_seat: 1 },
    // Secret addresses, private practice, what names another branch, what this house keeps for itself.
    ...{ calendar_feed: 1, practice_run: 1, transfer: 1, sent_once: 1, upkeep_mark: 1 },
  }
  const tables = from.source.entityMetadatas.map(({ tableName }) => tableName).sort()
  expect([...archivedKinds.map(snake), ...Object.keys(leftOut)].sort()).toEqual(tables)
  for (const kind of archivedKinds.filter((each) => each !== 'staff')) {
    const { columns } = from.source.entityMetadatas.find(({ tableName }) => tableName === snake(kind))!
    // A shape is a promise this house made: a file's guides are brought up to the schema when they are read.
    const without = { picture: ['bytes'], record: ['id'], guide: ['shape'] }[kind as string] ?? []
    const expected = columns.map(({ propertyName }) => propertyName).filter((name) => !without.includes(name))
    expect([kind, Object.keys(archivedRows[kind].shape).sort()]).toEqual([kind, expected.sort()])
  }
})

it('an archive holds to its shape, by our own rules and by the published schema', () => {
  const archive = branchArchiveSchema.safeParse(read(file))
  expect(archive.error?.issues.slice(0, 3)).toBeUndefined()
  const ajv = new Ajv2020({ strict: false })
  addFormats.default(ajv)
  const holds = ajv.compile(branchArchiveJsonSchema())
  expect([holds(read(file)), holds.errors?.slice(0, 3)]).toEqual([true, undefined])
  const wrong = read(file)
  wrong.rows.kit![0]!.standsAt = 'moon'
  expect(holds(wrong)).toBe(false)
})

it('names nobody who borrows where nobody asked for it', async () => {
  const names: { name: string; contact: string }[] = await from.source.query(
    `SELECT name, contact FROM borrower WHERE name <> 'somebody'`,
  )
  expect(names.length).toBeGreaterThan(10)
  const told = (text: string) =>
    names.filter(({ name, contact }) => [name, contact].some((word) => word.length > 3 && text.includes(word)))
  expect(told(file.toString()).length).toBeGreaterThan(10)
  const without = (await there.bytes(`/api/branches/${fromBranch}/archive`)).toString()
  expect(told(without)).toEqual([])
  expect(branchArchiveSchema.safeParse(JSON.parse(without)).success).toBe(true)
  const { rows } = read(Buffer.from(without))
  expect(rows.loan?.length).toBe(read(file).rows.loan?.length)
  expect(new Set(rows.borrower?.map(({ cardNumber }) => cardNumber))).toEqual(new Set(['']))
  expect(rows.borrowerMessage).toEqual([])
})

describe('what is none', () => {
  const head = { format: 'binoculum-branch', version: 1, writtenAtUtc: '2026-03-12T14:00:00Z', withBorrowers: true }
  it.each([
    ['no JSON', Buffer.from('{"format": '), /400 NOT_JSON|ends before its end/],
    ['nothing at all', Buffer.from('null'), /400 NOT_AN_ARCHIVE version/],
    ['another file', { format: 'binoculum-contents', version: 1, rows: { kit: [] } }, /none of these archives/],
    ['a later version', { ...head, version: 7, rows: { kit: [] } }, /later version/],
    ['an unknown kind', { ...head, rows: { moon: [] } }, /rows.moon: is a kind of row that no archive has/],
    ['kinds out of order', { ...head, rows: { kit: [], model: [] } }, /rows.model: stands after rows/],
    ['a row without its columns', { ...head, rows: { kit: [{ id: 'x' }] } }, /400 NOT_AN_ARCHIVE rows.kit x.id/],
  ])('%s', async (_name, body, words) => {
    expect(await refusal(body)).toMatch(words)
  })

  longTest()('a file that was cut off, at any place', async () => {
    for (const share of [0.1, 0.999]) {
      const cut = file.subarray(0, Math.floor(file.length * share))
      expect(await refusal(cut)).toMatch(/^400 (NOT_JSON|NOT_AN_ARCHIVE .*ends before its end)/)
    }
    expect((await here.get<Shelf>('/api/kits')).body.kits).toEqual([])
  })

  it('rows that point at what isn’t in the file, even where it is in the house', async () => {
    const archive = read(file)
    const loan = archive.rows.loan![0]!
    const rows = { ...archive.rows, kit: archive.rows.kit!.filter(({ id }) => id !== loan.kitId) }
    expect(await refusal({ ...archive, rows })).toMatch(
      /NOT_AN_ARCHIVE rows\.\w+: names something that isn’t in the file/,
    )
  })

  it('a part of a guide under the name of another', async () => {
    const archive = read(file)
    const rows = { ...archive.rows, guidePiece: [{ hash: 'a'.repeat(64), body: { sentence: 'Look at the Sun.' } }] }
    expect(await refusal({ ...archive, rows })).toMatch(/rows.guidePiece a+: doesn’t hold what its name says/)
  })

  it('a branch in which somebody works already', async () => {
    expect((await send(there, fromBranch, file)).body.error?.code).toBe('BRANCH_IN_USE')
  })
})

describe('read into a new house', () => {
  /** What is said there, in the keys that things have here. */
  const asHere = (said: unknown): unknown =>
    JSON.parse(
      JSON.stringify(said).replaceAll(/[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}/g, (id) =>
        id === fromBranch ? toBranch : idInBranch(toBranch, id),
      ),
    )

  it('comes in whole, and a second time not at all', async () => {
    const { status, body } = await send(here, toBranch, file)
    expect([status, body.error]).toEqual([200, undefined])
    const { rows } = read(file)
    expect(body).toEqual({
      kits: rows.kit?.map(({ code }) => code),
      loans: rows.loan?.length,
      pictures: rows.picture?.length,
    })
    expect((await send(here, toBranch, file)).body.error?.code).toBe('BRANCH_IN_USE')
  })

  it('codes that another branch of the house uses are named, and nothing comes in', async () => {
    const fields = { name: 'Another', zone: 'Europe/Dublin', emergencyLine: '112', currency: 'EUR', loanDays: 14 }
    const added = await here.post<{ branches: { id: string; name: string }[] }>('/api/branches', {
      ...fields,
      ...{ returnTime: '17:00', frontFilters: 'stay-here' },
    })
    const another = added.body.branches.find(({ name }) => name === 'Another')?.id ?? ''
    const { status, body } = await send(here, another, file)
    expect([status, body.error?.code]).toEqual([409, 'CODE_TAKEN'])
    const [rows] = await to.source.query('SELECT count(*)::int AS n FROM loan WHERE branch_id = $1', [another])
    expect(rows.n).toBe(0)
    await to.source.query('DELETE FROM membership WHERE branch_id = $1', [another])
  })

  it('its pictures come after it, byte for byte', async () => {
    const zip = await there.bytes(`/api/branches/${fromBranch}/archive/pictures?borrowers=with`)
    const names: string[] = []
    for await (const entry of (await fromBufferPromise(zip, { lazyEntries: true })).eachEntry())
      names.push(entry.fileName)
    const pictures = read(file).rows.picture!
    expect(names.sort()).toEqual(pictures.map(({ id }) => `${id}.jpg`).sort())
    const kept = `/api/pictures/${idInBranch(toBranch, photoId)}`
    expect((await here.get(kept)).status).toBe(404)
    const url = `/api/branches/${toBranch}/archive/pictures`
    const { body } = await here.upload<BroughtPictures>(url, zip, 'application/zip')
    expect(body).toEqual({ pictures: pictures.length, leftOut: [], stillMissing: 0 })
    expect((await here.bytes(kept)).equals(await there.bytes(`/api/pictures/${photoId}`))).toBe(true)
    const again = await here.upload<BroughtPictures>(url, zip, 'application/zip')
    expect(again.body.pictures).toBe(0)
    expect((await here.upload(url, Buffer.from('no zip'), 'application/zip')).body).toMatchObject({
      error: { code: 'NOT_A_ZIP' },
    })
  })

  it('every screen is the same', async () => {
    const { kits } = (await there.get<Shelf>('/api/kits')).body
    const loans = read(file)
      .rows.loan!.filter(({ state }, index) => state !== 'back' || index % 12 === 0)
      .map(({ id }) => String(id))
    const borrowers = read(file).rows.borrower!.map(({ id }) => String(id))
    const models = read(file).rows.model!.map(({ id }) => String(id))
    const pages = [
      ...[
        '/api/kits',
        '/api/desk',
        '/api/bench',
        '/api/logbook',
        '/api/models',
        '/api/spares',
        '/api/sites',
        '/api/guides',
      ],
      ...[
        '/api/jobs',
        '/api/messages',
        '/api/waiting',
        '/api/openings',
        '/api/reminders',
        '/api/agreements',
        '/api/guide-texts',
      ],
      ...['/api/calendar', '/api/bench/plan', '/api/losses', '/api/notices'],
      ...models.map((id) => `/api/models/${id}`),
      ...kits.flatMap(({ code }) => [`/api/kits/${code}`, `/api/kits/${code}/story`, `/api/kits/${code}/history`]),
      ...loans.map((id) => `/api/loans/${id}`),
      ...borrowers.map((id) => `/api/borrowers/${id}`),
    ]
    const differing: string[] = []
    let compared = 0
    for (const page of pages) {
      const was = await there.get(page)
      if (was.status === 404) continue
      compared++
      const is = await here.get(page.replaceAll(/[0-9a-f-]{36}/g, (id) => idInBranch(toBranch, id)))
      const [expected, got] = [tidy(asHere(was.body)), tidy(is.body)]
      if (JSON.stringify(expected) !== JSON.stringify(got))
        differing.push(`${page} ${firstDifference(expected, got)}`)
    }
    expect(differing.slice(0, 20)).toEqual([])
    expect(compared).toBeGreaterThan(100)
  })

  it('and what is written out of it again is the same file', async () => {
    const again = read(await here.bytes(`/api/branches/${toBranch}/archive?borrowers=with`)).rows
    for (const kind of archivedKinds) {
      const added = ['branch-archived', 'branch-brought-in', 'signed-in', 'borrower-looked-at']
      const own = ({ act }: Record<string, unknown>) => !added.includes(String(act))
      // Its own coordinator is somebody more; keys are others, so that rows stand in another order.
      const expected = (asHere(read(file).rows[kind]) as Record<string, unknown>[]).filter(own)
      const got = (again[kind] ?? []).filter(own)
      if (kind === 'staff') continue
      expect([kind, sorted(got)]).toEqual([kind, sorted(expected)])
    }
  })

  const sorted = (rows: readonly unknown[]) => rows.map((row) => JSON.stringify(row)).sort()
  /** The record's lines are numbered by the house that keeps them. */
  const tidy = (said: unknown): unknown =>
    JSON.parse(
      JSON.stringify(said, (key, value: unknown) => {
        if (key === 'id' && /^\d+$/.test(String(value))) return ''
        // Who works here now is invited anew; a model is this branch's alone where no other has kits of it.
        return key === 'people' || key === 'mayChange' ? undefined : value
      }),
    )

  function firstDifference(a: unknown, b: unknown, path = ''): string {
    if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null)
      return a === b ? '' : `${path}: ${JSON.stringify(a)?.slice(0, 80)} / ${JSON.stringify(b)?.slice(0, 80)}`
    for (const key of new Set([...Object.keys(a), ...Object.keys(b)])) {
      const found = firstDifference((a as never)[key], (b as never)[key], `${path}.${key}`)
      if (found) return found
    }
    return ''
  }
})
