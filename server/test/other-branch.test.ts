import { randomUUID } from 'node:crypto'
import type { FollowUpList } from '@binoculum/contract'
import { handOutBody, kitOf, startTestServer, takeBackBody, type Agent } from './support.ts'

/** Every address that names a thing of a branch, asked by a coordinator of another one with a body that would do: refused,
 * and nothing changes. A new address must say here whose its things are. */
let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let stranger: Agent
let body: object
let ids: Record<string, string>
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  // Ines coordinates both branches of the demo: here she has the library alone, and Petra the club.
  await server.source.query(
    `DELETE FROM membership m USING staff s, branch b
     WHERE s.id = m.staff_id AND b.id = m.branch_id AND s.email LIKE 'ines%' AND b.name LIKE 'Ferncliff%'`,
  )
  await server.source.query(
    `UPDATE membership m SET role = 'coordinator' FROM staff s WHERE s.id = m.staff_id AND s.email LIKE 'petra%'`,
  )
  ines = await server.signIn('ines')
  stranger = await server.signIn('petra')
  const kit = await kitOf(ines, 'M-12')
  const shelved = await kitOf(ines, 'M-03')
  const loanId = kit.loan?.id ?? ''
  const one = async (sql: string): Promise<string> =>
    ((await server.source.query(sql, [kit.branchId])) as { id: string }[])[0]?.id ?? randomUUID()
  const { jobs } = (await ines.get<FollowUpList>('/api/jobs')).body
  ids = {
    kits: shelved.id,
    code: 'M-03',
    partId: shelved.parts[0]?.id ?? '',
    extraId: randomUUID(),
    loans: loanId,
    jobs: jobs.find(({ branchId }) => branchId === kit.branchId)?.id ?? '',
    spares: await one('SELECT id FROM spare WHERE branch_id = $1 LIMIT 1'),
    sites: await one('SELECT id FROM site WHERE branch_id = $1 LIMIT 1'),
    landmarkId: await one(
      'SELECT l.id FROM landmark l JOIN site s ON s.id = l.site_id WHERE s.branch_id = $1 LIMIT 1',
    ),
    people: await one(
      `SELECT s.id FROM staff s JOIN membership m ON m.staff_id = s.id WHERE m.branch_id = $1 AND s.email LIKE 'kofi%'`,
    ),
    branches: kit.branchId,
    borrowers: await one('SELECT id FROM borrower WHERE branch_id = $1 LIMIT 1'),
    'borrower-messages': await one('SELECT id FROM borrower_message WHERE branch_id = $1 LIMIT 1'),
    messages: await one('SELECT id FROM message WHERE branch_id = $1 LIMIT 1'),
    pictures: await one('SELECT id FROM picture WHERE branch_id = $1 LIMIT 1'),
  }
  const otherId = await one('SELECT id FROM borrower WHERE branch_id = $1 ORDER BY id DESC LIMIT 1')
  const details = { owner: '', serialNumber: '', priceMinor: null, note: '' }
  const scale = { group: '', measuredG: 5000, scaleStepG: 1, containerG: 0, source: 'typed' }
  body = {
    ...(await handOutBody(ines, 'M-03')).body,
    ...(await takeBackBody(ines, loanId, { outcome: 'hold' })),
    ...{
      idempotencyKey: randomUUID(),
      kitVersion: shelved.version,
      version: 1,
      branchId: kit.branchId,
      kitId: shelved.id,
    },
    ...{
      mark: 'missing',
      presentCount: 0,
      partId: shelved.parts[0]?.id,
      count: 1,
      way: 'into-kit',
      with: randomUUID(),
    },
    ...{ hazard: 'wet', cure: 'dried for a day', policy: 'with-help-sheet', reason: 'to see whether I may' },
    ...{
      kind: 'kit-lost',
      text: 'left on a bus',
      result: 'done',
      note: 'a note',
      ownerId: null,
      offsetMm: { x: 40, y: 60 },
    },
    ...{ stations: [{ station: 'pack', asFound: 'fine', asLeft: 'fine', what: '', note: '', minutes: 1 }] },
    ...{ doneJobIds: [], backToShelf: true, sure: true, weighings: [scale], entries: {}, neverLeft: true },
    ...{
      role: 'volunteer',
      name: 'Something',
      criticality: 'useful',
      costMinor: null,
      massG: 10,
      modelId: randomUUID(),
    },
    ...{ code: 'Z-99', place: 'bay 9', owner: '', serialNumber: '', priceMinor: null, zone: 'Europe/Dublin' },
    ...{
      latitudeDeg: 52,
      longitudeDeg: -8,
      heightM: null,
      needleDeg: null,
      needleOn: null,
      distanceM: 900,
      bearingDeg: 10,
    },
    ...{ heightDeg: 1, pictureId: null, what: 'a mast', emergencyLine: '112', currency: 'EUR', loanDays: 14 },
    ...{
      returnTime: '17:00',
      frontFilters: 'stay-here',
      details,
      subject: 'A word',
      body: 'A letter',
      source: 'phone',
      otherId,
      outcome: 'hold',
      outcomeReason: '',
    },
  }
})
afterAll(() => server.close())

/** Addresses of which anybody signed in may ask, or that answer with the asker's own: by the reason why. */
const open: Readonly<Record<string, string>> = {
  '/api/models': 'models are shared by all branches of a programme until they have an owner',
  '/api/calculators': 'sums of nobody’s things',
  '/api/guides/:token': 'the link is the right',
  '/api/invitations/:token': 'the link is the right',
  '/g/:token': 'the link is the right',
}

interface Route {
  readonly method: 'get' | 'post' | 'put' | 'delete'
  readonly path: string
}
/** From the router's own tree. */
function routes(): readonly Route[] {
  const stack: string[] = []
  return server.app
    .printRoutes({ commonPrefix: false })
    .split('\n')
    .flatMap((line): Route[] => {
      const [, indent = '', piece = '', methods = ''] = /^([│ ]*)[├└]── (\S+) \(([^)]*)\)/.exec(line) ?? []
      if (!piece) return []
      const depth = indent.length / 4
      stack.length = depth
      stack[depth] = piece
      const path = stack.join('').replace(/^\/+/, '/')
      return methods
        .split(', ')
        .filter((method) => method !== 'HEAD')
        .map((method) => ({ method: method.toLowerCase() as Route['method'], path }))
    })
}

/** `/api/kits/:code|:id/checks` with this branch's ids in it. */
function filled(path: string, method: string): string {
  const thing = /^\/api\/([^/]+)/.exec(path)?.[1] ?? ''
  return path.replace(':code|:id', ':id').replaceAll(/:(\w+)/g, (_all, name: string) => {
    if (thing === 'kits' && name === 'id' && (method === 'get' || path.endsWith('hand-out')))
      return method === 'get' ? 'M-03' : (ids.kits ?? '')
    return ids[name === 'id' ? thing : name] ?? randomUUID()
  })
}

/** Where one word means different things to two addresses. */
function bodyFor(path: string): object {
  if (path === '/api/spares/:id') return { ...body, role: 'front-cap' }
  if (!path.endsWith('.geojson')) return body
  const geometry = { type: 'Point', coordinates: [-8, 52] }
  return { type: 'FeatureCollection', features: [{ type: 'Feature', geometry, properties: { name: 'Mast' } }] }
}

const everything = async (): Promise<unknown> =>
  server.source.query(
    `SELECT (SELECT count(*) FROM record) AS record, (SELECT sum(version) FROM kit) AS kits, (SELECT sum(version) FROM loan) AS loans,
       (SELECT sum(version) FROM spare) AS spares, (SELECT count(*) FROM sent_once) AS sent, (SELECT count(*) FROM landmark) AS landmarks,
       (SELECT count(*) FROM site) AS sites, (SELECT count(*) FROM membership) AS members, (SELECT count(*) FROM take_back_draft) AS drafts`,
  )

it('knows the addresses of the whole server', () => {
  expect(routes().length).toBeGreaterThan(90)
  expect(routes()).toContainEqual({ method: 'post', path: '/api/kits/:code|:id/checks' })
})

it('a coordinator of another branch gets nothing and changes nothing', async () => {
  const named = routes().filter(
    ({ path }) => path.includes(':') && !Object.keys(open).some((prefix) => path.startsWith(prefix)),
  )
  expect(named.length).toBeGreaterThan(35)
  const before = await everything()
  const letIn: string[] = []
  for (const { method, path } of named) {
    const address = filled(path, method)
    const reply =
      method === 'get' || method === 'delete'
        ? await stranger[method](address)
        : await stranger[method](address, bodyFor(path))
    if (![403, 404].includes(reply.status))
      letIn.push(`${method} ${path}: ${reply.status} ${JSON.stringify(reply.body).slice(0, 160)}`)
  }
  expect(letIn).toEqual([])
  expect(await everything()).toEqual(before)
})

it('and whoever belongs there is let in by the same questions', async () => {
  for (const path of [
    '/api/kits/M-03',
    '/api/kits/M-03/hand-out',
    `/api/loans/${ids.loans}`,
    `/api/loans/${ids.loans}/take-back`,
  ])
    expect([path, (await ines.get(path)).status]).toEqual([path, 200])
  const mark = await ines.post(`/api/kits/${ids.kits}/parts/${ids.partId}/mark`, body)
  expect(mark.status).toBe(200)
})
