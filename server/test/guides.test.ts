import { randomUUID } from 'node:crypto'
import sharp from 'sharp'
import {
  guideSchema,
  type GuideList,
  type IssuedGuide,
  type KitSheet,
  type ReceivedMessages,
} from '@binoculum/contract'
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
    expect(guide.texts.en?.setUp.length).toBeGreaterThan(5)
    expect(Object.keys(guide.texts)).toEqual(['en', 'es'])
    // A first name only, and a place no finer than a town.
    expect(JSON.stringify(guide)).not.toContain(slip.borrower)
    expect(slip.borrower.startsWith(guide.firstName ?? '?')).toBe(true)
    expect(guide.place?.latitudeDeg).toBe(Math.round((guide.place?.latitudeDeg ?? 0) * 10) / 10)
    expect(guide.nights[0]?.date).toBe(guide.issuedOn)
    expect(guide.nights.at(-1)?.date).toBe(guide.dueOn)
    if (guide.texts.en?.helpSheet) withSheet.push(kit.code)
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

describe('what borrowers send', () => {
  const report = (rest: object = {}) => ({
    key: randomUUID(),
    kind: 'report',
    sign: 'black',
    walked: ['You see nothing but black', 'Both caps off?'],
    words: 'It stays dark.',
    ...rest,
  })
  const linkOf = async (code: string) => {
    const { guides } = (await ines.get<GuideList>('/api/guides')).body
    const { loanId } = guides.find(({ kitCode }) => kitCode === code) ?? {}
    const { guidePath } = (await ines.post<{ guidePath: string }>(`/api/loans/${loanId}/link`)).body
    return { loanId, path: guidePath.replace('/g/', '/api/guides/') }
  }
  const unseen = async () => (await ines.get<ReceivedMessages>('/api/borrower-messages')).body.messages

  it('a report with a picture appears at the bench, once however often it is sent', async () => {
    const { path } = await linkOf('M-10')
    const stranger = server.agent()
    const photo = sharp({ create: { width: 900, height: 600, channels: 3, background: '#333' } })
    const held = await photo
      .withExif({ IFD0: { Artist: 'Nell Teague' } })
      .jpeg()
      .toBuffer()
    const picture = held.toString('base64')
    const sent = report({ picture })
    for (let again = 0; again < 2; again++) expect((await stranger.post(`${path}/messages`, sent)).status).toBe(204)
    const [message, ...others] = (await unseen()).filter(({ kitCode }) => kitCode === 'M-10')
    expect(others).toEqual([])
    expect(message).toMatchObject({ words: 'It stays dark.', walked: sent.walked })
    const kept = await ines.get(`/api/pictures/${message?.pictureId}`)
    expect(kept.status).toBe(200)
    expect(held.includes('Nell Teague')).toBe(true)
    expect(JSON.stringify(kept.body)).not.toContain('Nell Teague')
    const sheet = (await ines.get<KitSheet>('/api/kits/M-10')).body
    expect(sheet.jobs.map(({ code }) => code)).toContain('reported-trouble')
    expect(sheet.history.some(({ act }) => act === 'borrower-wrote')).toBe(true)
    expect((await ines.post(`/api/borrower-messages/${message?.id}/seen`)).status).toBe(204)
    expect((await unseen()).filter(({ kitCode }) => kitCode === 'M-10')).toEqual([])
  })

  it('a case that is all there opens no job; one with a gap does', async () => {
    const { path } = await linkOf('M-11')
    const stranger = server.agent()
    const check = (missing: string[]) => ({ key: randomUUID(), kind: 'contents', missing, looked: 30, of: 30 })
    const jobs = async () => (await ines.get<KitSheet>('/api/kits/M-11')).body.jobs.map(({ code }) => code)
    const before = await jobs()
    expect((await stranger.post(`${path}/messages`, check([]))).status).toBe(204)
    expect(await jobs()).toEqual(before)
    expect((await stranger.post(`${path}/messages`, check(['Front cap']))).status).toBe(204)
    expect(await jobs()).toContain('reported-trouble')
  })

  it.each([
    { change: { picture: Buffer.from('no picture at all').toString('base64') }, status: 400 },
    { change: { words: 'x'.repeat(1001) }, status: 400 },
    { change: { walked: Array.from({ length: 13 }, () => 'x') }, status: 400 },
    { change: { extra: 1 }, status: 400 },
    { change: { picture: 'A'.repeat(1_500_000) }, status: 413 },
  ])('refuses $status', async ({ change, status }) => {
    const { path } = await linkOf('M-12')
    expect((await server.agent().post(`${path}/messages`, report(change))).status).toBe(status)
    expect((await unseen()).filter(({ kitCode }) => kitCode === 'M-12')).toEqual([])
  })

  it('so many of one loan, and no more', async () => {
    const { path } = await linkOf('M-08')
    const statuses: number[] = []
    for (let count = 0; count < 32; count++) {
      server.time.now = new Date(testNow.getTime() + count * 61_000)
      statuses.push((await server.agent().post(`${path}/messages`, report())).status)
    }
    server.time.now = testNow
    expect(statuses.filter((status) => status === 204).length).toBeLessThanOrEqual(30)
    expect(statuses.at(-1)).toBe(429)
  })

  it('a revoked link opens and takes nothing more', async () => {
    const { path, loanId } = await linkOf('M-12')
    expect((await server.agent().get(path)).status).toBe(200)
    expect((await ines.delete(`/api/loans/${loanId}/link`)).status).toBe(204)
    expect((await server.agent().get(path)).status).toBe(404)
    expect((await server.agent().post(`${path}/messages`, report())).status).toBe(404)
  })
})
