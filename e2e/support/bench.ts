import { expect, type Page } from '@playwright/test'
import { goTo } from './people.ts'

export const openStation = async (page: Page, code: string, station: RegExp) => {
  await goTo(page, `/bench/${code}`)
  await page.getByRole('navigation', { name: 'Stations' }).getByRole('button', { name: station }).click()
}

/** Steps of the assembly, as they are listed beside the one in hand. */
export const steps = (page: Page) => page.getByRole('navigation', { name: 'Steps' }).getByRole('button')

export const sunQuestion = (page: Page) => page.getByRole('radiogroup', { name: 'The question of the Sun' })
export const saySun = (page: Page, shaded: 'yes' | 'no') =>
  sunQuestion(page).getByText(shaded, { exact: true }).click()

/** By day the tube has to be in shade; by night nobody asks. Which it is, the station says as soon as it knows. */
export async function inShade(page: Page): Promise<void> {
  await expect(sunQuestion(page).or(page.getByText(/It is night at/))).toBeVisible()
  if (await sunQuestion(page).isVisible()) await saySun(page, 'yes')
}
