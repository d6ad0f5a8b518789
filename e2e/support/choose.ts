import type { Page } from '@playwright/test'

/** Opens a list of choices by its name and takes one. */
export async function choose(page: Page, name: string | RegExp, option: string | RegExp): Promise<void> {
  const list = page.getByRole('combobox', { name })
  await page.locator('.el-select').filter({ has: list }).click()
  await page.getByRole('option', { name: option }).click()
}
