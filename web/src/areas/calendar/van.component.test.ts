import { flushPromises, mount } from '@vue/test-utils'
import { serverWith } from '../../testing/answers.ts'
import { testCalendar, testCalendarKit } from '../../testing/calendar.ts'
import { idOf } from '../../testing/ids.ts'
import CardLookUp from '../desk/CardLookUp.vue'
import BenchLoad from './BenchLoad.vue'
import { effectOf } from './effects.ts'
import VanPage from './VanPage.vue'

describe('the van’s page', () => {
  const transfer = {
    ...{
      id: idOf('trip'),
      kitId: idOf('Foxglove'),
      kitCode: 'F-05',
      kitName: 'Foxglove',
      onDay: '2026-04-21',
      version: 2,
    },
    ...{
      fromBranchId: idOf('club'),
      fromBranchName: 'The club',
      toBranchId: idOf('branch'),
      toBranchName: 'The library',
    },
    ...{ daysLate: 2, mayArrive: true, mayCancel: false },
  }
  const view = { transfers: [transfer], ways: [], kits: [] }
  it('lets whoever has the kit say so, and nobody else', async () => {
    const { sent } = serverWith({
      '/api/transfers': view,
      [`POST /api/transfers/${transfer.id}/settle`]: { ...view, transfers: [] },
    })
    const page = mount(VanPage)
    await flushPromises()
    expect(page.find('li').text()).toContain('The club to The library')
    expect(page.find('li').text()).toContain('2 days ago: has it come?')
    const [come, stays] = page.findAll('li button')
    expect(stays?.attributes('disabled')).toBeDefined()
    await come?.trigger('click')
    await flushPromises()
    expect(sent.at(-1)?.body).toEqual({ version: 2, settled: 'arrived' })
    expect(page.text()).toContain('Nothing is sent.')
  })
  it('says why a kit can’t be sent where the van has no common day', async () => {
    const way = { fromBranchId: idOf('club'), fromBranchName: 'The club', vanDays: [] }
    serverWith({
      '/api/transfers': {
        transfers: [],
        ways: [{ ...way, toBranchId: idOf('branch'), toBranchName: 'The library' }],
        kits: [{ id: idOf('Foxglove'), branchId: idOf('club'), code: 'F-05', name: 'Foxglove' }],
      },
    })
    const page = mount(VanPage)
    await flushPromises()
    page.findAllComponents({ name: 'ElSelect' })[0]?.vm.$emit('update:modelValue', idOf('Foxglove'))
    await flushPromises()
    expect(page.text()).toContain('on no common day')
    expect(page.find('button[type=submit]').attributes('disabled')).toBeDefined()
  })
})

describe('days that a kit is away', () => {
  it('are said before anything is promised', () => {
    const calendar = testCalendar({ kits: [testCalendarKit('Yarrow', { hereUntil: '2026-04-24' })] })
    const wanted = (untilOn: string) => ({ loanId: null, kitId: idOf('Yarrow'), fromOn: '2026-04-20', untilOn })
    expect(effectOf(calendar, wanted('2026-04-24')).against).toEqual([])
    expect(effectOf(calendar, wanted('2026-04-25')).against).toEqual(['The van takes it away on Sat 25 Apr.'])
    const coming = testCalendar({ kits: [testCalendarKit('Yarrow', { hereFrom: '2026-04-22' })] })
    expect(effectOf(coming, wanted('2026-04-25')).against).toEqual(['The van brings it on Tue 21 Apr.'])
  })
})

describe('the calendar’s foot', () => {
  it('says how full an evening is, and what is too late', async () => {
    const line = {
      ...{
        kitCode: 'M-01',
        kitName: 'Yarrow',
        modelName: 'tabletop',
        sentences: [],
        minutes: 50,
        measuredStations: 1,
      },
      ...{ skills: ['finder'], isBeyondAnybody: false, neededOn: '2026-04-20', eveningId: idOf('tue'), seat: 0 },
      ...{ isLate: true, isHeld: false },
    }
    const evening = { id: idOf('tue'), onDay: '2026-04-21', seats: 1, minutesEach: 60, note: '', staffIds: [] }
    const branch = { branchId: idOf('branch'), branchName: 'The library', today: '2026-04-16', mayChange: true }
    serverWith({
      '/api/bench-plan': {
        branches: [{ ...branch, evenings: [evening], hands: [], lines: [line], minutesShort: 50, proven: true }],
      },
    })
    const foot = mount(BenchLoad, { props: { calendar: testCalendar() } })
    await flushPromises()
    expect(foot.text()).toContain('50/60')
    expect(foot.find('.evening').attributes('title')).toBe(
      'Tue 21 Apr: 50 of 60 minutes at the bench, 1 too late for their pick-up',
    )
  })
})

describe('the card directory', () => {
  const look = async (answer: object | number) => {
    serverWith({ [`POST /api/branches/${idOf('branch')}/card`]: answer })
    const line = mount(CardLookUp, { props: { branchId: idOf('branch'), cardNumber: '70001' } })
    await new Promise((done) => setTimeout(done, 450))
    await flushPromises()
    return line
  }
  it('offers what it knows, and never stands in the way', async () => {
    const person = { name: 'Ximena Roldan', contact: 'x@post.example', language: 'es' }
    const good = await look({ state: 'good', person, validUntil: null })
    await good.find('button').trigger('click')
    expect(good.emitted('take')).toEqual([[person]])
    const over = await look({ state: 'expired', person, validUntil: '2026-01-31' })
    expect(over.text()).toContain('The card was good until')
    expect((await look({ state: 'unknown', person: null, validUntil: null })).text()).toContain('knows no such card')
    expect((await look({ state: 'silent', person: null, validUntil: null })).text()).toContain('Go on without it')
  })
})
