import { fileURLToPath } from 'node:url'
import { expect, goTo, signIn, test } from '../support/people.ts'

const sample = fileURLToPath(new URL('../samples/contents-list.csv', import.meta.url))

test('a contents list comes in whole after a look, and a picture doesn’t', async ({ page, context }) => {
  await signIn(context, 'ines')
  await goTo(page, '/setup/bring-in')
  const file = page.locator('[name=list]')
  await file.setInputFiles({
    name: 'holiday.png',
    mimeType: 'image/png',
    buffer: Buffer.from('\x89PNG\r\n\x1a\n\0\0', 'latin1'),
  })
  await expect(page.getByRole('alert')).toContainText('not a list of text')

  await file.setInputFiles(sample)
  await expect(page.getByText('29 rows, commas')).toBeVisible()
  await expect(page.getByRole('complementary').getByRole('region', { name: 'WRN-12' })).toContainText(
    '29 parts, 16.17 kg',
  )
  await page.getByRole('button', { name: /All \d+ words/ }).click()
  await expect(
    page
      .getByRole('region', { name: 'Its words, our parts' })
      .getByRole('listitem')
      .filter({ hasText: 'Tripod legs (one piece)' }),
  ).toContainText('tripod legs')
  expect((await context.request.get(`${process.env.BASE_URL}/api/kits/WRN-12`)).status()).toBe(404)

  await page.getByLabel('name', { exact: true }).fill('Wren')
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(page.getByRole('heading', { name: '1 kit is in, with 29 parts.' })).toBeVisible()
  await page.getByRole('link', { name: 'WRN-12' }).click()
  await expect(page.getByText('29 of 29 parts not looked at yet')).toBeVisible()
})

test('a row that can’t be read is named, and comes in only if it is left out', async ({ page, context }) => {
  await signIn(context, 'ines')
  await goTo(page, '/setup/bring-in')
  const list = 'Kit code;Part;pcs;Mass\r\nQ-1;Tube 76/300;1;1,1 kg\r\nQ-1;Front cap;some;92 g\r\n'
  await page.locator('[name=list]').setInputFiles({ name: 'q.csv', mimeType: 'text/csv', buffer: Buffer.from(list) })
  await expect(page.getByText('line 3, how many: “some” is not a whole number')).toBeVisible()
  // The part comes in with that cell open; else its whole row stays out, and that must be said.
  await expect(page.getByRole('button', { name: 'Bring in' })).toBeEnabled()
  await page.getByText(/leave these cells open/).click()
  await expect(page.getByRole('button', { name: 'Bring in' })).toBeDisabled()
  await page.getByText(/leave these rows out/).click()
  await expect(page.getByRole('button', { name: 'Bring in' })).toBeEnabled()
})

test('a coordinator invites somebody, who joins by link and may look only', async ({ page, context, browser }) => {
  await signIn(context, 'ines')
  await goTo(page, '/setup/people')
  await page.getByLabel('name', { exact: true }).fill('Nell Teague')
  await page.getByLabel('mail address').fill('nell@marrowdale.example')
  await page.getByRole('button', { name: 'Make the link' }).click()
  const link = await page.locator('code').textContent()
  const stranger = await browser.newContext()
  const nell = await stranger.newPage()
  await nell.goto(link ?? '')
  await expect(nell.getByText('Nell Teague')).toBeVisible()
  await nell.getByLabel(/password/).fill('a long enough one')
  await nell.getByRole('button', { name: 'Begin' }).click()
  await expect(nell.getByRole('heading', { name: 'The shelf', exact: true })).toBeVisible()
  await nell.goto(link ?? '')
  await expect(nell.getByRole('alert')).toContainText('expired or was already used')
  await stranger.close()
})
