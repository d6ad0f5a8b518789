import type { IssuedGuide } from '@binoculum/contract'
import { handOutBody, startTestServer, takeBackBody } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
beforeAll(async () => {
  server = await startTestServer()
})
afterAll(() => server.close())

/** Bytes of a guide's row as the database keeps it. */
const sizeOf = async (loanId: string): Promise<number> => {
  const sql = 'SELECT pg_column_size(content) + pg_column_size(pieces) AS n FROM guide WHERE loan_id = $1'
  const [row]: { n: number }[] = await server.source.query(sql, [loanId])
  return row?.n ?? 0
}

it('guides of loans that are over are kept in pieces that guides share, and read as they were issued', async () => {
  const ines = await server.signIn('ines')
  const rounds: { loanId: string; issued: IssuedGuide; whole: number }[] = []
  for (const name of ['Nell Teague', 'Ruben Okafor-Lind']) {
    const { kitId, body } = await handOutBody(ines, 'F-05', { borrower: { name, contact: 'by post' } })
    const { loanId } = (await ines.post<{ loanId: string }>(`/api/kits/${kitId}/hand-out`, body)).body
    const whole = await sizeOf(loanId)
    const issued = (await ines.get<IssuedGuide>(`/api/loans/${loanId}/guide`)).body
    expect((await ines.post(`/api/loans/${loanId}/take-back`, await takeBackBody(ines, loanId))).status).toBe(200)
    rounds.push({ loanId, issued, whole })
  }
  for (const { loanId, issued } of rounds) expect((await ines.get(`/api/loans/${loanId}/guide`)).body).toEqual(issued)
  const kept: { hashes: string[] }[] = await server.source.query(
    `SELECT ARRAY(
       SELECT piece.value FROM jsonb_each(pieces) lang, jsonb_each_text(lang.value) piece ORDER BY 1) AS hashes
     FROM guide WHERE loan_id = ANY($1)`,
    [rounds.map(({ loanId }) => loanId)],
  )
  // The nights of a loan are its own; the words are everybody's.
  for (const { loanId, whole } of rounds) expect(await sizeOf(loanId)).toBeLessThan(whole / 2)
  expect(kept[0]?.hashes.length).toBeGreaterThan(5)
  expect(kept[1]?.hashes).toEqual(kept[0]?.hashes)
  const named = await server.source.query(`SELECT 1 FROM guide_piece WHERE body::text ~ 'Nell|Ruben'`)
  expect(named).toEqual([])
})
