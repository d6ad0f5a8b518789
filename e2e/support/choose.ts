import { expect, type Page } from '@playwright/test'

/** Takes one of a few choices that all are in sight, or ticks it, by its words. */
export const pick = (page: Page, words: string | RegExp) =>
  page
    .locator('label')
    .filter({ has: page.getByText(words, { exact: true }) })
    .filter({ has: page.getByRole('radio').or(page.getByRole('checkbox')) })
    .click()

/** Opens a list of choices by its name and takes one. */
export async function choose(page: Page, name: string | RegExp, option: string | RegExp): Promise<void> {
  const field = page.getByRole('combobox', { name }).and(page.locator('[aria-haspopup=listbox]'))
  await field.press('Enter')
  // Its own list: another one may still be closing.
  const own = page.locator(`[id="${await field.getAttribute('aria-controls')}"]`)
  const choice = own.getByRole('option', { name: option })
  await choice.waitFor()
  const before = await choice.getAttribute('aria-selected')
  const isTaken = async () =>
    !(await choice.isVisible()) || (await choice.getAttribute('aria-selected', { timeout: 1000 })) !== before
  // A list that flips to the field's other side under the finger lets go of the tap: a person taps again.
  await expect(async () => {
    if (!(await isTaken())) await choice.click()
    await expect.poll(isTaken, { timeout: 2000 }).toBe(true)
  }).toPass()
}
