import type { ClosingsRead, Feed } from '@binoculum/contract'
import ICAL from 'ical.js'
import { demoBorrowers } from '../src/demo/scenario.ts'
import { kitOf, startTestServer, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let branchId: string
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  branchId = (await kitOf(ines, 'M-06')).branchId
})
afterAll(() => server.close())

type Made = { path: string; feeds: Feed[] }
const make = (body: object) => ines.post<Made & { error: { code: string } }>(`/api/branches/${branchId}/feeds`, body)
const eventsAt = async (path: string) => {
  const { body } = await server.agent().get<string>(path)
  return new ICAL.Component(ICAL.parse(body))
    .getAllSubcomponents('vevent')
    .map((component) => new ICAL.Event(component))
}

it('a feed is read by whoever has its address: every open loan, by code, nobody by name', async () => {
  const { path } = (await make({ kind: 'loans', kitId: null })).body
  const events = await eventsAt(path)
  const [open]: { n: number; promised: number }[] = await server.source.query(
    `SELECT count(*)::int AS n, count(*) FILTER (WHERE state = 'promised')::int AS promised FROM loan
     WHERE branch_id = $1 AND state IN ('promised', 'out')`,
    [branchId],
  )
  const evenings = events.filter(({ summary }) => summary.startsWith('Evening at the bench'))
  expect(evenings.map(({ startDate }) => String(startDate))).toEqual(['2026-03-14', '2026-03-21'])
  expect(events).toHaveLength((open?.n ?? 0) + (open?.promised ?? 0) + evenings.length)
  const text = events.map(({ summary }) => summary).join()
  expect(demoBorrowers.filter(({ name }) => text.includes(name))).toEqual([])
  const answer = await server.agent().get(path)
  expect(answer.headers).toMatchObject({
    'content-type': expect.stringContaining('text/calendar'),
    'x-robots-tag': 'noindex',
  })
  const [kept]: { n: number }[] = await server.source.query(
    `SELECT count(*)::int AS n FROM calendar_feed WHERE position(token_hash IN $1) > 0`,
    [path],
  )
  expect(kept?.n).toBe(0)
})

it('one kit’s feed has its loans only, and an ended one opens nothing', async () => {
  const kit = await kitOf(ines, 'M-12')
  const { path, feeds } = (await make({ kind: 'kit', kitId: kit.id })).body
  const events = await eventsAt(path)
  expect(events.length).toBeGreaterThan(0)
  expect(events.every(({ summary }) => summary.includes('M-12'))).toBe(true)
  expect(
    (await ines.delete(`/api/branches/${branchId}/feeds/${feeds.find(({ kind }) => kind === 'kit')?.id}`)).status,
  ).toBe(200)
  expect((await server.agent().get(path)).status).toBe(404)
})

it('a kit of another branch, or none where one is wanted, is refused', async () => {
  const other = await kitOf(ines, 'F-05')
  expect((await make({ kind: 'kit', kitId: other.id })).body.error.code).toBe('NOT_FOUND')
  expect((await make({ kind: 'kit', kitId: null })).body.error.code).toBe('BAD_INPUT')
})

it('closings are read from a file and kept by nobody yet; five megabytes are refused', async () => {
  const read = (text: string) =>
    ines.post<ClosingsRead & { error: { code: string } }>(`/api/branches/${branchId}/closings/read`, { text })
  const lines = [
    'BEGIN:VCALENDAR',
    'BEGIN:VEVENT',
    'UID:1',
    'SUMMARY:Christmas',
    'DTSTART;VALUE=DATE:20261224',
    'DTEND;VALUE=DATE:20261227',
  ]
  const good = await read([...lines, 'RRULE:FREQ=YEARLY', 'END:VEVENT', 'END:VCALENDAR'].join('\r\n'))
  expect(good.body.closings).toEqual([
    { fromOn: '2026-12-24', untilOn: '2026-12-26', why: 'Christmas' },
    { fromOn: '2027-12-24', untilOn: '2027-12-26', why: 'Christmas' },
  ])
  expect([(await read('x'.repeat(5_000_000))).status, (await read('x'.repeat(1_100_000))).status]).toEqual([413, 400])
  expect((await read('not a calendar')).body.error.code).toBe('BAD_INPUT')
})
