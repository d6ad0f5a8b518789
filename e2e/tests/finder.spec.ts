import { readFile } from 'node:fs/promises'
import type { BrowserContext, Page } from '@playwright/test'
import { choose, pick } from '../support/choose.ts'
import { openStation, saySun, sunQuestion } from '../support/bench.ts'
import { hurdles } from '../support/hurdles.ts'
import { kitOf, read } from '../support/loans.ts'
import { expect, goTo, press, signIn, test } from '../support/people.ts'
import { figure } from '../support/seen.ts'

/** Morning at the made-up places in April: the Sun stands in the east. */
const MORNING = '2026-04-16T08:30:00Z'
/** The Sun stands where the chimney over the road does. */
const AFTERNOON = '2026-04-16T13:30:00Z'
const NIGHT = '2026-04-16T21:50:00Z'

async function at(page: Page, context: BrowserContext, when: string, code = 'F-03') {
  await page.clock.setFixedTime(new Date(when))
  await serverSays(page, when)
  await signIn(context, 'kofi')
  await openStation(page, code, /^Finder/)
}
/** The server's clock as the page hears it with the places. */
const serverSays = (page: Page, nowUtc: string) =>
  page.route('**/api/sites', async (route) => {
    const given = (await (await route.fetch()).json()) as object
    await route.fulfill({ json: { ...given, nowUtc } })
  })
const knobs = (page: Page) => page.getByRole('list', { name: 'Knobs' }).getByRole('listitem')
async function mark(page: Page, right: number, up: number) {
  await page.locator('[name=seen-x]').fill(String(right))
  await page.locator('[name=seen-y]').fill(String(up))
}
/** Where this kit's dot must stand at 60 m: its offset, seen as an angle. */
async function aimAt(context: BrowserContext, code: string, distanceM: number) {
  const { optics } = await read<{ optics: { finderOffsetMm: { x: number; y: number } } }>(
    context,
    `/api/kits/${code}`,
  )
  const arcmin = (mm: number) => Math.round((Math.atan2(mm / 1000, distanceM) * 180 * 60) / Math.PI)
  return { x: arcmin(optics.finderOffsetMm.x), y: arcmin(optics.finderOffsetMm.y) }
}

test('on a chimney at 60 m: with the aim mark it is right for the stars, without it is told how wrong @long', async ({
  page,
  context,
}) => {
  await at(page, context, MORNING, 'F-04')
  await press(page, 'l')
  await choose(page, 'Where this is', 'Library yard')
  await page.getByRole('button', { name: /^Chimney over the road/ }).click()
  // Before the question of the Sun is answered nothing can be marked; no bars it, yes opens it.
  await expect(page.locator('[name=seen-x]')).toBeDisabled()
  await saySun(page, 'no')
  await expect(page.getByRole('alert')).toContainText('Caps on now')
  await expect(page.locator('[name=seen-x]')).toBeDisabled()
  await saySun(page, 'yes')

  // The dot on the very spot that the eyepiece shows.
  await mark(page, 0, 0)
  await expect(page.getByText(/put on the same spot would be 7′ out for the stars/)).toBeVisible()
  await expect(figure(page)).toHaveText(/^7/)
  // Far off, then turned as told, and looked at again.
  await mark(page, 80, -52)
  await expect(figure(page)).toHaveClass(/off/)
  await expect(knobs(page).first()).toContainText('Side knob')
  await expect(knobs(page).first()).toContainText(/anticlockwise; the dot goes \d+′ left/)
  await expect(knobs(page).nth(1)).toContainText(/clockwise; the dot goes \d+′ up/)
  await page.getByRole('button', { name: /Turned them: look again/ }).click()
  await expect(figure(page)).toHaveText(/^–/)
  const aim = await aimAt(context, 'F-04', 60)
  await mark(page, aim.x, aim.y)
  await expect(figure(page)).toHaveText(/^[01]′/)
  await expect(page.getByText('Lined up well')).toBeVisible()

  await page.getByRole('button', { name: 'End' }).click()
  await page.getByRole('button', { name: /Keep this check/ }).click()
  await expect(page).toHaveURL(/\/kits\/F-04/)
  const kit = await kitOf(context, 'F-04')
  const readings = kit.history[0]?.after?.readings as { kind: string; asFound: number; asLeft: number }[]
  const kept = readings.find(({ kind }) => kind === 'finder')
  expect(kept?.asLeft).toBeLessThan(1)
  expect(kept?.asFound).toBeGreaterThan(90)
})

test('the Sun bars a landmark at that hour, with the reason and until when', async ({ page, context }) => {
  await at(page, context, AFTERNOON)
  await press(page, 'l')
  await choose(page, 'Where this is', 'Library yard')
  const chimney = page.getByRole('button', { name: /^Chimney over the road/ })
  await expect(chimney).toBeDisabled()
  await expect(chimney).toContainText('the Sun is nearer to it than 45°')
  await expect(chimney).toContainText(/until \d\d:\d\d/)
  const mast = page.getByRole('button', { name: /^Marrow Hill mast/ })
  await expect(mast).toBeEnabled()
  await mast.click()
  await expect(page.getByRole('img', { name: /The Sun today and Marrow Hill mast/ })).toBeVisible()
  expect(await hurdles(page)).toEqual([])
})

test('by night: the pole star, in the dark, with arrows', async ({ page, context }) => {
  await page.setViewportSize({ width: 1024, height: 768 })
  await at(page, context, NIGHT)
  await expect(page.getByRole('heading', { name: 'the pole star' })).toBeVisible()
  await expect(page.getByText('It stands still.')).toBeVisible()
  await expect(sunQuestion(page)).toBeHidden()
  await page.getByRole('button', { name: 'Ember' }).click()
  await expect(page.locator('html')).toHaveAttribute('data-scheme', 'ember')
  await press(page, 'm')
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowRight')
  const across = Number(await page.locator('[name=seen-x]').inputValue())
  expect(across).toBeGreaterThanOrEqual(30)
  await expect(figure(page)).toHaveText(new RegExp(`^${across}`))
  await page.getByRole('button', { name: 'Paper' }).click()
})

test('a machine whose clock says night by day asks all the same, and shuts every way until it is answered', async ({
  page,
  context,
}) => {
  await page.clock.setFixedTime(new Date(NIGHT))
  await serverSays(page, MORNING)
  await signIn(context, 'kofi')
  await openStation(page, 'F-03', /^Finder/)
  await expect(page.getByText(/clock and the server’s are more than 5 minutes apart/)).toBeVisible()
  await expect(sunQuestion(page)).toBeVisible()
  await pick(page, 'I know the angle')
  await expect(page.locator('[name=misalignment]')).toBeDisabled()
  await saySun(page, 'no')
  await expect(page.locator('[name=misalignment]')).toBeDisabled()
  await pick(page, 'where it stands in the eyepiece')
  await expect(page.locator('[name=fraction]')).toBeDisabled()
})

test('by the eyepiece’s field: what stands at a clock’s hour in a turned view is turned back @long', async ({
  page,
  context,
}) => {
  await at(page, context, NIGHT)
  await pick(page, 'where it stands in the eyepiece')
  await choose(page, 'How far from the middle', '8 tenths')
  await choose(page, 'Towards, o’clock', /^12$/)
  await expect(page.getByText('12 is towards the tube’s open end')).toBeVisible()
  // Its focuser sticks out at 75°: twelve o'clock in the view lies away from it, left and a little down.
  await expect(knobs(page).first()).toContainText(/the dot goes \d+′ right/)
})

test('a finder whose place nobody knows is measured first; the sheet then carries it @long', async ({
  page,
  context,
}) => {
  await at(page, context, NIGHT, 'F-05')
  await page.getByRole('button', { name: 'measure it on this kit' }).click()
  await page.locator('[name=offset-x]').fill('3')
  await page.locator('[name=offset-y]').fill('2')
  await page.getByRole('button', { name: 'Keep its offset' }).click()
  await expect(page.getByText(/15 mm from the tube’s axis at least/)).toBeVisible()
  await page.locator('[name=offset-x]').fill('-84')
  await page.locator('[name=offset-y]').fill('112')
  await page.getByRole('button', { name: 'Keep its offset' }).click()
  await expect(page.getByText(/84 mm left and 112 mm up/)).toBeVisible()
  await page.getByRole('link', { name: 'Print its sheet of two marks' }).click()
  await expect(page.getByText('the finder’s cross belongs here')).toBeVisible()
  await expect(page.getByText('140 mm', { exact: true })).toBeVisible()
})

test('a peep sight has nothing to turn @long', async ({ page, context }) => {
  await at(page, context, NIGHT, 'M-06')
  await pick(page, 'where the cross stands')
  await mark(page, 200, 0)
  await expect(page.getByText('A peep sight has nothing to turn')).toBeVisible()
})

test('landmarks: paced out, wrong fields say so, out as a file and in again @long', async ({ page, context }) => {
  await signIn(context, 'ines')
  await goTo(page, '/setup/places')
  await page.getByRole('link', { name: 'landmarks' }).first().click()
  await page.getByRole('button', { name: 'Another landmark' }).click()
  await page.locator('[name=name]').fill('Kiln stack')
  await choose(page, 'how its distance is known', 'paced out')
  await page.locator('[name=paces]').fill('4')
  await expect(page.locator('[name=distanceM]')).toHaveValue('3')
  await page.locator('[name=bearingDeg]').fill('400')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText(/a landmark is 5 m away at least/)).toBeVisible()
  await expect(page.getByText('a bearing lies between 0 and 360°')).toBeVisible()
  await page.locator('[name=paces]').fill('400')
  await page.locator('[name=bearingDeg]').fill('40')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText('Kiln stack')).toBeVisible()
  expect(await hurdles(page)).toEqual([])
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: /Download/ }).click(),
  ])
  const file = JSON.parse(await readFile(await download.path(), 'utf8')) as {
    features: { properties: { name: string } }[]
  }
  expect(file.features.map(({ properties }) => properties.name)).toContain('Kiln stack')
  for (const feature of file.features)
    if (feature.properties.name === 'Kiln stack') feature.properties.name = 'Second stack'
  await page.locator('[name=geojson]').setInputFiles({
    name: 'marks.geojson',
    mimeType: 'application/geo+json',
    buffer: Buffer.from(JSON.stringify(file)),
  })
  await expect(page.getByText('Second stack')).toBeVisible()
  await page.locator('[name=geojson]').setInputFiles({
    name: 'marks.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from('no json'),
  })
  await expect(page.getByRole('alert')).toContainText('is no GeoJSON')
})

test('a model’s finder: a field that is wrong says so, a right one is kept @long', async ({ page, context }) => {
  await signIn(context, 'ines')
  await goTo(page, '/setup/models')
  await page
    .getByRole('link', { name: /equatorial reflector 140\/680/ })
    .first()
    .click()
  await page.getByRole('link', { name: 'Finder and focuser' }).click()
  await page.locator('[name="finder.knobs.0.arcminPerTurn"]').fill('0')
  await page.getByRole('button', { name: 'Keep finder and focuser' }).click()
  await expect(page.getByText('a turn moves it 1′ at least')).toBeVisible()
  await page.locator('[name="finder.knobs.0.arcminPerTurn"]').fill('36')
  await page.locator('[name="finder.spareTravelMm"]').fill('28')
  await expect(page.getByText(/Sharp from 1[78] m on/)).toBeVisible()
  await page.getByRole('button', { name: 'Keep finder and focuser' }).click()
  await expect(page.getByText('Kept for all kits of this model.')).toBeVisible()
  expect(await hurdles(page)).toEqual([])
})
