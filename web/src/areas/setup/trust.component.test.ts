import { flushPromises, mount } from '@vue/test-utils'
import SignInForm from '../people/SignInForm.vue'
import { serverWith } from '../../testing/answers.ts'
import { idOf } from '../../testing/ids.ts'
import OwnPassword from './OwnPassword.vue'
import SecondFactor from './SecondFactor.vue'
import WatchPage from './WatchPage.vue'

const fill = async (shown: ReturnType<typeof mount>, texts: readonly string[]) => {
  const fields = shown.findAll('input')
  for (const [at, text] of texts.entries()) await fields[at]?.setValue(text)
  await shown.find('form').trigger('submit')
  await flushPromises()
}

describe('signing in', () => {
  const refusing = (code: string) => {
    const sent: unknown[] = []
    globalThis.fetch = (async (_path: string, init: RequestInit = {}) => {
      sent.push(JSON.parse(String(init.body)))
      return { ok: false, status: 401, json: async () => ({ error: { code, message: 'no' } }) }
    }) as unknown as typeof fetch
    return sent
  }
  it('asks for the code only where this person has one, and keeps what was typed', async () => {
    const sent = refusing('CODE_NEEDED')
    const shown = mount(SignInForm)
    expect(shown.findAll('input')).toHaveLength(2)
    await fill(shown, ['ines@x.example', 'a long password'])
    expect(shown.findAll('input')).toHaveLength(3)
    expect(shown.find('[role=alert]').exists()).toBe(false)
    await fill(shown, ['ines@x.example', 'a long password', '123456'])
    expect(sent.at(-1)).toEqual({ email: 'ines@x.example', password: 'a long password', code: '123456' })
  })
  it('a wrong password is forgotten at once', async () => {
    refusing('WRONG_PASSWORD')
    const shown = mount(SignInForm)
    await fill(shown, ['ines@x.example', 'a long password'])
    expect(shown.findAll('input').map(({ element }) => element.value)).toEqual(['ines@x.example', ''])
  })
})

describe('a code besides the password', () => {
  const path = '/api/session/second-factor'
  it('is shown, confirmed by a first code, and its backup codes stand there once', async () => {
    const server = serverWith({
      [`GET ${path}`]: { on: false, backupCodesLeft: 0 },
      [`POST ${path}`]: { secret: 'ABCDEFGHIJKL', address: 'otpauth://totp/x?secret=ABCDEFGHIJKL' },
      [`POST ${path}/confirm`]: { backupCodes: ['aaaa-bbbb', 'cccc-dddd'] },
    })
    const shown = mount(SecondFactor)
    await flushPromises()
    await shown.find('button').trigger('click')
    await fill(shown, ['heron quarry lantern'])
    expect(server.sent.findLast((each) => each.path === path)?.body).toEqual({ current: 'heron quarry lantern' })
    for (let tries = 0; tries < 20 && !shown.find('img').exists(); tries++)
      await new Promise((done) => setTimeout(done, 25))
    expect(shown.find('code').text()).toBe('ABCD EFGH IJKL')
    await fill(shown, ['123456'])
    expect(server.sent.find((each) => each.path === `${path}/confirm`)?.body).toEqual({ code: '123456' })
  })
  it('says how many backup codes are left, and ends only by a code', async () => {
    serverWith({
      [`GET ${path}`]: { on: true, backupCodesLeft: 3 },
      [`POST ${path}/end`]: { on: false, backupCodesLeft: 0 },
    })
    const shown = mount(SecondFactor)
    await flushPromises()
    expect(shown.text()).toContain('3 of your backup codes')
    await shown.find('button').trigger('click')
    await fill(shown, ['aaaa-bbbb'])
    expect(shown.text()).toContain('Off.')
  })
})

describe('one’s own password', () => {
  const path = '/api/session/password'
  const session = {
    ...{ staffId: idOf('staff'), name: 'Kofi Arden', email: 'kofi@x.example', memberships: [], demo: false },
    expiresAtUtc: '2026-03-12T18:00:00Z',
  }
  const opened = async () => {
    const shown = mount(OwnPassword, { attachTo: document.body })
    await shown.find('button').trigger('click')
    return shown
  }
  it('is changed by the one of now, and says what follows', async () => {
    const server = serverWith({ [`PUT ${path}`]: session })
    const shown = await opened()
    await fill(shown, ['the old one', 'heron quarry lantern'])
    expect(server.sent).toEqual([
      { method: 'PUT', path, body: { current: 'the old one', password: 'heron quarry lantern' } },
    ])
    expect(shown.text()).toContain('Everywhere else you have to sign in')
    expect(shown.emitted('changed')).toHaveLength(1)
    shown.unmount()
  })
  it('a short one is said beside its field, is not sent, and nothing typed is lost', async () => {
    const server = serverWith({})
    const shown = await opened()
    await fill(shown, ['the old one', 'short'])
    await new Promise((done) => setTimeout(done, 150))
    expect(server.sent).toEqual([])
    expect(shown.find('.el-form-item.is-error').text()).toContain('12 characters or more')
    expect(document.activeElement).toBe(shown.findAll('input')[1]?.element)
    expect(shown.findAll('input').map(({ element }) => element.value)).toEqual(['the old one', 'short'])
    shown.unmount()
  })
})

describe('what is wrong', () => {
  const page = async (findings: object[], nowUtc = new Date().toISOString()) => {
    serverWith({ '/api/watch': { findings, nowUtc } })
    const shown = mount(WatchPage)
    await flushPromises()
    return shown
  }
  it('says no more than was looked at', async () => {
    expect((await page([])).text()).toContain('Nothing that is looked at here is wrong.')
  })
  it('counts faults, and notices beside them', async () => {
    const shown = await page([
      { code: 'DISK_LOW', weight: 'fault', figures: { freeGb: 1.2, percent: 3 } },
      { code: 'NO_MAIL_SERVER', weight: 'notice', figures: {} },
    ])
    expect(shown.text()).toContain('One thing needs somebody.')
    expect(shown.findAll('li')).toHaveLength(2)
    expect(shown.findAll('.rust').map((each) => each.text())).toEqual([
      'The disk is nearly full: 1.2 GB are free, 3 %.',
    ])
  })
  it('a device whose clock is off is told so', async () => {
    const shown = await page([], new Date(Date.now() - 600_000).toISOString())
    expect(shown.text()).toContain('This device’s clock is 10 minutes fast.')
  })
})
