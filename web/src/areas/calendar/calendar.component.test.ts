import { flushPromises, mount } from '@vue/test-utils'
import { serverWith } from '../../testing/answers.ts'
import { testCalendar, testCalendarKit, testCalendarLoan } from '../../testing/calendar.ts'
import { idOf } from '../../testing/ids.ts'
import OpeningPage from '../setup/OpeningPage.vue'
import { effectOf } from './effects.ts'
import KitLine from './KitLine.vue'
import LoanPanel from './LoanPanel.vue'
import NightBand from './NightBand.vue'
import { columnsOf } from './calendar-days.ts'
import PromisePanel from './PromisePanel.vue'
import WhatFor from './WhatFor.vue'

const made = { loanId: idOf('a'), loanCode: 'L-1', version: 2 }

describe('a kit’s line', () => {
  const lineOf = (loans: ReturnType<typeof testCalendarLoan>[], rest: object = {}) =>
    mount(KitLine, {
      props: {
        ...{ calendar: testCalendar({ loans }), kit: testCalendarKit('Yarrow'), loans, chosenId: null },
        ...{ wanted: null, refused: false, ...rest },
      },
    })
  it('says of every bar who has the kit and when, and that it is late or can’t be kept', () => {
    const line = lineOf([
      testCalendarLoan('a', { state: 'out', fromOn: '2026-04-01', untilOn: '2026-04-14', daysLate: 2 }),
      testCalendarLoan('b', { clash: { code: 'late', readyOn: '2026-04-22' } }),
    ])
    const words = line.findAll('.bar').map((bar) => bar.attributes('aria-label'))
    expect(words[0]).toBe('Yarrow: out with Mira Quill, 2026-04-01 to 2026-04-14, 2 days late')
    expect(words[1]).toBe('Yarrow: promised to Mira Quill, 2026-04-20 to 2026-05-04, clash')
    expect(line.find('.late').text()).toBe('2 days late')
    expect(line.findAll('.ready')).toHaveLength(2)
  })
  it('its condition is a word, and only while it is here', () => {
    const kit = testCalendarKit('Yarrow', { condition: 'crescent' })
    expect(lineOf([], { kit }).find('.state').text()).toBe('bench')
    expect(
      lineOf([testCalendarLoan('a', { state: 'out' })], { kit })
        .find('.state')
        .exists(),
    ).toBe(false)
  })
  it('chooses a bar, and shows where a change would put it', async () => {
    const loan = testCalendarLoan('a')
    const wanted = { loanId: loan.id, kitId: loan.kitId, fromOn: '2026-04-21', untilOn: '2026-05-05' }
    const line = lineOf([loan], { wanted, refused: true })
    await line.find('.bar').trigger('click')
    expect(line.emitted('choose')).toEqual([[loan.id]])
    expect(line.find('.ghost').classes()).toContain('refused')
  })
})

describe('the nights', () => {
  it('say their dark hours, and ask for a place where there is none', () => {
    const calendar = testCalendar({ days: 18 })
    const band = mount(NightBand, { props: { calendar, columns: columnsOf(calendar) } })
    expect(band.findAll('.night')).toHaveLength(18)
    expect(band.find('.hours').text()).toBe('2.0')
    expect(band.find('[role=img]').attributes('aria-label')).toBe('Moon 50 % lit, waxing')
    const nowhere = testCalendar({ nights: [], place: null })
    expect(mount(NightBand, { props: { calendar: nowhere, columns: [] } }).text()).toContain('No place is entered')
  })
})

describe('the chosen loan', () => {
  const loan = testCalendarLoan('a')
  const panelOf = (rest: object = {}, calendar = testCalendar({ loans: [loan] })) =>
    mount(LoanPanel, {
      props: { ...{ calendar, loan, wanted: null, effect: null, ways: [], mayAct: true, ...rest } },
    })
  const later = { loanId: loan.id, kitId: loan.kitId, fromOn: '2026-04-21', untilOn: '2026-05-05' }

  it('is moved only after it was said what that does', async () => {
    const { sent } = serverWith({ [`POST /api/promises/${loan.id}/move`]: made })
    const calendar = testCalendar({ loans: [loan] })
    const panel = panelOf({ wanted: later, effect: effectOf(calendar, later) }, calendar)
    expect(panel.find('[role=status]').text()).toContain('Nobody else is affected.')
    await panel.findAll('button')[0]?.trigger('click')
    await flushPromises()
    expect(sent[0]?.body).toMatchObject({
      loanVersion: 1,
      fromOn: '2026-04-21',
      untilOn: '2026-05-05',
      kitId: loan.kitId,
    })
    expect(panel.emitted('done')).toHaveLength(1)
  })
  it('a refused change can’t be sent, and says why', () => {
    const calendar = testCalendar({ loans: [loan] })
    const sunday = { ...later, fromOn: '2026-04-19' }
    const panel = panelOf({ wanted: sunday, effect: effectOf(calendar, sunday) }, calendar)
    expect(panel.text()).toContain('The desk is closed on Sun 19 Apr.')
    expect(panel.findAll('button')[0]?.attributes('disabled')).toBeDefined()
  })
  it('is cancelled with a reason', async () => {
    const { sent } = serverWith({ [`POST /api/promises/${loan.id}/cancel`]: made })
    const panel = panelOf()
    await panel
      .findAll('button')
      .find((button) => button.text() === 'Cancel it')
      ?.trigger('click')
    await panel.find('input').setValue('fell ill')
    await panel.find('form').trigger('submit')
    await flushPromises()
    expect(sent[0]?.body).toMatchObject({ reason: 'fell ill', loanVersion: 1 })
  })
  it('one that is out is put off at its own address', async () => {
    const out = testCalendarLoan('a', { state: 'out', fromOn: '2026-04-06', untilOn: '2026-04-20' })
    const { sent } = serverWith({ [`POST /api/loans/${out.id}/extend`]: made })
    const calendar = testCalendar({ loans: [out] })
    const wanted = { loanId: out.id, kitId: out.kitId, fromOn: out.fromOn, untilOn: '2026-04-25' }
    const panel = panelOf({ loan: out, wanted, effect: effectOf(calendar, wanted) }, calendar)
    await panel.findAll('button')[0]?.trigger('click')
    await flushPromises()
    expect(sent[0]?.body).toMatchObject({ untilOn: '2026-04-25', loanVersion: 1 })
  })
  it('who may only look gets no ways', () => {
    expect(panelOf({ mayAct: false }).find('.ways').exists()).toBe(false)
  })
})

describe('a new promise', () => {
  const wanted = { loanId: null, kitId: idOf('Yarrow'), fromOn: '2026-04-20', untilOn: '2026-05-04' }
  it('goes to somebody new, and is refused with who was faster', async () => {
    const { sent } = serverWith({})
    const panel = mount(PromisePanel, { props: { calendar: testCalendar(), modelValue: wanted } })
    expect(panel.text()).toContain('28 dark hours without the Moon')
    await panel.find('input[aria-label="Find the borrower"]').setValue('Nell')
    await flushPromises()
    expect(
      panel
        .findAll('button')
        .find((button) => button.text().includes('Promise it'))
        ?.attributes('disabled'),
    ).toBeDefined()
    expect(sent.every(({ method }) => method === 'GET')).toBe(true)
  })
})

describe('what for', () => {
  it('offers days with their reason and hands them on', async () => {
    const slot = {
      ...{ kitId: idOf('Yarrow'), kitCode: 'M-01', kitName: 'Yarrow', modelName: 'tabletop', massKg: 4, evenings: 6 },
      ...{ from: '2026-04-20', until: '2026-05-04', darkHours: 90, reason: '90 dark hours without the Moon' },
    }
    globalThis.fetch = (async () => ({
      ok: true,
      status: 200,
      json: async () => ({ slots: [slot] }),
    })) as unknown as typeof fetch
    const asks = mount(WhatFor, { props: { calendar: testCalendar() } })
    await flushPromises()
    const button = asks.findAll('button').find((each) => each.text().includes('Yarrow'))
    expect(button?.text()).toContain('90 dark hours without the Moon')
    await button?.trigger('click')
    expect(asks.emitted('choose')).toEqual([[slot]])
  })
})

describe('opening days', () => {
  const branch = {
    ...{ branchId: idOf('b'), branchName: 'The library', zone: 'Europe/Dublin', mayChange: true },
    ...{ opening: testCalendar().opening, closings: [] },
    onClosedDays: [
      { loanId: idOf('l'), loanCode: 'L-0042', kitCode: 'M-01', kitName: 'Yarrow', what: 'return', on: '2026-04-19' },
    ],
  }
  it('names the loans that meet a closed day, and closes more with a reason', async () => {
    const { sent } = serverWith({
      '/api/opening': { branches: [branch] },
      [`POST /api/branches/${idOf('b')}/closings`]: { branches: [branch] },
    })
    const page = mount(OpeningPage)
    await flushPromises()
    expect(page.text()).toContain('return on Sun 19 Apr 2026')
    await page.find('input[name="closing-why"]').setValue('stocktaking')
    await page.find('form[aria-label="New closing"]').trigger('submit')
    await flushPromises()
    expect(sent.find(({ method }) => method === 'POST')?.body).toMatchObject({ why: 'stocktaking' })
  })
})
