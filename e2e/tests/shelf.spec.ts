import type { BrowserContext } from '@playwright/test'
import { hurdles } from '../support/hurdles.ts'
import { read } from '../support/loans.ts'
import { expect, goTo, press, scan, signIn, test } from '../support/people.ts'
import { chosenRow, shelfRows } from '../support/seen.ts'

test('the shelf filters, finds and opens by keyboard', async ({ page, context }) => {
  await signIn(context, 'ines')
  await goTo(page, '/shelf')
  await expect(shelfRows(page)).not.toHaveCount(0)
  const { kits } = await read<{ kits: { group: string }[] }>(context, '/api/kits')
  const held = kits.filter(({ group }) => group === 'held').length
  expect(held).toBeGreaterThan(0)
  expect(held).toBeLessThan(kits.length)
  await page.getByRole('button', { name: /held/ }).click()
  await expect(shelfRows(page)).toHaveCount(held)
  await page.getByRole('button', { name: /held/ }).click()
  await page.getByLabel('Show only kits').fill('maksutov')
  await expect(shelfRows(page)).toHaveCount(1)
  await page.getByLabel('Show only kits').fill('nothing of this name')
  await expect(page.getByText('No kit fits these words.')).toBeVisible()
  await page.getByRole('button', { name: 'Show all' }).click()

  await page.locator('h1').first().click()
  await press(page, '/')
  // As a hand types: faster, and it would be a scanner.
  await page.keyboard.type('M-04', { delay: 45 })
  await press(page, 'Enter')
  await expect(page).toHaveURL(/\/kits\/M-04$/)
  await expect(page.getByText('Slug in the weight’s screw is missing').first()).toBeVisible()
  await press(page, 'g')
  await press(page, 'b')
  await expect(page.getByRole('heading', { name: 'The bench' })).toBeVisible()

  // A label scanned while the box has the focus opens its kit, and leaves the keys to the page.
  await press(page, '/')
  await scan(page, 'M-04')
  await expect(page).toHaveURL(/\/kits\/M-04$/)
  await press(page, 'g')
  await press(page, 'b')
  await expect(page.getByRole('heading', { name: 'The bench' })).toBeVisible()
})

test('letters typed into a field never act as keys', async ({ page, context }) => {
  await signIn(context, 'ines')
  await goTo(page, '/shelf')
  await page.getByLabel('Show only kits').fill('')
  await page.getByLabel('Show only kits').press('h')
  await page.getByLabel('Show only kits').press('c')
  await expect(page).toHaveURL(/\/shelf$/)
})

async function takeBackPath(context: BrowserContext): Promise<string> {
  const reply = await context.request.get(`${process.env.BASE_URL}/api/kits/M-08`)
  const { loan } = (await reply.json()) as { loan: { id: string } }
  return `/desk/take-back/${loan.id}`
}

for (const path of [
  '/shelf',
  '/kits/M-04',
  '/desk',
  '/desk/hand-out/F-02',
  '/bench',
  '/bench/M-07',
  '/guides',
  '/setup/bring-in',
  '/setup/people',
  '/setup/agreement',
  '/setup/models',
  '/setup/drawer',
  '/setup/labels',
  '/setup/devices',
  '/desk/follow-up',
  '/desk/letters',
  '/kits/M-04/weigh',
  '/practice',
  '/practice/telescope',
  '/practice/results',
  '/guides/help-sheet/M-01',
  '/desk/take-back',
]) {
  test(`${path} has no serious hurdle for screen readers or weak eyes @long`, async ({ page, context }) => {
    await signIn(context, 'ines')
    await goTo(page, path === '/desk/take-back' ? await takeBackPath(context) : path)
    await page.waitForLoadState('networkidle')
    expect(await hurdles(page)).toEqual([])
  })
}

test('long names, many kits and none still fit their places @long', async ({ page, context }) => {
  await signIn(context, 'ines')
  await page.route('**/api/kits', async (route) => {
    const reply = await route.fetch()
    interface Row {
      name: string
      code: string
      id: string
      modelName: string
      group: string
    }
    const body = (await reply.json()) as { kits: Row[] }
    // Kits that are gone show only when asked for.
    const there = body.kits.filter(({ group }) => group !== 'gone')
    const long = 'A kit whose name is much longer than any shelf was made for'
    const kits = Array.from({ length: 1000 }, (_, index) => {
      const kit = there[index % there.length]!
      return {
        ...kit,
        id: `00000000-0000-4000-8000-${String(index).padStart(12, '0')}`,
        code: `LONG-CODE-${index}`,
        name: index % 3 ? kit.name : long,
        modelName: `${kit.modelName} of the longer kind`,
      }
    })
    await route.fulfill({ json: { ...body, kits } })
  })
  await goTo(page, '/shelf')
  await expect(shelfRows(page).first()).toBeVisible()
  // What is near the screen is made, whatever the number of kits; the rest is a scroll away.
  expect(await shelfRows(page).count()).toBeLessThan(80)
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(1280)
  const heights = await shelfRows(page).evaluateAll((rows) =>
    rows.slice(0, 20).map((row) => row.getBoundingClientRect().height),
  )
  expect(Math.max(...heights)).toBeLessThanOrEqual(48)
  const chosen = chosenRow(page)
  await shelfRows(page).first().click()
  const before = await chosen.getAttribute('data-code')
  for (let step = 0; step < 60; step++) await page.keyboard.press('ArrowDown')
  await expect(chosen).toBeInViewport()
  expect(await chosen.getAttribute('data-code')).not.toBe(before)
  await page.evaluate(() => window.scrollTo(0, document.documentElement.scrollHeight))
  await expect(shelfRows(page).last()).toBeInViewport()
  expect(await shelfRows(page).count()).toBeLessThan(80)

  await page.unroute('**/api/kits')
  await page.route('**/api/kits', (route) => route.fulfill({ json: { kits: [], atUtc: new Date().toISOString() } }))
  await page.reload()
  await expect(page.getByRole('heading', { name: 'No kit stands here yet.' })).toBeVisible()

  await page.unroute('**/api/kits')
  await page.route('**/api/kits', (route) => route.abort())
  await page.reload()
  await expect(page.getByRole('alert')).toContainText('No connection')
})
