import type { Page } from '@playwright/test'
import { read } from '../support/loans.ts'
import { expect, goTo, signIn, test } from '../support/people.ts'

/** Every form worked without a mouse: Tab comes to each control once and in the order of the page, arrows open a list, Escape
 * closes it and leaves the focus where it was. */
const pages = [
  '/desk/follow-up',
  '/desk/hand-out/M-04',
  '/kits/M-04/weigh',
  '/bench/M-04',
  '/guides/texts/M-11',
  '/calendar/waiting',
  '/calendar/van',
  '/logbook',
  '/setup/kits',
  '/setup/bring-in',
  '/setup/places',
  '/setup/drawer',
  '/setup/labels',
  '/setup/people',
  '/setup/branches',
  '/setup/opening',
  '/setup/reminders',
  '/setup/agreement',
] as const
const ofModel = ['', '/mount', '/mirror', '/finder', '/steps'] as const
const MOST_LISTS = 3
const MOST_TABS = 400

/** Marks what Tab should come to: of the radios of one name only one is a stop [WAI-ARIA radio group], and what can't be seen
 * is none. @returns how many there are */
const markStops = (page: Page) =>
  page.evaluate(() => {
    const groups = new Set<string>()
    const stops = [
      ...document.querySelectorAll<HTMLElement>('main :is(input, button, select, textarea, a[href], [tabindex])'),
    ]
      .filter((each) => each.tabIndex >= 0 && !each.matches(':disabled, [type=hidden], [type=file]'))
      .filter((each) => each.checkVisibility({ visibilityProperty: true }) && !each.closest('[inert]'))
      .filter((each) => {
        if (!(each instanceof HTMLInputElement) || each.type !== 'radio') return true
        const isNew = !groups.has(each.name)
        groups.add(each.name)
        return isNew
      })
    stops.forEach((each, at) => (each.dataset.stop = String(at)))
    return stops.length
  })

/** Where the focus is: the number of its stop, and how it is called. */
const focused = (page: Page) =>
  page.evaluate(() => {
    const here = document.activeElement as HTMLElement | null
    const own = here instanceof HTMLInputElement && here.type === 'radio' ? here.name : null
    const stop = own
      ? document.querySelector<HTMLElement>(`main input[type=radio][name="${own}"][data-stop]`)
      : here?.closest<HTMLElement>('[data-stop]')
    return { stop: stop?.dataset.stop ?? null, inMain: !!here?.closest('main') }
  })

const nameOf = (page: Page, stop: number) =>
  page.evaluate((at) => {
    const found = document.querySelector<HTMLElement>(`[data-stop="${at}"]`)
    return found?.getAttribute('aria-label') || found?.innerText.trim() || found?.outerHTML.slice(0, 120) || '?'
  }, stop)

/** @returns what is wrong with going through a page's stops by Tab */
async function walk(page: Page, path: string, count: number): Promise<readonly string[]> {
  await page.evaluate(() => {
    const main = document.querySelector('main')
    main?.setAttribute('tabindex', '-1')
    main?.focus()
  })
  const order: number[] = []
  for (let tabs = 0; tabs < MOST_TABS; tabs++) {
    await page.keyboard.press('Tab')
    const { stop, inMain } = await focused(page)
    if (!inMain) break
    if (stop !== null && order.at(-1) !== Number(stop)) order.push(Number(stop))
  }
  const wrong: string[] = []
  for (let stop = 0; stop < count; stop++)
    if (!order.includes(stop)) wrong.push(`${path}: Tab never comes to ${await nameOf(page, stop)}`)
  for (const [at, stop] of order.entries())
    if (stop < (order[at - 1] ?? -1)) wrong.push(`${path}: Tab goes back to ${await nameOf(page, stop)}`)
  return wrong
}

/** @returns what is wrong with a page's lists, worked by arrows and Escape */
async function lists(page: Page, path: string): Promise<readonly string[]> {
  const wrong: string[] = []
  const boxes = page.locator('main [role=combobox][aria-haspopup=listbox]:not([disabled])')
  const count = Math.min(await boxes.count(), MOST_LISTS)
  for (let at = 0; at < count; at++) {
    const box = boxes.nth(at)
    if (!(await box.isVisible()) || !(await box.isEnabled())) continue
    const name = (await box.getAttribute('aria-label')) ?? `list ${at + 1}`
    await box.focus()
    await page.keyboard.press('ArrowDown')
    const isOpen = () => box.getAttribute('aria-expanded')
    await expect.poll(isOpen, { message: `${path}, ${name} opens by an arrow` }).toBe('true')
    await page.keyboard.press('Escape')
    await expect.poll(isOpen, { message: `${path}, ${name} closes by Escape` }).toBe('false')
    if (!(await box.evaluate((each) => each === document.activeElement)))
      wrong.push(`${path}, ${name}: Escape loses the focus`)
  }
  return wrong
}

test('every form is gone through by Tab, arrows and Escape @long', async ({ page, context }) => {
  test.slow()
  await signIn(context, 'ines')
  const { models } = await read<{ models: { id: string }[] }>(context, '/api/models')
  const wrong: string[] = []
  let stops = 0
  for (const path of [...pages, ...ofModel.map((each) => `/setup/models/${models[0]?.id}${each}`)]) {
    await goTo(page, path)
    await page.waitForLoadState('networkidle')
    await expect(page.getByRole('heading', { name: 'There is nothing here.' }), path).toBeHidden()
    const count = await markStops(page)
    stops += count
    wrong.push(...(await walk(page, path, count)), ...(await lists(page, path)))
  }
  console.log(`walked: ${stops} controls`)
  expect(wrong).toEqual([])
  expect(stops).toBeGreaterThan(400)
})
