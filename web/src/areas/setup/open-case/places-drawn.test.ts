import { closedOutline, closes, drawnOutline, nextLine, snapped } from './places-drawn.ts'

const caseMm = { width: 560, height: 400 }
const box = (left: number, top: number, right: number, bottom: number) => [
  { x: left, y: top },
  { x: right, y: top },
  { x: right, y: bottom },
  { x: left, y: bottom },
]
const given = { caseMm, places: [{ id: 'a', partId: 'p1', outlineMm: box(60, 56, 156, 108) }] }

it.each([
  ['from any corner to any other', { x: 300, y: 200 }, { x: 250, y: 260 }, box(250, 200, 300, 260)],
  ['in line with what is drawn already', { x: 176, y: 58 }, { x: 250, y: 105 }, box(176, 56, 250, 108)],
  ['not beyond the case', { x: 500, y: 350 }, { x: 700, y: 500 }, box(500, 350, 560, 400)],
])('a compartment is drawn %s', (_how, from, to, outline) => {
  expect(drawnOutline(from, to, given)).toEqual(outline)
})
it('a slip of the finger is none', () => {
  expect(drawnOutline({ x: 300, y: 200 }, { x: 305, y: 260 }, given)).toBeNull()
})
const bent = [
  { x: 300, y: 200 },
  { x: 330, y: 200 },
  { x: 330, y: 220 },
  { x: 360, y: 220 },
  { x: 360, y: 240 },
  { x: 300, y: 240 },
]
it('an outline of any shape goes from corner to corner, in line with its neighbours', () => {
  expect(snapped({ x: 158, y: 300 }, given)).toEqual({ x: 156, y: 300 })
  expect(closes(bent, { x: 304, y: 203 })).toBe(true)
  expect(closes(bent.slice(0, 2), { x: 300, y: 200 })).toBe(false)
  expect(closedOutline(bent)).toEqual(bent)
  // Tapped twice it is one corner.
  expect(closedOutline([...bent, { x: 300, y: 240 }])).toEqual(bent)
})
it.each([
  ['two corners', bent.slice(0, 2)],
  [
    'a slip of the finger',
    [
      { x: 1, y: 1 },
      { x: 5, y: 1 },
      { x: 5, y: 5 },
    ],
  ],
  ['sides that cross', [bent[0], bent[3], bent[1], bent[5]].flatMap((corner) => corner ?? [])],
])('%s make no compartment', (_what, corners) => {
  expect(closedOutline(corners)).toBeNull()
})
it('the next line of the card is the first without a place', () => {
  expect(nextLine([{ id: 'p1' }, { id: 'p2' }], given.places)).toBe('p2')
  expect(nextLine([{ id: 'p1' }], given.places)).toBeNull()
})
