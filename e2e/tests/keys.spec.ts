import { kitOf } from '../support/loans.ts'
import { expect, goTo, press, signIn, test } from '../support/people.ts'

test('a promised borrower’s hand-out takes twelve keys at most, without a hand on the mouse', async ({
  page,
  context,
}) => {
  await signIn(context, 'ines')
  await goTo(page, '/kits/M-05')
  await expect(page.getByRole('heading', { name: 'Comfrey' }).first()).toBeVisible()
  let keys = 0
  const key = async (name: string) => {
    keys++
    await press(page, name)
  }
  await key('h')
  await expect(page.getByRole('heading', { name: 'Comfrey goes out' })).toBeVisible()
  // The first thing that is open has the focus already.
  await expect(page.getByRole('main').locator('section :focus')).toHaveCount(1)
  const out = page.getByRole('heading', { name: 'Comfrey is out.' })
  while (keys < 12 && !(await out.isVisible())) {
    const onButton = await page.evaluate(() => document.activeElement?.textContent?.includes('Hand out') ?? false)
    await key(onButton ? 'Enter' : 'Space')
    await page.waitForTimeout(150)
  }
  await expect(out).toBeVisible()
  console.log(`hand-out of a promised kit: ${keys} keys from its sheet`)
  expect(keys).toBeLessThanOrEqual(12)
  expect((await kitOf(context, 'M-05')).loan).not.toBeNull()
})

test('in the find box arrows move and Enter opens what is marked', async ({ page, context }) => {
  await signIn(context, 'ines')
  await goTo(page, '/desk')
  await expect(page.getByRole('heading', { name: 'The desk' })).toBeVisible()
  await press(page, '/')
  await page.keyboard.type('eyepiece', { delay: 45 })
  const marked = page.locator('[role=option][aria-selected=true]')
  await expect(page.getByRole('option').first()).toBeVisible()
  await press(page, 'ArrowDown')
  const first = await marked.innerText()
  await press(page, 'ArrowDown')
  await expect(marked).not.toHaveText(first)
  await press(page, 'ArrowUp')
  await expect(marked).toHaveText(first)
  await press(page, 'Enter')
  await expect(page).not.toHaveURL(/\/desk$/)
})

test('who only reads sees no button that would be refused, and its keys do nothing', async ({ page, context }) => {
  await signIn(context, 'jun')
  const acting = /^(Take back|Hand out|To the bench|Check|Found|missing|Rename|Lost, stolen|Weigh it)/
  for (const path of ['/desk', '/kits/M-04', '/kits/M-01', '/bench']) {
    await goTo(page, path)
    await page.waitForLoadState('networkidle')
    await expect(page.getByRole('main').getByRole('button', { name: acting })).toHaveCount(0)
    await expect(page.getByRole('main').getByRole('link', { name: acting })).toHaveCount(0)
  }
  await goTo(page, '/kits/M-01')
  for (const key of ['h', 'c', 't']) await press(page, key)
  await expect(page).toHaveURL(/\/kits\/M-01$/)
})
