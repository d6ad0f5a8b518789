import { emptyCheck, stationOf } from './check-draft.ts'

it('a station is complete when its as-found is, and as left is as found until something is put right', () => {
  const draft = emptyCheck()
  expect(stationOf(draft, 'glass')).toBeNull()
  draft.glass.asFound = 'fine'
  expect(stationOf(draft, 'glass')).toMatchObject({ asFound: 'fine', asLeft: 'fine' })
})

it('a half-typed second look doesn’t pass for a reading', () => {
  const draft = emptyCheck()
  draft.collimation.asFound = { offsetMm: 3.8, clockHours: 4 }
  draft.collimation.asLeft = { offsetMm: null, clockHours: 4 }
  expect(stationOf(draft, 'collimation')).toBeNull()
  draft.collimation.asLeft.offsetMm = 0.2
  expect(stationOf(draft, 'collimation')).toMatchObject({ asFound: { offsetMm: 3.8 }, asLeft: { offsetMm: 0.2 } })
})

it('the three-move test needs all three answers', () => {
  const draft = emptyCheck()
  draft.stand.asFound = { up: true, free: true, stays: null }
  expect(stationOf(draft, 'stand')).toBeNull()
  draft.stand.asFound.stays = false
  expect(stationOf(draft, 'stand')).toMatchObject({ asFound: { stays: false } })
})

it.each([
  { distanceM: 0, seenXMm: 1, seenYMm: 1 },
  { distanceM: 100, seenXMm: null, seenYMm: 1 },
  { distanceM: -5, seenXMm: 1, seenYMm: 1 },
])('a landmark reading of $distanceM m, $seenXMm, $seenYMm is none', (given) => {
  const draft = emptyCheck()
  draft.finder.asFound = { way: 'landmark', misalignmentArcmin: null, ...given }
  expect(stationOf(draft, 'finder')).toBeNull()
})

it('minutes come from the clock', () => {
  const draft = emptyCheck()
  draft.pack.asFound = 'fine'
  draft.seconds.pack = 90
  expect(stationOf(draft, 'pack')?.minutes).toBe(1.5)
})
