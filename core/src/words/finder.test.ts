import { dotBattery } from '../finder/battery.ts'
import { usualKnobs } from '../finder/finder-data.ts'
import { finderKnobs } from '../finder/knobs.ts'
import { aimWords, besideWords, firstLooksWords, knobLines, nearFocusWords } from './finder.ts'

it.each([
  [{ x: 19, y: -11 }, '19′ right and 11′ down'],
  [{ x: -0.2, y: 8 }, '8′ up'],
  [{ x: 0.1, y: 0 }, 'nothing'],
] as const)('%j is “%s”', (at, words) => expect(besideWords(at)).toBe(words))

it('a place in millimetres, seen from behind', () => {
  expect(aimWords({ x: -86, y: 81 })).toBe('86 mm left and 81 mm up')
})

it('each knob has its own line, in the hand’s words; one that needn’t be turned has none', () => {
  const knobs = usualKnobs('red-dot')
  const { rounded } = finderKnobs({ misalignment: { x: 19, y: 0 }, knobs })
  expect(knobLines(rounded, knobs)).toEqual([
    { name: 'Side knob', turns: -0.5, howFar: 'half a turn', what: 'anticlockwise; the dot goes 19′ left' },
  ])
  const other = knobs.map((knob) => ({ ...knob, clockwise: 'away' as const }))
  const line = knobLines(finderKnobs({ misalignment: { x: 19, y: 0 }, knobs: other }).rounded, other, 'cross')[0]
  expect(line?.what).toBe('clockwise; the cross goes 19′ left')
})

it('how near, with the reason; unknown with what to do', () => {
  expect(nearFocusWords({ nearestM: 14.73, extraTravelMm: null, reason: 'formula', reaches: null })).toBe(
    'Sharp from 15 m on, worked out from its drawtube.',
  )
  expect(nearFocusWords({ nearestM: null, extraTravelMm: null, reason: 'trial-needed', reaches: null })).toContain(
    'try how near it comes sharp',
  )
})

it('first looks in words', () => {
  expect(firstLooksWords(0.42)).toBe('42 of 100 first looks will show the target.')
  expect(firstLooksWords(0.999)).toContain('Nearly every')
})

describe('a red dot’s cell', () => {
  it('220 mAh at 2 mA last 110 h; after eighteen loans of 6 h it is nearly empty', () => {
    const fresh = dotBattery({ cell: 'CR2032', brightness: 'middling', loans: 0 })
    expect(fresh).toEqual({ hoursInAll: 110, hoursLeft: 110, change: false })
    expect(dotBattery({ cell: 'CR2032', brightness: 'middling', loans: 18 })).toMatchObject({
      hoursLeft: 2,
      change: true,
    })
    expect(dotBattery({ cell: 'cr2032', brightness: 'bright', loans: 30 }).hoursLeft).toBe(0)
    expect(() => dotBattery({ cell: '', brightness: 'dim', loans: -1 })).toThrow('loans')
  })
})
