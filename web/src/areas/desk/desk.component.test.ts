import type { Desk, LookAlike, Slip } from '@binoculum/contract'
import { cleanAnswers } from '@binoculum/core'
import { jest } from '@jest/globals'
import { flushPromises, mount } from '@vue/test-utils'
import { idOf } from '../../testing/ids.ts'
import { serverWith } from '../../testing/answers.ts'
import { testPart } from '../../testing/kit-sheet.ts'
import { useSession } from '../people/session.ts'
import AskedAndSeen from './AskedAndSeen.vue'
import CellAlarm from './CellAlarm.vue'
import ContentsCard from './ContentsCard.vue'
import DeskPage from './DeskPage.vue'
import FormLine from '../../shared/controls/FormLine.vue'
import HandedOut from './HandedOut.vue'
import LoanSlip from './LoanSlip.vue'
import PartBar from './PartBar.vue'

// What draws bars and links has tests of its own, and comes only when it is asked for.
jest.unstable_mockModule('bwip-js/generic', () => ({ code128: () => '<svg/>', drawingSVG: () => ({}) }))
jest.unstable_mockModule('qrcode', () => ({ toString: async () => '<svg/>' }))

const draft = (marks: object = {}) => ({ marks, extras: [], weighings: [] }) as never

describe('PartBar: the part the pencil stands at', () => {
  const barlow = testPart('Barlow 2×', { role: 'barlow', massG: 120, lookFor: 'lens whole', count: 1 })
  const bar = (rest: object = {}) =>
    mount(PartBar, {
      props: { part: barlow, number: 7, own: null, lookAlikes: [], branchId: 'b', looked: 6, total: 28, ...rest },
    })
  it('says what to look for, and how far the card is', () => {
    expect(bar().text()).toContain('Barlow 2×')
    expect(bar().text()).toContain('lens whole')
  })
  it.each([
    [/present/i, 'present'],
    [/missing/i, 'missing'],
    [/damaged/i, 'damaged'],
  ] as const)('the button %s marks it %s', async (words, mark) => {
    const shown = bar()
    await shown
      .findAll('button')
      .find((button) => words.test(button.text()))
      ?.trigger('click')
    expect(shown.emitted('mark')?.[0]?.[0]).toBe(mark)
  })
  it('names what may lie there instead, what others lack first', async () => {
    const thing = (name: string, lackedBy: LookAlike['lackedBy']): LookAlike => ({
      ...{ id: name, name, massG: 118, toleranceG: 2, owners: [], hazard: false },
      lackedBy,
      replaces: [barlow.id],
    })
    const lookAlikes = [thing('Barlow 3×', []), thing('Barlow 2.5×', [{ code: 'M-09', name: 'Bilberry' }])]
    const shown = bar({ lookAlikes })
    await shown
      .findAll('button')
      .find((button) => /wrong/i.test(button.text()))
      ?.trigger('click')
    const text = shown.text()
    expect(text.indexOf('Barlow 2.5×')).toBeGreaterThan(-1)
    expect(text.indexOf('Barlow 2.5×')).toBeLessThan(text.indexOf('Barlow 3×'))
    expect(text).toContain('Bilberry lacks one')
  })
})

describe('ContentsCard', () => {
  const parts = [
    testPart('Tube', { place: 'Case', role: 'tube', criticality: 'essential', massG: 4200 }),
    testPart('Caps', { place: 'Tray', count: 4 }),
    testPart('Filter', { place: 'Tray', lookEveryTime: true }),
  ]
  const card = (marks: object = {}) => mount(ContentsCard, { props: { parts, draft: draft(marks), at: 1 } })
  it('stands in places, with masses and counts', () => {
    const text = card().text()
    for (const words of ['Case', 'Tray', '4.20 kg', 'all 4', 'look']) expect(text).toContain(words)
  })
  it('three of four is said as such', () => {
    const mark = { mark: 'missing', presentCount: 3, note: '', wrongItem: '', pictureIds: [] }
    expect(card({ Caps: mark }).text()).toContain('3 of 4')
  })
  it('what lies in its place stands beside it', () => {
    const mark = { mark: 'wrong', presentCount: 1, note: '', wrongItem: 'Barlow 3×', pictureIds: [] }
    expect(card({ Filter: mark }).text()).toContain('Barlow 3× lies here')
  })
  it('a click moves the pencil there', async () => {
    const shown = card()
    await shown.find('[data-part="Filter"]').trigger('click')
    expect(shown.emitted('choose')?.[0]).toEqual([2])
    expect(shown.find('[data-part="Caps"]').attributes('aria-current')).toBe('true')
  })
})

describe('AskedAndSeen', () => {
  const asked = (hasPack: boolean) => mount(AskedAndSeen, { props: { answers: cleanAnswers, hasPack } })
  it('asks for the pack only where there is one', () => {
    expect(asked(true).text()).toContain('12 V pack charged')
    expect(asked(false).text()).not.toContain('12 V pack')
  })
  it('a tick is an answer', async () => {
    const shown = asked(false)
    const [dropped] = shown.findAll('input[type=checkbox]')
    await dropped?.setValue(true)
    expect(shown.emitted('set')?.[0]).toEqual(['dropped', true])
  })
})

describe('CellAlarm: a coin cell is missing', () => {
  const alarm = () =>
    mount(CellAlarm, { props: { emergencyLine: '112', contact: '01 234', borrower: 'Nell Teague' } })
  it('names whom to call, and says why at once', () => {
    const text = alarm().text()
    for (const words of ['112', 'Nell Teague', '01 234', 'within two hours']) expect(text).toContain(words)
  })
  it('keeps no answer before somebody said whether a child could have it', async () => {
    const shown = alarm()
    await shown.find('form').trigger('submit')
    expect(shown.emitted('answer')).toBeUndefined()
    expect(shown.get('[role=alert]').text()).toContain('Say this first')
    await shown.find('input[value=no]').setValue(true)
    expect(shown.find('[role=alert]').exists()).toBe(false)
    await shown.findAll('.el-input__inner')[0]?.setValue(' in the drawer ')
    await shown.find('form').trigger('submit')
    expect(shown.emitted('answer')?.[0]?.[0]).toMatchObject({ couldAChildHaveIt: 'no', whereIsIt: 'in the drawer' })
    expect(shown.find('.act').exists()).toBe(false)
  })
})

it('a line of the form is ticked when it is done', () => {
  const line = (done: boolean) => mount(FormLine, { props: { title: 'Borrower', done, open: false } }).html()
  expect(line(true)).toContain('present')
  expect(line(false)).not.toContain('aria-label="present"')
})

const slip: Slip = {
  loanId: 'l',
  loanCode: 'L-0042',
  kitCode: 'M-04',
  kitName: 'Bracken',
  modelName: 'tabletop reflector 110/480',
  branchName: 'Marrowdale Library',
  borrower: 'Nell Teague',
  outAtUtc: '2026-03-12T16:00:00Z',
  dueAtUtc: '2026-03-26T17:00:00Z',
  zone: 'Europe/Dublin',
  partCount: 28,
  massG: 6250,
  eyepieces: ['Eyepiece 25 mm'],
  notes: ['No Barlow in this kit.'],
  guidePath: '/g/one-token',
}
it('the slip says what goes out and until when, and names nobody', async () => {
  const shown = mount(LoanSlip, { props: { slip } })
  await flushPromises()
  await flushPromises()
  const text = shown.text()
  expect(shown.find('img.bars').attributes('alt')).toBe('bar code M-04')
  for (const words of ['L-0042', 'Bracken', '28', 'Eyepiece 25 mm', 'No Barlow']) expect(text).toContain(words)
  expect(text).toMatch(/26 Mar/)
  // It lies in the case for everyone to read.
  expect(text).not.toContain('Teague')
})
it('a hand-out ends with its slip and the way to print it', async () => {
  const shown = mount(HandedOut, { props: { slip } })
  await flushPromises()
  await flushPromises()
  expect(shown.text()).toContain('L-0042')
  expect(shown.text().toLowerCase()).toContain('print')
})

describe('DeskPage', () => {
  const loan = {
    ...{
      id: idOf('loan'),
      code: 'L-0001',
      branchId: idOf('b'),
      kitCode: 'M-08',
      kitName: 'Thistle',
      modelName: '180/1080',
    },
    ...{ borrower: 'Ivo Castell', state: 'out' as const, atUtc: '2026-03-10T17:00:00Z', daysLate: 2 },
  }
  const empty: Desk = { toGoThrough: [], handOuts: [], takeBacks: [], outLater: [], lendable: [] }
  const page = async (desk: Partial<Desk>, role = 'volunteer') => {
    serverWith({ '/api/desk': { ...empty, ...desk } })
    useSession().current = { memberships: [{ branchId: idOf('b'), branchName: 'M', role }] } as never
    const shown = mount(DeskPage)
    await flushPromises()
    return shown
  }
  it('an empty desk says so everywhere', async () => {
    const text = (await page({})).text()
    for (const words of ['Nothing is due back today.', 'No hand-out is promised for today.', 'No other kit is out.'])
      expect(text).toContain(words)
  })
  it('what is late says how late, with the way to take it back', async () => {
    const shown = await page({ takeBacks: [loan] })
    expect(shown.find('.rust').text()).toBe('2 days late')
    expect(shown.find(`a[href="/desk/take-back/${idOf('loan')}"]`).exists()).toBe(true)
  })
  it('who only reads is offered no act', async () => {
    const lendable = [
      {
        id: idOf('kit'),
        branchId: idOf('b'),
        code: 'M-01',
        name: 'Yarrow',
        modelName: '110',
        condition: 'full',
        nextUtc: null,
      },
    ] as const
    expect((await page({ takeBacks: [loan] }, 'read-only')).find('a[href*="/take-back/"]').exists()).toBe(false)
    expect((await page({ lendable: [...lendable] })).find('a[href="/desk/hand-out/M-01"]').exists()).toBe(true)
  })
})
