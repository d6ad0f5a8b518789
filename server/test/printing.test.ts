import type { KitSheet, Printed } from '@binoculum/contract'
import { startTestServer, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
})
afterAll(() => server.close())

type Refusal = { error: { code: string; issues?: { path: string; message: string }[] } }
const print = (agent: Agent, query: string) => agent.get<Printed & Refusal>(`/api/prints?${query}`)
const texts = (printed: Printed) =>
  printed.pages.flatMap(({ items }) => items.flatMap((item) => (item.kind === 'text' ? [item.text] : [])))

it('a kit’s label, every part’s label, and one part’s alone', async () => {
  const { parts } = (await ines.get<KitSheet>('/api/kits/M-03')).body
  expect(texts((await print(ines, 'kind=kits&codes=M-03')).body)).toEqual(['M-03', 'Sorrel'])
  const all = texts((await print(ines, 'kind=parts&codes=M-03&paper=letter')).body)
  expect(all.filter((text) => text.startsWith('M-03/'))).toHaveLength(parts.length)
  const one = texts((await print(ines, 'kind=parts&codes=M-03/4')).body)
  expect(one[0]).toBe('M-03/4')
  expect(one.join(' ')).toContain(parts[3]?.name)
})

it('a card of each kit, in the order of its card, with its branch’s emergency line', async () => {
  const { body } = await print(ines, 'kind=cards&codes=M-03,M-12')
  expect(body.pages).toHaveLength(2)
  const { parts, emergencyLine } = (await ines.get<KitSheet>('/api/kits/M-03')).body
  const words = texts(body)
  const numbers = words.filter((text) => /^\d+$/.test(text)).map(Number)
  expect(Math.max(...numbers)).toBe(parts.length)
  expect(words.join(' ')).toContain(emergencyLine.split(' ')[0])
})

it('pouch labels name what belongs in each place', async () => {
  const words = texts((await print(ines, 'kind=pouches&codes=M-03')).body)
  expect(words).toEqual(expect.arrayContaining(['Pouch', 'Upper tray', 'M-03  Sorrel']))
})

it('comes as a PDF too, and readers may print', async () => {
  const jun = await server.signIn('jun')
  const reply = await server.app.inject({
    url: '/api/prints/pdf?kind=kits&codes=M-03',
    headers: { cookie: jun.cookie ?? '' },
  })
  expect(reply.headers['content-type']).toBe('application/pdf')
  expect(reply.rawPayload.subarray(0, 5).toString()).toBe('%PDF-')
})

it('kits of other branches and unknown ones are not found; a wrong cell says which there are', async () => {
  const petra = await server.signIn('petra')
  expect((await print(petra, 'kind=kits&codes=M-03')).status).toBe(404)
  expect((await print(ines, 'kind=kits&codes=NO-1')).status).toBe(404)
  expect((await print(ines, 'kind=parts&codes=M-03/99')).status).toBe(404)
  const wrong = await print(ines, 'kind=kits&codes=M-03&first=22')
  expect(wrong.body.error.issues).toEqual([{ path: 'first', message: 'firstCell must be from 1 to 21; got 22' }])
  expect((await print(ines, 'kind=kits')).status).toBe(400)
  const many = await print(ines, `kind=parts&codes=${Array.from({ length: 80 }, () => 'M-03').join(',')}`)
  expect(many.body.error.issues?.[0]).toMatchObject({ path: 'codes', message: expect.stringContaining('too many') })
})

it('a charging card names the pack and its charger; a kit without a pack has none', async () => {
  const { kits } = (await ines.get<{ kits: { code: string }[] }>('/api/kits')).body
  const sheets = await Promise.all(kits.map(({ code }) => ines.get<KitSheet>(`/api/kits/${code}`)))
  const charged = sheets.find(({ body }) => body.parts.some(({ role }) => role === 'power-pack'))?.body
  const bare = sheets.find(({ body }) => body.parts.every(({ role }) => role !== 'power-pack'))?.body
  const words = texts((await print(ines, `kind=charging&codes=${charged?.code},${bare?.code}`)).body)
  expect(words).toEqual(expect.arrayContaining(['charging card', '12 V pack', 'with: Charger of the 12 V pack']))
  expect(words.filter((text) => text === 'charging card')).toHaveLength(1)
  const none = await print(ines, `kind=charging&codes=${bare?.code}`)
  expect([none.status, none.body.error.code]).toEqual([422, 'NOTHING_TO_CHARGE'])
})
