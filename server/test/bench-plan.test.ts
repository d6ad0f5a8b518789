import type { BenchPlans } from '@binoculum/contract'
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

const planIn = ({ branches }: BenchPlans) => {
  const plan = branches.find((each) => each.branchId === branchId)
  if (!plan) throw new Error('the branch has no plan')
  return plan
}
const read = async () => planIn((await ines.get<BenchPlans>('/api/bench-plan')).body)

describe('the plan of the bench', () => {
  it('gives what is wanted first an evening before it is wanted, and tells what will be late', async () => {
    const { evenings, lines, minutesShort } = await read()
    expect(evenings.map(({ onDay }) => onDay)).toEqual(['2026-03-14', '2026-03-21'])
    for (const evening of evenings) {
      const minutes = lines
        .filter(({ eveningId }) => eveningId === evening.id)
        .reduce((sum, line) => sum + line.minutes, 0)
      expect(minutes).toBeLessThanOrEqual(evening.seats * evening.minutesEach)
    }
    const late = lines.filter(({ isLate }) => isLate)
    // The demo's first evening can't hold all.
    expect(late.length).toBeGreaterThan(0)
    expect(minutesShort).toBe(late.reduce((sum, { minutes }) => sum + minutes, 0))
  })

  it('a longer evening soon helps, and is taken off again', async () => {
    const before = await read()
    const evening = { onDay: '2026-03-12', seats: 3, minutesEach: 180, note: 'all hands' }
    const helped = planIn((await ines.post<BenchPlans>(`/api/branches/${branchId}/bench-evenings`, evening)).body)
    expect(helped.lines.filter(({ isLate }) => isLate).length).toBeLessThan(
      before.lines.filter(({ isLate }) => isLate).length,
    )
    const made = helped.evenings.find(({ note }) => note === 'all hands')
    const after = planIn((await ines.delete<BenchPlans>(`/api/branches/${branchId}/bench-evenings/${made?.id}`)).body)
    expect(after.lines).toEqual(before.lines)
  })

  it('a station counts with what the model’s checks took, from the third on', async () => {
    const [line] = (await read()).lines.filter(({ skills }) => skills.includes('collimation'))
    const [{ modelId }]: [{ modelId: string }] = await server.source.query(
      `SELECT model_id AS "modelId" FROM kit WHERE code = $1`,
      [line?.kitCode],
    )
    const set = (minutes: number, times: number) =>
      server.source.query(
        `INSERT INTO step_median (model_id, step_key, median_seconds, times) VALUES ($1, 'station collimation', $2, $3)
         ON CONFLICT (model_id, step_key) DO UPDATE SET median_seconds = excluded.median_seconds, times = excluded.times`,
        [modelId, minutes * 60, times],
      )
    const minutesNow = async () => (await read()).lines.find(({ kitCode }) => kitCode === line?.kitCode)
    await set(31, 3)
    const timed = await minutesNow()
    expect(timed?.measuredStations).toBeGreaterThan(0)
    await set(41, 3)
    expect((await minutesNow())?.minutes).toBe((timed?.minutes ?? 0) + 10)
    await set(41, 2)
    expect((await minutesNow())?.measuredStations).toBe((timed?.measuredStations ?? 0) - 1)
  })

  it('work goes to whoever comes and knows it', async () => {
    const { evenings, hands, lines } = await read()
    const [evening] = evenings
    const kofi = hands.find(({ name }) => name === 'Kofi Arden')
    const people = `/api/branches/${branchId}/bench-evenings/${evening?.id}/people`
    expect(lines.some(({ skills }) => skills.includes('collimation'))).toBe(true)
    const seated = planIn((await ines.put<BenchPlans>(people, { staffIds: [kofi?.staffId] })).body)
    const placed = seated.lines.filter(({ eveningId }) => eveningId === evening?.id)
    expect(placed.flatMap(({ skills }) => skills).filter((skill) => !kofi?.skills?.includes(skill))).toEqual([])
    // More people than places, and somebody who doesn't work here.
    expect((await ines.put(people, { staffIds: hands.map(({ staffId }) => staffId) })).status).toBe(400)
    const [petra]: { id: string }[] = await server.source.query(`SELECT id FROM staff WHERE name = 'Petra Holm'`)
    expect((await ines.put(people, { staffIds: [petra?.id] })).status).toBe(404)
    await ines.put(people, { staffIds: [] })
  })

  it('everybody says of themselves what they can do, a coordinator of anybody', async () => {
    const agent = await server.signIn('kofi')
    const { hands } = await read()
    const path = `/api/branches/${branchId}/bench-skills`
    const idOf = (given: string) => hands.find(({ name }) => name === given)?.staffId
    const own = { staffId: idOf('Kofi Arden'), skills: ['finder', 'finder'] }
    const said = planIn((await agent.put<BenchPlans>(path, own)).body)
    expect(said.hands.find(({ name }) => name === 'Kofi Arden')).toMatchObject({
      skills: ['finder'],
      mayChange: true,
    })
    expect((await agent.put(path, { staffId: idOf('Ines Marlow'), skills: [] })).status).toBe(403)
    const free = planIn((await ines.put<BenchPlans>(path, { ...own, skills: null })).body)
    expect(free.hands.find(({ name }) => name === 'Kofi Arden')?.skills).toBeNull()
  })

  it('what is checked falls out by itself', async () => {
    const [line] = (await read()).lines.filter(({ isHeld }) => !isHeld)
    const kit = await kitOf(ines, line?.kitCode ?? '')
    await server.source.query(`UPDATE job SET closed_at = now() WHERE kit_id = $1`, [kit.id])
    await server.source.query(`UPDATE reading SET as_left = 0 WHERE kit_id = $1 AND current`, [kit.id])
    await server.source.query(`UPDATE kit SET stands_at = 'shelf' WHERE id = $1`, [kit.id])
    expect((await read()).lines.some(({ kitCode }) => kitCode === line?.kitCode)).toBe(false)
  })
})
