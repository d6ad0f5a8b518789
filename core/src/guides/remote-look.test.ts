import type { MeasuredPhoto } from '../collimation/picture/measure-photo.ts'
import type { StarJudged } from '../collimation/picture/star-judge.ts'
import type { StarTested } from '../collimation/picture/star-test.ts'
import { axisErrorAfter, type PrimaryCell } from '../collimation/screws.ts'
import { lengthOf } from '../shared/angles.ts'
import { caseLook, closedTubeLook, finderLook, mirrorLook, starLook } from './remote-look.ts'

const circle = { xPx: 0, yPx: 0, radiusPx: 100, confidence: 0.9 }
const photoOf = (change: Partial<MeasuredPhoto>) =>
  ({
    ...{ primaryEdge: circle, capRing: circle, axisErrorMm: { x: 0, y: 2 }, axisErrorUncertaintyMm: 0.2 },
    ...{ limitMm: 1, verdict: 'poor', refused: null, warnings: [], cell: null },
    ...change,
  }) as MeasuredPhoto
const cell: PrimaryCell = {
  ...{ focalLengthMm: 480, circleRadiusMm: 45, pitchMm: 0.7, clockwise: 'towards-sky' },
  screws: ['A', 'B', 'C'].map((name, i) => ({ name, angleDeg: i * 120 })),
}
const leave = { cell, locks: true }
const inCell = (x: number, y: number) => photoOf({ cell: { axisErrorMm: { x, y }, secondaryErrorMm: null } as never })
const said = (look: { lines: readonly { sentence: string }[] }) =>
  look.lines.map(({ sentence }) => sentence).join(' ')

it('says the figure with its doubt and limit, and leaves the screws alone without the branch’s leave', () => {
  const look = mirrorLook(inCell(2, 0), null)
  expect(look.meaning).toBe('off')
  expect(look.figure).toEqual({ value: 2, uncertainty: 0.2, limit: 1, unit: 'mm' })
  expect(said(look)).toMatch(/Turn nothing/)
  expect(said(look)).not.toMatch(/screw/)
})

it('names no screw before the picture’s frame is known', () => {
  expect(said(mirrorLook(photoOf({ cell: null }), leave))).not.toMatch(/turn screw/)
})

it.each([
  [2, 0],
  [-1.4, 1.6],
  [0.3, -2.2],
])('the one screw that it names makes an error of (%p, %p) smaller', (x, y) => {
  const look = mirrorLook(inCell(x, y), leave)
  const { sentence, variables } = look.lines.at(-2) ?? { sentence: '', variables: {} }
  expect(said(look)).toMatch(/Loosen the small locks a little\. From behind.*Measured/)
  const way = sentence.includes('anticlockwise') ? -1 : 1
  const eighths = { '⅛': 1, '¼': 2, '⅜': 3, '½': 4, '⅝': 5, '¾': 6, '⅞': 7, '1': 8 }[String(variables.turn)] ?? NaN
  const after = axisErrorAfter(cell, { x, y }, [{ name: String(variables.screw), turns: (way * eighths) / 8 }])
  expect(lengthOf(after)).toBeLessThan(0.75 * Math.hypot(x, y))
})

it('more than a screw has is for the bench', () => {
  expect(said(mirrorLook(inCell(60, 0), leave))).toMatch(/Turn nothing/)
})

it.each([
  ['good', 'good', /lined up well/],
  ['usable', 'usable', /fine for the Moon/],
  ['unsure', 'unsure', /can’t tell.*Another photo/],
] as const)('%s stays %s', (verdict, meaning, words) => {
  const look = mirrorLook(photoOf({ verdict }), leave)
  expect([look.meaning, said(look)]).toEqual([meaning, expect.stringMatching(words)])
})

it('a refused picture has no figure and says what to do', () => {
  const look = mirrorLook(photoOf({ refused: 'too-dark', verdict: null }), leave)
  expect(look).toMatchObject({ meaning: 'unreadable', figure: null })
  expect(said(look)).toMatch(/bright wall, away from the Sun/)
})

const starOf = (change: Partial<StarTested>) =>
  ({ refused: null, axisErrorMm: 3, warnings: [], ...change }) as unknown as StarTested

it('one side of focus condemns only what is off by far, and nothing while the secondary’s own offset is in it', () => {
  const one = { limitMm: 1, bothSides: false }
  expect(starLook(starOf({}), one).meaning).toBe('off')
  expect(starLook(starOf({ axisErrorMm: 1.6 }), one).meaning).toBe('unsure')
  expect(starLook(starOf({ axisErrorMm: 1.6 }), { ...one, bothSides: true }).meaning).toBe('off')
  expect(starLook(starOf({ warnings: ['static-unknown'] }), one).meaning).toBe('unsure')
  expect(starLook(starOf({ axisErrorMm: null }), one)).toMatchObject({ meaning: 'unreadable', figure: null })
})

const closedOf = (change: Partial<StarJudged>) =>
  ({ refused: null, verdict: 'workshop', warnings: [], ...change }) as unknown as StarJudged

it('a lens is never screwed at, and never condemned by one photo', () => {
  expect(closedTubeLook(closedOf({ warnings: ['one-sided'] })).meaning).toBe('unsure')
  expect(closedTubeLook(closedOf({ verdict: 'fit', warnings: ['one-sided'] })).meaning).toBe('good')
  const bad = closedTubeLook(closedOf({}))
  expect([bad.meaning, said(bad)]).toEqual(['off', expect.stringMatching(/Turn nothing: a workshop/)])
})

describe('the finder, against the lowest power’s field of 1°', () => {
  const given = { trueFieldDeg: 1, canBeSet: true }
  const seen = (x: number, y: number) => ({ misalignmentArcmin: { x, y }, uncertaintyArcmin: 3 })
  it.each([
    [10, 10, 'good'],
    [20, 15, 'usable'],
    [0, 31, 'off'],
  ])('%p′, %p′ aside is %s', (x, y, meaning) => {
    expect(finderLook(seen(x, y), given)).toMatchObject({ meaning, figure: { limit: 30, unit: 'arcmin' } })
  })
  it('what isn’t in view is farther off than half the field, and has no figure', () => {
    const look = finderLook(null, { ...given, canBeSet: false })
    expect(look).toMatchObject({ meaning: 'off', figure: null })
    expect(look.lines[0]?.variables).toEqual({ limit: '30′' })
    expect(said(look)).toMatch(/nothing to turn/)
  })
})

it('a case says where to look, and what it can’t tell', () => {
  const places = (
    [
      ['10 mm eyepiece', 'different'],
      ['Front cap', 'same'],
      ['Hex key', 'can’t-tell'],
    ] as const
  ).map(([name, verdict]) => ({ name, verdict }))
  const look = caseLook(null, places)
  expect(look.meaning).toBe('off')
  expect(look.lines.map(({ variables }) => variables)).toEqual([{ parts: '10 mm eyepiece' }, { parts: 'Hex key' }])
  expect(caseLook(null, places.slice(1, 2)).meaning).toBe('good')
  expect(caseLook('slanted', places)).toMatchObject({ meaning: 'unreadable' })
})
