import type { ReadingView } from '@binoculum/contract'
import { mount } from '@vue/test-utils'
import CellDrawing from '../../shared/drawings/CellDrawing.vue'
import { testKit } from '../../testing/kit-sheet.ts'
import BigChoice from '../../shared/controls/BigChoice.vue'
import BigFigure from '../../shared/drawings/BigFigure.vue'
import ControllerCard from './ControllerCard.vue'
import FoundLeft from './FoundLeft.vue'
import HomeDrawing from './HomeDrawing.vue'
import JudgedStation from './JudgedStation.vue'
import ReadingHistory from './ReadingHistory.vue'
import StationLine from './StationLine.vue'
import OpenEndChoice from './collimation/OpenEndChoice.vue'
import RepeatTest from './collimation/RepeatTest.vue'
import KnobDial from './finder/KnobDial.vue'

describe('BigFigure: the verdict at arm’s length', () => {
  const figure = (value: number | null, limit = 2) =>
    mount(BigFigure, { props: { value, limit, good: limit / 2, unit: 'mm' } })
  it.each([
    [1.9, false],
    [2, false],
    [2.1, true],
  ])('%s mm of 2: over %s', (value, off) => {
    expect(figure(value).find('.number').classes('off')).toBe(off)
    expect(figure(value).find('.over').exists()).toBe(off)
  })
  it('nothing read is a dash, never a nought', () => {
    expect(figure(null).find('.number').text()).toBe('– mm')
  })
  it('to a tenth where the limit is small, to the millimetre where a hand does it', () => {
    expect(figure(1.26).text()).toContain('1.3 mm')
    expect(figure(12.6, 20).text()).toContain('13 mm')
    expect(figure(1.26).text()).toContain('limit 2.0')
  })
})

it('a choice is one of several, and says which', async () => {
  const options = [
    { value: 'fine', words: 'Fine' },
    { value: 'not-fine', words: 'Not fine', bad: true },
  ]
  const shown = mount(BigChoice, { props: { options, label: 'as found', modelValue: 'fine' } })
  const [fine, bad] = shown.findAll('[role=radio]')
  expect([fine?.attributes('aria-checked'), bad?.attributes('aria-checked')]).toEqual(['true', 'false'])
  await bad?.trigger('click')
  expect(shown.emitted('update:modelValue')?.[0]).toEqual(['not-fine'])
})

describe('FoundLeft', () => {
  const pair = (complete: boolean, hasLeft = false) => mount(FoundLeft, { props: { complete, hasLeft } })
  it('nothing is put right before it was looked at', () => {
    expect(pair(false).find('button').attributes('disabled')).toBeDefined()
    expect(pair(true).find('button').attributes('disabled')).toBeUndefined()
    expect(pair(true).text()).toContain('As found, untouched.')
  })
})

it.each(['glass', 'star', 'pack'] as const)('the station %s says what to look at', (station) => {
  const shown = mount(JudgedStation, {
    props: { station, modelValue: { asFound: null, asLeft: null }, lines: ['its own line'] },
  })
  expect(shown.findAll('li').length).toBeGreaterThan(2)
  expect(shown.text()).toContain('its own line')
})

it('the line of stations ticks what is done and marks where one is', async () => {
  const shown = mount(StationLine, {
    props: { stations: ['glass', 'collimation'], current: 'collimation', done: ['glass'] },
  })
  const [glass, mirror] = shown.findAll('button')
  expect(glass?.html()).toContain('present')
  expect(mirror?.attributes('aria-current')).toBe('step')
  await shown.findAll('button').at(-1)?.trigger('click')
  expect(shown.emitted('go')?.[0]).toEqual(['end'])
})

it('a controller’s card goes line by line, in its own order', async () => {
  const line = { field: 'date', words: 'Date', entry: '03/12/2026', hint: 'month first', careful: true } as const
  const shown = mount(ControllerCard, { props: { lines: [line], ticked: [] } })
  expect(shown.text()).toContain('03/12/2026')
  await shown.find('button').trigger('click')
  expect(shown.emitted('tick')?.[0]).toEqual(['date'])
})

describe('ReadingHistory says how well it holds', () => {
  const past = (found: readonly number[]): ReadingView[] =>
    found.map((asFound, index) => ({
      ...testKit().readings.find(({ kind }) => kind === 'collimation')!,
      asFound,
      asLeft: 0.2,
      atUtc: `2026-0${(index % 9) + 1}-10T15:00:00Z`,
    }))
  const words = (found: readonly number[]) =>
    mount(ReadingHistory, { props: { kind: 'collimation', past: past(found), limit: 1 } }).text()
  it.each([
    [[0.2, 0.3], 'Too few readings'],
    [[0.2, 0.3, 0.4], 'It holds well: 3 of 3'],
    [[0.2, 0.3, 1.4], 'It holds fairly: 2 of 3'],
    [[1.2, 1.3, 0.4], 'It doesn’t hold: 1 of 3'],
  ] as const)('%j: %s', (found, sentence) => {
    expect(words(found)).toContain(sentence)
  })
})

it('a home position of the southern half leans the other way about the same latitude', () => {
  const at = (latitudeDeg: number) => mount(HomeDrawing, { props: { drawing: 'equatorial', latitudeDeg } }).html()
  expect(at(52)).toBe(at(-52))
  expect(at(52)).not.toBe(at(10))
})

describe('the cell from behind', () => {
  const screws = ['A', 'B', 'C'].map((name, i) => ({ name, angleDeg: 120 * i }))
  it('names its screws, and which to turn which way', () => {
    const cell = (turns: { name: string; turns: number }[]) => mount(CellDrawing, { props: { screws, turns } })
    for (const name of ['A', 'B', 'C']) expect(cell([]).text()).toContain(name)
    const [one, other] = [cell([{ name: 'B', turns: 0.25 }]), cell([{ name: 'B', turns: -0.25 }])]
    expect(one.html()).not.toBe(cell([]).html())
    expect(one.html()).not.toBe(other.html())
  })
  it('a blocked screw can’t be taken for a free one', () => {
    const blocked = [{ ...screws[0]!, blocked: 'clockwise' }, ...screws.slice(1)]
    expect(mount(CellDrawing, { props: { screws: blocked } }).html()).not.toBe(
      mount(CellDrawing, { props: { screws } }).html(),
    )
  })
})

it('which side of the picture the open end lies is asked, and nothing is taken for granted', async () => {
  const shown = mount(OpenEndChoice, { props: { last: null, modelValue: null } })
  expect(shown.findAll('[aria-pressed=true], [aria-checked=true]')).toHaveLength(0)
  await shown.findAll('button')[1]?.trigger('click')
  expect(shown.emitted('update:modelValue')?.[0]).toEqual([90])
})

it('a repeat needs a second look before it says anything', () => {
  const shown = (openings: { x: number; y: number }[]) =>
    mount(RepeatTest, { props: { current: { x: 0.2, y: 0 }, limitMm: 1, modelValue: openings } }).text()
  expect(shown([])).not.toBe(
    shown([
      { x: 0.2, y: 0 },
      { x: 0.9, y: 0.4 },
      { x: -0.8, y: 0 },
    ]),
  )
})

it.each([
  [0.25, -0.25],
  [1.5, -1.5],
])('a knob’s dial turns the other way for the other sign (%s, %s)', (one, other) => {
  const dial = (turns: number) => mount(KnobDial, { props: { turns } }).html()
  expect(dial(one)).not.toBe(dial(other))
})
