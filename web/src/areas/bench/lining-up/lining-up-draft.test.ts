import { driftResult, emptyLiningUp, landingResult, liningUpOf, noDrift, noLandings } from './lining-up-draft.ts'

const FIELD_DEG = 2

it('nobody looked: nothing is sent', () => {
  expect(liningUpOf(emptyLiningUp(), 52)).toEqual({ landings: null, drift: null })
})

it('an object without a name, or without a place, says nothing', () => {
  const given = noLandings()
  Object.assign(given.rows[0] ?? {}, { object: '  ', place: 'middle' })
  Object.assign(given.rows[1] ?? {}, { object: 'Vega', place: null })
  expect(landingResult(given, FIELD_DEG)).toBeNull()
})

it('how far aside counts only of what landed outside', () => {
  const draft = emptyLiningUp()
  Object.assign(draft.landings.found.rows[0] ?? {}, { object: 'Vega', place: 'outside', asideDeg: 15 })
  Object.assign(draft.landings.found.rows[1] ?? {}, { object: 'Deneb', place: 'edge', asideDeg: 15 })
  expect(liningUpOf(draft, null).landings?.asFound.landings).toEqual([
    { object: 'Vega', place: 'outside', asideDeg: 15 },
    { object: 'Deneb', place: 'edge', asideDeg: null },
  ])
  expect(landingResult(draft.landings.found, FIELD_DEG)).toMatchObject({ verdict: 'off', hint: 'daylight-saving' })
})

it('as left waits until it was looked at again', () => {
  const draft = emptyLiningUp()
  Object.assign(draft.landings.found.rows[0] ?? {}, { object: 'Vega', place: 'outside' })
  draft.landings.left = noLandings()
  Object.assign(draft.drift.found[0] ?? {}, { arcmin: 2, minutes: 4 })
  draft.drift.left = noDrift()
  expect(liningUpOf(draft, 52)).toEqual({ landings: null, drift: null })
  Object.assign(draft.landings.left.rows[0] ?? {}, { object: 'Vega', place: 'middle' })
  Object.assign(draft.drift.left[0] ?? {}, { arcmin: 0, minutes: 4 })
  const { landings, drift } = liningUpOf(draft, 52)
  expect(landings?.asLeft.landings[0]?.place).toBe('middle')
  expect(drift).toMatchObject({ asFound: [{ northArcmin: -2 }], asLeft: [{ northArcmin: -0 }], latitudeDeg: 52 })
})

it('a drift without its minutes, or at no known place, claims nothing', () => {
  const rows = noDrift()
  Object.assign(rows[0] ?? {}, { arcmin: 2 })
  expect(driftResult(rows, 52)).toBeNull()
  Object.assign(rows[0] ?? {}, { minutes: 4 })
  expect(driftResult(rows, null)).toBeNull()
  // South near the meridian, in the north: the axis points too far east.
  expect(driftResult(rows, 52)?.eastArcmin).toBeGreaterThan(0)
  expect(driftResult(rows, -34)?.eastArcmin).toBeLessThan(0)
})
