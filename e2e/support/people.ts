import { readFileSync } from 'node:fs'
import { test as base, expect, type BrowserContext, type Page } from '@playwright/test'
import { startOwnServer } from './server.ts'

export const baseUrl = () => process.env.BASE_URL ?? ''

export type Who = 'ines' | 'kofi' | 'petra' | 'jun'

export function signInOf(who: Who): { email: string; password: string } {
  const all = JSON.parse(readFileSync(process.env.SIGN_INS ?? '', 'utf8')) as { email: string; password: string }[]
  const found = all.find(({ email }) => email.startsWith(who))
  if (!found) throw new Error(`no ${who} among the demo's sign-ins`)
  return found
}

/** Sign-ins are limited to ten a minute, so a person's session is made once and used again. */
const sessions = new Map<Who, Awaited<ReturnType<BrowserContext['storageState']>>>()

export async function signIn(context: BrowserContext, who: Who): Promise<void> {
  const known = sessions.get(who)
  if (known) return context.addCookies(known.cookies)
  const { email, password } = signInOf(who)
  const reply = await context.request.post(`${baseUrl()}/api/session`, { data: { email, password } })
  expect(reply.ok()).toBe(true)
  sessions.set(who, await context.storageState())
}

export const goTo = (page: Page, path: string) => page.goto(`${baseUrl()}${path}`)

/** Between two keys of a person there are more than 35 ms; faster ones are a scanner's. */
const HUMAN_PAUSE_MS = 60

/** Presses a key as a hand does. */
export async function press(page: Page, key: string): Promise<void> {
  await page.keyboard.press(key)
  await page.waitForTimeout(HUMAN_PAUSE_MS)
}

/** A scanner types a character every 5 ms, whatever the page is busy with. */
const SCANNER_PAUSE_S = 0.005

/** Types a label as a scanner does: by the clock, without waiting for the page, with Enter at its end. */
export async function scan(page: Page, label: string): Promise<void> {
  const session = await page.context().newCDPSession(page)
  const began = Date.now() / 1000
  const keys = [...label, 'Enter'].flatMap((key, index) => {
    const timestamp = began + index * SCANNER_PAUSE_S
    const text = key === 'Enter' ? '\r' : key
    return [
      session.send('Input.dispatchKeyEvent', { type: 'keyDown', key, text, timestamp }),
      session.send('Input.dispatchKeyEvent', { type: 'keyUp', key, timestamp }),
    ]
  })
  await Promise.all(keys)
  await session.detach()
}

/** Fails a test whose page threw or was refused something by its own content policy. */
export const test = base.extend<{ page: Page }, { ownServer: undefined }>({
  ownServer: [
    async ({}, use) => {
      const stop = await startOwnServer()
      await use(undefined)
      await stop()
    },
    { scope: 'worker', auto: true, timeout: 180_000 },
  ],
  page: async ({ page }, use) => {
    const problems: string[] = []
    page.on('pageerror', (error) => problems.push(error.message))
    page.on('console', (message) => {
      if (
        message.type() === 'error' &&
        !/status of 4\d\d|net::ERR_(FAILED|INTERNET_DISCONNECTED)/.test(message.text())
      )
        problems.push(message.text())
    })
    await use(page)
    expect(problems).toEqual([])
  },
})
export { expect }

/** Fills the hand-out form as a volunteer does, up to the last button. */
export async function fillHandOut(page: Page, borrower?: { name: string; contact: string }): Promise<void> {
  if (borrower) {
    await page.getByLabel('Find the borrower').fill(borrower.name)
    await page.getByRole('button', { name: /Somebody new/ }).click()
    await page.locator('[name=borrower-contact]').fill(borrower.contact)
  }
  await page.getByLabel('An adult stands here').check()
  await page.getByRole('button', { name: /Gone through together/ }).click()
  const filter = page.locator('[name=filter]')
  if ((await filter.count()) > 0) await filter.check()
  await page.getByRole('button', { name: /Read out, and understood/ }).click()
  await page.getByLabel('Accepted here on the screen').check()
}
