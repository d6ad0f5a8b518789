import type { BrowserContext, Locator, Page } from '@playwright/test'
import { loanOut, send } from './loans.ts'
import { expect, goTo, signIn } from './people.ts'

/** A new link for a kit, lent first where another test has taken it back. */
export async function linkOf(context: BrowserContext, code: string): Promise<string> {
  await signIn(context, 'ines')
  const loanId = await loanOut(context, code)
  const { guidePath } = await send<{ guidePath: string }>(context, `/api/loans/${loanId}/link`, {})
  return guidePath
}

/** Its way on and back stands below a guide as soon as its script has taken it up. */
const below = (guide: Page | Locator): Locator => guide.locator('footer')
export const isLive = (guide: Page | Locator) => expect(below(guide)).toBeVisible()

/** The phone that opens it, and waits until the page lives. */
export async function openGuide(context: BrowserContext, phone: Page, code: string, query = ''): Promise<string> {
  const path = await linkOf(context, code)
  await goTo(phone, `${path}${query}`)
  await isLive(phone)
  return path
}

/** The page of the guide that shows, its heading, and the pages that are steps of setting up or putting away. */
export const here = (phone: Page): Locator => phone.locator('section[aria-current=step]')
export const titleHere = (phone: Page): Locator => here(phone).getByRole('heading', { level: 1 })
export const stepPages = (phone: Page): Locator => phone.locator('section', { has: phone.locator('h1[data-number]') })
export const drawings = (of: Page | Locator): Locator => of.locator('[data-drawing]')

export const next = (phone: Page): Locator => below(phone).getByRole('button').last()
export const allPages = (phone: Page): Locator => below(phone).getByRole('button').first()

/** Goes to a chapter by its name in the list of all. */
export async function goChapter(phone: Page, title: string) {
  await allPages(phone).tap()
  await phone.getByRole('navigation').getByRole('button', { name: title }).tap()
  await expect(titleHere(phone)).toBeVisible()
}

/** Says of everything that is asked to be looked at that it was. */
export async function tickAll(phone: Page) {
  const unticked = here(phone).locator('button[aria-pressed=false]:visible')
  for (let left = await unticked.count(); left > 0; left -= 1) await unticked.first().tap()
}
