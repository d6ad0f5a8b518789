import { randomUUID } from 'node:crypto'
import type { OpenCase } from '@binoculum/contract'
import sharp from 'sharp'
import { kitOf, startTestServer, type Agent } from './support.ts'

type Server = Awaited<ReturnType<typeof startTestServer>>
let server: Server
let ines: Agent
let kofi: Agent
let petra: Agent
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  kofi = await server.signIn('kofi')
  petra = await server.signIn('petra')
})
afterAll(() => server.close())

const caseMm = { width: 560, height: 400 }
const box = (left: number, top: number) => [
  { x: left, y: top },
  { x: left + 60, y: top },
  { x: left + 60, y: top + 40 },
  { x: left, y: top + 40 },
]
const look = async (agent: Agent, code: string) => (await agent.get<OpenCase>(`/api/kits/${code}/open-case`)).body
async function pictureOf(agent: Agent, branchId: string): Promise<string> {
  const bytes = await sharp({ create: { width: 64, height: 48, channels: 3, background: '#446' } })
    .jpeg()
    .toBuffer()
  return (await agent.upload<{ id: string }>(`/api/pictures?branchId=${branchId}`, bytes)).body.id
}
async function viewOf(code: string, more: object = {}) {
  const { branchId } = await kitOf(ines, code)
  return {
    ...{ id: randomUUID(), pictureId: await pictureOf(kofi, branchId), marks: { kitCode: code, insetMm: 3.68 } },
    ...{ referenceFor: null, loanId: null, compared: null },
    ...more,
  }
}

it('a coordinator draws the compartments; whoever was slower sees what stands there', async () => {
  const kit = await kitOf(ines, 'M-12')
  const [part] = kit.parts
  const places = [
    { id: randomUUID(), partId: part?.id ?? null, outlineMm: box(60, 60) },
    { id: randomUUID(), partId: null, outlineMm: box(200, 60) },
  ]
  const path = `/api/kits/${kit.id}/case-drawing`
  expect((await kofi.put(path, { version: 0, caseMm, places })).status).toBe(403)
  const drawn = await ines.put<OpenCase>(path, { version: 0, caseMm, places })
  expect(drawn.body).toMatchObject({ version: 1, caseMm, places })
  const late = await ines.put(path, { version: 0, caseMm, places: [] })
  expect(late.status).toBe(409)
  expect((await look(kofi, 'M-12')).places).toHaveLength(2)
  expect((await kitOf(ines, 'M-12')).history[0]?.act).toBe('case-drawn')
})

it.each([
  ['a line of another card', (other: string) => ({ partId: other, outlineMm: box(60, 60) }), 'places.0.partId'],
  ['outside of the case', () => ({ partId: null, outlineMm: box(540, 60) }), 'places.0.outlineMm'],
])('%s is refused by its field', async (_what, place, path) => {
  const other = (await kitOf(ines, 'M-04')).parts[0]?.id ?? ''
  const { id } = await kitOf(ines, 'M-12')
  const { version } = await look(ines, 'M-12')
  const body = { version, caseMm, places: [{ id: randomUUID(), ...place(other) }] }
  const reply = await ines.put<{ error: { issues: { path: string }[] } }>(`/api/kits/${id}/case-drawing`, body)
  expect(reply.status).toBe(400)
  expect(reply.body.error.issues[0]?.path).toBe(path)
})

it('a picture is kept once, is compared with, and forgotten', async () => {
  const { id } = await kitOf(ines, 'M-01')
  const view = await viewOf('M-01')
  const path = `/api/kits/${id}/case-views`
  await kofi.post(path, view)
  const twice = await kofi.post<OpenCase>(path, view)
  expect(twice.body.references.map((each) => each.id)).toEqual([view.id])
  const gone = await kofi.delete<OpenCase>(`${path}/${view.id}`)
  expect(gone.body.references).toEqual([])
  const acts = (await kitOf(ines, 'M-01')).history.slice(0, 2).map(({ act }) => act)
  expect(acts).toEqual(['case-view-forgotten', 'case-seen'])
})

it('what came back is kept with its loan and is no reference; another kit’s loan or marks are refused', async () => {
  const kit = await kitOf(ines, 'M-08')
  const path = `/api/kits/${kit.id}/case-views`
  const compared = [{ id: randomUUID(), verdict: 'different', chanceDifferent: 0.97 }]
  const kept = await kofi.post<OpenCase>(
    path,
    await viewOf('M-08', { loanId: kit.loan?.id, compared, referenceFor: [] }),
  )
  expect(kept.status).toBe(200)
  expect(kept.body.references).toEqual([])
  const other = await kitOf(ines, 'M-02')
  const foreign = await viewOf('M-02', { loanId: kit.loan?.id })
  expect((await kofi.post(`/api/kits/${other.id}/case-views`, foreign)).status).toBe(400)
  const marks = { kitCode: 'M-02', insetMm: 0 }
  expect((await kofi.post(path, await viewOf('M-08', { marks }))).status).toBe(400)
})

it('eight are the most: what was learnt in passing makes room, whole pictures have to be taken off', async () => {
  const { id } = await kitOf(ines, 'M-02')
  const path = `/api/kits/${id}/case-views`
  for (let i = 0; i < 7; i++) expect((await kofi.post(path, await viewOf('M-02'))).status).toBe(200)
  const learnt = await viewOf('M-02', { referenceFor: [randomUUID()] })
  await kofi.post(path, learnt)
  const more = await kofi.post<OpenCase>(path, await viewOf('M-02'))
  expect(more.body.references).toHaveLength(8)
  expect(more.body.references.map((each) => each.id)).not.toContain(learnt.id)
  expect((await kofi.post(path, await viewOf('M-02'))).status).toBe(400)
})

it('another branch sees nothing and keeps nothing', async () => {
  const { id } = await kitOf(ines, 'M-12')
  expect((await petra.get('/api/kits/M-12/open-case')).status).toBe(404)
  expect((await petra.post(`/api/kits/${id}/case-views`, await viewOf('M-12'))).status).toBe(404)
})
