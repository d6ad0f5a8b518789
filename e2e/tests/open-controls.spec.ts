import type { Page } from '@playwright/test'
import { hurdles } from '../support/hurdles.ts'
import { expect, goTo, signIn, test } from '../support/people.ts'

/** What opens over a page: lists of selects and calendars of pickers, in both schemes, for weak eyes and screen readers. */
const pages = [
  '/desk/follow-up',
  '/desk/hand-out/M-04',
  '/kits/M-04',
  '/calendar',
  '/calendar/waiting',
  '/calendar/van',
  '/logbook',
  '/setup/people',
  '/setup/opening',
  '/setup/kits',
  '/setup/reminders',
]
/** The bench's own scheme: a page of stations, and those with pickers, since their look is the theme's. */
const inEmber = ['/bench/M-04', '/desk/follow-up', '/kits/M-04', '/setup/opening', '/setup/kits']
/** The keys go through such a list while the field keeps the focus, as WAI-ARIA has it for a combobox: the list itself is no
 * stop of its own. */
const isListOfSelect = (words: string) =>
  words.startsWith('scrollable-region-focusable: <div class="el-select-dropdown__wrap')
/** Alike ones on a page open alike. */
const MOST_A_PAGE = 4

async function openOnes(page: Page, path: string): Promise<readonly string[]> {
  const found: string[] = []
  const openers = page.locator('main').getByRole('combobox')
  const count = Math.min(await openers.count(), MOST_A_PAGE)
  for (let at = 0; at < count; at++) {
    const opener = openers.nth(at)
    if (!(await opener.isVisible()) || !(await opener.isEnabled())) continue
    await opener.scrollIntoViewIfNeeded()
    await opener.click({ force: true })
    // A list fades in; half faded in it has half its contrast.
    await page.waitForTimeout(400)
    const name = (await opener.getAttribute('aria-label')) ?? `control ${at + 1}`
    const seen = (await hurdles(page)).filter((words) => !isListOfSelect(words))
    found.push(...seen.map((words) => `${path}, ${name} open: ${words}`))
    await page.keyboard.press('Escape')
    await page.waitForTimeout(300)
  }
  return found
}

for (const scheme of ['paper', 'ember'] as const)
  test(`no list and no calendar that opens has a hurdle, in ${scheme} @long`, async ({ page, context }) => {
    test.slow()
    await signIn(context, 'ines')
    const found: string[] = []
    for (const path of scheme === 'ember' ? inEmber : pages) {
      await goTo(page, path)
      await page.waitForLoadState('networkidle')
      await page.evaluate((now) => {
        if (now === 'ember') document.documentElement.dataset.scheme = 'ember'
      }, scheme)
      found.push(...(await openOnes(page, path)))
    }
    expect(found).toEqual([])
  })
