import { expect, fillHandOut, goTo, press, signIn, test } from '../support/people.ts'
import { partRow, unseenParts } from '../support/seen.ts'

/** The desk asks for what looks at pictures when it has rested 0.4 s. */
const AFTER_THE_CARD_MS = 800

test('an answer lost on the way: the second try is the same loan', async ({ page, context }) => {
  await signIn(context, 'ines')
  await goTo(page, '/desk/hand-out/F-02')
  await fillHandOut(page, { name: 'Zora Fenwick', contact: 'zora@post.example' })
  await page.locator('[name=overrule]').fill('its check is due; the borrower knows how to line up a mirror')
  let lost = 0
  await page.route('**/hand-out', async (route) => {
    if (route.request().method() !== 'POST' || lost > 0) return route.continue()
    lost++
    await route.fetch()
    await route.abort()
  })
  await page.getByRole('button', { name: /Hand out/ }).click()
  await expect(page.getByRole('alert')).toContainText('What you typed is kept here')
  await page.getByRole('button', { name: 'Try again' }).click()
  await expect(page.getByRole('heading', { name: 'Teasel is out.' })).toBeVisible()
  expect(lost).toBe(1)

  const found = await context.request.get(`${process.env.BASE_URL}/api/find?text=Zora%20Fenwick`)
  const { loans } = (await found.json()) as { loans: { kitCode: string }[] }
  expect(loans.map(({ kitCode }) => kitCode)).toEqual(['F-02'])
  // The link on the screen is the one that works.
  const link = await page.locator('[data-guide-link]').getAttribute('href')
  expect((await context.request.get((link ?? '').replace('/g/', '/api/guides/'))).status()).toBe(200)
})

test('a take-back goes on without a line, and is sent when it is back', async ({ page, context }) => {
  await signIn(context, 'ines')
  const reply = await context.request.get(`${process.env.BASE_URL}/api/kits/M-10`)
  const { loan } = (await reply.json()) as { loan: { id: string } }
  await goTo(page, `/desk/take-back/${loan.id}`)
  await expect(page.getByRole('heading', { name: 'Clover is back' })).toBeVisible()
  await context.setOffline(true)
  // What comes after the card doesn't come now: the card goes on without it.
  await page.waitForTimeout(AFTER_THE_CARD_MS)
  for (let i = 0; i < 8 && (await unseenParts(page).count()) > 0; i++) {
    await press(page, 'a')
    await press(page, 'Space')
  }
  await press(page, 'Enter')
  await expect(page.getByRole('alert')).toContainText('No connection')
  await context.setOffline(false)
  await page.reload()
  await expect(page.getByText('Picked up where it was left.')).toBeVisible()
  await expect(unseenParts(page)).toHaveCount(0)
  await press(page, 'Enter')
  await expect(page.getByRole('heading', { name: 'Clover: back to the shelf.' })).toBeVisible()
})

test('fewer of many: a count short by one is a part missing, with its number', async ({ page, context }) => {
  await signIn(context, 'ines')
  const reply = await context.request.get(`${process.env.BASE_URL}/api/kits/M-08`)
  const { loan } = (await reply.json()) as { loan: { id: string } }
  await goTo(page, `/desk/take-back/${loan.id}`)
  const caps = partRow(page, 'Eyepiece end caps')
  await caps.click()
  await press(page, '-')
  await expect(caps).toContainText('3 of 4')
  await expect(caps).toHaveAttribute('data-mark', 'missing')
  await press(page, '+')
  await expect(caps).toHaveAttribute('data-mark', 'present')
  await press(page, 'n')
  await expect(page.getByLabel('Note on this part')).toBeFocused()
  // As a hand types: faster, and with Enter behind it, it would be a scanner's.
  await page.keyboard.type('one cracked, m and d are no keys here', { delay: 45 })
  await press(page, 'Enter')
  await expect(caps).toContainText('one cracked')
})
