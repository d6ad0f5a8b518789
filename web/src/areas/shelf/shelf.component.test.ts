import type { ReadingView, ShelfKit } from '@binoculum/contract'
import { conditionWords, type Condition } from '@binoculum/core'
import { mount } from '@vue/test-utils'
import ConditionMoon from '../../shared/drawings/ConditionMoon.vue'
import KitTag from '../../shared/drawings/KitTag.vue'
import PencilMark from '../../shared/drawings/PencilMark.vue'
import ReadingFigure from '../../shared/drawings/ReadingFigure.vue'
import ScaleBar from '../../shared/drawings/ScaleBar.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import ReasonText from '../../shared/ReasonText.vue'
import { ApiError } from '../../shared/api/client.ts'
import { useSession } from '../people/session.ts'
import { testKit, testPart } from '../../testing/kit-sheet.ts'
import KitContents from './KitContents.vue'
import KitGlance from './KitGlance.vue'
import ShelfRow from './ShelfRow.vue'

const shelfKit = (rest: Partial<ShelfKit> = {}): ShelfKit => ({ ...testKit(), ...rest })
const reading = (rest: Partial<ReadingView>): ReadingView => ({
  ...testKit().readings.find(({ kind }) => kind === 'collimation')!,
  ...rest,
})

describe('ReasonText says the condition first, then the worst reason', () => {
  const allGood = { code: 'ALL_GOOD', figures: { parts: 28, checkedAtUtc: '2026-03-10T15:00:00Z' } }
  const lacking = { code: 'PART_MISSING', figures: { part: 'Barlow 2×', count: 1 } }
  const text = (condition: Condition, reasons: readonly object[], out = false) =>
    mount(ReasonText, { props: { condition, reasons: reasons as never, out } }).text()
  it('a fit kit is fit, and one that is out was', () => {
    expect(text('full', [allGood])).toBe('Fit to lend. All 28 parts there, checked Tue 10 Mar.')
    expect(text('full', [allGood], true)).toMatch(/^Fit when it left[.] All 28/)
  })
  it.each(['half', 'crescent', 'new'] as const)('%s opens with its word and names the part', (condition) => {
    expect(text(condition, [lacking])).toMatch(new RegExp(`^${conditionWords[condition]}: .*Barlow 2×`))
  })
  it('says how many more there are', () => {
    expect(text('half', [lacking, { ...lacking }, { ...lacking }])).toContain('(and 2 more)')
  })

  it('without a reason it says nothing', () => {
    expect(mount(ReasonText, { props: { condition: 'full', reasons: [] } }).text()).toBe('')
  })
})

describe('ShelfRow', () => {
  const row = (rest: Partial<ShelfKit>) => mount(ShelfRow, { props: { kit: shelfKit(rest), chosen: false } })
  it('says its day as its branch has it, wherever this device stands', () => {
    const { branchId } = testKit()
    const memberships = [{ branchId, branchName: 'M', zone: 'Pacific/Auckland', role: 'volunteer' }]
    useSession().current = { staffId: 's', name: 'Ines', memberships } as never
    const loan = { id: 'l', code: 'L-0001', borrower: 'Nell', dueAtUtc: '2026-07-01T13:00:00Z', daysLate: 0 }
    expect(row({ loan: loan as never }).text()).toContain('back Thu 2 Jul')
    useSession().current = null
  })
  it('a kit that is late says how late, in rust', () => {
    const loan = { id: 'l', code: 'L-0001', borrower: 'Nell', dueAtUtc: '2026-03-01T17:00:00Z', daysLate: 2 }
    expect(row({ loan }).find('.where .rust').text()).toBe('2 days late')
    expect(
      row({ loan: { ...loan, daysLate: 0 } })
        .find('.where .rust')
        .exists(),
    ).toBe(false)
  })
  it('what wasn’t measured is said, not left empty', () => {
    expect(
      row({ readings: [] })
        .text()
        .match(/not measured/g),
    ).toHaveLength(2)
  })
  it('nobody waiting is said too', () => {
    expect(row({ next: null }).find('.next').text()).toBe('none booked')
    const next = { loanId: 'n', borrower: 'Ivo Castell', atUtc: '2026-03-05T17:30:00Z' }
    expect(row({ next }).find('.next').text()).toContain('Ivo Castell')
  })
  it('a click chooses', async () => {
    const shown = row({})
    await shown.trigger('click')
    expect(shown.emitted('choose')).toHaveLength(1)
  })
})

describe('KitGlance offers what this person may do', () => {
  const glance = (role: string | null, rest: Partial<ShelfKit> = {}) => {
    const memberships = role ? [{ branchId: 'library', branchName: 'Marrowdale', role }] : []
    useSession().current = { staffId: 's', name: 'Ines', memberships } as never
    return mount(KitGlance, { props: { kit: shelfKit(rest) } })
  }
  it('a volunteer hands out a fit kit; a reader doesn’t', () => {
    expect(glance('volunteer').text()).toContain('Hand out')
    expect(glance('read-only').text()).not.toContain('Hand out')
    expect(glance(null).text()).not.toContain('Hand out')
  })
  it('a kit that is out is taken back', () => {
    const loan = { id: 'l', code: 'L-0001', borrower: 'Nell', dueAtUtc: '2026-03-01T17:00:00Z', daysLate: 0 }
    expect(glance('volunteer', { loan, group: 'out' }).text()).toContain('Take back')
  })
})

it.each([
  ['full', 'fit'],
  ['half', 'note'],
  ['crescent', 'bench'],
  ['new', 'held'],
] as const)('the moon of a kit that is %s has a name', (condition, word) => {
  const name = mount(ConditionMoon, { props: { condition } }).find('svg').attributes('aria-label') ?? ''
  expect(name.toLowerCase()).toContain(word)
})

it.each([
  ['present', 'present'],
  ['missing', 'missing'],
  ['damaged', 'damaged'],
  ['wrong', 'wrong item'],
] as const)('the pencil’s mark of what is %s can be read aloud', (mark, words) => {
  expect(mount(PencilMark, { props: { mark } }).html()).toContain(words)
})

it('a tag carries its kit’s code', () => {
  expect(mount(KitTag, { props: { code: 'M-04' } }).html()).toContain('M-04')
})

describe('figures', () => {
  it('a measured one with its unit and its place on the bar', () => {
    const shown = mount(ReadingFigure, { props: { reading: reading({ asLeft: 0.4, limit: 1.3 }) } })
    expect(shown.text()).toContain('0.4')
    expect(shown.text()).toContain('mm')
    expect(shown.html()).toContain('limit 1.3')
  })
  it.each([
    [0, 'good'],
    [1, 'not fine'],
  ])('a judged one (%s) in words', (asLeft, words) => {
    const shown = mount(ReadingFigure, { props: { reading: reading({ unit: 'judged', kind: 'glass', asLeft }) } })
    expect(shown.text()).toBe(words)
  })
  it.each([
    [0.5, false],
    [1.4, true],
  ])('a bar at %s of a limit of 1 goes over it: %s', (value, over) => {
    const bar = mount(ScaleBar, { props: { value, limit: 1, good: 0.5, label: 'mirror' } })
    expect(bar.html().includes('over')).toBe(over)
  })
  it.each([
    [0.5, false],
    [-1.4, true],
  ])('a signed bar at %s of 1 goes over it: %s', (value, over) => {
    const bar = mount(ScaleBar, { props: { value, limit: 1, signed: true, label: 'shift' } })
    expect(bar.html().includes('over') || bar.html().includes('off')).toBe(over)
  })
})

it('a refusal is said with its fields, and may be tried again', async () => {
  const issues = [{ path: 'dueOn', message: 'lies in the past' }]
  const problem = new ApiError(400, { code: 'BAD_INPUT', message: 'Something can’t be used.', issues })
  const note = mount(ProblemNote, { props: { problem } })
  expect(note.text()).toContain('dueOn: lies in the past')
  expect(note.find('[role=alert]').exists()).toBe(true)
  expect(mount(ProblemNote, { props: { problem: null } }).text()).toBe('')
})

describe('KitContents', () => {
  const shown = (rest: object = {}) =>
    mount(KitContents, {
      props: {
        kit: testKit({
          parts: [
            testPart('cap', { name: 'Front cap', role: 'front-cap' }),
            testPart('key', { name: 'Hex key', mark: 'missing', presentCount: 0, place: 'Pouch' }),
            testPart('cell', { name: 'Coin cell', mark: 'unseen', seenAtUtc: null, place: 'Pouch' }),
          ],
          loan: null,
        }),
        mayAct: true,
        sending: false,
        spares: [],
        ...rest,
      },
    })
  const button = (mounted: ReturnType<typeof shown>, words: RegExp) =>
    mounted.findAll('button').find((each) => words.test(each.text()))
  it('goes place by place, and says what was never looked at', () => {
    expect(
      shown()
        .findAll('h3')
        .map((each) => each.text()),
    ).toEqual(['Tray', 'Pouch'])
    expect(shown().text()).toContain('never looked at yet')
    expect(shown().text()).toContain('1 of 3 parts are not looked at')
  })
  it('what is missing can be found, what is there can go', async () => {
    const mounted = shown()
    await button(mounted, /Found/)?.trigger('click')
    await button(mounted, /^missing/)?.trigger('click')
    expect(mounted.emitted('mark')?.map(([part, to]) => [(part as { id: string }).id, to])).toEqual([
      ['key', 'present'],
      ['cap', 'missing'],
    ])
  })
  it('whoever may only look is offered nothing', () => {
    expect(shown({ mayAct: false }).findAll('button')).toHaveLength(0)
  })
})
