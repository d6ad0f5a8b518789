import type { GuideTexts, IssuedGuide } from '@binoculum/contract'
import { plain } from '@binoculum/core'
import { handOutBody, startTestServer, testNow, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
})
afterAll(() => server.close())

const texts = async (kit = 'M-01', language = 'en', agent = ines) =>
  (await agent.get<GuideTexts>(`/api/guide-texts?kit=${kit}&language=${language}`)).body
const form = (rest: object = {}) => ({
  kitCode: 'M-01',
  scope: 'programme',
  key: 'power',
  language: 'en',
  title: 'Lowest power first',
  text: 'Begin with {low eyepiece}.',
  inUse: true,
  ...rest,
})
const keep = (rest: object = {}, agent = ines) => agent.post('/api/guide-texts', form(rest))
const linesOf = (guide: IssuedGuide, key: string, language = 'en') =>
  guide.texts[language]?.blocks.find((each) => each.key === key)?.lines.map(plain)

it('names every block with its reason, and what stays', async () => {
  const { blocks, languages, variables } = await texts()
  expect(blocks.map(({ key }) => key).slice(0, 3)).toEqual(['sun', 'carry', 'case'])
  expect(blocks.find(({ key }) => key === 'sun')?.stays).toContain('Never point')
  expect(blocks.find(({ key }) => key === 'expect')?.because).toContain('110 mm')
  expect(blocks.find(({ key }) => key === 'controller')?.said).toBe(false)
  expect(languages).toEqual([
    { code: 'en', name: 'English', missing: 0 },
    expect.objectContaining({ code: 'es', name: 'Español' }),
  ])
  expect(variables.kit).toBe('Yarrow')
})

it('a draft changes nothing; in use it goes into the next guide, and what was issued stays', async () => {
  const { guides } = (await ines.get<{ guides: { loanId: string }[] }>('/api/guides')).body
  const before = (await ines.get<IssuedGuide>(`/api/loans/${guides[0]?.loanId}/guide`)).body
  expect((await keep({ text: 'A draft only.', inUse: false })).status).toBe(204)
  expect((await texts()).blocks.find(({ key }) => key === 'power')?.text).toContain('It shows the most sky')
  server.time.now = new Date(testNow.getTime() + 1000)
  expect((await keep()).status).toBe(204)
  const { kitId, body } = await handOutBody(ines, 'M-01')
  const slip = (await ines.post<{ loanId: string }>(`/api/kits/${kitId}/hand-out`, body)).body
  const issued = (await ines.get<IssuedGuide>(`/api/loans/${slip.loanId}/guide`)).body
  expect(linesOf(issued, 'power')?.[0]).toMatch(/^Begin with the \d+ mm eyepiece\.$/)
  // Nobody translated the new sentence, so Spanish shows it in English and says which is missing.
  expect(issued.texts.es?.missing).toContain('Begin with {low eyepiece}.')
  expect((await ines.get(`/api/loans/${guides[0]?.loanId}/guide`)).body).toEqual(before)
  const { versions } = (await texts()).blocks.find(({ key }) => key === 'power') ?? {}
  expect(versions?.map(({ inUse, by }) => [inUse, by])).toEqual([
    [true, expect.any(String)],
    [false, expect.any(String)],
  ])
})

it('a coordinator’s translation fills the gap', async () => {
  const { missing } = await texts('M-01', 'es')
  expect(missing).toContain('Begin with {low eyepiece}.')
  const words = {
    key: '_words',
    language: 'es',
    title: 'Begin with {low eyepiece}.',
    text: 'Empieza con {low eyepiece}.',
  }
  expect((await keep(words)).status).toBe(204)
  expect((await texts('M-01', 'es')).missing).not.toContain('Begin with {low eyepiece}.')
})

it('the narrower scope counts, for that kit only', async () => {
  await keep({ scope: 'kit', kitCode: 'M-02', text: 'Only for {kit}.' })
  const look = async (kitCode: string) =>
    linesOf(
      (await ines.post<IssuedGuide>('/api/guide-texts/preview', form({ kitCode, key: 'own-x', title: 'x' }))).body,
      'power',
    )
  expect(await look('M-02')).toEqual([expect.stringMatching(/^Only for /)])
  expect((await look('M-01'))?.[0]).toContain('Begin with')
})

it('a block goes with a reason, a caution never goes; the order is kept', async () => {
  expect((await keep({ key: 'follow', title: '', text: null, reason: 'we tell them' })).status).toBe(204)
  const follow = (await texts()).blocks.find(({ key }) => key === 'follow')
  expect(follow).toMatchObject({ text: null, reason: 'we tell them', said: false })
  expect((await keep({ key: '_order', title: '', text: 'sun,trouble,carry' })).status).toBe(204)
  expect((await texts()).blocks.map(({ key }) => key).slice(0, 3)).toEqual(['sun', 'trouble', 'carry'])
})

it('a preview shows a draft and writes nothing', async () => {
  const preview = await ines.post<IssuedGuide>('/api/guide-texts/preview', form({ text: 'Looked at only.' }))
  expect(linesOf(preview.body, 'power')).toEqual(['Looked at only.'])
  expect((await texts()).blocks.find(({ key }) => key === 'power')?.text).not.toContain('Looked at only')
})

it.each([
  { change: { text: 'The {dobson} first.' }, names: '{dobson}' },
  { change: { text: '[warp] Engage.' }, names: '[warp]' },
  { change: { key: 'sun', text: null, reason: 'too grim' }, names: 'caution stays' },
  { change: { key: 'follow', text: null }, names: 'why' },
  { change: { key: 'nothing' }, names: 'no guide has a block' },
  { change: { language: 'xx' }, names: 'one of' },
  { change: { key: 'own-bell', title: '' }, names: 'must not be empty' },
])('refuses $names', async ({ change, names }) => {
  const reply = await keep(change)
  expect(reply.status).toBe(400)
  expect(JSON.stringify(reply.body)).toContain(names)
})

it('volunteers read, coordinators write, other branches see nothing', async () => {
  const [kofi, petra] = [await server.signIn('kofi'), await server.signIn('petra')]
  expect((await texts('M-01', 'en', kofi)).mayEdit).toBe(false)
  expect((await keep({}, kofi)).status).toBe(403)
  expect((await petra.get('/api/guide-texts?kit=M-01')).status).toBe(404)
})
