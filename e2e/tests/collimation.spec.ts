import { readFileSync } from 'node:fs'
import { crc32 } from 'node:zlib'
import { fileURLToPath } from 'node:url'
import type { Page } from '@playwright/test'
import { demoMirrors } from '../../server/src/demo/mirrors.ts'
import { axisErrorAfter } from '../../core/src/collimation/screws.ts'
import { primaryCellOf } from '../../core/src/collimation/mirror-data.ts'
import { inShade, openStation } from '../support/bench.ts'
import { choose, pick } from '../support/choose.ts'
import { peepholePhoto } from '../support/peephole-photo.ts'
import { expect, goTo, press, signIn, test } from '../support/people.ts'
import { advice, figure, history } from '../support/seen.ts'

const file = (buffer: Buffer, name = 'photo.jpg') => ({ name, mimeType: 'image/jpeg', buffer })
/** A PNG's signature and header chunk, as its standard lays them out, with next to nothing behind. */
function pngThatClaims(widthPx: number, heightPx: number): Buffer {
  const chunk = Buffer.alloc(25)
  chunk.writeUInt32BE(13, 0)
  chunk.write('IHDR', 4, 'ascii')
  chunk.writeUInt32BE(widthPx, 8)
  chunk.writeUInt32BE(heightPx, 12)
  chunk.set([8, 2, 0, 0, 0], 16)
  chunk.writeUInt32BE(crc32(chunk.subarray(4, 21)), 21)
  return Buffer.concat([Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]), chunk])
}
async function photograph(page: Page, buffer: Buffer) {
  await pick(page, 'a picture')
  await inShade(page)
  await page.locator('[name=photo]').setInputFiles(file(buffer))
  await openEndUp(page)
}
/** No screw is named before somebody says where the tube's open end is. */
async function openEndUp(page: Page) {
  await expect(page.getByText('Where is the tube’s open end in this picture?')).toBeVisible()
  await page.getByRole('button', { name: '↑ up' }).click()
}

/** Reads “turn screw B clockwise ⅜ of a turn, then …” back, as the person at the screws would. */
function turnsOf(advice: string) {
  const parts: Record<string, number> = {
    '⅛': 2,
    '¼': 4,
    '⅜': 6,
    '½': 8,
    '⅝': 10,
    '¾': 12,
    '⅞': 14,
  }
  const sixteenths = (words: string) => {
    if (words.startsWith('half')) return 8
    if (words.startsWith('a quarter')) return 4
    if (words.startsWith('an eighth')) return 2
    if (words.startsWith('a sixteenth')) return 1
    if (words.startsWith('one turn')) return 16
    const [, whole = '0', fraction = ''] = /^(\d(?!⁄|\d))?(\d*⁄?\d*[⅛¼⅜½⅝¾⅞]?)/.exec(words) ?? []
    const [count = '', of] = fraction.split('⁄')
    return Number(whole) * 16 + (of === '16' ? Number(count) : (parts[fraction] ?? 0))
  }
  return [...advice.matchAll(/(?:screw|then) (\w) (clockwise|anticlockwise) ([^,.]+)/g)].map(
    ([, name = '', way, words = '']) => ({ name, turns: ((way === 'clockwise' ? 1 : -1) * sixteenths(words)) / 16 }),
  )
}

test('a picture, the advice, a second picture, locked, as left, fit', async ({ page, context }) => {
  test.setTimeout(120_000)
  await signIn(context, 'kofi')
  const mirror = demoMirrors['table-110']
  const cell = mirror && primaryCellOf(mirror, 480)
  if (!cell) throw new Error('no cell')
  const found = { x: -1.1, y: 1.7 }
  await openStation(page, 'M-01', /^Collimation/)
  await photograph(page, await peepholePhoto({ model: 'table-110', axisErrorMm: found }))
  await expect(figure(page)).toHaveText(/^2\.0/)
  await expect(page.getByText('give or take 0.2 mm')).toBeVisible()

  // What the program says is done to the made-up telescope; its second picture shows what came of it.
  const advised = (await advice(page).innerText()).replaceAll('\n', ' ')
  expect(advised).toMatch(/^From behind, turn screw [ABC] (anti)?clockwise/)
  const turns = turnsOf(advised)
  expect(turns.length).toBeGreaterThan(0)
  const after = axisErrorAfter(cell, found, turns)
  await page.getByRole('button', { name: 'Turned it: look again' }).click()
  await expect(figure(page)).toHaveText(/^–/)
  await photograph(page, await peepholePhoto({ model: 'table-110', axisErrorMm: after }))
  await expect(page.getByText('It moved as it should.')).toBeVisible()
  const left = Number((await figure(page).innerText()).replace(' mm', ''))
  expect(Math.abs(left - Math.hypot(after.x, after.y))).toBeLessThan(0.25)

  const locked = page.getByRole('button', { name: 'Locked: look again' })
  const again = (await locked.isVisible()) ? locked : page.getByRole('button', { name: 'Turned it: look again' })
  await again.click()
  await photograph(page, await peepholePhoto({ model: 'table-110', axisErrorMm: { x: 0.06, y: -0.05 } }))
  await expect(page.getByText('Well lined up')).toBeVisible()
  await page.getByRole('navigation', { name: 'Stations' }).getByRole('button', { name: 'End' }).click()
  await expect(page.getByRole('row', { name: /mirror 2\.0 mm/ })).toBeVisible()
  await page.getByRole('button', { name: /Keep this check/ }).click()
  await expect(history(page).first()).toContainText(/mirror 2\.0 mm → 0\.[0-3] mm/)
})

test('circles are moved by keys, and the figure follows; the open end turns the advice @long', async ({
  page,
  context,
}) => {
  await signIn(context, 'kofi')
  await openStation(page, 'M-01', /^Collimation/)
  await pick(page, 'a picture')
  await inShade(page)
  const photo = await peepholePhoto({ model: 'table-110', axisErrorMm: { x: 1.5, y: 0 } })
  await page.locator('[name=photo]').setInputFiles(file(photo))
  // Its size is seen at once; no direction, no screw and no figure to keep before the open end is known.
  await expect(page.getByText(/The mark is 1\.[45] mm off/)).toBeVisible()
  await expect(page.locator('[data-handle=\"open end\"]')).toHaveCount(0)
  await expect(figure(page)).toHaveText(/^–/)
  await expect(advice(page)).not.toContainText('screw')
  await openEndUp(page)
  await expect(figure(page)).toHaveText(/^1\.[45]/)
  const advised = await advice(page).innerText()
  await pick(page, 'lay the model’s drawing over it')
  await expect(page.locator('[data-layer=model] path').first()).toBeVisible()
  await page.locator('[name=open-end]').fill('120')
  await page.locator('[name=open-end]').press('Tab')
  await expect(advice(page)).not.toHaveText(advised)
  await expect(figure(page)).toHaveText(/^1\.[45]/)
  const frame = page.getByRole('application', { name: /Circles on the picture/ })
  await frame.focus()
  for (let i = 0; i < 4; i++) await frame.press('Shift+ArrowUp')
  await expect(page.getByText('Circles laid by hand.')).toBeVisible()
  await expect(figure(page)).not.toHaveText(/^1\.[45]/)
})

test('what is no picture is refused, and the reading that was there stays @long', async ({ page, context }) => {
  await signIn(context, 'kofi')
  await openStation(page, 'M-01', /^Collimation/)
  await photograph(page, await peepholePhoto({ model: 'table-110', axisErrorMm: { x: 1.5, y: 0 } }))
  await expect(figure(page)).toHaveText(/^1\.[45]/)
  await page.locator('[name=photo]').setInputFiles(file(Buffer.from('no picture at all')))
  await expect(page.getByRole('alert')).toContainText('not a picture that can be read')
  await expect(figure(page)).toHaveText(/^1\.[45]/)
  // A few bytes that claim a hundred megapixels: refused by the header, never unpacked.
  await page.locator('[name=photo]').setInputFiles(file(pngThatClaims(10_000, 10_001), 'bomb.png'))
  await expect(page.getByRole('alert')).toContainText('more than 64 megapixels')
  await expect(figure(page)).toHaveText(/^1\.[45]/)
  // A star is a picture, but not of a mirror: by hand it can go on.
  const star = readFileSync(new URL('../../server/test/pictures/star/pub_star_06.jpg', import.meta.url))
  await page.locator('[name=photo]').setInputFiles(file(star))
  await expect(page.getByRole('alert')).toContainText(/No round edge|no reflection of the cap|nothing to measure/)
  await expect(figure(page)).toHaveText(/^1\.[45]/)
  await page.getByRole('button', { name: 'Lay the circles by hand' }).click()
  await expect(page.getByText('Circles laid by hand.')).toBeVisible()
})

test('a star on both sides of focus: a figure without the secondary’s own offset @long', async ({
  page,
  context,
}) => {
  await signIn(context, 'kofi')
  await openStation(page, 'M-07', /^Collimation/)
  await pick(page, 'a star')
  await inShade(page)
  const star = (name: string) => fileURLToPath(new URL(`../../server/test/pictures/star/${name}`, import.meta.url))
  await page.locator('[name=star]').setInputFiles(star('pub_star_02.png'))
  await openEndUp(page)
  await expect(page.getByText('Without the defocus there is no figure')).toBeVisible()
  await choose(page, 'Which side of focus', /^inside/)
  await page.locator('[name=defocus]').fill('8')
  await page.locator('[name=defocus]').press('Tab')
  await expect(page.getByText('One side of focus only')).toBeVisible()
  await page.locator('[name=other-star]').setInputFiles(star('pub_star_03.jpg'))
  await expect(page.getByText('One side of focus only')).toBeHidden()
  // The truth of the pair is 0.83 mm; a fifth of doubt.
  await expect(figure(page)).toHaveText(/^0\.[789]/)
  // A hand that moves the dark middle has the figure follow, and it can be kept all the same.
  await pick(page, 'its dark middle')
  const frame = page.getByRole('application', { name: /Disc and dark middle/ })
  await frame.focus()
  for (let i = 0; i < 3; i++) await frame.press('Shift+ArrowLeft')
  await expect(page.getByText('by circles laid by hand')).toBeVisible()
  await expect(figure(page)).not.toHaveText(/^0\.[789]/)
})

test('by eye: a doubt that holds the limit is said', async ({ page, context }) => {
  await signIn(context, 'kofi')
  await openStation(page, 'M-01', /^Collimation/)
  await pick(page, 'by eye')
  await inShade(page)
  await choose(page, 'What the eye sees', /lies within the mark/)
  await expect(advice(page)).toContainText('Can’t tell')
  await choose(page, 'What the eye sees', /lies beside the mark/)
  await expect(advice(page)).toContainText('From behind, turn screw')
})

test('a screw at its end is never advised further', async ({ page, context }) => {
  await signIn(context, 'kofi')
  await openStation(page, 'M-01', /^Collimation/)
  await pick(page, 'type a reading')
  await inShade(page)
  await page.locator('[name=offset-mm]').fill('3.8')
  await choose(page, 'Mark towards, o’clock', /^4$/)
  await expect(advice(page)).toContainText('screw B clockwise')
  await page.getByText('a screw is at its end').click()
  await choose(page, 'Screw B', 'can’t go clockwise')
  await expect(advice(page)).not.toContainText('B clockwise')
  await expect(advice(page)).toContainText('anticlockwise')
})

test('a tube that slides: opened again and again, with an honest verdict @long', async ({ page, context }) => {
  await signIn(context, 'kofi')
  await openStation(page, 'M-07', /^Collimation/)
  await inShade(page)
  for (const [mm, hours] of [
    ['0.4', '1'],
    ['0.5', '4'],
    ['0.3', '8'],
    ['0.6', '11'],
    ['0.4', '6'],
  ] as const) {
    await page.locator('[name=offset-mm]').fill(mm)
    await choose(page, 'Mark towards, o’clock', new RegExp(`^${hours}$`))
    await page.getByRole('button', { name: /Keep this as opening/ }).click()
  }
  await expect(page.getByText('Holds: it comes back within the limit')).toBeVisible()
  await expect(
    page.getByText(/spread 0\.\d\d mm along either axis \(0\.\d\d to 0\.\d\d in nine of ten/),
  ).toBeVisible()
})

test('practice: one screw with the keys and the help, kept for oneself', async ({ page, context }) => {
  await signIn(context, 'kofi')
  await goTo(page, '/practice/telescope')
  const left = async () => Number((await figure(page).innerText()).replace(' mm', ''))
  const began = await left()
  expect(began).toBeGreaterThan(1.3)
  for (let line = 0; line < 4; line++) await press(page, 'h')
  const help = page.getByRole('region', { name: 'Help' }).locator('p').first()
  await expect(help).toContainText('From behind, turn')
  // Follow the last line of help, an eighth or a sixteenth at a time, until nothing is left.
  for (let tries = 0; tries < 12 && /turn (\w)/.test(await help.innerText()); tries++) {
    const [turn] = turnsOf(
      (await help.innerText()).replaceAll('\n', ' ').replace('turn ', 'turn screw ').replace(' by ', ' '),
    )
    if (!turn) break
    await press(page, turn.name.toLowerCase())
    const sixteenths = Math.round(Math.abs(turn.turns) * 16)
    const key = turn.turns > 0 ? 'ArrowRight' : 'ArrowLeft'
    for (let i = 0; i < Math.floor(sixteenths / 2); i++) await press(page, key)
    if (sixteenths % 2 === 1) await press(page, `Shift+${key}`)
    // What is only read follows when the hand rests.
    await page.waitForTimeout(300)
  }
  expect(await left()).toBeLessThan(began / 2)
  await press(page, 'Space')
  await expect(help).toContainText('Lined up to')
  await expect(page.getByText('kept, for you and your coordinator')).toBeVisible()
  await page.getByRole('link', { name: 'How it goes, all of it' }).click()
  const row = page.getByRole('table', { name: /^Practice of Kofi/ }).getByRole('row', { name: /One screw/ })
  await expect(row).toContainText('2 more telescopes within the limit, of 3.')
})

test('practice: the wheel and a finger turn a screw, undo takes it back', async ({ page, context }) => {
  await signIn(context, 'kofi')
  await goTo(page, '/practice/telescope')
  await page.getByRole('button', { name: 'Fast tube' }).click()
  const screw = page.getByRole('button', { name: 'Screw B' })
  const moves = page
    .getByRole('table', { name: 'Your turns' })
    .getByRole('row')
    .filter({ has: page.getByRole('cell') })
  await screw.hover()
  await page.mouse.wheel(0, 120)
  await expect(moves).toHaveCount(1)
  await expect(moves).toContainText('B clockwise')
  const box = await screw.boundingBox()
  if (!box) throw new Error('no screw')
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y - 30)
  await page.mouse.down()
  await page.mouse.move(x - 30, y, { steps: 6 })
  await page.mouse.up()
  await expect(moves.nth(1)).toContainText('B anticlockwise')
  await press(page, 'u')
  const count = await moves.count()
  expect(count).toBeGreaterThan(0)
})

test('mirrors and cell in Set-up: a field that is wrong says so, a right one is kept and drawn', async ({
  page,
  context,
}) => {
  await signIn(context, 'ines')
  await goTo(page, '/setup/models')
  await page
    .getByRole('link', { name: /equatorial reflector 140\/680/ })
    .first()
    .click()
  await page.getByRole('link', { name: 'Mirrors and cell' }).click()
  await page.locator('[name="mirror.cell.pitchMm"]').fill('')
  await page.getByRole('button', { name: 'Keep mirrors and cell' }).click()
  await expect(page.getByText('type the pitch').first()).toBeVisible()
  await page.locator('[name="mirror.cell.pitchMm"]').fill('1')
  await page.getByRole('button', { name: 'Keep mirrors and cell' }).click()
  await expect(page.getByText('Kept for all kits of this model.')).toBeVisible()
})

test('with the help sheet: the coordinator says so, and the sheet draws this kit', async ({ page, context }) => {
  await signIn(context, 'ines')
  await goTo(page, '/kits/M-12')
  await choose(page, 'May borrowers line it up?', 'with the help sheet')
  await page.getByRole('link', { name: 'Help sheet' }).click()
  await expect(page.getByRole('heading', { name: /Lining up/ })).toBeVisible()
  await expect(page.getByText('Never towards the Sun.')).toBeVisible()
  await expect(page.getByRole('figure').filter({ hasText: 'the back of the tube' }).locator('svg')).toBeVisible()
})
