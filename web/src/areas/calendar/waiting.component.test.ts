import { flushPromises, mount } from '@vue/test-utils'
import { defaultReminderPolicy, reminderKinds, reminderTexts } from '@binoculum/core'
import { serverWith } from '../../testing/answers.ts'
import { idOf } from '../../testing/ids.ts'
import { useSession } from '../people/session.ts'
import RemindersPage from '../setup/RemindersPage.vue'
import WaitingPage from './WaitingPage.vue'

const branchId = idOf('branch')
beforeEach(() => {
  // The stores live in what is mounted.
  mount({ render: () => null })
  useSession().joined({
    ...{
      staffId: idOf('ines'),
      name: 'Ines',
      email: 'ines@post.example',
      expiresAtUtc: '2030-01-01T00:00:00Z',
      demo: false,
    },
    memberships: [{ branchId, branchName: 'The library', zone: 'Europe/Dublin', role: 'coordinator' }],
  })
})

describe('the waiting list', () => {
  const offer = {
    ...{ loanId: idOf('loan'), kitName: 'Yarrow', kitCode: 'M-01', fromOn: '2026-04-20', untilOn: '2026-05-04' },
    endsAtUtc: '2026-04-18T10:00:00Z',
  }
  const request = (name: string, rest: object = {}) => ({
    ...{
      id: idOf(name),
      borrower: name,
      contact: 'x@post.example',
      level: 'first',
      askedAtUtc: '2026-04-01T10:00:00Z',
      version: 3,
    },
    ...{
      kinds: ['tabletop-reflector'],
      earliestOn: '2026-04-20',
      latestOn: '2026-05-20',
      lengthDays: 14,
      wantsDark: true,
    },
    ...{ note: '', state: 'waiting', offer: null, ...rest },
  })
  const list = {
    ...{ branchId, zone: 'Europe/Dublin', today: '2026-04-16', loanDays: 14, longestLoanDays: 42, kits: [] },
    requests: [request('Mira Quill', { state: 'offered', offer }), request('Teo Nowak')],
    plan: { turnaroundDays: 1, openWeekdays: [1, 2, 3, 4, 5], kits: [], requests: [] },
  }
  it('stands in order, says what is offered until when, and takes the answer', async () => {
    const { sent } = serverWith({
      [`/api/branches/${branchId}/waiting`]: list,
      [`POST /api/waiting/${idOf('Mira Quill')}/answer`]: list,
    })
    const page = mount(WaitingPage)
    await flushPromises()
    expect(page.findAll('ol li').map((line) => line.find('strong').text())).toEqual(['Mira Quill', 'Teo Nowak'])
    expect(page.find('ol li').text()).toContain('Mon 20 Apr to Mon 4 May')
    await page
      .findAll('button')
      .find((button) => button.text() === 'They take it')
      ?.trigger('click')
    await flushPromises()
    expect(sent.at(-1)?.body).toMatchObject({ version: 3, answer: 'yes' })
  })
})

describe('letters that leave by themselves', () => {
  const texts = (['en', 'es'] as const).flatMap((language) =>
    reminderKinds.map((kind) => ({ kind, language, ...reminderTexts[language][kind], isOwn: false })),
  )
  const branch = {
    branchId,
    branchName: 'The library',
    mayChange: true,
    policy: { ...defaultReminderPolicy, kinds: [] },
    texts,
  }
  it('are seen as a borrower would read them, and a blank that there is none of is not kept', async () => {
    const { sent } = serverWith({ '/api/reminders': { branches: [branch], way: 'outbox' } })
    const page = mount(RemindersPage)
    await flushPromises()
    expect(page.find('article').text()).toContain('Dear Mira Quill')
    await page.find('textarea').setValue('Dear {{nmae}}')
    expect(page.text()).toContain('There is no blank {{nmae}}.')
    expect(
      page
        .findAll('button')
        .find((button) => button.text() === 'Keep these words')
        ?.attributes('disabled'),
    ).toBeDefined()
    expect(sent.every(({ method }) => method === 'GET')).toBe(true)
  })
})
