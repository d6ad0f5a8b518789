import { choose, pick } from '../support/choose.ts'
import { expect, goTo, press, scan, signIn, test } from '../support/people.ts'
import { bringIn, kitOf, loanOut } from '../support/loans.ts'
import type { Page } from '@playwright/test'
import { currentPart, history, partRow, partRows, unseenParts } from '../support/seen.ts'

const marksOf = (page: Page) =>
  partRows(page).evaluateAll((rows) => rows.map((each) => (each as HTMLElement).dataset.mark))

async function markAllPresent(page: Page): Promise<void> {
  await press(page, 'a')
  for (let presses = 0; presses < 12 && (await unseenParts(page).count()) > 0; presses++) await press(page, 'Space')
  await expect(unseenParts(page)).toHaveCount(0)
}

test('a clean kit is back on the shelf within 12 keys of its label’s scan', async ({ page, context }) => {
  await signIn(context, 'ines')
  await loanOut(context, 'M-03')
  const { parts } = await kitOf(context, 'M-03')
  expect(parts.length).toBeGreaterThanOrEqual(30)
  const looks = parts.filter(({ lookEveryTime }) => lookEveryTime).length
  expect(looks).toBeGreaterThan(0)
  expect(looks).toBeLessThanOrEqual(6)

  await goTo(page, '/desk')
  await expect(page.getByRole('heading', { name: 'The desk' })).toBeVisible()
  await scan(page, 'M-03')
  await expect(page.getByRole('heading', { name: 'Sorrel is back' })).toBeVisible()
  let keys = 0
  const key = async (name: string) => {
    keys++
    await press(page, name)
  }
  await key('a')
  while ((await unseenParts(page).count()) > 0 && keys < 20) await key('Space')
  await key('Enter')
  await expect(page.getByRole('heading', { name: 'Sorrel: back to the shelf.' })).toBeVisible()
  console.log(`${parts.length} lines, ${looks} to be looked at: ${keys} keys`)
  expect(keys).toBeLessThanOrEqual(12)
  const after = await kitOf(context, 'M-03')
  expect(after.loan).toBeNull()
  expect(after.parts.every(({ mark }) => mark === 'present')).toBe(true)
})

test('a scan in the middle of a take-back makes no mark, wherever the focus is', async ({ page, context }) => {
  await signIn(context, 'ines')
  const loan = await loanOut(context, 'F-01')
  await goTo(page, `/desk/take-back/${loan}`)
  await expect(currentPart(page)).toBeVisible()
  await press(page, 'Space')
  const before = await marksOf(page)
  expect(before.filter((mark) => mark === 'present')).toHaveLength(1)

  // A label nobody here knows, whatever lists were brought in before.
  await scan(page, 'ZZ-99')
  await expect(page.getByText('ZZ-99 was scanned; this is Alder. Nothing was marked.')).toBeVisible()
  await page.waitForTimeout(200)
  expect(await marksOf(page)).toEqual(before)

  // In a field it is taken out again.
  const said = page.getByPlaceholder('in the borrower’s words')
  await said.fill('saw the Moon')
  await scan(page, 'ZZ-99')
  await page.waitForTimeout(200)
  await expect(said).toHaveValue('saw the Moon')
  expect(await marksOf(page)).toEqual(before)

  // A label of one of its own parts moves the pencil there, and marks nothing.
  await scan(page, 'F-01/7')
  await expect(partRows(page).nth(6)).toHaveAttribute('aria-current', 'true')
  expect(await marksOf(page)).toEqual(before)
})

test('one missing part is found by weight, with the stand-in scale', async ({ page, context }) => {
  await signIn(context, 'ines')
  const loan = await loanOut(context, 'M-13')
  await goTo(page, '/setup/devices')
  await page.getByText('stand-in', { exact: true }).click()
  await page.getByRole('button', { name: 'Plug in' }).click()
  await choose(page, 'Kit whose parts go on the pan', /M-13$/)
  await page.getByRole('button', { name: 'tray', exact: true }).click()
  await page.getByRole('button', { name: 'Put all on' }).click()
  await pick(page, 'Eyepiece 12 mm')

  const desk = await context.newPage()
  await goTo(desk, `/desk/take-back/${loan}`)
  const weighIn = desk.getByLabel('Weigh-in')
  await weighIn.getByRole('button', { name: 'Read the scale' }).click()
  await weighIn.getByRole('button', { name: 'Take it' }).click()
  await expect(weighIn.locator('output')).toHaveText(/^−9[2-8] g$/)
  await expect(weighIn.getByText(/Most likely.*Eyepiece 12 mm/)).toBeVisible()
  await weighIn.getByRole('list', { name: 'What would explain it' }).getByRole('button').first().click()
  await expect(partRow(desk, 'Eyepiece 12 mm')).toHaveAttribute('aria-current', 'true')
  await press(desk, 'm')
  await expect(partRow(desk, 'Eyepiece 12 mm')).toHaveAttribute('data-mark', 'missing')
  // What is marked is no longer looked for: the rest agrees with its weight.
  await expect(weighIn.getByText(/Most likely.*Eyepiece/)).toHaveCount(0)

  // Unplugged, the desk says so; and too heavy, too.
  await weighIn.getByRole('button', { name: 'again' }).click()
  await expect(weighIn.getByRole('button', { name: /Take it|coming to rest/ })).toBeVisible()
  await page.bringToFront()
  await page.getByLabel('Up to').fill('100')
  await expect(weighIn.getByText('Too heavy for this scale')).toBeVisible()
  await page.getByRole('button', { name: 'Unplug' }).click()
  await expect(weighIn.getByText('The scale was unplugged.')).toBeVisible()
  await desk.close()
})

test('eyepieces swapped between two kits: each is offered to the kit that lacks it', async ({ page, context }) => {
  await signIn(context, 'ines')
  const yarrow = await loanOut(context, 'M-01')
  const tansy = await loanOut(context, 'M-02')
  await goTo(page, `/desk/take-back/${yarrow}`)
  await partRow(page, 'Eyepiece 9 mm').click()
  await press(page, 'w')
  const picks = page.getByRole('group', { name: 'What lies here instead?' })
  await picks.getByRole('button', { name: /Eyepiece 8 mm/ }).click()
  await expect(partRow(page, 'Eyepiece 9 mm')).toContainText('Eyepiece 8 mm lies here')
  await markAllPresent(page)
  await press(page, 'Enter')
  await expect(page.getByRole('heading', { name: /^Yarrow: / })).toBeVisible()

  await goTo(page, `/desk/take-back/${tansy}`)
  await partRow(page, 'Eyepiece 8 mm').click()
  await press(page, 'w')
  const lacked = picks.getByRole('button', { name: /Eyepiece 9 mm/ })
  await expect(lacked).toContainText('Yarrow lacks one')
  await lacked.click()
  await markAllPresent(page)
  await press(page, 'Enter')
  await expect(page.getByRole('heading', { name: /^Tansy: / })).toBeVisible()
  const part = (await kitOf(context, 'M-02')).parts.find(({ name }) => name === 'Eyepiece 8 mm')
  expect(part).toMatchObject({ mark: 'wrong', wrongItem: 'Eyepiece 9 mm' })
})

test('a sun filter that screws into an eyepiece: held, and nobody may overrule it, until it is cured', async ({
  page,
  context,
}) => {
  await signIn(context, 'ines')
  const loan = await loanOut(context, 'M-07')
  await goTo(page, `/desk/take-back/${loan}`)
  await expect(currentPart(page)).toBeVisible()
  await pick(page, 'a sun filter that screws into an eyepiece lies in the case')
  await markAllPresent(page)
  for (const outcome of [/Back to the shelf/, /Shelf, with a note/, /To the bench/])
    await expect(page.getByRole('button', { name: outcome })).toBeDisabled()
  await expect(page.getByLabel('Why it goes there all the same')).toHaveCount(0)
  await press(page, '1')
  await press(page, 'Enter')
  await expect(page.getByRole('heading', { name: 'Hazel: hold it here.' })).toBeVisible()

  await goTo(page, '/desk/hand-out/M-07')
  await expect(page.getByText('nobody may overrule this')).toBeVisible()
  await expect(page.getByRole('button', { name: /Hand out/ })).toBeDisabled()
  await goTo(page, '/kits/M-07')
  await page.getByLabel('What was done').fill('filter broken up and thrown away')
  await page.getByRole('button', { name: 'Record the cure' }).click()
  await expect(history(page).first()).toContainText('cured: filter broken up and thrown away')
  await expect(page.getByText('Nobody may overrule this.')).toHaveCount(0)
})

test('a coin cell missing interrupts everything; the answer is kept and the kit held', async ({ page, context }) => {
  await signIn(context, 'ines')
  const loan = await loanOut(context, 'F-04')
  await goTo(page, `/desk/take-back/${loan}`)
  const { parts } = await kitOf(context, 'F-04')
  const cell = parts.find(({ name }) => name.startsWith('Coin cell'))?.name ?? ''
  await partRow(page, cell).click()
  await press(page, 'm')
  const alarm = page.getByRole('alertdialog')
  await expect(alarm).toContainText('Speak to the borrower now')
  await expect(alarm).toContainText('nell@post.example')
  await press(page, 'Escape')
  await press(page, 'a')
  await expect(alarm).toBeVisible()
  expect((await marksOf(page)).filter((mark) => mark === 'present')).toHaveLength(0)

  await alarm.getByLabel('Where is it?').fill('in the kitchen drawer, seen today')
  await alarm.getByLabel('not sure').check()
  await alarm.getByLabel('Whom did you speak to?').fill('Nell Teague')
  await alarm.getByRole('button', { name: /Write it down/ }).click()
  await expect(alarm).toHaveCount(0)
  await markAllPresent(page)
  await expect(page.getByRole('button', { name: /Back to the shelf/ })).toBeDisabled()
  await press(page, 'Enter')
  await expect(page.getByRole('heading', { name: 'Woodruff: hold it here.' })).toBeVisible()
  const { history } = await kitOf(context, 'F-04')
  const asked = history.find(({ act }) => act === 'coin-cell-asked')
  expect(asked?.after).toMatchObject({
    couldAChildHaveIt: 'not-sure',
    whereIsIt: 'in the kitchen drawer, seen today',
  })
})

test('a second desk sees marks, and goes on when the first is dead', async ({ page, context, browser }) => {
  await signIn(context, 'ines')
  await bringIn(context, 'DUO-45', 45)
  const loan = await loanOut(context, 'DUO-45')
  const other = await browser.newContext()
  await signIn(other, 'kofi')
  const second = await other.newPage()
  for (const desk of [page, second]) {
    await goTo(desk, `/desk/take-back/${loan}`)
    await expect(currentPart(desk)).toBeVisible()
  }
  await page.waitForTimeout(500)
  // The stream tells it: nothing is asked for again and again.
  let asked = 0
  second.on('request', (request) => (asked += /take-back|draft/.test(request.url()) ? 1 : 0))
  for (let part = 0; part < 5; part++) {
    await page.keyboard.press('Space')
    await partRows(second).nth(part).and(second.locator('[data-mark=present]')).waitFor()
  }
  expect(asked).toBeLessThanOrEqual(2 * 5)

  // The line of the first breaks, then its machine: what had been sent is with the second. A browser takes a moment to cut it.
  await context.setOffline(true)
  const isThrough = () => page.evaluate(() => fetch('/health/live').then(Boolean, () => false))
  await expect.poll(isThrough).toBe(false)
  await press(page, 'Space')
  await expect(page.getByText('No connection since')).toBeVisible()
  // Closed in order it would get its line back for a moment, and send what it kept.
  const died = page.waitForEvent('crash')
  const machine = await context.newCDPSession(page)
  void machine.send('Page.crash').catch(() => undefined)
  await died
  await second.reload()
  await expect(second.getByText('Picked up where it was left.')).toBeVisible()
  expect((await marksOf(second)).filter((mark) => mark === 'present')).toHaveLength(5)
  await press(second, 'a')
  await press(second, 'Enter')
  await expect(second.getByRole('heading', { name: /^DUO-45: / })).toBeVisible()
  expect((await kitOf(other, 'DUO-45')).loan).toBeNull()
  await other.close()
})

test('45 marks show though the server answers none of them', async ({ page, context }) => {
  await signIn(context, 'ines')
  await bringIn(context, 'BIG-45', 45)
  const loan = await loanOut(context, 'BIG-45')
  await goTo(page, `/desk/take-back/${loan}`)
  await expect(currentPart(page)).toBeVisible()
  // From here on every request hangs: what shows was waited for by nobody.
  await page.route('**/api/**', () => undefined)
  const keys = ['Space', 'm', 'd', 'Space', 'm', 'd', 'Space', 'm', 'd', 'Space', 'm', 'd']
  for (const key of keys) await press(page, key)
  const marks = { Space: 'present', m: 'missing', d: 'damaged' } as Record<string, string>
  expect((await marksOf(page)).slice(0, keys.length)).toEqual(keys.map((key) => marks[key]))
})

test('at a tablet by touch alone: targets are large enough, and a kit comes back', async ({ browser }) => {
  const tablet = await browser.newContext({ viewport: { width: 820, height: 1180 }, hasTouch: true, isMobile: true })
  await signIn(tablet, 'ines')
  const loan = await loanOut(tablet, 'M-05')
  const page = await tablet.newPage()
  await goTo(page, `/desk/take-back/${loan}`)
  await expect(currentPart(page)).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(820)
  for (const button of await page.getByRole('main').getByRole('button').or(partRows(page)).all()) {
    const box = await button.boundingBox()
    expect(box?.height, await button.innerText()).toBeGreaterThanOrEqual(40)
  }
  for (let taps = 0; taps < 8 && (await unseenParts(page).count()) > 0; taps++) {
    await page.getByRole('button', { name: /all the rest/ }).tap()
    if ((await unseenParts(page).count()) > 0)
      await page
        .getByRole('button', { name: /^Space present|present$/ })
        .first()
        .tap()
  }
  await expect(unseenParts(page)).toHaveCount(0)
  await page.getByRole('button', { name: /Done/ }).tap()
  await expect(page.getByRole('heading', { name: /^Comfrey: / })).toBeVisible()
  await tablet.close()
})
