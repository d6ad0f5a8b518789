import type { SpreadFile, Spreads, TakeBackForm } from '@binoculum/contract'
import { kitOf, startTestServer, type Agent } from './support.ts'

type Server = Awaited<ReturnType<typeof startTestServer>>
let server: Server
let ines: Agent
let kofi: Agent
let branchId: string
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  kofi = await server.signIn('kofi')
  branchId = (await kitOf(ines, 'M-12')).branchId
})
afterAll(() => server.close())

const path = () => `/api/branches/${branchId}/spreads`
const told = (more: object = {}): object => ({
  ...{ format: 'binoculum-spread', version: 1, writtenAtUtc: '2026-03-01T12:00:00Z', origin: 'a club by the sea' },
  losses: [{ role: 'eyepiece', losses: 90, pieceLoans: 300 }],
  drift: [{ family: 'tabletop-reflector', sigmaMmPerLoan: 0.5, pairs: 40 }],
  ...more,
})

it('what a branch has seen is written without a name in it, and reads in elsewhere', async () => {
  const file = (await ines.get<SpreadFile>(`/api/branches/${branchId}/spread?origin=a%20library`)).body
  expect(file).toMatchObject({ format: 'binoculum-spread', version: 1, origin: 'a library' })
  expect(file.losses.length).toBeGreaterThan(5)
  const [{ losses, loans }]: [{ losses: number; loans: number }] = await server.source.query(
    `SELECT sum(losses)::int AS losses, sum(piece_loans)::int AS loans FROM role_loss WHERE branch_id = $1 AND year > $2`,
    [branchId, server.time.now.getUTCFullYear() - 3],
  )
  const sum = (pick: (each: SpreadFile['losses'][number]) => number) =>
    file.losses.reduce((total, each) => total + pick(each), 0)
  expect(sum((each) => each.losses)).toBeLessThanOrEqual(losses)
  expect(sum((each) => each.pieceLoans)).toBeLessThanOrEqual(loans)
  for (const { pieceLoans } of file.losses) expect(pieceLoans).toBeGreaterThanOrEqual(20)
  const names: { name: string }[] = await server.source.query('SELECT name FROM kit UNION SELECT name FROM borrower')
  for (const { name } of names) expect(JSON.stringify(file)).not.toContain(name)
  const { spreads } = (await ines.post<Spreads>(path(), { ...file, origin: 'ourselves' })).body
  expect(spreads.map(({ origin }) => origin)).toEqual(['ourselves'])
  await ines.delete(`${path()}/${spreads[0]?.id}`)
})

it('what others lost is reckoned with at the desk, until it is forgotten', async () => {
  const kit = await kitOf(kofi, 'M-08')
  const chances = async () => (await kofi.get<TakeBackForm>(`/api/loans/${kit.loan?.id}/take-back`)).body.lossChances
  const eyepiece = kit.parts.find(({ role }) => role === 'eyepiece')?.id ?? ''
  const before = (await chances())[eyepiece] ?? 0
  const { spreads } = (await ines.post<Spreads>(path(), told())).body
  const own = spreads.find(({ origin }) => origin === 'a club by the sea')
  expect(own).toMatchObject({ kinds: 1, pieceLoans: 300, classes: 1, pairs: 40 })
  expect((await chances())[eyepiece]).toBeGreaterThan(before)
  // A newer file of the same programme stands for the older one.
  await ines.post(path(), told())
  expect((await ines.get<Spreads>(path())).body.spreads.filter(({ origin }) => origin === own?.origin)).toHaveLength(
    1,
  )
  for (const { id } of (await ines.get<Spreads>(path())).body.spreads) await ines.delete(`${path()}/${id}`)
  expect((await chances())[eyepiece]).toBeCloseTo(before, 12)
})

it.each([
  ['another format', { format: 'something' }, 'format'],
  ['a later version', { version: 2 }, 'version'],
  ['a kind that isn’t one', { losses: [{ role: 'hat', losses: 0, pieceLoans: 30 }] }, 'losses.0.role'],
  ['more lost than there was', { losses: [{ role: 'eyepiece', losses: 31, pieceLoans: 30 }] }, ''],
  ['fields that nobody knows', { secret: 1 }, ''],
])('%s is refused', async (_what, more, field) => {
  const reply = await ines.post<{ error: { issues: { path: string }[] } }>(path(), told(more))
  expect(reply.status).toBe(400)
  expect(reply.body.error.issues[0]?.path).toBe(field)
})

it('volunteers neither write nor read it', async () => {
  expect((await kofi.get(path())).status).toBe(403)
  expect((await kofi.post(path(), told())).status).toBe(403)
})
