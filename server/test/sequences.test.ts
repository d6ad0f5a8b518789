import { cases } from '../../core/src/testing/sweep.ts'
import { randomUUID } from 'node:crypto'
import fc from 'fast-check'
import type { KitSheet, Slip } from '@binoculum/contract'
import { highestMagnification, judgeReadiness, powersOf } from '@binoculum/core'
import { handOutBody, kitOf, startTestServer, takeBackBody, testNow, type Agent } from './support.ts'

/**
 * Two people do anything in any order to one kit. Whatever they do, and whatever is refused, the rules hold:
 * one open loan at most, a condition that follows from what is kept, a record that only grows.
 */
let server: Awaited<ReturnType<typeof startTestServer>>
let agents: Agent[]
beforeAll(async () => {
  server = await startTestServer()
  agents = [await server.signIn('ines'), await server.signIn('kofi')]
})
afterAll(() => server.close())

const CODE = 'M-03'
const roles = ['slow-motion-rod', 'weight-slug', 'focuser-cap', 'low-eyepiece'] as const
type Step =
  | { act: 'hand-out'; overrule: boolean }
  | { act: 'take-back'; missing: string[]; outcome: string; dropped: boolean }
  | { act: 'mark'; role: string; mark: string }
  | { act: 'check'; offsetMm: number }

const steps: fc.Arbitrary<Step & { who: number }> = fc.oneof(
  fc.record({ who: fc.nat(1), act: fc.constant('hand-out' as const), overrule: fc.boolean() }),
  fc.record({
    who: fc.nat(1),
    act: fc.constant('take-back' as const),
    missing: fc.subarray([...roles]),
    outcome: fc.constantFrom('shelf', 'shelf-with-note', 'bench', 'hold'),
    dropped: fc.boolean(),
  }),
  fc.record({
    who: fc.nat(1),
    act: fc.constant('mark' as const),
    role: fc.constantFrom(...roles),
    mark: fc.constantFrom('present', 'missing', 'damaged', 'wrong'),
  }),
  fc.record({
    who: fc.nat(1),
    act: fc.constant('check' as const),
    offsetMm: fc.double({ min: 0, max: 6, noNaN: true }),
  }),
)

async function take(step: Step & { who: number }): Promise<number> {
  const agent = agents[step.who] as Agent
  const kit = await kitOf(agent, CODE)
  switch (step.act) {
    case 'hand-out': {
      const rest = step.overrule ? { overruleReason: 'tried' } : {}
      const { kitId, body } = await handOutBody(agent, CODE, rest)
      return (await agent.post<Slip>(`/api/kits/${kitId}/hand-out`, body)).status
    }
    case 'take-back': {
      if (!kit.loan) return 0
      const { missing, outcome, dropped } = step
      const body = await takeBackBody(agent, kit.loan.id, {
        missing,
        outcome,
        outcomeReason: 'seen',
        answers: { dropped },
      })
      return (await agent.post(`/api/loans/${kit.loan.id}/take-back`, body)).status
    }
    case 'mark': {
      const part = kit.parts.find(({ role }) => role === step.role)
      const body = { kitVersion: kit.version, mark: step.mark }
      return (await agent.post(`/api/kits/${kit.id}/parts/${part?.id}/mark`, body)).status
    }
    case 'check': {
      const offset = { offsetMm: step.offsetMm, clockHours: 7 }
      const stations = [{ station: 'collimation', sun: { shaded: true }, asFound: offset, asLeft: offset }]
      const doneJobIds = kit.jobs.map(({ id }) => id)
      const body = { idempotencyKey: randomUUID(), kitVersion: kit.version, stations, doneJobIds, backToShelf: true }
      return (await agent.post(`/api/kits/${kit.id}/checks`, body)).status
    }
  }
}

function recomputed(kit: KitSheet): string {
  const usable = kit.parts.filter(({ mark }) => mark !== 'missing' && mark !== 'wrong')
  const powers = powersOf(
    kit.optics,
    usable.map(({ name, optics }) => ({ name, ...optics })),
  )
  return judgeReadiness({
    model: { family: kit.family, optics: kit.optics, highestMagnification: highestMagnification(powers) },
    parts: kit.parts,
    readings: kit.readings.map(({ asLeft, ...reading }) => ({ ...reading, value: asLeft })),
    hazards: kit.hazards,
    openJobs: kit.jobs,
    policies: kit.policies,
    atUtc: testNow.toISOString(),
  }).condition
}

const oneRow = async (sql: string): Promise<{ n: number }> => {
  const [row]: { n: number }[] = await server.source.query(sql)
  return row ?? { n: -1 }
}

it('holds its rules through any sequence of acts', async () => {
  let recordLines = (await oneRow('SELECT count(*)::int AS n FROM record')).n
  await fc.assert(
    fc.asyncProperty(fc.array(steps, { minLength: 3, maxLength: 10 }), async (sequence) => {
      for (const step of sequence) {
        const before = await kitOf(agents[0] as Agent, CODE)
        const status = await take(step)
        const after = await kitOf(agents[0] as Agent, CODE)
        const lines = (await oneRow('SELECT count(*)::int AS n FROM record')).n
        // Done or refused with a reason; a refusal leaves nothing behind, an act exactly one line.
        expect([0, 200, 400, 403, 409, 422]).toContain(status)
        expect(lines - recordLines).toBe(status === 200 ? 1 : 0)
        if (status !== 200) expect(after).toEqual(before)
        recordLines = lines
        expect(after.condition).toBe(recomputed(after))
        if (step.act === 'hand-out' && status === 200) {
          const unfit = before.condition === 'crescent' || before.condition === 'new'
          expect(unfit && (step.who !== 0 || !step.overrule)).toBe(false)
          expect(before.reasons.some(({ overrule }) => overrule === 'never')).toBe(false)
        }
      }
      const open = await oneRow(
        `SELECT count(*)::int AS n FROM (SELECT kit_id FROM loan WHERE state = 'out' GROUP BY kit_id HAVING count(*) > 1) twice`,
      )
      const current = await oneRow(
        `SELECT count(*)::int AS n FROM (SELECT kit_id FROM reading WHERE current GROUP BY kit_id, kind HAVING count(*) > 1) twice`,
      )
      expect([open.n, current.n]).toEqual([0, 0])
    }),
    { numRuns: cases(12, 200, 6), seed: 20260312 },
  )
}, 120_000)

it('many desks at the same kit at the same instant make one loan and one record line', async () => {
  const fresh = await startTestServer()
  const desk = await fresh.signIn('kofi')
  const { kitId, body } = await handOutBody(desk, 'F-01')
  const tries = await Promise.all(
    Array.from({ length: 8 }, () =>
      desk.post(`/api/kits/${kitId}/hand-out`, { ...body, idempotencyKey: randomUUID() }),
    ),
  )
  expect(tries.filter(({ status }) => status === 200)).toHaveLength(1)
  expect(tries.filter(({ status }) => status === 409)).toHaveLength(7)
  const lines: { n: number }[] = await fresh.source.query(
    `SELECT count(*)::int AS n FROM record WHERE act = 'handed-out' AND at = $1`,
    [testNow],
  )
  expect(lines[0]?.n).toBe(1)
  await fresh.close()
})
