import { testKit } from '../../../testing/kit-sheet.ts'
import { checkedKitOf } from '../check-draft.ts'
import {
  collimationStation,
  emptyCollimation,
  forgetOpenEnd,
  newLook,
  readingOfLook,
  turnedStepsOf,
  type Look,
  waitsForOpenEnd,
} from './collimation-draft.ts'

const kit = checkedKitOf(testKit())
const typed = (offsetMm: number | null, clockHours = 12): Look => ({ ...newLook(), offsetMm, clockHours })
const photo = (x: number, y: number): Look => ({
  ...newLook(),
  way: 'photo',
  measured: { axisErrorMm: { x, y }, uncertaintyMm: 0.2, secondaryErrorMm: null, byHand: false, pictureId: null },
})
const turns = [{ name: 'A', turns: 0.25 }]

it.each([
  { what: 'nothing typed', look: typed(null) },
  { what: 'a length below nothing', look: typed(-1) },
  { what: 'a picture that wasn’t taken', look: { ...newLook(), way: 'photo' as const } },
  { what: 'eyes that saw nothing yet', look: { ...newLook(), way: 'eye' as const } },
])('$what is no reading', ({ look }) => expect(readingOfLook(look)).toBeNull())

it('changing the way of looking loses neither reading', () => {
  const look = { ...photo(1, 2), offsetMm: 3.8 }
  expect(readingOfLook(look)).toMatchObject({ way: 'photo', axisErrorMm: { x: 1, y: 2 } })
  look.way = 'typed'
  expect(readingOfLook(look)).toMatchObject({ way: 'typed', offsetMm: 3.8 })
})

it('as found is the first look, as left the last, and what was turned lies between', () => {
  const draft = {
    ...emptyCollimation(),
    shaded: true,
    looks: [typed(4, 12), photo(0.5, 0)],
    between: [{ did: 'turned' as const, turns }],
  }
  const station = collimationStation(draft, kit)
  expect(station).toMatchObject({
    asFound: { way: 'typed', offsetMm: 4 },
    asLeft: { way: 'photo' },
    lookedAfterLocking: false,
  })
  // f = 650, the hole in the focal plane: h is half of the offset. Two doubts add as squares.
  expect(station?.turned).toEqual([
    {
      before: { x: 2, y: expect.closeTo(0, 9) },
      turns,
      after: { x: 0.5, y: 0 },
      uncertaintyMm: Math.hypot(0.25, 0.2),
    },
  ])
})

it('a look that was begun and not finished holds the station back', () => {
  const draft = {
    ...emptyCollimation(),
    shaded: true,
    looks: [typed(4), typed(null)],
    between: [{ did: 'turned' as const, turns }],
  }
  expect(collimationStation(draft, kit)).toBeNull()
  expect(turnedStepsOf(draft, kit)).toEqual([])
})

it('neither the secondary nor the locks teach anything about the primary’s screws', () => {
  const draft = {
    ...emptyCollimation(),
    shaded: true,
    looks: [typed(4), typed(3), typed(0.2)],
    between: [{ did: 'secondary' as const }, { did: 'locked' as const }],
  }
  expect(turnedStepsOf(draft, kit)).toEqual([])
  expect(collimationStation(draft, kit)?.lookedAfterLocking).toBe(true)
})

it.each([null, false])('the question of the Sun answered with %s, no way of reading counts', (shaded) => {
  for (const look of [typed(1), photo(1, 0), { ...newLook(), way: 'eye' as const, place: 'inside' as const }])
    expect(collimationStation({ ...emptyCollimation(), shaded, looks: [look] }, kit)).toBeNull()
})

it('at a certain night nobody asks, and a no shuts it all the same', () => {
  const night = { ...emptyCollimation(), looks: [typed(1)], sun: { siteId: 's', asked: false } }
  expect(collimationStation(night, kit)?.sun).toMatchObject({ siteId: 's', shaded: false })
  expect(collimationStation({ ...night, shaded: false }, kit)).toBeNull()
})

it('openings of a sliding tube never write over what was found', () => {
  const openings = [
    { x: 0.2, y: 0 },
    { x: 0.1, y: 0.1 },
  ]
  const draft = {
    ...emptyCollimation(),
    shaded: true,
    openings,
    looks: [typed(4), typed(0.5), typed(null)],
    between: [{ did: 'opened' as const }, { did: 'opened' as const }],
  }
  expect(collimationStation(draft, kit)).toMatchObject({
    asFound: { offsetMm: 4 },
    asLeft: { offsetMm: 0.5 },
    openings,
  })
  expect(turnedStepsOf(draft, kit)).toEqual([])
})

it('a picture waits for its open end, and only a picture does', () => {
  const draft = emptyCollimation()
  const [look] = draft.looks
  if (!look) throw new Error('no look')
  expect(waitsForOpenEnd(draft)).toBe(false)
  look.way = 'photo'
  // Chosen, but none taken yet.
  expect(waitsForOpenEnd(draft)).toBe(false)
  forgetOpenEnd(draft)
  expect(waitsForOpenEnd(draft)).toBe(true)
  look.way = 'typed'
  expect(waitsForOpenEnd(draft)).toBe(false)
  look.way = 'star'
  draft.openEndDeg = 90
  expect(waitsForOpenEnd(draft)).toBe(false)
})
