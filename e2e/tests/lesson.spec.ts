import { randomUUID } from 'node:crypto'
import type { BrowserContext } from '@playwright/test'
import { everyHurdle } from '../support/hurdles.ts'
import { kitOf, read, send } from '../support/loans.ts'
import { baseUrl, expect, goTo, signIn, test } from '../support/people.ts'
import { here, linkOf, next } from '../support/guides.ts'

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

/** A promise that no other test fetches, on the first days that are free. */
async function promiseSoon(context: BrowserContext): Promise<{ id: string; kitCode: string; version: number }> {
  for (const kitCode of ['M-06', 'M-13', 'M-09', 'M-07'])
    for (let ahead = 1; ahead < 8; ahead++) {
      const day = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10)
      const data = {
        ...{ idempotencyKey: randomUUID(), kitId: (await kitOf(context, kitCode)).id },
        ...{ fromOn: day(ahead), untilOn: day(ahead + 7) },
        borrower: { name: 'Nell Teague', contact: 'nell@post.example' },
      }
      const made = await context.request.post(`${baseUrl()}/api/promises`, { data })
      if (!made.ok()) continue
      const { loanId, version } = (await made.json()) as { loanId: string; version: number }
      return { id: loanId, kitCode, version }
    }
  throw new Error('no kit can be promised within a week')
}

test('three minutes before it is fetched: the desk makes the link, the borrower goes through it, the desk sees it', async ({
  page,
  context,
  browser,
}) => {
  await signIn(context, 'ines')
  const promised = await promiseSoon(context)
  await goTo(page, `/desk/loans/${promised.id}`)
  await page.getByRole('button', { name: 'Make the lesson’s link' }).click()
  const link = page.getByRole('region', { name: 'Lesson before it is fetched' }).getByRole('link')
  await expect(page.getByAltText('QR code of the lesson’s link')).toBeVisible()
  const path = new URL((await link.textContent()) ?? '').pathname

  // A phone of their own, without a sign-in.
  const phone = await (
    await browser.newContext({ ...test.info().project.use, viewport: { width: 390, height: 844 } })
  ).newPage()
  await phone.goto(`${baseUrl()}${path}?lang=es`)
  await expect(phone.getByRole('heading', { name: 'Tres minutos antes de recogerlo' })).toBeVisible()
  await phone.getByRole('button', { name: 'English' }).click()
  const done = phone.getByRole('button', { name: 'I went through it' })
  await expect(done).toBeDisabled()
  const order = phone.locator('section').filter({ hasText: 'In which order?' })
  for (const step of await order.getByRole('button').all()) await step.click()
  await expect(order.getByRole('status')).toContainText(/Not yet: “.+” comes before “.+”/)
  const eyepieces = phone.locator('section').filter({ hasText: 'Which eyepiece first?' })
  await eyepieces.getByRole('button').first().click()
  for (const never of await phone.getByRole('button', { name: 'Never' }).all()) await never.click()
  expect(await everyHurdle(phone)).toEqual([])
  await done.click()
  await expect(phone.getByText('The library sees that you went through it.')).toBeVisible()
  await phone.context().close()

  await goTo(page, `/desk/hand-out/${promised.kitCode}`)
  await expect(page.getByText('who went through its lesson on')).toBeVisible()
  await send(context, `/api/promises/${promised.id}/cancel`, {
    idempotencyKey: randomUUID(),
    loanVersion: promised.version,
    reason: 'the test is over',
  })
})

test('what did you see: told the morning after, counted without a name, and it changes what comes first @long', async ({
  page,
  context,
}) => {
  const path = await linkOf(context, 'M-10')
  const { guides } = await read<{ guides: { loanId: string; kitCode: string }[] }>(context, '/api/guides')
  const loanId = guides.find(({ kitCode }) => kitCode === 'M-10')?.loanId
  const guide = await read<{ nights: { date: string; sessionUtc: string; targets: { id: string }[] }[] }>(
    context,
    `/api/loans/${loanId}/guide`,
  )
  const before = await read<{ nights: number }>(context, '/api/kits/M-10/first-nights')
  await goTo(page, path)
  const tonight = here(page).filter({ has: page.getByRole('heading', { name: 'Tonight', level: 1 }) })
  while ((await tonight.count()) === 0) await next(page).tap()
  // The kit is out for some days already in the demo: an evening has passed.
  const question = tonight.locator('details', { hasText: 'What did you see on' })
  await question.locator('summary').tap()
  await question.getByRole('button', { name: 'Saw it' }).first().tap()
  await question.getByRole('button', { name: 'Couldn’t find it' }).nth(1).tap()
  await question.getByRole('combobox').selectOption('clouds')
  expect(await everyHurdle(page)).toEqual([])
  await question.getByRole('button', { name: 'Tell the library' }).tap()
  await expect(tonight.getByText('It helps those who borrow one like it next.')).toBeVisible()
  const after = await read<{ nights: number; stops: { key: string }[] }>(context, '/api/kits/M-10/first-nights')
  expect(after.nights).toBe(before.nights + 1)
  // Told again, as by another phone, it is the same evening.
  const token = path.split('/').at(-1)
  const dates = guide.nights.filter(({ sessionUtc }) => Date.parse(sessionUtc) < Date.now()).map(({ date }) => date)
  const again = await context.request.post(`${baseUrl()}/api/guides/${token}/nights`, {
    data: { date: dates.at(-1), tried: [], saw: [], stop: null },
  })
  expect(again.status()).toBe(204)
  expect((await read<{ nights: number }>(context, '/api/kits/M-10/first-nights')).nights).toBe(after.nights)

  await page.setViewportSize({ width: 1280, height: 800 })
  await goTo(page, '/guides/texts/M-10')
  const told = page.getByRole('region', { name: 'What borrowers told' })
  await expect(told.getByRole('row', { name: /Andromeda.*shown last/ })).toBeVisible()
  expect(await everyHurdle(page)).toEqual([])
})

test('known wear is said once, and shown to whoever takes it back', async ({ page, context }) => {
  await page.setViewportSize({ width: 1280, height: 800 })
  await signIn(context, 'ines')
  await goTo(page, '/kits/M-13')
  const line = page.getByRole('listitem').filter({ hasText: 'Eyepiece' }).first()
  await line.hover()
  await line.getByRole('button', { name: /Known wear of/ }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Known wear').fill('scratch along the barrel')
  expect(await everyHurdle(page, '.el-dialog')).toEqual([])
  await page.keyboard.press('Enter')
  await expect(dialog).toBeHidden()
  await expect(line).toContainText('known wear: scratch along the barrel')
})
