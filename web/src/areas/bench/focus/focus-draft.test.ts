import { testKit, testPart } from '../../../testing/kit-sheet.ts'
import { chainsOf, emptyFocus, focusStation, reachOf } from './focus-draft.ts'

const base = testKit()
const kit = {
  ...base,
  optics: { ...base.optics, focalLengthMm: 480 },
  parts: [
    testPart('Eyepiece 23 mm', { role: 'low-eyepiece', optics: { focalLengthMm: 23, apparentFieldDeg: 50 } }),
    testPart('Barlow 2×', { role: 'barlow', optics: { barlow: 2 } }),
  ],
}

it('each eyepiece is tried alone and with its Barlow', () => {
  expect(chainsOf(kit).map(({ chain }) => chain)).toEqual(['Eyepiece 23 mm', 'Eyepiece 23 mm + Barlow 2×'])
})

it('nothing is claimed before the travel is known, and what was left untried stays out', () => {
  const draft = { ...emptyFocus(), rackFound: 'smooth' as const }
  draft.found['Eyepiece 23 mm'] = { drawtubeMm: 20, never: false }
  expect(focusStation(draft, kit)).toBeNull()
  const known = { ...draft, travelMm: 50 }
  expect(focusStation(known, kit)?.asFound.looks).toEqual([
    { chain: 'Eyepiece 23 mm', eyepieceMm: 23, drawtubeMm: 20 },
  ])
})

it('what was put right counts as left, the rest as found', () => {
  const draft = { ...emptyFocus(), travelMm: 50, rackFound: 'slips' as const, rackLeft: 'smooth' as const }
  draft.found['Eyepiece 23 mm'] = { drawtubeMm: 20, never: false }
  draft.found['Eyepiece 23 mm + Barlow 2×'] = { drawtubeMm: null, never: true }
  draft.left['Eyepiece 23 mm + Barlow 2×'] = { drawtubeMm: 44, never: false }
  const { asFound, asLeft } = focusStation(draft, kit) ?? {}
  expect(asFound?.looks.map(({ drawtubeMm }) => drawtubeMm)).toEqual([20, null])
  expect(asLeft?.looks.map(({ drawtubeMm }) => drawtubeMm)).toEqual([20, 44])
  expect([asFound?.rack, asLeft?.rack]).toEqual(['slips', 'smooth'])
})

it('a reading beyond the scale is said, never taken', () => {
  const draft = { ...emptyFocus(), travelMm: 50 }
  const [chain] = chainsOf(kit)
  const beyond = chain && reachOf({ drawtubeMm: 70, never: false }, chain, draft, kit)
  expect(beyond).toMatchObject({ reach: null, problem: expect.stringContaining('0 to 50 mm') })
})
