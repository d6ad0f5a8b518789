import { everyHurdle } from '../support/hurdles.ts'
import { expect, goTo, press, signIn, test } from '../support/people.ts'
import { glance } from '../support/seen.ts'
import { isLive } from '../support/guides.ts'

test('beside the bench’s list: the chosen kit, what to bring for it, and its keys', async ({ page, context }) => {
  await signIn(context, 'kofi')
  await goTo(page, '/bench')
  const beside = glance(page)
  const lines = page.getByRole('main').locator('ol > li')
  const name = async (at: number) =>
    (await lines.nth(at).getByRole('paragraph').first().innerText()).split('\n')[0]?.trim() ?? ''
  await expect(beside).toContainText(await name(0))
  await expect(beside.getByRole('heading', { name: 'To bring' })).toBeVisible()
  await press(page, 'ArrowDown')
  await expect(beside).toContainText(await name(1))
  await lines.nth(0).getByRole('paragraph').first().click()
  await expect(beside).toContainText(await name(0))
  expect(await everyHurdle(page)).toEqual([])
  await beside.getByRole('link', { name: 'Whole sheet' }).waitFor()
  await press(page, 'c')
  await expect(page).toHaveURL(/\/bench\/[A-Z]/)
})

test('beside the guides: the phone, and a link for a guide that has none', async ({ page, context }) => {
  await signIn(context, 'ines')
  await goTo(page, '/guides')
  const beside = page.getByRole('complementary', { name: /as its borrower sees it$/ })
  await isLive(beside)
  const line = page.getByRole('main').getByRole('listitem').filter({ hasText: 'Mallow' })
  await line.getByRole('paragraph').first().click()
  await expect(beside).toContainText('Mallow')
  expect(await everyHurdle(page)).toEqual([])
  const makes = line.getByRole('button', { name: 'Make its link and slip' })
  // Another test may have made one meanwhile.
  if (await makes.count()) {
    await makes.click()
    await expect(page.getByRole('heading', { name: 'Mallow is out.' })).toBeVisible()
  }
})
