import { testKit } from '../../../testing/kit-sheet.ts'
import { arcminOf, emptyFinder, finderStation, knobStepsOf, newFinderLook, type FinderDraft } from './finder-draft.ts'

const kit = testKit()
const checked = { lowestFieldDeg: 1 }
const landmark = {
  kind: 'landmark',
  name: 'Chimney',
  landmarkId: 'a',
  distanceM: 60,
  source: 'paced',
} as const
const star = { kind: 'star', name: 'the pole star', landmarkId: null, distanceM: null, source: 'typed' } as const
/** At a certain night; the page finds that out. */
const sun = { siteId: 's', asked: false }
const draft = (change: Partial<FinderDraft>): FinderDraft => ({ ...emptyFinder(), sun, ...change })
const seen = (x: number, y: number) => ({ ...newFinderLook(), seen: { x, y } })

it.each([
  { what: 'nothing seen', change: { target: star } },
  { what: 'no target', change: { looks: [seen(3, 4)] } },
  {
    what: 'an angle below nothing',
    change: { looks: [{ ...newFinderLook(), how: 'typed', misalignmentArcmin: -3 }] },
  },
  { what: 'a second look begun and not finished', change: { target: star, looks: [seen(3, 4), newFinderLook()] } },
] as const)('$what is no reading', ({ change }) => {
  expect(finderStation(draft(change as Partial<FinderDraft>), kit, checked)).toBeNull()
})

it.each([null, false])('by day, the question of the Sun answered with %s, nothing is taken', (shaded) => {
  expect(finderStation(draft({ target: landmark, shaded, looks: [seen(1, 1)] }), kit, checked)).toBeNull()
})

it.each([null, false])(
  'where night isn’t certain, a star or a known angle counts only with a yes, not with %s',
  (shaded) => {
    const typed = { ...newFinderLook(), how: 'typed' as const, misalignmentArcmin: 4 }
    for (const target of [star, null])
      for (const given of [{ siteId: 's', asked: true }, undefined]) {
        const unsure = draft({
          target,
          shaded,
          looks: [typed],
          ...(given ? { sun: given } : { sun: undefined as never }),
        })
        expect(finderStation(unsure, kit, checked)).toBeNull()
        expect(finderStation({ ...unsure, shaded: true }, kit, checked)).not.toBeNull()
      }
  },
)

it('answered with yes it is, and says so', () => {
  const station = finderStation(draft({ target: landmark, shaded: true, looks: [seen(1, 1)] }), kit, checked)
  expect(station?.asFound).toMatchObject({ way: 'seen', target: { name: 'Chimney', distanceM: 60, shaded: true } })
})

it('on a star the dot’s place is the misalignment; on a chimney at 60 m the aim mark is taken off', () => {
  const onStar = finderStation(draft({ target: star, looks: [seen(12, -5)] }), kit, checked)
  expect(onStar?.asLeft).toMatchObject({ misalignmentArcmin: { x: 12, y: -5 } })
  const { x, y } = kit.optics.finderOffsetMm
  const arcmin = (mm: number) => (Math.atan2(mm, 60_000) * 180 * 60) / Math.PI
  const look = { ...newFinderLook(), seen: { x: arcmin(x), y: arcmin(y) } }
  expect(arcminOf(look, landmark, kit, 1)).toBeCloseTo(0, 9)
  expect(arcminOf(seen(0, 0), landmark, kit, 1)).toBeCloseTo(Math.hypot(arcmin(x), arcmin(y)), 9)
})

it('as found, turned, as left: what the knobs did is kept', () => {
  const turns = [{ name: 'Side knob', turns: -0.5 }]
  const station = finderStation(
    draft({ target: star, looks: [seen(20, 0), seen(2, 1)], between: [{ turns }] }),
    kit,
    checked,
  )
  expect(station).toMatchObject({
    asFound: { misalignmentArcmin: { x: 20, y: 0 } },
    asLeft: { misalignmentArcmin: { x: 2, y: 1 } },
    turned: [{ before: { x: 20, y: 0 }, turns, after: { x: 2, y: 1 } }],
  })
})

it('changing the way of looking loses neither reading', () => {
  const look = { ...seen(3, 4), misalignmentArcmin: 9 }
  expect(arcminOf(look, star, kit, 1)).toBe(5)
  expect(arcminOf({ ...look, how: 'typed' }, star, kit, 1)).toBe(9)
  expect(arcminOf({ ...look, how: 'field', fraction: 0.5, clockHours: 12 }, star, kit, 1)).toBeCloseTo(15, 9)
})

it('marks count only where the finder has a scale', () => {
  const look = { ...newFinderLook(), how: 'scale' as const, marks: { x: 1, y: 0 } }
  expect(arcminOf(look, star, kit, 1)).toBeNull()
  expect(knobStepsOf(draft({ target: star, looks: [look, look], between: [{ turns: [] }] }), kit, 1)).toEqual([])
})

it('its own care goes with it: volts that no coin cell has stay in their field, the rest is kept', () => {
  const care = { brightness: 'dim', switchedOff: true, tabIn: true, doorScrewed: true, volts: 12 } as const
  const opticalCare = { frontCell: 'loose', oRing: 'seated', capsThere: true, atHighestPower: null } as const
  const sent = (volts: number | null) =>
    finderStation(draft({ target: star, looks: [seen(1, 1)], care: { ...care, volts }, opticalCare }), kit, checked)
  expect(sent(12)).toMatchObject({ care: { ...care, volts: null }, opticalCare })
  expect(sent(2.9)?.care?.volts).toBe(2.9)
  expect(sent(-1)?.care?.volts).toBeNull()
})
