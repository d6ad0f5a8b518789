import type { Page } from '@playwright/test'
import { goTo } from './people.ts'

export const openStation = async (page: Page, code: string, station: RegExp) => {
  await goTo(page, `/bench/${code}`)
  await page.getByRole('navigation', { name: 'Stations' }).getByRole('button', { name: station }).click()
}

/** Steps of the assembly, as they are listed beside the one in hand. */
export const steps = (page: Page) => page.getByRole('navigation', { name: 'Steps' }).getByRole('button')
