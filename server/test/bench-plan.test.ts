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

  it('what is checked falls out by itself', async () => {
    const [line] = (await read()).lines.filter(({ isHeld }) => !isHeld)
    const kit = await kitOf(ines, line?.kitCode ?? '')
    await server.source.query(`UPDATE job SET closed_at = now() WHERE kit_id = $1`, [kit.id])
    await server.source.query(`UPDATE reading SET as_left = 0 WHERE kit_id = $1 AND current`, [kit.id])
    await server.source.query(`UPDATE kit SET stands_at = 'shelf' WHERE id = $1`, [kit.id])
    expect((await read()).lines.some(({ kitCode }) => kitCode === line?.kitCode)).toBe(false)
  })
})
