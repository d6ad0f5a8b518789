import type { BrowserContext, Page } from '@playwright/test'
import { loanOut, send } from './loans.ts'
import { expect, goTo, signIn } from './people.ts'

/** A new link for a kit, lent first where another test has taken it back. */
export async function linkOf(context: BrowserContext, code: string): Promise<string> {
  await signIn(context, 'ines')
  const loanId = await loanOut(context, code)
  const { guidePath } = await send<{ guidePath: string }>(context, `/api/loans/${loanId}/link`, {})
  return guidePath
}

/** The phone that opens it, and waits until the page lives. */
export async function openGuide(context: BrowserContext, phone: Page, code: string, query = ''): Promise<string> {
  const path = await linkOf(context, code)
  await goTo(phone, `${path}${query}`)
  await expect(phone.locator('main.guide.lives')).toBeVisible()
  return path
}

export const next = (page: Page) => page.locator('footer .ways .main')
/** Goes to a chapter by its name in the list of all. */
export async function goChapter(page: Page, title: string) {
  await page.locator('footer .links button').first().tap()
  await page.getByRole('navigation').getByRole('button', { name: title }).tap()
  await expect(page.locator('section.here h1')).toBeVisible()
}
