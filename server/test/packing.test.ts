import type { IssuedGuide, Packing } from '@binoculum/contract'
import sharp from 'sharp'
import { handOutBody, kitOf, startTestServer, type Agent } from './support.ts'

/** Pictures of how a kit is packed: kept by the desk, shown at take-back and to whoever has its guide. */
let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let kitId: string
let branchId: string
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  ;({ id: kitId, branchId } = await kitOf(ines, 'M-01'))
})
afterAll(() => server.close())

const photo = async (agent: Agent, ofBranch: string, background = '#446') => {
  const bytes = await sharp({ create: { width: 80, height: 60, channels: 3, background } })
    .jpeg()
    .toBuffer()
  return (await agent.upload<{ id: string }>(`/api/pictures?branchId=${ofBranch}`, bytes)).body.id
}
const packing = async () => (await ines.get<Packing>('/api/kits/M-01/packing')).body
const keep = (body: object, agent = ines) => agent.put<Packing>(`/api/kits/${kitId}/packing`, body)
const firstPlace = async () => (await packing()).slots.find(({ kind }) => kind === 'place')?.key ?? ''

it('one picture a place: another takes its place, none takes it off, and each stands in the record', async () => {
  const key = await firstPlace()
  const [first, second] = [await photo(ines, branchId), await photo(ines, branchId, '#644')]
  expect((await keep({ key, pictureId: first, words: ' mirror end left ' })).status).toBe(200)
  const kept = await keep({ key, pictureId: second, words: 'mirror end left' })
  expect(kept.body.slots.filter(({ pictureId }) => pictureId)).toMatchObject([
    { key, pictureId: second, words: 'mirror end left' },
  ])
  await keep({ key, pictureId: null })
  expect((await packing()).slots.every(({ pictureId }) => pictureId === null)).toBe(true)
  const acts = await server.source.query<{ act: string }[]>(
    `SELECT act FROM record WHERE kit_id = $1 AND act LIKE 'packing-%' ORDER BY id`,
    [kitId],
  )
  expect(acts.map(({ act }) => act)).toEqual(['packing-shown', 'packing-shown', 'packing-unshown'])
})

it('refuses what the kit hasn’t, another branch’s picture, and whoever is of another branch', async () => {
  const key = await firstPlace()
  const petra = await server.signIn('petra')
  const own = await photo(ines, branchId)
  const { branchId: elsewhere } = await kitOf(petra, 'F-01')
  const theirs = await photo(petra, elsewhere)
  const refused = [
    [await keep({ key: 'place attic', pictureId: own }), 400],
    [await keep({ key, pictureId: theirs }), 400],
    [await keep({ key, pictureId: own, words: 'x'.repeat(161) }), 400],
    [await keep({ key, pictureId: own }, petra), 404],
    [await keep({ key, pictureId: own }, await server.signIn('jun')), 403],
    [await petra.get('/api/kits/M-01/packing'), 404],
  ] as const
  expect(refused.map(([{ status }]) => status)).toEqual(refused.map(([, status]) => status))
  expect((await packing()).slots.every(({ pictureId }) => pictureId === null)).toBe(true)
})

it('a place that was renamed loses no picture: it is named until it is put elsewhere or taken off', async () => {
  const key = await firstPlace()
  const shown = await photo(ines, branchId)
  await keep({ key, pictureId: shown, words: 'mirror end left' })
  const place = key.slice('place '.length)
  const rename = (from: string, to: string) =>
    server.source.query(`UPDATE part SET place = $3 WHERE kit_id = $1 AND place = $2`, [kitId, from, to])
  await rename(place, 'lower deck')
  const { slots, left } = await packing()
  expect(left).toEqual([{ key, title: place, pictureId: shown, words: 'mirror end left' }])
  expect(slots.some((slot) => slot.key === key)).toBe(false)
  // No other picture can be put where nothing is; this one can go to what the place is called now.
  expect((await keep({ key, pictureId: shown })).status).toBe(400)
  expect((await keep({ key: 'place lower deck', pictureId: shown, words: 'mirror end left' })).status).toBe(200)
  expect((await keep({ key, pictureId: null })).body.left).toEqual([])
  await keep({ key: 'place lower deck', pictureId: null })
  await rename('lower deck', place)
})

it('the next guide shows it to whoever has its link, and no other picture of the house', async () => {
  const key = await firstPlace()
  const [shown, other] = [await photo(ines, branchId), await photo(ines, branchId, '#464')]
  await keep({ key, pictureId: shown, words: 'mirror end left' })
  const { body } = await handOutBody(ines, 'M-01')
  const slip = await ines.post<{ loanId: string; guidePath: string }>(`/api/kits/${kitId}/hand-out`, body)
  const guide = (await ines.get<IssuedGuide>(`/api/loans/${slip.body.loanId}/guide`)).body
  expect(guide.texts.en?.contents.filter(({ lies }) => lies)).toMatchObject([
    { lies: { pictureId: shown, words: 'mirror end left' } },
  ])
  const borrower = server.agent()
  const seen = await borrower.bytes(`${slip.body.guidePath}/pictures/${shown}`)
  expect([...seen.subarray(0, 2)]).toEqual([0xff, 0xd8])
  expect((await borrower.get(`${slip.body.guidePath}/pictures/${other}`)).status).toBe(404)
  // Taken off today, it stays in the guide that was issued with it.
  await keep({ key, pictureId: null })
  expect((await borrower.get(`${slip.body.guidePath}/pictures/${shown}`)).status).toBe(200)
})
