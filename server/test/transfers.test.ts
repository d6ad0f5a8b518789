import { randomUUID } from 'node:crypto'
import type { Calendar, Openings, Packing, PromiseMade, Transfers } from '@binoculum/contract'
import sharp from 'sharp'
import { handOutBody, kitOf, shelfOf, startTestServer, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let petra: Agent
let library: string
let club: string
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  petra = await server.signIn('petra')
  library = (await kitOf(ines, 'M-06')).branchId
  club = (await kitOf(ines, 'F-05')).branchId
  await server.source.query('DELETE FROM transfer')
  await server.source.query(`DELETE FROM waiting_request`)
})
afterAll(() => server.close())

/** The van comes on Tuesdays and Fridays; today is Thursday 12 March. */
const TUESDAY = '2026-03-17'
const LATER = '2026-04-17'
interface Refused<Details = object> {
  error: { code: string; details: Details }
}
const plan = (agent: Agent, kitId: string, toBranchId: string, onDay: string) =>
  agent.post<Transfers & Refused<{ vanDays: string[]; loans: { loanCode: string }[] }>>('/api/transfers', {
    ...{ idempotencyKey: randomUUID(), kitId, toBranchId, onDay },
  })
const settle = (agent: Agent, { id, version }: { id: string; version: number }, settled: 'arrived' | 'cancelled') =>
  agent.post<Transfers & Refused>(`/api/transfers/${id}/settle`, { version, settled })
const promise = (agent: Agent, kitId: string, fromOn: string, untilOn: string) =>
  agent.post<PromiseMade & Refused>('/api/promises', {
    ...{ idempotencyKey: randomUUID(), kitId, fromOn, untilOn },
    borrower: { name: 'Oswin Pell', contact: 'oswin@pell.example' },
  })
const only = ({ transfers }: Transfers) => {
  const [transfer] = transfers
  if (!transfer) throw new Error('nothing is planned')
  return transfer
}
const calendarOf = async (branchId: string) =>
  (await ines.get<Calendar>(`/api/branches/${branchId}/calendar?from=2026-03-12&days=70`)).body

describe('a kit that goes to another branch', () => {
  it('goes on a day on which the van calls at both, sent by whoever has it', async () => {
    const { id: kitId } = await kitOf(ines, 'F-05')
    const refused = await plan(ines, kitId, library, '2026-03-18')
    expect([refused.status, refused.body.error.code]).toEqual([422, 'NO_VAN'])
    expect(refused.body.error.details.vanDays.slice(0, 3)).toEqual(['2026-03-13', TUESDAY, '2026-03-20'])
    expect((await plan(petra, (await kitOf(ines, 'M-06')).id, club, TUESDAY)).status).toBe(404)
    expect((await plan(ines, kitId, club, TUESDAY)).body.error.code).toBe('BAD_INPUT')
    // A closing at the other end keeps the van away too.
    const closing = { fromOn: TUESDAY, untilOn: TUESDAY, why: 'flood' }
    const closed = await ines.post<Openings>(`/api/branches/${library}/closings`, closing)
    const made = closed.body.branches.flatMap(({ closings }) => closings).find(({ why }) => why === 'flood')
    expect((await plan(ines, kitId, library, TUESDAY)).body.error.code).toBe('NO_VAN')
    await ines.delete(`/api/branches/${library}/closings/${made?.id}`)
  })

  it('isn’t sent off while somebody has it or is promised it', async () => {
    const out = await ines.get<{ kits: { id: string; code: string; loan: unknown; branchId: string }[] }>('/api/kits')
    const lent = out.body.kits.find(({ loan, branchId }) => loan && branchId === library)
    const refused = await plan(ines, lent?.id ?? '', club, TUESDAY)
    expect(refused.body.error.code).toBe('TRANSFER_IN_THE_WAY')
    expect(refused.body.error.details.loans[0]?.loanCode).toMatch(/^L-\d+/)
  })

  it('is promised here until then and there afterwards, never across', async () => {
    const { id: kitId } = await kitOf(ines, 'F-05')
    const planned = only((await plan(ines, kitId, library, LATER)).body)
    expect((await plan(ines, kitId, library, LATER)).body.error.code).toBe('KIT_TRAVELS')
    expect((await promise(ines, kitId, '2026-04-15', '2026-04-20')).body.error.code).toBe('KIT_TRAVELS')
    const here = await promise(ines, kitId, '2026-03-30', '2026-04-06')
    expect(here.status).toBe(200)
    // Petra works at the club only: where it will be she promises nothing.
    expect((await promise(petra, kitId, '2026-04-18', '2026-04-25')).status).toBe(404)
    const there = await promise(ines, kitId, '2026-04-18', '2026-04-25')
    const branchOf = async (loanId: string) => {
      const [loan]: { id: string }[] = await server.source.query('SELECT branch_id AS id FROM loan WHERE id = $1', [
        loanId,
      ])
      return loan?.id
    }
    expect([await branchOf(here.body.loanId), await branchOf(there.body.loanId)]).toEqual([club, library])
    // Both calendars show it for the days on which it is there.
    const [atClub, atLibrary] = [await calendarOf(club), await calendarOf(library)]
    const of = ({ kits }: Calendar) => kits.find(({ id }) => id === kitId)
    expect(of(atClub)).toMatchObject({ hereFrom: null, hereUntil: '2026-04-16' })
    expect(of(atLibrary)).toMatchObject({ hereFrom: '2026-04-18', hereUntil: null })
    // What is promised there keeps it from staying.
    expect((await settle(ines, planned, 'cancelled')).body.error.code).toBe('TRANSFER_IN_THE_WAY')
    for (const { body } of [here, there])
      await server.source.query(`UPDATE loan SET state = 'cancelled' WHERE id = $1`, [body.loanId])
    expect((await settle(ines, planned, 'cancelled')).status).toBe(200)
    expect((await settle(ines, planned, 'cancelled')).body.error.code).toBe('CHANGED_MEANWHILE')
  })

  it('that is late where it is may be called off: it can’t go', async () => {
    const { id: kitId } = await kitOf(ines, 'F-05')
    const planned = only((await plan(ines, kitId, library, LATER)).body)
    const newest = `SELECT id FROM loan WHERE kit_id = $1 AND state = $2 ORDER BY from_on DESC LIMIT 1`
    const setState = (from: string, to: string) =>
      server.source.query(`UPDATE loan SET state = $3 WHERE id = (${newest})`, [kitId, from, to])
    await setState('back', 'out')
    expect((await settle(ines, planned, 'cancelled')).status).toBe(200)
    await setState('out', 'back')
  })

  it('belongs to the other branch once somebody there says that it has come', async () => {
    const kit = await kitOf(ines, 'F-05')
    const planned = only((await plan(ines, kit.id, library, TUESDAY)).body)
    expect(planned.daysLate).toBe(0)
    await server.source.query(`UPDATE transfer SET on_day = '2026-03-10' WHERE id = $1`, [planned.id])
    const late = only((await ines.get<Transfers>('/api/transfers')).body)
    expect([late.onDay, late.daysLate]).toEqual(['2026-03-10', 2])
    const jun = await server.signIn('jun')
    const bytes = await sharp({ create: { width: 80, height: 60, channels: 3, background: '#446' } })
      .jpeg()
      .toBuffer()
    const keptAtClub = async () =>
      (await petra.upload<{ id: string }>(`/api/pictures?branchId=${club}`, bytes)).body.id
    const [ofPart, ofPacking, ofOther] = [await keptAtClub(), await keptAtClub(), await keptAtClub()]
    await server.source.query(`UPDATE part SET picture_ids = ARRAY[$2::uuid] WHERE kit_id = $1 AND position = 1`, [
      kit.id,
      ofPart,
    ])
    const packing = `/api/kits/${kit.id}/packing`
    const [slot] = (await petra.get<Packing>('/api/kits/F-05/packing')).body.slots
    expect((await petra.put(packing, { key: slot?.key, pictureId: ofPacking })).status).toBe(200)
    const seen = async (agent: Agent) =>
      Promise.all([ofPart, ofPacking, ofOther].map(async (id) => (await agent.get(`/api/pictures/${id}`)).status))
    expect([await seen(jun), await seen(petra)]).toEqual([
      [404, 404, 404],
      [200, 200, 200],
    ])
    // Whoever works where it leaves can’t say that it has come.
    expect((await settle(petra, planned, 'arrived')).status).toBe(404)
    expect((await settle(ines, planned, 'arrived')).status).toBe(200)
    // What it is known by has come with it; what isn’t the kit’s stays.
    expect([await seen(jun), await seen(petra)]).toEqual([
      [200, 200, 404],
      [404, 404, 200],
    ])
    const now = await kitOf(ines, 'F-05')
    expect(now).toMatchObject({ branchId: library, version: kit.version + 1 })
    expect(now.history.map(({ act }) => act)).toEqual(
      expect.arrayContaining(['transfer-planned', 'transfer-arrived', 'transfer-cancelled']),
    )
  })

  it('promises and vans that are planned in the same moment never contradict each other', async () => {
    const { id: kitId } = await kitOf(ines, 'F-05')
    let [sent, given] = [0, 0]
    for (let round = 0; round < 12; round++) {
      const [van, loan] = await Promise.all([
        plan(ines, kitId, club, LATER),
        promise(ines, kitId, '2026-04-15', '2026-04-21'),
      ])
      expect([van.status, loan.status].sort()).toEqual([200, 409])
      if (van.status === 200) {
        sent++
        await settle(ines, only(van.body), 'cancelled')
      } else {
        given++
        await server.source.query(`UPDATE loan SET state = 'cancelled' WHERE id = $1`, [loan.body.loanId])
      }
    }
    expect(sent + given).toBe(12)
  })

  it('that is out comes back before its van, also where the day was written down wrong', async () => {
    const { kits } = await shelfOf(ines)
    const free = kits.find((kit) => kit.branchId === library && kit.group === 'shelf' && !kit.next)
    await server.source.query(`DELETE FROM loan WHERE kit_id = $1 AND state = 'promised'`, [free?.id])
    const { body, kitId } = await handOutBody(ines, free?.code ?? '', {
      dueOn: '2026-03-26',
    })
    expect((await plan(ines, kitId, club, LATER)).status).toBe(200)
    const { body: out } = await ines.post<{ loanId: string }>(`/api/kits/${kitId}/hand-out`, body)
    const correct = (dueOn: string, loanVersion: number) =>
      ines.post<Refused>(`/api/loans/${out.loanId}/hand-out/corrections`, {
        ...{ idempotencyKey: randomUUID(), loanVersion, dueOn, reason: 'typed wrong' },
      })
    expect((await correct('2026-04-20', 1)).body.error.code).toBe('KIT_TRAVELS')
    expect((await correct('2026-04-10', 1)).status).toBe(200)
  })
})
