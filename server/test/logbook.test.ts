import { randomUUID } from 'node:crypto'
import type { BenchPlans, BranchView, Buying, KitStory, Shelf, Trends, WhatIfKits } from '@binoculum/contract'
import { besideKinds } from '@binoculum/core'
import { kitOf, startTestServer, takeBackBody, openLoanOf, type Agent } from './support.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let ines: Agent
let petra: Agent
beforeAll(async () => {
  server = await startTestServer()
  ines = await server.signIn('ines')
  petra = await server.signIn('petra')
})
afterAll(() => server.close())

const storyOf = async (code: string, from = '') =>
  (await ines.get<KitStory>(`/api/kits/${code}/story${from && `?from=${from}`}`)).body
const count = async (sql: string, ...values: unknown[]): Promise<number> => {
  const [row]: { n: number }[] = await server.source.query(sql, values)
  return Number(row?.n)
}

describe('a kit’s story', () => {
  it('is a year of loans, figures and lines, as they stand in the tables; earlier ones are asked for', async () => {
    const { kit, from, hasEarlier, loans, readings, lines } = await storyOf('M-01')
    expect([from, hasEarlier]).toEqual(['2025-03-11', true])
    expect(loans).toHaveLength(
      await count(
        `SELECT count(*) AS n FROM loan WHERE kit_id = $1 AND from_on >= $2 AND state <> 'cancelled'`,
        kit.id,
        from,
      ),
    )
    const besides: readonly string[] = besideKinds
    expect(readings.filter(({ kind }) => !besides.includes(kind))).toHaveLength(
      await count(`SELECT count(*) AS n FROM reading WHERE kit_id = $1 AND at >= $2`, kit.id, from),
    )
    expect(lines).toHaveLength(
      await count(`SELECT count(*) AS n FROM record WHERE kit_id = $1 AND at >= $2`, kit.id, from),
    )
    const all = await storyOf('M-01', '2020-01-01')
    expect(all.hasEarlier).toBe(false)
    expect(all.loans.length).toBeGreaterThan(loans.length)
    expect(all.loans.map(({ fromOn }) => fromOn)).toEqual(all.loans.map(({ fromOn }) => fromOn).sort())
  })

  it('says how likely its mirror comes back beyond the limit, and more after each loan without a look', async () => {
    const { forecast } = await storyOf('M-01')
    if (!forecast) throw new Error('nobody has looked')
    expect(forecast.basis.kind).toBe('both')
    expect(forecast.after).toHaveLength(3)
    expect(forecast.after).toEqual([...forecast.after].sort((a, b) => a - b))
    expect(forecast.chanceBeyondLimit).toBeGreaterThan(0)
    // Somebody brings it back: one loan more lies between.
    const out = (await ines.get<{ kits: { code: string; group: string }[] }>('/api/kits')).body.kits
      .filter(({ group }) => group === 'out')
      .map(({ code }) => code)
    for (const code of out) {
      const before = (await storyOf(code)).forecast
      if (!before) continue
      const loanId = await openLoanOf(ines, code)
      server.time.now = new Date(server.time.now.getTime() + 60_000)
      expect((await ines.post(`/api/loans/${loanId}/take-back`, await takeBackBody(ines, loanId))).status).toBe(200)
      const after = (await storyOf(code)).forecast
      expect(after?.loansSince).toBe(before.loansSince + 1)
      expect(after?.chanceBeyondLimit ?? 0).toBeGreaterThan(before.chanceBeyondLimit ?? 1)
      return
    }
    throw new Error('no kit with a mirror is out')
  })

  it('what a check kept beside its readings stands in it too: where a ring stands, and what a cell has', async () => {
    const kit = await kitOf(ines, 'M-01')
    const judged = { altitudeDeg: 20, fell: 'stays', setUp: 'bare' }
    const [check]: { id: string }[] = await server.source.query(
      `UPDATE bench_check SET stations = stations || $2::jsonb
       WHERE id = (SELECT id FROM bench_check WHERE kit_id = $1 ORDER BY at DESC LIMIT 1) RETURNING id`,
      [
        kit.id,
        JSON.stringify([
          { station: 'let-go', asFound: [judged], asLeft: [judged], foundMm: 212, leftMm: 205 },
          { station: 'let-go', from: 'a version that nobody knows any more' },
        ]),
      ],
    )
    expect(check).toBeDefined()
    const { readings } = await storyOf('M-01')
    expect(readings.filter(({ kind }) => kind === 'ring-place')).toMatchObject([
      { asFound: 212, asLeft: 205, limit: null, unit: 'mm' },
    ])
    const cells = readings.filter(({ kind }) => kind === 'coin-cell')
    expect(cells.length).toBeGreaterThan(1)
    expect(cells[0]).toMatchObject({ limit: 2.8, limitIsLeast: true, unit: 'V' })
  })

  it('of a kit without readings, and of one that was typed in, says so', async () => {
    const kit = await kitOf(ines, 'M-02')
    await server.source.query(`UPDATE reading SET as_found_at = NULL, as_left_at = NULL WHERE kit_id = $1`, [kit.id])
    const typed = (await storyOf('M-02')).forecast
    expect(typed?.basis.lengthsOnly).toBe(typed?.basis.pairs)
    await server.source.query(`DELETE FROM reading WHERE kit_id = $1`, [kit.id])
    await server.source.query(`UPDATE bench_check SET stations = '[]' WHERE kit_id = $1`, [kit.id])
    expect(await storyOf('M-02')).toMatchObject({ readings: [], forecast: null })
  })

  it('is for those of its branch', async () => {
    expect((await petra.get('/api/kits/M-01/story')).status).toBe(404)
  })
})

describe('a look that is due', () => {
  it('stands on the shelf and in the bench’s plan, judges nothing, and is over when somebody has looked', async () => {
    const shelf = async () => (await ines.get<Shelf>('/api/kits')).body.kits.find(({ code }) => code === 'F-02')
    const before = await shelf()
    expect(before?.look?.loans).toBeGreaterThan(1)
    expect(before?.look?.chance).toBeGreaterThan(1 / 3)
    const { forecast } = await storyOf('F-02')
    expect(forecast?.chanceNow).toBeCloseTo(before?.look?.chance ?? 0, 9)
    const planned = async () =>
      (await ines.get<BenchPlans>('/api/bench-plan')).body.branches
        .flatMap(({ lines }) => lines)
        .find(({ kitCode }) => kitCode === 'F-02')
    expect((await planned())?.sentences.join(' ')).toContain('Check it before the next loan')
    const kit = await kitOf(ines, 'F-02')
    const asFound = { way: 'typed', offsetMm: 0.4, clockHours: 2 }
    const sun = { siteId: null, shaded: true, lookedAtUtc: server.time.now.toISOString() }
    const station = {
      station: 'collimation',
      asFound,
      asLeft: asFound,
      sun,
      note: '',
      minutes: 6,
      lookedAfterLocking: true,
    }
    const checked = await ines.post(`/api/kits/${kit.id}/checks`, {
      ...{ idempotencyKey: randomUUID(), kitVersion: kit.version, stations: [station] },
      ...{ doneJobIds: [], backToShelf: false, deviceUtc: null },
    })
    expect(checked.status).toBe(200)
    expect((await shelf())?.look).toBeNull()
    expect((await storyOf('F-02')).forecast?.loansSince).toBe(0)
  })
})

it('from which chance on a look is due, each branch decides', async () => {
  const { branches } = (await ines.get<{ branches: BranchView[] }>('/api/branches')).body
  const { id, mayChange: _may, ...fields } = branches.find(({ name }) => name.startsWith('Marrowdale'))!
  expect(fields.dueChance).toBeCloseTo(1 / 3, 9)
  await server.source.query(
    `UPDATE kit_drift SET loans_since = 1, chance_after = '{0.5}' WHERE kit_id = (SELECT id FROM kit WHERE code = 'M-01')`,
  )
  const due = async (dueChance: number) => {
    expect((await ines.put(`/api/branches/${id}`, { ...fields, dueChance })).status).toBe(200)
    const { kits } = (await ines.get<Shelf>('/api/kits')).body
    return kits.filter(({ branchId, look }) => branchId === id && look).map(({ look }) => look!.chance)
  }
  const anxious = await due(0.05)
  const calm = await due(0.9)
  expect(anxious.length).toBeGreaterThan(calm.length)
  expect(Math.min(1, ...anxious)).toBeGreaterThanOrEqual(0.05)
  expect(Math.min(1, ...calm)).toBeGreaterThanOrEqual(0.9)
  expect((await storyOf('M-01')).forecast?.dueChance).toBe(0.9)
  expect((await ines.get<WhatIfKits>(`/api/branches/${id}/what-if`)).body.dueChance).toBe(0.9)
  expect((await ines.put(`/api/branches/${id}`, { ...fields, dueChance: 1 })).status).toBe(400)
  await due(fields.dueChance)
})

describe('trends', () => {
  const libraryOf = ({ branches }: Trends) => {
    const found = branches.find(({ branchName }) => branchName.startsWith('Marrow'))
    if (!found) throw new Error('no library')
    return found
  }
  it('are those of the tables, with an interval around each, and nothing said of too few', async () => {
    const { models, months, branchId } = libraryOf((await ines.get<Trends>('/api/logbook')).body)
    const model = models.find(({ mirrorMm }) => mirrorMm.n >= 5)
    if (!model) throw new Error('no model has enough')
    const [own]: { middle: number; beyond: number; n: number }[] = await server.source.query(
      `SELECT percentile_cont(0.5) WITHIN GROUP (ORDER BY as_found) AS middle, count(*)::int AS n,
         avg((as_found > limit_value)::int)::float AS beyond FROM (
         SELECT r.as_found, r.limit_value, row_number() OVER (PARTITION BY r.kit_id ORDER BY r.at DESC) AS place
         FROM reading r JOIN kit k ON k.id = r.kit_id
         WHERE k.model_id = $1 AND k.branch_id = $2 AND r.kind = 'collimation' AND r.as_found IS NOT NULL) newest
       WHERE place <= 20`,
      [model.modelId, branchId],
    )
    expect(model.mirrorMm.n).toBe(own?.n)
    expect(model.mirrorMm.middle).toBeCloseTo(own?.middle ?? 0, 9)
    expect(model.mirrorMm.beyond?.share).toBeCloseTo(own?.beyond ?? 0, 9)
    expect(model.mirrorMm.beyond?.low).toBeLessThanOrEqual(model.mirrorMm.beyond?.share ?? 0)
    for (const each of models) {
      if (each.lostPerHundred) expect(each.lostPerHundred.low).toBeLessThanOrEqual(each.lostPerHundred.rate)
      if (each.mirrorMm.n < 5) expect(each.mirrorMm.beyond).toBeNull()
    }
    expect(months).toHaveLength(18)
    expect(months.at(-1)?.month).toBe('2026-03')
    expect(months.reduce((sum, { loans }) => sum + loans, 0)).toBe(
      await count(
        `SELECT count(*) AS n FROM loan WHERE branch_id = $1 AND state IN ('out', 'back') AND from_on BETWEEN '2024-10-01' AND '2026-03-12'`,
        branchId,
      ),
    )
  })

  it('a year is played through with kits as their records have them', async () => {
    const { branchId } = libraryOf((await ines.get<Trends>('/api/logbook')).body)
    const { kits, dueChance } = (await ines.get<WhatIfKits>(`/api/branches/${branchId}/what-if`)).body
    expect(dueChance).toBeCloseTo(1 / 3)
    const own = kits.find(({ code }) => code === 'M-01')
    const { forecast } = await storyOf('M-01')
    expect(own?.sigmaMm).toBeCloseTo(forecast?.sigmaPerLoanMm ?? 0, 9)
    expect(own?.loansAYear).toBe(
      await count(
        `SELECT count(*) AS n FROM loan l JOIN kit k ON k.id = l.kit_id WHERE k.code = 'M-01' AND l.state IN ('out', 'back')
           AND l.from_on BETWEEN date '2026-03-12' - 365 AND '2026-03-12'`,
      ),
    )
    for (const { leftMm, limitMm } of kits) expect(leftMm).toBeLessThanOrEqual(limitMm / 2)
    expect((await petra.get(`/api/branches/${branchId}/what-if`)).status).toBe(404)
  })
})

describe('a branch along its months', () => {
  const ofBranch = async () => {
    const { branches } = (await ines.get<Trends>('/api/logbook')).body
    const branch = branches.find(({ branchName }) => branchName.startsWith('Marrowdale'))
    if (!branch) throw new Error('no branch')
    return branch
  }

  it('days are what somebody counts who goes through them one by one', async () => {
    const { branchId, days } = await ofBranch()
    const keepIn = ['bench-wanted', 'knock-check', 'reported-trouble', 'held-by-staff', 'fleet-stop']
    const gone = ['kit-lost', 'kit-stolen', 'retired']
    const counted = await server.source.query(
      `SELECT to_char(day, 'YYYY-MM') AS month, count(*) FILTER (WHERE out)::int AS out, count(*) FILTER (WHERE NOT out AND kept)::int AS bench,
         count(*) FILTER (WHERE NOT out AND NOT kept AND ready)::int AS waiting, count(*) FILTER (WHERE NOT out AND NOT kept AND NOT ready)::int AS fit
       FROM kit k CROSS JOIN generate_series(DATE '2024-10-01', DATE '2026-03-12', '1 day') each(day) CROSS JOIN LATERAL (SELECT
         EXISTS (SELECT 1 FROM loan l WHERE l.kit_id = k.id AND l.state IN ('out', 'back')
           AND day BETWEEN (l.out_at AT TIME ZONE 'Europe/Dublin')::date AND coalesce((l.back_at AT TIME ZONE 'Europe/Dublin')::date, DATE '2026-03-12')) AS out,
         EXISTS (SELECT 1 FROM job j WHERE j.kit_id = k.id AND j.code = ANY($2)
           AND day BETWEEN (j.opened_at AT TIME ZONE 'Europe/Dublin')::date AND coalesce((j.closed_at AT TIME ZONE 'Europe/Dublin')::date, DATE '2026-03-12')) AS kept,
         EXISTS (SELECT 1 FROM loan l WHERE l.kit_id = k.id AND l.state = 'back'
           AND day > (l.back_at AT TIME ZONE 'Europe/Dublin')::date AND day <= (l.back_at AT TIME ZONE 'Europe/Dublin')::date + l.turnaround_days) AS ready
       ) was
       WHERE k.branch_id = $1 AND day >= (SELECT least((SELECT min(from_on) FROM loan WHERE kit_id = k.id), (SELECT min(at)::date FROM bench_check WHERE kit_id = k.id)))
       GROUP BY 1 ORDER BY 1`,
      [branchId, [...keepIn, ...gone]],
    )
    expect(days.filter(({ fit, out, waiting, bench }) => fit + out + waiting + bench > 0)).toEqual(
      (counted as (typeof days)[number][]).map(({ month, fit, out, waiting, bench }) => ({
        month,
        fit,
        out,
        waiting,
        bench,
      })),
    )
    expect(days.reduce((sum, { out }) => sum + out, 0)).toBeGreaterThan(500)
  })

  it('a family is all of its models together', async () => {
    const { models, families } = await ofBranch()
    for (const family of families) {
      const own = models.filter((model) => model.family === family.family)
      expect(family.loans).toBe(own.reduce((sum, { loans }) => sum + loans, 0))
      expect(family.mirrorMm.n).toBe(own.reduce((sum, { mirrorMm }) => sum + mirrorMm.n, 0))
      expect(family.kits.length).toBe(own.reduce((sum, { kits }) => sum + kits.length, 0))
    }
    expect(families.length).toBeLessThan(models.length)
  })

  it('what kept kits in, what came late and what was lost are the tables’ own figures', async () => {
    const { branchId, held, late, lost, stations } = await ofBranch()
    expect(held.length).toBeGreaterThan(1)
    for (const { code, times } of held)
      expect(times).toBe(
        await count(
          `SELECT count(*) AS n FROM job j JOIN kit k ON k.id = j.kit_id WHERE k.branch_id = $1 AND j.code = $2
             AND coalesce(j.closed_at, now()) >= '2024-10-01' AND j.opened_at > '2023-10-01' AND j.opened_at < '2026-03-13'`,
          branchId,
          code,
        ),
      )
    expect(late.reduce((sum, { loans }) => sum + loans, 0)).toBe(
      await count(
        `SELECT count(*) AS n FROM loan WHERE branch_id = $1 AND state = 'back' AND from_on BETWEEN '2024-10-01' AND '2026-03-12'`,
        branchId,
      ),
    )
    for (const { role, losses } of lost)
      expect(losses).toBe(
        await count(
          `SELECT coalesce(sum(CASE WHEN m->>'mark' = 'missing' THEN p.count - (m->>'presentCount')::int ELSE 0 END), 0) AS n
           FROM take_back t JOIN loan l ON l.id = t.loan_id CROSS JOIN LATERAL jsonb_array_elements(t.marks) m JOIN part p ON p.id = (m->>'partId')::uuid
           WHERE l.branch_id = $1 AND p.role = $2 AND NOT t.correction AND t.at >= '2024-01-01'`,
          branchId,
          role,
        ),
      )
    expect(stations.every(({ minutes, times }) => minutes > 0 && times > 0)).toBe(true)
  })
})

describe('buying and mending', () => {
  const buying = async (query = '') => {
    const { branchId } = await kitOf(ines, 'M-12')
    return ines.get<Buying>(`/api/branches/${branchId}/buying${query}`)
  }

  it('a loan costs what its model’s kits, lost parts and loans make of it', async () => {
    await server.source.query('UPDATE kit SET price_minor = 40000')
    const { models } = (await buying()).body
    const priced = models.filter(({ costMinor }) => costMinor)
    expect(priced.length).toBeGreaterThan(3)
    for (const { kits, loans, years, lostMinor, costMinor } of priced) {
      expect(costMinor?.middle).toBeCloseTo((40000 * kits) / 8 / (loans / years) + lostMinor / loans, 6)
      expect(costMinor?.low).toBeLessThan(costMinor?.middle ?? 0)
    }
    await server.source.query(`UPDATE kit SET price_minor = NULL WHERE code = 'M-12'`)
    const { modelId } = await kitOf(ines, 'M-12')
    const without = (await buying()).body.models.find((model) => model.modelId === modelId)
    expect(without).toMatchObject({ kitsWithoutPrice: 1, costMinor: null })
  })

  it('more are kept where new ones take longer, and the drawer counts', async () => {
    const soon = (await buying('?leadWeeks=2')).body.spares
    const late = (await buying('?leadWeeks=26&serviceLevel=0.99')).body.spares
    expect(soon.length).toBeGreaterThan(1)
    expect(late.map(({ role }) => role)).toEqual(soon.map(({ role }) => role))
    for (const [index, { keep, have, order, expected }] of late.entries()) {
      expect(keep).toBeGreaterThanOrEqual(soon[index]?.keep ?? 0)
      expect(keep).toBeGreaterThanOrEqual(Math.floor(expected))
      expect(order).toBe(Math.max(0, keep - have))
    }
    expect((await buying('?leadWeeks=0')).status).toBe(400)
  })

  it('is a file of two pages for the committee', async () => {
    const { branchId } = await kitOf(ines, 'M-12')
    const pdf = await ines.bytes(`/api/branches/${branchId}/buying/pdf`)
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-')
    expect(pdf.toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(2)
  })
})
