import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { fileURLToPath } from 'node:url'
import { extract } from 'letterparser'
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader'
import { choose } from '../support/choose.ts'
import { expect, goTo, press, signIn, test } from '../support/people.ts'
import { bringIn, kitOf, loanOut, read } from '../support/loans.ts'
import { glance, history, partRow, partRows, unseenParts } from '../support/seen.ts'

const sample = (name: string) => fileURLToPath(new URL(`../samples/${name}`, import.meta.url))

test('a model’s card is put in order by drag and by keys, and its kits follow', async ({ page, context }) => {
  await signIn(context, 'ines')
  await bringIn(context, 'ORD-6', 6)
  await goTo(page, '/setup/models')
  const { models } = await read<{ models: { id: string; kits: string[] }[] }>(context, '/api/models')
  const model = models.find(({ kits }) => kits.includes('ORD-6'))
  await page.locator(`a[href="/setup/models/${model?.id}"]`).click()
  const rows = page.locator('li[data-key]')
  const names = () => rows.locator('[data-name]').allInnerTexts()
  await expect(rows).toHaveCount(6)
  const before = await names()

  // By keys: the second goes below the third, and back again by undo.
  await rows.nth(1).click()
  await press(page, 'Shift+ArrowDown')
  expect(await names()).toEqual([before[0], before[2], before[1], ...before.slice(3)])
  await press(page, 'u')
  expect(await names()).toEqual(before)

  // By its grip: the last goes to the top.
  const grip = await rows.nth(5).locator('[data-grip]').boundingBox()
  const top = await rows.nth(0).boundingBox()
  await page.mouse.move((grip?.x ?? 0) + 6, (grip?.y ?? 0) + 8)
  await page.mouse.down()
  await page.mouse.move((top?.x ?? 0) + 40, (top?.y ?? 0) + 60, { steps: 6 })
  // A hand waits until the row shows where it would land.
  const landsFirst = async () => (await rows.first().locator('[data-name]').innerText()) === before[5]
  for (let tries = 0; tries < 40 && !(await landsFirst()); tries++) {
    await page.mouse.move((top?.x ?? 0) + 40 + (tries % 2), (top?.y ?? 0) + 3 + (tries % 3))
    await page.waitForTimeout(100)
  }
  await page.mouse.up()
  await expect.poll(names).toEqual([before[5], ...before.slice(0, 5)])

  // A compartment of its own, a mass, a group; then all of it is used for the kit.
  await press(page, 'c')
  await page.getByLabel('mass of one, g').fill('17')
  await page.getByLabel('mass of one, g').press('Tab')
  await page.getByRole('button', { name: /Use for/ }).click()
  await expect(page.getByRole('button', { name: /Use for/ })).toBeDisabled()
  // The button is closed while it is sent as well: what counts is what the kit then holds.
  const order = async () => (await kitOf(context, 'ORD-6')).parts.map(({ name }) => name)
  await expect.poll(order).toEqual([before[5], ...before.slice(0, 5)])
  expect((await kitOf(context, 'ORD-6')).parts[0]).toMatchObject({ massG: 17 })
})

test('an eyepiece is told apart by length, field and barrel, and its kit’s guide speaks of it @long', async ({
  page,
  context,
}) => {
  await signIn(context, 'ines')
  await bringIn(context, 'LENS-4', 4)
  const { models } = await read<{ models: { id: string; kits: string[] }[] }>(context, '/api/models')
  await goTo(page, `/setup/models/${models.find(({ kits }) => kits.includes('LENS-4'))?.id}`)
  await page.getByRole('button', { name: /Add a part/ }).click()
  await page
    .getByRole('region', { name: 'Which part?' })
    .getByRole('button', { name: 'eyepiece', exact: true })
    .click()
  await expect(page.getByText('without it, no guide can say its power')).toBeVisible()
  await page.getByLabel('name', { exact: true }).fill('Eyepiece 32 mm')
  const fill = async (label: string | RegExp, figure: string) => {
    await page.getByLabel(label).fill(figure)
    await page.getByLabel(label).press('Tab')
  }
  await fill(/^focal length, mm/, '32,0')
  await fill('apparent field, degrees', '60')
  await choose(page, /^barrel$/, '50.8 mm')
  await expect(page.getByText('without it, no guide can say its power')).toBeHidden()
  await page.getByRole('button', { name: /Use for/ }).click()
  const optics = async () =>
    (await kitOf(context, 'LENS-4')).parts.find(({ name }) => name === 'Eyepiece 32 mm')?.optics ?? null
  await expect.poll(optics).toEqual({ focalLengthMm: 32, apparentFieldDeg: 60, maleMm: 50.8 })
  const texts = await read<{ tags: string[] }>(context, '/api/guide-texts?kit=LENS-4')
  expect(texts.tags).toContain('wide-barrel')
})

test('a missing part is followed up: asked for by letter, looked for, put in from the drawer', async ({
  page,
  context,
}) => {
  await signIn(context, 'ines')
  const loan = await loanOut(context, 'F-01')
  await goTo(page, `/desk/take-back/${loan}`)
  await partRow(page, 'Small cap in the front cap').click()
  await press(page, 'm')
  await press(page, 'a')
  for (let presses = 0; presses < 8; presses++) await press(page, 'Space')
  await press(page, 'Enter')
  await page.getByRole('link', { name: 'Follow up what is off' }).click()

  const job = page.locator('li', { hasText: 'Alder' }).filter({ hasText: 'Small cap in the front cap' })
  await expect(job).toContainText('look for it')
  await job.getByRole('button', { name: /Write/ }).click()
  await expect(page.getByRole('heading', { name: 'Letters' })).toBeVisible()
  const text = page.getByLabel('Letter', { exact: true })
  await expect(text).toHaveValue(/could not find:\s+– Small cap in the front cap/)
  await text.fill(`${await text.inputValue()}\nThe café is open on Saturdays – ☎ 01 555.`)
  await page.getByRole('button', { name: 'Send it' }).click()
  // “not sent yet” says *sent* too: what may still be written is gone only when the letter has left.
  await expect(text).toHaveCount(0)
  await expect(page.getByRole('button', { pressed: true }).getByText(/^sent /)).toBeVisible()

  // The mail file is read by another program's reader: name in place, letters of all kinds whole.
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Save as a mail file' }).click(),
  ])
  const mail = extract(readFileSync(await download.path(), 'utf8'))
  const { borrower } = await read<{ borrower: { name: string; contact: string } }>(context, `/api/loans/${loan}`)
  expect(mail.to?.[0]?.address).toBe(borrower.contact)
  expect(mail.subject).toContain('Alder (F-01): Small cap in the front cap')
  expect(mail.text).toContain(`Dear ${borrower.name}`)
  expect(mail.text).toContain('The café is open on Saturdays – ☎ 01 555.')

  // Looking did not help, asking did not either: then a spare; the drawer has one fewer.
  await goTo(page, '/desk/follow-up')
  await job.locator('b').first().click()
  await press(page, 'n')
  await expect(job).toContainText('ask the borrower')
  await job.getByRole('button', { name: /Put in a spare/ }).click()
  await expect(page.getByText('A spare Small cap in the front cap is in Alder now.')).toBeVisible()
  await expect(job).toHaveCount(0)
  expect((await kitOf(context, 'F-01')).parts.find(({ name }) => name === 'Small cap in the front cap')?.mark).toBe(
    'present',
  )
  await goTo(page, '/kits/F-01')
  await expect(history(page).first()).toContainText('Small cap in the front cap put in from the drawer')
})

test('found again is one key; a notice makes one job for each kit of a model', async ({ page, context }) => {
  await signIn(context, 'ines')
  await goTo(page, '/desk/follow-up')
  const job = page.locator('li', { hasText: 'Comfrey' })
  await job.locator('b').first().click()
  await press(page, 'f')
  await expect(page.getByText('Focuser cap is back in Comfrey.')).toBeVisible()
  await expect(job).toHaveCount(0)

  await page.getByRole('button', { name: /Notice to all/ }).click()
  await page.getByLabel('check it for').fill('crack at the foot of a leg')
  await page.getByText('none may be lent until').click()
  await page.getByRole('button', { name: 'Make one job per kit' }).click()
  await expect(page.getByText(/have it to do|has it to do/)).toBeVisible()
  await expect(page.locator('li', { hasText: 'crack at the foot of a leg' }).first()).toBeVisible()
  for (const done of await page.locator('li', { hasText: 'crack at the foot' }).all()) {
    if (!(await done.isVisible())) continue
    await page.locator('li', { hasText: 'crack at the foot' }).first().getByRole('button', { name: /Done/ }).click()
    await page.waitForTimeout(300)
  }
  await expect(page.locator('li', { hasText: 'crack at the foot of a leg' })).toHaveCount(0)
})

test('labels on the screen are read by another library than wrote them', async ({ page, context }) => {
  await signIn(context, 'ines')
  await page.setViewportSize({ width: 2200, height: 1400 })
  await goTo(page, '/setup/labels?kind=kits&kits=M-12')
  await page.getByRole('button', { name: 'Begin with cell 5' }).click()
  const sheet = page.getByRole('img', { name: 'Page as it is printed' }).first()
  await expect(sheet.locator('text', { hasText: 'Juniper' })).toBeVisible()
  await sheet.evaluate((element) => (element.style.width = '1600px'))
  const picture = await sheet.screenshot()
  const wasm = readFileSync(createRequire(import.meta.url).resolve('zxing-wasm/reader/zxing_reader.wasm'))
  await prepareZXingModule({ overrides: { wasmBinary: new Uint8Array(wasm).buffer }, fireImmediately: true })
  const found = await readBarcodes(new Blob([new Uint8Array(picture)]), { formats: ['QRCode', 'Code128'] })
  expect(found.map(({ format, text }) => `${format} ${text}`).sort()).toEqual(['Code128 M-12', 'QRCode M-12'])
  const href = await page.getByRole('link', { name: 'PDF' }).getAttribute('href')
  const pdf = await context.request.get(`${process.env.BASE_URL}${href}`)
  expect(pdf.headers()['content-type']).toBe('application/pdf')
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-')
})

test('the practice case can be solved by looking, and says what was overlooked @long', async ({ page, context }) => {
  await signIn(context, 'jun')
  await goTo(page, '/practice')
  const parts = partRows(page)
  await expect(parts.first()).toBeVisible()
  const count = await parts.count()
  const seen = page.getByRole('figure', { name: 'What you see' })
  for (let index = 0; index < count; index++) {
    const name = await seen.locator('b').first().innerText()
    const sight = (await seen.getByRole('img').first().getAttribute('aria-label')) ?? ''
    const expected = Number(/all (\d)/.exec(await parts.nth(index).innerText())?.[1] ?? 1)
    await press(page, judgeBySight(name, sight, expected))
  }
  await press(page, 'Enter')
  const result = page.getByRole('status', { name: 'Your result' })
  await expect(result).toBeVisible()
  await expect(page.getByText(/overlooked|named wrongly|is as it should be/)).toHaveCount(0)
  expect(Number(await result.locator('b').first().innerText())).toBeGreaterThanOrEqual(70)

  await press(page, 'Enter')
  await expect(unseenParts(page)).toHaveCount(count)
  await press(page, 'Space')
  await press(page, 'Enter')
  await expect(page.getByText(/Slug in the weight’s screw: overlooked/)).toBeVisible()
  await expect(page.getByText('Tries on this machine')).toBeVisible()
})

/** What somebody who reads the card and looks would mark. */
function judgeBySight(name: string, sight: string, expected: number): string {
  if (/not a sound|Nothing lies here/.test(sight)) return 'm'
  if (/stands open/.test(sight)) return 'd'
  const counted = /You count (\w+)/.exec(sight)?.[1]
  if (counted && (counted === 'one' ? 1 : Number(counted)) < expected) return 'm'
  const ring = /ring stands ([\d.]+) mm/.exec(sight)?.[1]
  if (ring && !name.includes(`${ring} mm`)) return 'w'
  const opening = /opening is ([\d.]+) mm/.exec(sight)?.[1]
  if (opening && opening !== '31.75') return 'w'
  return 'Space'
}

test('a whole club comes in from one file: questions first, then all of it, and again without doubles @long', async ({
  page,
  context,
}) => {
  await signIn(context, 'ines')
  await goTo(page, '/setup/bring-in')
  await page.locator('[name=list]').setInputFiles(sample('club-inventory.csv'))
  await expect(page.getByRole('heading', { name: /need(s)? you/ })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Bring in', exact: true })).toBeDisabled()
  const decided = page.locator('[aria-pressed=true]')
  const open = page.getByRole('region').filter({ has: page.locator('[aria-pressed=false]'), hasNot: decided })
  for (let asked = 0; asked < 40; asked++) {
    const first = open.first()
    if ((await open.count()) === 0) break
    const key = await first.locator('strong').innerText()
    await first.getByRole('button').first().click()
    await expect(open.filter({ hasText: key })).toHaveCount(0)
  }
  for (const kit of await page
    .getByRole('region')
    .filter({ has: page.getByRole('checkbox', { name: / parts, / }) })
    .all()) {
    const [name, aperture, focal] = await kit.locator('input:not([type=checkbox], [readonly])').all()
    if (name && (await name.inputValue()) === '') await name.fill('Borage')
    if (aperture && (await aperture.inputValue()) === '') await aperture.fill('130')
    if (focal && (await focal.inputValue()) === '') await focal.fill('650')
  }
  const leave = page.getByText(/leave these rows out/)
  if ((await leave.count()) > 0) await leave.click()
  await page.getByRole('button', { name: 'Bring in', exact: true }).click()
  const said = page.getByRole('heading', { name: /kits? (is|are) in, with \d+ parts/ })
  await expect(said).toBeVisible()
  await page.getByRole('button', { name: 'Another list' }).click()
  await page.locator('[name=list]').setInputFiles(sample('club-inventory.csv'))
  await expect(page.getByText('just so already').or(page.getByText('nothing new'))).toBeVisible()
  await expect(page.getByText('nothing new')).toBeVisible()
})

test('a complete kit is weighed once; a doubtful weight is asked about before it is kept', async ({
  page,
  context,
}) => {
  await signIn(context, 'kofi')
  const before = await kitOf(context, 'M-13')
  expect(before.parts.every(({ mark }) => mark === 'present')).toBe(true)
  await goTo(page, '/kits/M-13/weigh')
  await page.getByLabel('Weight of the tray').fill('9 kg')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await page.getByRole('button', { name: 'It is complete: keep this weight' }).click()
  await expect(page.getByRole('alert')).toContainText('don’t add up')
  expect((await kitOf(context, 'M-13')).version).toBe(before.version)
  await page.getByRole('button', { name: 'again' }).click()
  const massG = before.parts
    .filter(({ weighGroup }) => weighGroup === 'tray')
    .reduce((sum, part) => sum + part.massG * part.count, 0)
  await page.getByLabel('Weight of the tray').fill(`${Math.round(massG)} g`)
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await page.getByRole('button', { name: /It is complete/ }).click()
  await expect(history(page).first()).toContainText(`weighed: tray ${Math.round(massG)} g`)

  // A kit that lacks a part is no measure for others.
  await goTo(page, '/kits/M-04/weigh')
  await expect(page.getByText('Bracken is not complete')).toBeVisible()
  await expect(page.getByRole('button', { name: /It is complete/ })).toHaveCount(0)
})

test('a piece goes from a kit into the drawer and back, each in one act', async ({ page, context }) => {
  await signIn(context, 'ines')
  type Drawer = { spares: { id: string; name: string; count: number; branchId: string }[] }
  const { branchId } = await kitOf(context, 'M-04')
  const moonFilters = async () =>
    (await read<Drawer>(context, '/api/spares')).spares.find(
      ({ name, branchId: own }) => name === 'Moon filter, grey' && own === branchId,
    )?.count
  const before = (await moonFilters()) ?? 0
  await goTo(page, '/kits/M-04')
  const row = page
    .getByRole('group', { name: 'Contents' })
    .getByRole('listitem')
    .filter({ hasText: 'Moon filter, grey' })
  await row.hover()
  await row.getByRole('button', { name: 'to the drawer' }).click()
  await expect(history(page).first()).toContainText('Moon filter, grey laid into the drawer')
  expect(await moonFilters()).toBe(before + 1)
  await goTo(page, '/setup/drawer')
  const wanted = page.getByRole('group', { name: 'Moon filter, grey' }).getByRole('group', { name: 'Bracken' })
  await wanted.getByRole('button', { name: 'Put in' }).click()
  await expect(page.getByText('Moon filter, grey is in Bracken now.')).toBeVisible()
  expect(await moonFilters()).toBe(before)
})

test('a stolen kit is held with its report, and stands in the record @long', async ({ page, context }) => {
  await signIn(context, 'ines')
  await bringIn(context, 'GONE-4', 4)
  await goTo(page, '/kits/GONE-4')
  await page.getByRole('button', { name: 'Lost, stolen, retired' }).click()
  await page.getByText('stolen', { exact: true }).click()
  await page.getByLabel('what happened').fill('taken from the car in the night')
  await page.getByLabel(/number of the police report/).fill('A-123')
  await page.getByRole('button', { name: 'Record it' }).click()
  await expect(glance(page).getByText(/^\s*Held/)).toBeVisible()
  await goTo(page, '/desk/hand-out/GONE-4')
  await expect(page.getByText('nobody may overrule this')).toBeVisible()
})

test('readers see all of it and change nothing @long', async ({ page, context }) => {
  await signIn(context, 'jun')
  await goTo(page, '/desk/follow-up')
  await expect(page.getByRole('heading', { name: 'Follow-up' })).toBeVisible()
  await expect(page.getByRole('button', { name: /Found|Done|Write/ })).toHaveCount(0)
  await goTo(page, '/setup/drawer')
  await expect(page.getByRole('heading', { name: 'The spares drawer' })).toBeVisible()
  await expect(page.getByRole('button', { name: /more|fewer/ })).toHaveCount(0)
  await goTo(page, '/setup/models')
  await page.locator('main li a').first().click()
  await expect(page.getByText('Only a coordinator of every branch with such kits may change it.')).toBeVisible()
  await expect(page.getByRole('button', { name: /Use for/ })).toHaveCount(0)
})
