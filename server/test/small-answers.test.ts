import type { HandOutForm, KitChange, KitSheet, ModelSheet } from '@binoculum/contract'
import {
  handOutBody,
  kitOf,
  openLoanOf,
  startTestServer,
  takeBackBody,
  watchStatements,
  type Agent,
} from './support.ts'

/** What a volunteer does dozens of times a day asks little of the database, and answers with what it changed. */

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let statements: string[]
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  statements = watchStatements(server.database.source)
})
afterAll(() => server.close())

const MOST_STATEMENTS = 12
const during = async (work: () => Promise<unknown>): Promise<readonly string[]> => {
  statements.length = 0
  await work()
  return [...statements]
}

it.each(['missing', 'damaged', 'present', 'unseen'])('a mark %s', async (mark) => {
  const kit = await kitOf(ines, 'F-05')
  const [part] = kit.parts
  let answer: unknown
  const asked = await during(async () => {
    answer = (await ines.post(`/api/kits/${kit.id}/parts/${part?.id}/mark`, { kitVersion: kit.version, mark })).body
  })
  expect(answer).toMatchObject({ parts: [{ id: part?.id, mark }], head: { version: kit.version + 1 } })
  if (asked.length > MOST_STATEMENTS) throw new Error(asked.join('\n---\n'))
  expect(JSON.stringify(answer).length).toBeLessThan(JSON.stringify(kit).length / 3)
  // All that a sheet shows follows from the answer: nothing has to be read anew.
  const { head, parts, line } = answer as KitChange
  const now = await kitOf(ines, 'F-05')
  expect({
    ...kit,
    ...head,
    parts: kit.parts.map((each) => parts.find(({ id }) => id === each.id) ?? each),
    history: [line, ...kit.history].slice(0, now.history.length),
  }).toEqual({ ...now, history: expect.any(Array) as unknown })
})

it('counting the rest', async () => {
  const kit = await kitOf(ines, 'M-03')
  const asked = await during(() => ines.post(`/api/kits/${kit.id}/count-rest`, { kitVersion: kit.version }))
  if (asked.length > MOST_STATEMENTS) throw new Error(asked.join('\n---\n'))
})

it.each([
  ['somebody new', {}],
  ['somebody known', { known: true }],
])('a hand-out to %s', async (_who, { known = false }: { known?: boolean }) => {
  const code = known ? 'F-05' : 'F-01'
  const { kitId, body } = await handOutBody(ines, code)
  const form = (await ines.get<HandOutForm>(`/api/kits/${code}/hand-out`)).body
  const [someone] = (
    await ines.get<{ borrowers: { id: string }[] }>(`/api/borrowers?branchId=${form.kit.branchId}&text=a`)
  ).body.borrowers
  const borrower = known ? { id: someone?.id } : body.borrower
  let status = 0
  const asked = await during(async () => {
    status = (await ines.post<KitSheet>(`/api/kits/${kitId}/hand-out`, { ...body, borrower })).status
  })
  expect(status).toBe(200)
  if (asked.length > MOST_STATEMENTS) throw new Error(`${asked.length}\n${asked.join('\n---\n')}`)
})

it('a take-back: its form and the act', async () => {
  const loanId = await openLoanOf(ines, 'F-03')
  const form = await during(() => ines.get(`/api/loans/${loanId}/take-back`))
  const body = await takeBackBody(ines, loanId)
  let status = 0
  const act = await during(async () => {
    status = (await ines.post(`/api/loans/${loanId}/take-back`, body)).status
  })
  expect(status).toBe(200)
  // A form shows the whole sheet, and what this branch knows of losses and of things that look alike.
  expect(form.length).toBeLessThanOrEqual(17)
  expect(act.length).toBeLessThanOrEqual(20)
})

it('a change of a model’s card, carried into all its kits, takes no more for nine kits than for one', async () => {
  const models: { id: string; kits: number }[] = await server.source.query(
    `SELECT model_id AS id, count(*)::int AS kits FROM kit GROUP BY 1 ORDER BY 2`,
  )
  const asked = async ({ id }: { id: string }) => {
    const { name, version, weighGroups, parts } = (await ines.get<ModelSheet>(`/api/models/${id}`)).body
    const lighter = parts.map((part) => ({ ...part, massG: part.massG && part.massG + 1 }))
    return during(async () => {
      const reply = await ines.put(`/api/models/${id}`, {
        ...{ name, version, weighGroups },
        parts: [...lighter.slice(1), { ...lighter[0], id: null, name: 'Spare screw' }],
      })
      expect([reply.status, reply.body]).toMatchObject([200, { parts: expect.any(Array) as unknown }])
    })
  }
  const [few, many] = [models.at(0), models.at(-1)]
  if (!few || !many || few.kits >= many.kits) throw new Error('the demo has models of one size only')
  const [one, all] = [await asked(few), await asked(many)]
  expect(all).toHaveLength(one.length)
})
