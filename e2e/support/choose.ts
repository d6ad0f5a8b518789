import type { Page } from '@playwright/test'

/** Takes one of a few choices that all are in sight, or ticks it, by its words. */
export const pick = (page: Page, words: string | RegExp) =>
  page
    .locator('.el-radio, .el-checkbox')
    .filter({ has: page.getByText(words, { exact: true }) })
    .click()

/** Opens a list of choices by its name and takes one. */
export async function choose(page: Page, name: string | RegExp, option: string | RegExp): Promise<void> {
  const field = page.locator('.el-select').filter({ has: page.getByRole('combobox', { name }) })
  await field.click()
  // Its own list: another one may still be closing.
  const own = page.locator(`[id="${await field.getByRole('combobox').getAttribute('aria-controls')}"]`)
  await own.getByRole('option', { name: option }).click()
}
