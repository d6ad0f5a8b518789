import { guideSchema, type GuideList, type IssuedGuide, type KitSheet } from '@binoculum/contract'
import { handOutBody, shelfOf, startTestServer, testNow, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
})
afterAll(() => server.close())

it('every kit that may go out gets a guide of its own that names nobody', async () => {
  const { kits } = await shelfOf(ines)
  const fit = kits.filter(
    ({ group, condition }) => group === 'shelf' && condition !== 'new' && condition !== 'crescent',
  )
  expect(fit.length).toBeGreaterThan(4)
  const allowed = await ines.get<KitSheet>('/api/kits/M-01')
  const policy = { policy: 'with-help-sheet', kitVersion: allowed.body.version }
  expect((await ines.post(`/api/kits/${allowed.body.id}/collimation-policy`, policy)).status).toBe(200)
  const texts = new Set<string>()
  const withSheet: string[] = []
  for (const kit of fit) {
    const { kitId, body } = await handOutBody(ines, kit.code)
    const slip = (await ines.post<{ loanId: string; borrower: string }>(`/api/kits/${kitId}/hand-out`, body)).body
    const guide = (await ines.get<IssuedGuide>(`/api/loans/${slip.loanId}/guide`)).body
    expect(guideSchema.parse(guide)).toEqual(guide)
    expect(guide.powers.filter(({ start }) => start)).toHaveLength(1)
    expect(guide.setUp.length).toBeGreaterThan(5)
    expect(JSON.stringify(guide)).not.toContain(slip.borrower)
    if (guide.helpSheet) withSheet.push(kit.code)
    texts.add(JSON.stringify({ ...guide, kitName: '', kitCode: '' }))
  }
  expect(texts.size).toBe(fit.length)
  expect(withSheet).toEqual(['M-01'])
})

it('lists the guides of kits that are out, newest first, without their links', async () => {
  const { guides } = (await ines.get<GuideList>('/api/guides')).body
  const issued = guides.map(({ issuedAtUtc }) => issuedAtUtc)
  expect(issued).toEqual([...issued].sort().reverse())
  expect(JSON.stringify(guides)).not.toMatch(/\/g\/|hash/i)
})

it('a new link works for two weeks, also where the loan is late', async () => {
  const { guides } = (await ines.get<GuideList>('/api/guides')).body
  const late = guides.find(({ kitCode }) => kitCode === 'M-08')
  const { guidePath } = (await ines.post<{ guidePath: string }>(`/api/loans/${late?.loanId}/link`)).body
  const open = async () => (await server.agent().get(guidePath.replace('/g/', '/api/guides/'))).status
  expect(await open()).toBe(200)
  server.time.now = new Date(testNow.getTime() + 14 * 86_400_000 + 1)
  expect(await open()).toBe(404)
  server.time.now = testNow
})

it.each(['x'.repeat(27), '../../etc/passwd', 'a'.repeat(60)])('a made-up link %s opens nothing', async (token) => {
  const reply = await server.agent().get(`/api/guides/${encodeURIComponent(token)}`)
  expect([400, 404]).toContain(reply.status)
})

it('a guide of another branch stays closed', async () => {
  const petra = await server.signIn('petra')
  const { guides } = (await ines.get<GuideList>('/api/guides')).body
  const library = guides.find(({ kitCode }) => kitCode.startsWith('M-'))
  expect((await petra.get(`/api/loans/${library?.loanId}/guide`)).status).toBe(404)
})

it('links are guessed slowly: sixty tries a minute', async () => {
  const guesser = server.agent()
  const statuses = []
  for (let i = 0; i < 62; i++) statuses.push((await guesser.get(`/api/guides/${'g'.repeat(25)}${i}`)).status)
  expect(statuses.filter((status) => status === 404)).toHaveLength(60)
  expect(statuses.slice(60)).toEqual([429, 429])
})
