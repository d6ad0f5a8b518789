import type { Locator, Page } from '@playwright/test'

/** What the pages of the staff show, found by its name as a reader finds it, or by what it stands for. */

/** Lines of a kit's history, newest first. */
export const history = (page: Page): Locator => page.getByRole('list', { name: 'History' }).getByRole('listitem')

/** A station's big figure, and the sentence that says what to do about it. */
export const figure = (page: Page | Locator): Locator =>
  page.getByRole('figure', { name: 'Measured' }).getByRole('paragraph')
export const advice = (page: Page): Locator => page.getByRole('status', { name: 'What to do' })

/** Rows of the shelf: all, one kit's, and the chosen one. */
export const shelfRows = (page: Page): Locator => page.locator('[data-code]')
export const shelfRow = (page: Page, code: string): Locator => page.locator(`[data-code="${code}"]`)
export const chosenRow = (page: Page): Locator => page.locator('[data-code][aria-current=true]')

/** Lines of the contents card: all, one part's, the one in hand, and those nobody has looked at. */
export const partRows = (page: Page): Locator => page.locator('[data-part]')
export const partRow = (page: Page, part: string): Locator => page.locator(`[data-part="${part}"]`)
export const currentPart = (page: Page): Locator => page.locator('[data-part][aria-current=true]')
export const unseenParts = (page: Page): Locator => page.locator('[data-part][data-mark=unseen]')

/** The kit beside a list, or at the head of its sheet. */
export const glance = (page: Page): Locator =>
  page.getByRole('complementary').filter({ has: page.getByRole('heading', { name: /^Measured/ }) })
