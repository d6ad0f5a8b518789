import { everyHurdle } from '../support/hurdles.ts'
import { bringIn, kitOf, loanOut, send } from '../support/loans.ts'
import { baseUrl, expect, goTo, signIn, test } from '../support/people.ts'
import { here, isLive, linkOf, next } from '../support/guides.ts'

/** A kit of its own: lent here, it is missing nowhere else. */
const KIT = 'P-71'

test('how a kit is packed: its picture is taken once, and seen at take-back and by whoever puts it away @long', async ({
  page,
  context,
  browser,
}) => {
  await signIn(context, 'ines')
  await bringIn(context, KIT, 6)
  const { id, version } = await kitOf(context, KIT)
  await send(context, `/api/kits/${id}/count-rest`, { kitVersion: version })
  await goTo(page, '/kits/P-71')
  await page.getByRole('link', { name: 'How it is packed' }).click()
  const place = page.getByRole('figure').filter({ hasText: 'Case' }).first()
  await expect(place.getByText('No picture yet')).toBeVisible()
  const photo = { name: 'lid.png', mimeType: 'image/png', buffer: await page.screenshot() }
  await place.locator('input[type=file]').setInputFiles(photo)
  await expect(place.getByAltText('case, as it should look')).toBeVisible()
  await place.getByLabel('What the picture shows: case').fill('Card on top, manual under it')
  await page.keyboard.press('Enter')
  // While the words are being kept no picture is taken.
  await expect(page.getByText('One moment …').first()).toBeHidden()
  const last = page.getByRole('region', { name: 'Putting it away, step by step' }).getByRole('figure').last()
  await last.locator('input[type=file]').setInputFiles(photo)
  await expect(last.getByRole('img')).toBeVisible()
  expect(await everyHurdle(page)).toEqual([])

  // The guide of its next loan shows both; the one of a picture that isn’t in it shows nothing.
  const loanId = await loanOut(context, KIT)
  const path = await linkOf(context, KIT)
  const phone = await (
    await browser.newContext({ ...test.info().project.use, viewport: { width: 390, height: 844 } })
  ).newPage()
  await phone.goto(`${baseUrl()}${path}`)
  await isLive(phone)
  await next(phone).click()
  await next(phone).filter({ hasText: 'What is in the case' }).click()
  const shown = here(phone).getByAltText('So it lies when it is right')
  await expect(shown).toBeVisible()
  await expect(here(phone).locator('figcaption')).toHaveText('Card on top, manual under it')
  expect(await shown.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(0)
  expect(await everyHurdle(phone)).toEqual([])

  // Opened once it is there without a network, and its pictures with it.
  const isKept = (url: string) => phone.evaluate(async (asked) => (await caches.match(asked)) !== undefined, url)
  await phone.evaluate(() => navigator.serviceWorker.ready)
  await expect.poll(() => isKept(path)).toBe(true)
  await expect.poll(async () => isKept((await shown.getAttribute('src')) ?? '')).toBe(true)
  await phone.context().setOffline(true)
  await phone.reload()
  await isLive(phone)
  await expect(shown).toBeVisible()
  expect(await shown.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(0)
  await phone.context().setOffline(false)

  await goTo(page, `/desk/take-back/${loanId}`)
  const lies = page.getByRole('region', { name: 'How it lies' })
  await expect(lies.getByAltText('case, as it should look')).toBeVisible()
  await expect(lies).toContainText('Card on top, manual under it')
})
