import { randomUUID } from 'node:crypto'
import {
  defaultOpening,
  type BranchView,
  type FollowUpList,
  type GuideTexts,
  type PromiseMade,
  type Shelf,
  type Spreads,
  type TakeBackForm,
  type Transfers,
  type WaitingList,
} from '@binoculum/contract'
import { defaultReminderPolicy } from '@binoculum/core'
import sharp from 'sharp'
import { handOutBody, kitOf, startTestServer, takeBackBody, type Agent } from './support.ts'

type Server = Awaited<ReturnType<typeof startTestServer>>
export type Method = 'get' | 'post' | 'put' | 'delete'
export interface Route {
  readonly method: Method
  readonly path: string
}
export interface Ask {
  readonly url: string
  readonly body?: object
  readonly file?: Buffer
  /** What the file is; a picture where it isn't said. */
  readonly type?: string
}

/** The record at the end of a zip with nothing before it [APPNOTE 6.3.10, 4.3.16]. */
const emptyZip = Buffer.concat([Buffer.from('PK\x05\x06', 'latin1'), Buffer.alloc(18)])

/** Every address of a server, from the router's own tree. */
export function routesOf({ app }: Server): readonly Route[] {
  const stack: string[] = []
  return app
    .printRoutes({ commonPrefix: false })
    .split('\n')
    .flatMap((line): Route[] => {
      const [, indent = '', piece = '', methods = ''] = /^([│ ]*)[├└]── (\S+) \(([^)]*)\)/.exec(line) ?? []
      if (!piece) return []
      const depth = indent.length / 4
      stack.length = depth
      stack[depth] = piece
      const path = stack.join('').replace(/^\/+/, '/').replace(':code|:id', ':id')
      return methods
        .split(', ')
        .filter((method) => method !== 'HEAD' && method !== 'OPTIONS')
        .map((method) => ({ method: method.toLowerCase() as Method, path }))
    })
}

/**
 * For every address a request of one branch that would be let in, made when it is its turn: `post /api/kits` → what to ask.
 * A new address has to stand here; without it the tests that go through all of them fail.
 * @param ines coordinates the branch whose things are asked for
 */
export async function validRequests(server: Server, ines: Agent): Promise<Record<string, () => Promise<Ask>>> {
  const home = await kitOf(ines, 'M-12')
  const { branchId, modelId } = home
  const sql = async (text: string): Promise<string> =>
    ((await server.source.query(text, [branchId])) as { id: string }[])[0]?.id ?? ''
  const own = (await ines.get<Shelf>('/api/kits')).body.kits.filter((kit) => kit.branchId === branchId)
  const free = own.filter(({ loan, group }) => !loan && group === 'shelf').map(({ code }) => code)
  const out = await server.source.query(
    `SELECT l.id, k.code FROM loan l JOIN kit k ON k.id = l.kit_id WHERE l.branch_id = $1 AND l.state = 'out' ORDER BY l.id`,
    [branchId],
  )
  const loans = (out as { id: string }[]).map(({ id }) => id)
  const take = <T>(from: T[], what: string): T => {
    const next = from.shift()
    if (next === undefined) throw new Error(`no ${what} left in the demo’s branch`)
    return next
  }
  const key = () => ({ idempotencyKey: randomUUID() })
  const versionOf = async (table: string, id: string): Promise<number> =>
    (await server.source.query(`SELECT version FROM ${table} WHERE id = $1`, [id]))[0]?.version
  let made = 0
  /** A kit of its own, all there. */
  const freeKit = async () => {
    const code = `Z-${++made}`
    const details = { owner: '', serialNumber: '', priceMinor: null, note: '' }
    await ines.post('/api/kits', { ...key(), branchId, modelId, code, name: code, place: 'bay 9', details })
    const { id, version } = await kitOf(ines, code)
    await ines.post(`/api/kits/${id}/count-rest`, { kitVersion: version })
    // What has to be looked at by itself is.
    for (const part of (await kitOf(ines, code)).parts.filter(({ mark }) => mark === 'unseen')) {
      const body = { kitVersion: await versionOf('kit', id), mark: 'present', note: '' }
      await ines.post(`/api/kits/${id}/parts/${part.id}/mark`, body)
    }
    return kitOf(ines, code)
  }
  const same = await kitOf(ines, take(free, 'kit on the shelf'))
  const sameLoan = take(loans, 'loan')
  const model = async () => (await ines.get<Record<string, unknown>>(`/api/models/${modelId}`)).body
  const siteId = await sql('SELECT id FROM site WHERE branch_id = $1 ORDER BY name LIMIT 1')
  const landmark = () =>
    sql('SELECT l.id FROM landmark l JOIN site s ON s.id = l.site_id WHERE s.branch_id = $1 ORDER BY l.name LIMIT 1')
  /** Nobody knows them yet: whoever is kept out is kept out by their role, not by whom they may know. */
  const newcomer = () => ({ name: 'Nell Teague', contact: `n${randomUUID()}@post.example` })
  const borrower = (last = false) =>
    sql(
      `SELECT id FROM borrower b WHERE branch_id = $1 AND NOT EXISTS (SELECT 1 FROM loan l WHERE l.borrower_id = b.id AND l.state = 'out') ORDER BY id ${last ? 'DESC' : ''} LIMIT 1`,
    )
  const spareId = await sql('SELECT id FROM spare WHERE branch_id = $1 ORDER BY name LIMIT 1')
  const openJob = async () => {
    const { jobs } = (await ines.get<FollowUpList>('/api/jobs')).body
    const job = jobs.find((each) => each.branchId === branchId && each.loanId)
    if (!job) throw new Error('the demo has no job after a loan')
    return job
  }
  const picture = await sharp({ create: { width: 64, height: 48, channels: 3, background: '#446' } })
    .jpeg()
    .toBuffer()
  const pictureId = (await ines.upload<{ id: string }>(`/api/pictures?branchId=${branchId}`, picture)).body.id
  const told = () => ({
    ...{
      format: 'binoculum-spread',
      version: 1,
      writtenAtUtc: '2026-03-01T12:00:00Z',
      origin: `club ${randomUUID()}`,
    },
    ...{ losses: [{ role: 'hex-key', losses: 3, pieceLoans: 80 }], drift: [] },
  })
  const caseView = (kitCode: string) => ({
    ...{ id: randomUUID(), pictureId, marks: { kitCode, insetMm: 0 } },
    ...{ referenceFor: null, loanId: null, compared: null },
  })
  const letter = async () => {
    const { id } = await openJob()
    return (await ines.post<{ id: string }>('/api/messages', { jobIds: [id] })).body.id
  }
  const someone = async (): Promise<string> => {
    const email = `p${randomUUID()}@post.example`
    await ines.post('/api/people', { branchId, role: 'volunteer', name: 'Sami Lindley', email })
    return (await server.source.query('SELECT id FROM staff WHERE email = $1', [email]))[0].id
  }
  const branchFields = {
    ...{ name: 'A third place', zone: 'Europe/Dublin', emergencyLine: '112', currency: 'EUR', loanDays: 14 },
    ...{ returnTime: '17:00', frontFilters: 'stay-here' },
  }
  const place = {
    ...{ name: 'The hill', zone: 'Europe/Dublin', latitudeDeg: 52, longitudeDeg: -8, heightM: null },
    ...{ needleDeg: null, needleOn: null, branchId },
  }
  const mark = {
    ...{ name: 'Mast', what: 'a mast', distanceM: 900, bearingDeg: 10, heightDeg: 1, source: 'typed' },
    ...{ latitudeDeg: null, longitudeDeg: null, pictureId: null },
  }
  const list = {
    ...{ fileName: 'list.csv', branchId, decisions: {}, openCells: false },
    contentBase64: Buffer.from('kit,part,count\nQ-01,Optical tube,1\nQ-01,25 mm eyepiece,1\n').toString('base64'),
  }
  const card = async () => {
    const { version, name, parts, weighGroups } = await model()
    return { version, name, parts, weighGroups }
  }
  const isModel = {
    name: 'A small one',
    family: 'tabletop-reflector',
    apertureMm: 76,
    focalLengthMm: 300,
    kind: 'newtonian',
  }
  const { blocks } = (await ines.get<GuideTexts>(`/api/guide-texts?kit=${same.code}`)).body
  const words = {
    ...{
      kitCode: same.code,
      scope: 'kit',
      key: blocks.find(({ stays }) => !stays)?.key ?? '',
      language: 'en',
      title: 'Hello',
    },
    ...{ text: 'Good evening.', reason: 'to see', inUse: true },
  }
  const returned = async () => {
    const id = take(loans, 'loan')
    await ines.post(`/api/loans/${id}/take-back`, await takeBackBody(ines, id, { outcome: 'hold' }))
    const form = (await ines.get<TakeBackForm>(`/api/loans/${id}/take-back`)).body
    return { id, version: form.loan.version, marks: form.kept?.marks ?? [] }
  }
  const promiseBody = async () => ({
    ...key(),
    ...{ kitId: (await freeKit()).id, fromOn: '2026-04-06', untilOn: '2026-04-11' },
    borrower: newcomer(),
  })
  const aTransfer = async () => {
    const toBranchId = await sql('SELECT branch_id AS id FROM opening WHERE branch_id <> $1 LIMIT 1')
    // Other requests put the branches' days back to what they begin with.
    await server.source.query(`UPDATE opening SET van_weekdays = '{1,2,3,4,5,6,7}'`)
    await server.source.query('DELETE FROM closing')
    return { ...key(), kitId: (await freeKit()).id, toBranchId, onDay: '2026-03-24' }
  }
  const evening = { onDay: '2026-03-20', seats: 2, minutesEach: 90, note: '' }
  const feed = { kind: 'loans', kitId: null }
  const wishBody = async () => ({
    ...{ ...key(), borrower: newcomer(), kinds: ['floor-reflector'], lengthDays: 7, wantsDark: false },
    ...{ earliestOn: '2026-04-01', latestOn: '2026-05-01', note: `wish ${++made}` },
  })
  const waiting = async () => {
    const body = await wishBody()
    const list = await ines.post<WaitingList>(`/api/branches/${branchId}/waiting`, body)
    const mine = list.body.requests.find(({ note }) => note === body.note)
    if (!mine) throw new Error(JSON.stringify(list.body))
    return mine
  }
  const promised = async () => {
    const body = await promiseBody()
    const made = await ines.post<PromiseMade>('/api/promises', body)
    if (made.status !== 200) throw new Error(JSON.stringify(made.body))
    return { ...made.body, kitId: body.kitId }
  }
  const lesson = async () => {
    const made = await ines.post<{ lessonPath: string }>(`/api/promises/${(await promised()).loanId}/lesson`)
    return made.body.lessonPath.split('/').at(-1) ?? ''
  }
  const guide = async () => {
    const slip = await ines.post<{ guidePath: string }>(`/api/loans/${sameLoan}/link`)
    return slip.body.guidePath.split('/').at(-1) ?? ''
  }
  const invitation = async () => {
    const made = await ines.post<{ path: string }>(`/api/people/${await someone()}/reset`)
    return made.body.path.split('/').at(-1) ?? ''
  }
  const report = () => ({ key: randomUUID(), kind: 'report', sign: '', walked: [], words: 'it is dim' })
  const get =
    (url: string): (() => Promise<Ask>) =>
    async () => ({ url })
  const secondFactor = '/api/session/second-factor'
  const { email } = (await ines.get<{ session: { email: string } }>('/api/session')).body.session

  const emptyBranch = async () => {
    const added = await ines.post<{ branches: BranchView[] }>('/api/branches', {
      ...branchFields,
      name: `An empty place ${randomUUID()}`,
    })
    return added.body.branches.find(({ name }) => name.startsWith('An empty place'))?.id
  }

  return {
    'get /api/archive': get(`/api/archive?branchId=${branchId}`),
    'post /api/archive': async () => {
      const archive = (await ines.get<object>(`/api/archive?branchId=${branchId}`)).body
      return { url: `/api/archive?branchId=${branchId}`, body: { ...archive, kits: [], models: [], guideTexts: [] } }
    },
    'get /api/branches/:id/archive': get(`/api/branches/${branchId}/archive?borrowers=with`),
    'get /api/branches/:id/archive/pictures': get(`/api/branches/${branchId}/archive/pictures`),
    'post /api/branches/:id/archive': async () => ({
      url: `/api/branches/${await emptyBranch()}/archive`,
      body: {
        format: 'binoculum-branch',
        version: 1,
        writtenAtUtc: '2026-01-01T00:00:00Z',
        withBorrowers: false,
        rows: {},
      },
    }),
    'post /api/branches/:id/archive/pictures': async () => ({
      url: `/api/branches/${branchId}/archive/pictures`,
      file: emptyZip,
      type: 'application/zip',
    }),
    'get /api/branches/:id/buying': get(`/api/branches/${branchId}/buying`),
    'get /api/branches/:id/buying/pdf': get(`/api/branches/${branchId}/buying/pdf`),
    'get /api/branches/:id/catalogue': get(`/api/branches/${branchId}/catalogue`),
    'get /api/calculators': get('/api/calculators'),
    'post /api/calculators/:name': async () => ({
      url: '/api/calculators/optics.view',
      body: { apertureMm: 114, focalLengthMm: 450, eyepieceMm: 25 },
    }),
    'get /api/bench': get('/api/bench'),
    'post /api/kits/:id/checks': async () => {
      const { id, version } = await freeKit()
      const stations = [{ station: 'pack', asFound: 'fine', asLeft: 'fine' }]
      const body = { ...key(), kitVersion: version, stations, doneJobIds: [], backToShelf: true }
      return { url: `/api/kits/${id}/checks`, body }
    },
    'post /api/kits/:id/cell/forget': async () => ({
      url: `/api/kits/${same.id}/cell/forget`,
      body: { kitVersion: await versionOf('kit', same.id) },
    }),
    'post /api/lists/preview': async () => ({ url: '/api/lists/preview', body: list }),
    'post /api/lists/confirm': async () => ({
      url: '/api/lists/confirm',
      body: {
        ...list,
        leaveOutProblemRows: true,
        kits: [
          {
            code: 'Q-01',
            name: 'Quince',
            family: 'tabletop-reflector',
            apertureMm: 114,
            focalLengthMm: 450,
            guessed: [],
          },
        ],
      },
    }),
    'get /api/lists/export': get(`/api/lists/export?branchId=${branchId}`),
    'get /api/models': get('/api/models'),
    'get /api/models/:id': get(`/api/models/${modelId}`),
    'put /api/models/:id': async () => ({ url: `/api/models/${modelId}`, body: await card() }),
    'put /api/models/:id/mount': async () => {
      const { version, mount } = await model()
      return { url: `/api/models/${modelId}/mount`, body: { version, mount } }
    },
    'put /api/models/:id/mirror': async () => {
      const { version, mirror, optics } = await model()
      return { url: `/api/models/${modelId}/mirror`, body: { version, mirror, optics } }
    },
    'put /api/models/:id/finder': async () => {
      const { version, finder, finderOffsetMm } = await model()
      return { url: `/api/models/${modelId}/finder`, body: { version, finder, finderOffsetMm } }
    },
    'put /api/models/:id/procedure': async () => {
      const { version } = await model()
      return { url: `/api/models/${modelId}/procedure`, body: { version, procedure: null } }
    },
    'post /api/models': async () => ({ url: '/api/models', body: { ...key(), branchId, ...isModel } }),
    'put /api/models/:id/head': async () => {
      const { version } = await model()
      const body = { version, ...isModel, collapsible: false, focuserFemaleMm: null }
      return { url: `/api/models/${modelId}/head`, body }
    },
    'post /api/models/:id/copy': async () => ({ url: `/api/models/${modelId}/copy`, body: { name: 'Its twin' } }),
    'get /api/spares': get('/api/spares'),
    'post /api/spares': async () => ({
      url: '/api/spares',
      body: {
        ...{ branchId, name: 'Cap of felt', role: 'front-cap', count: 2, massG: 20, costMinor: null, version: null },
      },
    }),
    'post /api/spares/:id': async () => ({
      url: `/api/spares/${spareId}`,
      body: {
        ...{ branchId, name: 'Cap of cork', role: 'front-cap', count: 40, massG: 20, costMinor: null },
        version: await versionOf('spare', spareId),
      },
    }),
    'post /api/spares/:id/move': async () => {
      await server.source.query(`UPDATE spare SET role = 'front-cap', count = 40 WHERE id = $1`, [spareId])
      const { id, version, parts } = await kitOf(ines, same.code)
      const cap = parts.find(({ role }) => role === 'front-cap')
      const body = { kitVersion: version, mark: 'missing', presentCount: 0 }
      await ines.post(`/api/kits/${id}/parts/${cap?.id}/mark`, body)
      const kitVersion = await versionOf('kit', id)
      return {
        url: `/api/spares/${spareId}/move`,
        body: { ...key(), partId: cap?.id, kitVersion, count: 1, way: 'into-kit' },
      }
    },
    'post /api/spares/:id/add': async () => ({
      url: `/api/spares/${spareId}/add`,
      body: { ...key(), kitId: same.id, kitVersion: await versionOf('kit', same.id) },
    }),
    'post /api/kits/:id/weighings': async () => {
      const { id, version, parts } = await freeKit()
      const groups = [...new Set(parts.map(({ weighGroup }) => weighGroup))]
      const weighings = groups.map((group) => ({
        ...{ group, scaleStepG: 5, containerG: 0, source: 'typed' },
        measuredG: parts
          .filter((part) => part.weighGroup === group)
          .reduce((sum, { massG, count }) => sum + (massG ?? 0) * count, 0),
      }))
      return { url: `/api/kits/${id}/weighings`, body: { ...key(), kitVersion: version, sure: true, weighings } }
    },
    'get /api/kits/:id/open-case': get(`/api/kits/${same.code}/open-case`),
    'put /api/kits/:id/case-drawing': async () => {
      const { id } = await freeKit()
      const caseMm = { width: 560, height: 400 }
      return { url: `/api/kits/${id}/case-drawing`, body: { version: 0, caseMm, places: [] } }
    },
    'post /api/kits/:id/case-views': async () => {
      const { id, code } = await freeKit()
      return { url: `/api/kits/${id}/case-views`, body: caseView(code) }
    },
    'delete /api/kits/:id/case-views/:viewId': async () => {
      const { id, code } = await freeKit()
      const body = caseView(code)
      await ines.post(`/api/kits/${id}/case-views`, body)
      return { url: `/api/kits/${id}/case-views/${body.id}` }
    },
    'get /api/branches/:id/spreads': get(`/api/branches/${branchId}/spreads`),
    'get /api/branches/:id/spread': get(`/api/branches/${branchId}/spread?origin=a%20library`),
    'post /api/branches/:id/spreads': async () => ({ url: `/api/branches/${branchId}/spreads`, body: told() }),
    'delete /api/branches/:id/spreads/:spreadId': async () => {
      const { spreads } = (await ines.post<Spreads>(`/api/branches/${branchId}/spreads`, told())).body
      return { url: `/api/branches/${branchId}/spreads/${spreads.at(-1)?.id}` }
    },
    'post /api/pictures': async () => ({ url: `/api/pictures?branchId=${branchId}`, file: picture }),
    'get /api/pictures/:id': get(`/api/pictures/${pictureId}`),
    'get /api/loans/:id/draft': get(`/api/loans/${sameLoan}/draft`),
    'post /api/loans/:id/draft': async () => ({ url: `/api/loans/${sameLoan}/draft`, body: { entries: {} } }),
    'get /api/jobs': get('/api/jobs'),
    'post /api/jobs/:id': async () => {
      const { id, version } = await openJob()
      return { url: `/api/jobs/${id}`, body: { version, ownerId: null, dueOn: null, note: 'a note' } }
    },
    'post /api/jobs/:id/settle': async () => {
      const { id, version } = await openJob()
      return { url: `/api/jobs/${id}/settle`, body: { ...key(), version, result: 'done', note: '' } }
    },
    'post /api/notices': async () => ({
      url: '/api/notices',
      body: { ...key(), modelId, text: 'look at the foot', dueOn: '2026-04-01', stops: false },
    }),
    'post /api/battery-rounds': async () => ({
      url: '/api/battery-rounds',
      body: { ...key(), branchId, olderThanDays: 300, dueOn: '2026-04-01' },
    }),
    'post /api/kits/:id/loss': async () => {
      const { id, version } = await freeKit()
      const body = { ...key(), kitVersion: version, kind: 'kit-lost', text: 'left on a bus' }
      return { url: `/api/kits/${id}/loss`, body }
    },
    'post /api/kits/:id/back-in-service': async () => {
      const { id, version } = await freeKit()
      const lost = { ...key(), kitVersion: version, kind: 'kit-lost', text: 'left on a bus' }
      await ines.post(`/api/kits/${id}/loss`, lost)
      const body = { kitVersion: await versionOf('kit', id), reason: 'it came back' }
      return { url: `/api/kits/${id}/back-in-service`, body }
    },
    'get /api/messages': get('/api/messages'),
    'post /api/messages': async () => ({ url: '/api/messages', body: { jobIds: [(await openJob()).id] } }),
    'post /api/messages/:id': async () => ({
      url: `/api/messages/${await letter()}`,
      body: { subject: 'A word', body: 'A letter' },
    }),
    'post /api/messages/:id/send': async () => ({ url: `/api/messages/${await letter()}/send` }),
    'get /api/messages/:id/eml': async () => ({ url: `/api/messages/${await letter()}/eml` }),
    'get /api/guides/:token': async () => ({ url: `/api/guides/${await guide()}` }),
    'get /g/:token': async () => ({ url: `/g/${await guide()}` }),
    'get /g/:token/pictures/:id': async () => ({ url: `/g/${await guide()}/pictures/${pictureId}` }),
    'get /g/:token/manifest.webmanifest': async () => ({ url: `/g/${await guide()}/manifest.webmanifest` }),
    'get /api/loans/:id/guide': get(`/api/loans/${sameLoan}/guide`),
    'get /api/guides': get('/api/guides'),
    'post /api/guides/:token/messages': async () => ({
      url: `/api/guides/${await guide()}/messages`,
      body: report(),
    }),
    'get /api/guides/:token/looks': async () => ({ url: `/api/guides/${await guide()}/looks` }),
    'post /api/guides/:token/looks': async () => ({
      url: `/api/guides/${await guide()}/looks`,
      body: { key: randomUUID(), kind: 'finder', sunSafe: true, seen: null, distanceM: null },
    }),
    'post /api/guides/:token/nights': async () => ({
      url: `/api/guides/${await guide()}/nights`,
      body: { date: '2026-03-12', tried: [], saw: [], stop: null },
    }),
    'get /api/kits/:id/first-nights': get(`/api/kits/${same.code}/first-nights`),
    'post /api/promises/:id/lesson': async () => ({ url: `/api/promises/${(await promised()).loanId}/lesson` }),
    'post /api/lessons/:token/done': async () => ({ url: `/api/lessons/${await lesson()}/done` }),
    'get /l/:token': async () => ({ url: `/l/${await lesson()}` }),
    'get /api/kits/:id/glass-looks': get(`/api/kits/${same.code}/glass-looks`),
    'get /api/kits/:id/remote-looks': get(`/api/kits/${same.code}/remote-looks`),
    'get /api/borrower-messages': get('/api/borrower-messages'),
    'post /api/borrower-messages/:id/seen': async () => {
      await server.agent().post(`/api/guides/${await guide()}/messages`, report())
      const id = await sql(
        'SELECT id FROM borrower_message WHERE branch_id = $1 AND seen_at IS NULL ORDER BY id LIMIT 1',
      )
      return { url: `/api/borrower-messages/${id}/seen` }
    },
    'get /api/guide-texts': get(`/api/guide-texts?kit=${same.code}`),
    'post /api/guide-texts/preview': async () => ({ url: '/api/guide-texts/preview', body: words }),
    'post /api/guide-texts': async () => ({ url: '/api/guide-texts', body: words }),
    'get /api/kits': get('/api/kits'),
    'post /api/kits': async () => ({
      url: '/api/kits',
      body: {
        ...{ ...key(), branchId, modelId, code: 'Z-98', name: 'Zinnia', place: 'bay 9' },
        details: { owner: '', serialNumber: '', priceMinor: null, note: '' },
      },
    }),
    'get /api/kits/:id': get(`/api/kits/${same.code}`),
    'put /api/kits/:id': async () => {
      const { id, version, code, name, place: bay, details } = await kitOf(ines, same.code)
      return { url: `/api/kits/${id}`, body: { kitVersion: version, code, name, place: bay, branchId, details } }
    },
    'post /api/kits/:id/parts/:partId/mark': async () => ({
      url: `/api/kits/${same.id}/parts/${same.parts[1]?.id}/mark`,
      body: { kitVersion: await versionOf('kit', same.id), mark: 'damaged', note: 'torn' },
    }),
    'get /api/kits/:id/packing': get(`/api/kits/${same.code}/packing`),
    'put /api/kits/:id/packing': async () => ({
      url: `/api/kits/${same.id}/packing`,
      body: { key: `place ${same.parts[0]?.place}`, pictureId, words: '' },
    }),
    'post /api/kits/:id/parts/:partId/wear': async () => ({
      url: `/api/kits/${same.id}/parts/${same.parts[1]?.id}/wear`,
      body: { kitVersion: await versionOf('kit', same.id), knownWear: 'a dent' },
    }),
    'post /api/kits/:id/count-rest': async () => ({
      url: `/api/kits/${same.id}/count-rest`,
      body: { kitVersion: await versionOf('kit', same.id) },
    }),
    'post /api/kits/:id/extras/:extraId/settle': async () => {
      const id = take(loans, 'loan')
      const extras = [{ name: 'A strap' }]
      const given = { ...(await takeBackBody(ines, id, { outcome: 'hold' })), extras }
      await ines.post(`/api/loans/${id}/take-back`, given)
      const [kit] = await server.source.query(
        'SELECT e.id, e.kit_id, k.version FROM extra_part e JOIN kit k ON k.id = e.kit_id WHERE k.branch_id = $1 ORDER BY e.found_at DESC LIMIT 1',
        [branchId],
      )
      return { url: `/api/kits/${kit.kit_id}/extras/${kit.id}/settle`, body: { kitVersion: kit.version } }
    },
    'post /api/kits/:id/cure': async () => {
      const { id, version } = await freeKit()
      await server.source.query(`UPDATE kit SET hazards = '{laser-in-case}' WHERE id = $1`, [id])
      const body = { kitVersion: version, hazard: 'laser-in-case', cure: 'a new filter' }
      return { url: `/api/kits/${id}/cure`, body }
    },
    'post /api/kits/:id/collimation-policy': async () => ({
      url: `/api/kits/${same.id}/collimation-policy`,
      body: { kitVersion: await versionOf('kit', same.id), policy: 'with-help-sheet' },
    }),
    'post /api/kits/:id/finder-offset': async () => ({
      url: `/api/kits/${same.id}/finder-offset`,
      body: { kitVersion: await versionOf('kit', same.id), offsetMm: { x: 40, y: 60 } },
    }),
    'get /api/find': get('/api/find?text=a'),
    'get /api/desk': get('/api/desk'),
    'get /api/live': get('/api/live'),
    'get /api/borrowers': get(`/api/borrowers?branchId=${branchId}&text=a`),
    'get /api/kits/:id/hand-out': get(`/api/kits/${same.code}/hand-out`),
    'post /api/kits/:id/hand-out': async () => {
      const { kitId, body } = await handOutBody(ines, take(free, 'kit on the shelf'))
      return { url: `/api/kits/${kitId}/hand-out`, body }
    },
    'get /api/loans/:id/take-back': get(`/api/loans/${sameLoan}/take-back`),
    'post /api/loans/:id/take-back': async () => {
      const id = take(loans, 'loan')
      return { url: `/api/loans/${id}/take-back`, body: await takeBackBody(ines, id, { outcome: 'hold' }) }
    },
    'post /api/loans/:id/take-back/corrections': async () => {
      const { id, version, marks } = await returned()
      return { url: `/api/loans/${id}/take-back/corrections`, body: { ...key(), loanVersion: version, marks } }
    },
    'get /api/loans/:id': get(`/api/loans/${sameLoan}`),
    'get /api/reminders': get('/api/reminders'),
    'put /api/branches/:id/reminders': async () => ({
      url: `/api/branches/${branchId}/reminders`,
      body: { ...defaultReminderPolicy, kinds: ['late-1'] },
    }),
    'post /api/branches/:id/reminders/run': async () => ({ url: `/api/branches/${branchId}/reminders/run` }),
    'put /api/branches/:id/reminder-texts': async () => ({
      url: `/api/branches/${branchId}/reminder-texts`,
      body: { kind: 'late-1', language: 'en', subject: 'Late', body: 'Dear {{name}}' },
    }),
    'get /api/branches/:id/waiting': get(`/api/branches/${branchId}/waiting`),
    'post /api/branches/:id/waiting': async () => ({
      url: `/api/branches/${branchId}/waiting`,
      body: await wishBody(),
    }),
    'post /api/waiting/:id/offer': async () => {
      const { id, version } = await waiting()
      const { kitId, fromOn, untilOn } = await promiseBody()
      return { url: `/api/waiting/${id}/offer`, body: { ...key(), version, kitId, fromOn, untilOn } }
    },
    'post /api/waiting/:id/answer': async () => {
      const { id, version } = await waiting()
      const { kitId, fromOn, untilOn } = await promiseBody()
      await ines.post(`/api/waiting/${id}/offer`, { ...key(), version, kitId, fromOn, untilOn })
      return {
        url: `/api/waiting/${id}/answer`,
        body: { version: await versionOf('waiting_request', id), answer: 'later' },
      }
    },
    'post /api/waiting/:id/leave': async () => {
      const { id, version } = await waiting()
      return { url: `/api/waiting/${id}/leave`, body: { version } }
    },
    'get /api/branches/:id/feeds': get(`/api/branches/${branchId}/feeds`),
    'post /api/branches/:id/feeds': async () => ({ url: `/api/branches/${branchId}/feeds`, body: feed }),
    'delete /api/branches/:id/feeds/:feedId': async () => {
      const made = await ines.post<{ feeds: { id: string }[] }>(`/api/branches/${branchId}/feeds`, feed)
      return { url: `/api/branches/${branchId}/feeds/${made.body.feeds[0]?.id}` }
    },
    'post /api/branches/:id/closings/read': async () => ({
      url: `/api/branches/${branchId}/closings/read`,
      body: { text: 'BEGIN:VCALENDAR\r\nEND:VCALENDAR' },
    }),
    'get /feeds/:file': async () => {
      const made = await ines.post<{ path: string }>(`/api/branches/${branchId}/feeds`, feed)
      return { url: made.body.path }
    },
    'get /api/borrowers/:id/loans': async () => ({ url: `/api/borrowers/${await borrower()}/loans` }),
    'get /api/borrowers/:id': async () => ({ url: `/api/borrowers/${await borrower()}` }),
    'put /api/borrowers/:id': async () => ({
      url: `/api/borrowers/${await borrower()}`,
      body: { name: 'Mira Quill', contact: 'mira@post.example', cardNumber: '', language: 'es' },
    }),
    'get /api/unlinking': get('/api/unlinking'),
    'put /api/branches/:id/unlinking': async () => ({
      url: `/api/branches/${branchId}/unlinking`,
      body: { unlinkDays: 60, cardOnly: false },
    }),
    'post /api/branches/:id/unlinking/run': async () => ({ url: `/api/branches/${branchId}/unlinking/run` }),
    'post /api/branches/:id/card': async () => ({
      url: `/api/branches/${branchId}/card`,
      body: { cardNumber: '70001' },
    }),
    'get /api/transfers': get('/api/transfers'),
    'post /api/transfers': async () => {
      await server.source.query('DELETE FROM transfer')
      return { url: '/api/transfers', body: await aTransfer() }
    },
    'post /api/transfers/:id/settle': async () => {
      await server.source.query('DELETE FROM transfer')
      const { body } = await ines.post<Transfers>('/api/transfers', await aTransfer())
      return {
        url: `/api/transfers/${body.transfers[0]?.id}/settle`,
        body: { version: 1, settled: 'cancelled' },
      }
    },
    'get /api/bench-plan': get('/api/bench-plan'),
    'get /api/logbook': get('/api/logbook'),
    'get /api/branches/:id/what-if': get(`/api/branches/${branchId}/what-if`),
    'get /api/kits/:id/story': get('/api/kits/M-12/story'),
    'get /api/kits/:id/story/lines': get('/api/kits/M-12/story/lines?from=2026-01-01'),
    'post /api/branches/:id/bench-evenings': async () => ({
      url: `/api/branches/${branchId}/bench-evenings`,
      body: evening,
    }),
    'put /api/branches/:id/bench-skills': async () => ({
      url: `/api/branches/${branchId}/bench-skills`,
      body: {
        // Of themselves everybody says it; of others a coordinator.
        staffId: await sql(
          `SELECT m.staff_id AS id FROM membership m JOIN staff s ON s.id = m.staff_id
           WHERE m.branch_id = $1 AND s.email LIKE 'kofi@%'`,
        ),
        skills: ['finder'],
      },
    }),
    'put /api/branches/:id/bench-evenings/:eveningId/people': async () => {
      await ines.post(`/api/branches/${branchId}/bench-evenings`, evening)
      const id = await sql('SELECT id FROM bench_evening WHERE branch_id = $1 ORDER BY id LIMIT 1')
      return { url: `/api/branches/${branchId}/bench-evenings/${id}/people`, body: { staffIds: [] } }
    },
    'delete /api/branches/:id/bench-evenings/:eveningId': async () => {
      await ines.post(`/api/branches/${branchId}/bench-evenings`, evening)
      const id = await sql('SELECT id FROM bench_evening WHERE branch_id = $1 ORDER BY id LIMIT 1')
      return { url: `/api/branches/${branchId}/bench-evenings/${id}` }
    },
    'get /api/opening': get('/api/opening'),
    'put /api/branches/:id/opening': async () => ({ url: `/api/branches/${branchId}/opening`, body: defaultOpening }),
    'post /api/branches/:id/closings': async () => ({
      url: `/api/branches/${branchId}/closings`,
      body: { fromOn: `2027-01-${String(++made % 28).padStart(2, '0')}`, untilOn: '2027-02-01', why: 'stocktaking' },
    }),
    'delete /api/branches/:id/closings/:closingId': async () => {
      await ines.post(`/api/branches/${branchId}/closings`, {
        fromOn: '2027-03-01',
        untilOn: '2027-03-02',
        why: 'paint',
      })
      const id = await sql('SELECT id FROM closing WHERE branch_id = $1 ORDER BY from_on DESC LIMIT 1')
      return { url: `/api/branches/${branchId}/closings/${id}` }
    },
    'get /api/branches/:id/calendar': get(`/api/branches/${branchId}/calendar?from=2026-03-10&days=18`),
    'get /api/branches/:id/slots': get(
      `/api/branches/${branchId}/slots?wish=faint&from=2026-03-12&until=2026-04-20&lengthDays=7`,
    ),
    'post /api/promises': async () => ({ url: '/api/promises', body: await promiseBody() }),
    'post /api/promises/:id/move': async () => {
      const { loanId, version, kitId } = await promised()
      const body = { ...key(), loanVersion: version, kitId, fromOn: '2026-04-20', untilOn: '2026-04-27' }
      return { url: `/api/promises/${loanId}/move`, body }
    },
    'post /api/promises/:id/cancel': async () => {
      const { loanId, version } = await promised()
      return { url: `/api/promises/${loanId}/cancel`, body: { ...key(), loanVersion: version, reason: 'fell ill' } }
    },
    'post /api/loans/:id/extend': async () => ({
      url: `/api/loans/${sameLoan}/extend`,
      body: { ...key(), loanVersion: await versionOf('loan', sameLoan), untilOn: '2026-03-31' },
    }),
    'post /api/loans/:id/hand-out/corrections': async () => ({
      url: `/api/loans/${sameLoan}/hand-out/corrections`,
      body: {
        ...key(),
        ...{ loanVersion: await versionOf('loan', sameLoan), dueOn: '2026-03-30', reason: 'a day too early' },
      },
    }),
    'post /api/borrowers/:id/join': async () => ({
      url: `/api/borrowers/${await borrower()}/join`,
      body: { otherId: await borrower(true) },
    }),
    'delete /api/loans/:id/link': async () => ({ url: `/api/loans/${sameLoan}/link` }),
    'post /api/loans/:id/link': async () => ({ url: `/api/loans/${sameLoan}/link` }),
    'post /api/session': async () => ({
      url: '/api/session',
      body: { email, password: `secret-of-${email}` },
    }),
    'get /api/session': get('/api/session'),
    'delete /api/session': async () => ({ url: '/api/session' }),
    'get /api/session/all': get('/api/session/all'),
    'delete /api/session/others': async () => ({ url: '/api/session/others' }),
    'get /api/session/second-factor': get(secondFactor),
    'post /api/session/second-factor': async () => ({ url: secondFactor, body: { current: 'not the one' } }),
    'post /api/session/second-factor/confirm': async () => ({
      url: `${secondFactor}/confirm`,
      body: { code: '000000' },
    }),
    'post /api/session/second-factor/end': async () => ({ url: `${secondFactor}/end`, body: { code: '000000' } }),
    'put /api/session/password': async () => ({
      url: '/api/session/password',
      body: { current: 'not the one', password: 'heron quarry lantern' },
    }),
    'get /api/invitations/:token': async () => ({ url: `/api/invitations/${await invitation()}` }),
    'post /api/invitations/:token': async () => ({
      url: `/api/invitations/${await invitation()}`,
      body: { password: 'cellar-lantern-harrow-7' },
    }),
    'get /api/agreements': get('/api/agreements'),
    'post /api/agreements': async () => ({
      url: '/api/agreements',
      body: { branchId, text: 'Bring it back as you got it, and tell us what went wrong.' },
    }),
    'get /api/people': get('/api/people'),
    'post /api/people': async () => ({
      url: '/api/people',
      body: { branchId, role: 'volunteer', name: 'Dara Quill', email: `d${randomUUID()}@post.example` },
    }),
    'post /api/people/:id/reset': async () => ({ url: `/api/people/${await someone()}/reset` }),
    'post /api/people/:id/close': async () => ({ url: `/api/people/${await someone()}/close` }),
    'post /api/people/:id/role': async () => ({
      url: `/api/people/${await someone()}/role`,
      body: { branchId, role: 'read-only' },
    }),
    'get /api/branches': get('/api/branches'),
    'post /api/branches': async () => ({ url: '/api/branches', body: branchFields }),
    'put /api/branches/:id': async () => ({ url: `/api/branches/${branchId}`, body: branchFields }),
    'get /api/practice': get('/api/practice'),
    'post /api/practice': async () => ({
      url: '/api/practice',
      body: {
        ...{ level: 'one-screw', sixteenthsUsed: 20, sixteenthsLeast: 10, startMm: 5, leftMm: 1, limitMm: 2 },
        ...{ helpLines: 0, seconds: 60 },
      },
    }),
    'get /api/prints': get(`/api/prints?kind=kits&codes=${same.code}`),
    'get /api/prints/pdf': get(`/api/prints/pdf?kind=kits&codes=${same.code}`),
    'get /api/watch': get('/api/watch'),
    'get /api/sites': get('/api/sites'),
    'post /api/sites': async () => ({ url: '/api/sites', body: { ...place, version: null } }),
    'put /api/sites/:id': async () => ({
      url: `/api/sites/${siteId}`,
      body: { ...place, name: 'The dam', version: await versionOf('site', siteId) },
    }),
    'delete /api/sites/:id': async () => ({ url: `/api/sites/${siteId}` }),
    'get /api/sites/:id/landmarks': get(`/api/sites/${siteId}/landmarks`),
    'post /api/sites/:id/landmarks': async () => ({
      url: `/api/sites/${siteId}/landmarks`,
      body: { ...mark, name: 'Church', version: null },
    }),
    'put /api/sites/:id/landmarks/:landmarkId': async () => {
      const id = await landmark()
      const body = { ...mark, name: 'Chimney', version: await versionOf('landmark', id) }
      return { url: `/api/sites/${siteId}/landmarks/${id}`, body }
    },
    'delete /api/sites/:id/landmarks/:landmarkId': async () => ({
      url: `/api/sites/${siteId}/landmarks/${await landmark()}`,
    }),
    'get /api/sites/:id/landmarks.geojson': get(`/api/sites/${siteId}/landmarks.geojson`),
    'post /api/sites/:id/landmarks.geojson': async () => ({
      url: `/api/sites/${siteId}/landmarks.geojson`,
      body: {
        type: 'FeatureCollection',
        features: [
          { type: 'Feature', geometry: { type: 'Point', coordinates: [-8, 52.01] }, properties: { name: 'Mast' } },
        ],
      },
    }),
  }
}
