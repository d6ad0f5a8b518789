import type { Page } from '@playwright/test'
import { expect, goTo, press, signIn, test } from '../support/people.ts'
import { choose } from '../support/choose.ts'
import { openStation, steps } from '../support/bench.ts'
import { hurdles } from '../support/hurdles.ts'
import { kitOf, read } from '../support/loans.ts'
import { advice, figure, glance } from '../support/seen.ts'

/** Opens the choice of place and hour, and takes this one, whichever was proposed. */
const choosePlace = async (page: Page, name: string) => {
  await page.getByRole('group', { name: 'Place and hour' }).getByRole('button').first().click()
  await choose(page, 'Place', name)
  // While it fades nothing of it can be read.
  await expect(page.getByRole('option', { name })).toBeHidden()
}
/** The first star that is proposed, as it is written into the horizon. */
const firstStar = (page: Page) => page.getByText(/^\s*1 .+ \d+° up\s*$/)
const keep = (page: Page) => page.getByRole('button', { name: /Keep this check/ })

// Its owner lets the tablet's sensors be read.
test.use({ permissions: ['accelerometer', 'gyroscope', 'magnetometer'] })

test('an equatorial reflector: weight too small, one more from the drawer, balanced', async ({ page, context }) => {
  await signIn(context, 'kofi')
  await openStation(page, 'F-01', /^Balance/)

  // Too light in every set-up, with what is missing, and what the drawer holds against it.
  await expect(page.getByRole('heading', { name: 'Lightest: the weight is too light' })).toBeVisible()
  await expect(page.getByText(/\d+ g too little/)).toBeVisible()
  await expect(page.getByText('Counterweight 0.6 kg')).toBeVisible()
  await page.getByRole('button', { name: 'Add it from the drawer' }).click()
  await expect(page.getByRole('heading', { name: 'The weight reaches, the mount carries it' })).toBeVisible()
  const kit = await kitOf(context, 'F-01')
  expect(kit.parts.filter(({ name }) => /^Counterweight($| \d)/.test(name))).toHaveLength(2)

  // The head's own moment isn't known yet: balanced once by hand, it is.
  await expect(page.getByText('the head’s own moment isn’t known yet')).toBeVisible()
  const bare = page.locator('[name=bare-shaft-mm]')
  await bare.fill('9999')
  await expect(page.getByText(/the bare shaft is \d+ mm long/)).toBeVisible()
  await bare.fill('-3')
  await expect(page.getByText('a length is 0 mm or more')).toBeVisible()
  await bare.fill('40')
  await page.getByRole('button', { name: /It stays/ }).click()
  await expect(figure(page)).toHaveText('0 mm')
  await expect(advice(page)).toHaveText('The weight stands right. Let go: it stays.')

  // Moved away again it says which side falls, and how far which way.
  await bare.fill('70')
  await expect(page.getByText('falls if let go')).toHaveCount(0)
  await bare.fill('40')
  await page.getByRole('button', { name: /It stays/ }).click()
  await page.getByRole('button', { name: 'End' }).click()
  await keep(page).click()
  await expect(glance(page)).toBeVisible()

  await openStation(page, 'F-01', /^Balance/)
  await page.locator('[name=bare-shaft-mm]').fill('70')
  await expect(figure(page)).toHaveText('30 mm')
  await expect(advice(page)).toHaveText('Slide the weight outward by 30 mm.')
  await expect(page.getByText('falls if let go')).toBeVisible()
  await press(page, 'Escape')
})

test('a tabletop reflector goes through its stations by keyboard', async ({ page, context }) => {
  await signIn(context, 'kofi')
  await openStation(page, 'M-07', /^Assembly/)
  await expect(page.getByRole('heading', { name: 'Find a sturdy table' })).toBeVisible()
  // The tablet is the level: its own sensors say how far from level the table is.
  await page.getByRole('button', { name: 'Use this tablet as a level' }).click()
  /** As its sensor says it again and again, until the page has heard it: it may have to ask the tablet first. */
  const lies = (beta: number, gamma: number, says: string) =>
    expect(async () => {
      await page.evaluate((angles) => window.dispatchEvent(new DeviceOrientationEvent('deviceorientation', angles)), {
        beta,
        gamma,
      })
      await expect(page.getByText(says)).toBeVisible({ timeout: 500 })
    }).toPass()
  await lies(1.6, 0, '1.6° from level')
  await page.getByRole('button', { name: 'Take it' }).click()
  await expect(advice(page)).toContainText('The bubble runs to the high side')
  await lies(0, 0.3, '0.3° from level')
  await page.getByRole('button', { name: 'Take it' }).click()
  await expect(page.getByRole('heading', { name: 'Lift it by its base' })).toBeVisible()
  // The base sticks: said, put right, and both are kept.
  await page.getByRole('radio', { name: 'sticks, then jumps' }).click()
  await expect(advice(page)).toContainText('Undo the centre bolt by an eighth of a turn')
  await press(page, 'p')
  await expect(page.getByRole('heading', { name: 'Slide the tube open' })).toBeVisible()
  while ((await page.getByRole('heading', { name: 'Try three moves' }).count()) === 0) await press(page, 'Space')
  for (const answer of ['yes', 'yes', 'yes'].keys())
    await page.getByRole('radiogroup').nth(answer).getByRole('radio', { name: 'yes' }).click()
  // A tube that slides open balances in its clamp.
  await page.locator('[name=hang-g]').fill('60')
  await expect(advice(page)).toContainText(/Slide the tube \d+ mm towards the sky/)
  await page.getByRole('button', { name: 'Slid it: it stays now' }).click()
  await expect(figure(page)).toHaveText('0 mm')
  await expect(page.getByText(/tail-heavy: \d+ g at the open end/)).toBeVisible()
  await page.getByRole('button', { name: 'End' }).click()
  const row = (name: string) => page.getByRole('row', { name: new RegExp(`^${name}`) })
  await expect(row('mount')).toContainText('not fine')
  await expect(row('mount').locator('strong')).toHaveText('fine')
  await keep(page).click()
  await expect(glance(page)).toBeVisible()
})

test('a computer-driven arm: what to key in, hours that don’t exist, stars, home position @long', async ({
  page,
  context,
}) => {
  await signIn(context, 'kofi')
  await openStation(page, 'M-13', /^Place/)
  await expect(
    page.getByText('Turn the arm against its stop, then back until it stands over the side marked N.'),
  ).toBeVisible()
  await choosePlace(page, 'Library yard')
  const when = page.locator('[name=local]')
  await when.fill('2026-07-17T23:30')
  const card = page.getByRole('group', { name: 'What to key in' })
  await expect(card.getByRole('button')).toHaveText([
    /site or city\s*Library yard\s*or a site of your own: 52° 42′ N, 008° 12′ W/,
    /zone, by a place\s*Dublin/,
    /date\s*17\/07\/2026\s*day first/,
    /time\s*11:30:00 PM/,
    /daylight saving\s*YES\s*asked separately/,
    /mount mode\s*up and round/,
    /telescope\s*refractor, 420 mm/,
    /kind of alignment\s*two stars/,
    /speed of the keys\s*7 to come near, 3 to centre/,
    /park\s*before you switch off/,
    /switching off\s*mount first, then the pack/,
  ])
  // Two stars, and another when one is hidden.
  const first = firstStar(page)
  const name = (await first.textContent())?.replace(/^\s*1 (.+) \d+° up\s*$/, '$1').trim() ?? ''
  await page.getByRole('button', { name: `${name} is hidden` }).click()
  await expect(first).not.toContainText(name)
  // Too light at noon.
  await when.fill('2026-07-17T12:00')
  await expect(page.getByText('no lining up before the Sun is 6° down')).toBeVisible()
  // Clocks skip an hour in March, and show one twice in October.
  await when.fill('2027-03-28T01:30')
  await expect(page.getByText('01:30 doesn’t exist')).toBeVisible()
  await when.fill('2026-10-25T01:30')
  await expect(page.getByText('Clocks show 01:30 twice')).toBeVisible()
  await page.getByRole('button', { name: /the second, UTC \+0/ }).click()
  await expect(card.getByRole('button', { name: /daylight saving/ })).toContainText('NO')
  await page.getByRole('radio', { name: 'Keyed in and lined up' }).click()
  await page.getByRole('button', { name: 'End' }).click()
  await expect(page.getByRole('row', { name: /^setting for the place fine fine/ })).toBeVisible()
})

test('a large mount: star on the ring, both hemispheres, which side the tube hangs @long', async ({
  page,
  context,
}) => {
  await signIn(context, 'ines')
  await openStation(page, 'F-02', /^Place/)
  await choosePlace(page, 'Ferncliff field')
  await page.locator('[name=local]').fill('2026-04-17T22:00')
  await expect(page.getByText('pole star on the ring')).toBeVisible()
  const clocks = await page.locator('figure > b').allTextContents()
  const hours = clocks.map((text) => Number(text.split(':')[0]) % 12)
  expect(((hours[1] ?? 0) - (hours[0] ?? 0) + 12) % 12).toBe(6)
  await expect(page.getByText(/tube on the (west|east) side/)).toHaveCount(2)
  await page.locator('[name=latitude-set]').fill('48')
  await expect(page.getByText('still the last borrower’s place?')).toBeVisible()
  await page.locator('[name=latitude-set]').fill('91')
  await expect(page.getByText(/This head’s scale goes from \d+ to \d+°/)).toBeVisible()
  await page.locator('[name=latitude-set]').fill('48')
  await page.getByRole('button', { name: /Set it: right now/ }).click()
  await expect(page.locator('[name=latitude-set]')).toHaveValue('52.9')
})

test('every family’s kit can be taken through its stations @long', async ({ page, context }) => {
  await signIn(context, 'kofi')
  for (const code of ['M-07', 'F-05', 'F-04', 'M-06', 'M-10', 'M-09', 'M-11', 'F-02']) {
    await goTo(page, `/bench/${code}`)
    const stations = page.getByRole('navigation', { name: 'Stations' }).getByRole('button')
    await expect(stations.first()).toBeVisible()
    for (const station of await stations.all()) {
      await station.click()
      await expect(page.getByRole('region', { name: 'Station' })).not.toBeEmpty()
    }
    await page
      .getByRole('navigation', { name: 'Stations' })
      .getByRole('button', { name: /^Assembly/ })
      .click()
    for (let left = await steps(page).count(); left > 0; left -= 1) await press(page, 'Space')
    await page.getByRole('navigation', { name: 'Stations' }).getByRole('button', { name: 'End' }).click()
    await expect(page.getByRole('row', { name: /^stand fine fine/ })).toBeVisible()
  }
})

test('steps are reordered by drag, and an order that can hurt is warned of, not refused', async ({
  page,
  context,
}) => {
  await signIn(context, 'ines')
  const { modelId } = await read<{ modelId: string }>(context, '/api/kits/M-09')
  await goTo(page, `/setup/models/${modelId}/steps`)
  const list = page.locator('ol[data-way=setUp] li')
  await expect(list.first()).toBeVisible()
  const row = (title: string) => list.filter({ hasText: title })
  const grip = async (title: string) => {
    const box = await row(title).locator('[data-grip]').boundingBox()
    if (!box) throw new Error(`no row ${title}`)
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 }
  }
  const order = () => list.allInnerTexts()
  const before = await order()
  const from = await grip('Put the tube on')
  const to = await grip('Slide the slow-motion rods on')
  await page.mouse.move(from.x, from.y)
  await page.mouse.down()
  await page.mouse.move(from.x, (from.y + to.y) / 2, { steps: 8 })
  await page.mouse.move(to.x, to.y - 8, { steps: 8 })
  // Where it would land shows before the hand lets go.
  await expect.poll(order).not.toEqual(before)
  await page.mouse.up()
  await expect(page.getByText('the stand can tip over on somebody’s feet')).toBeVisible()
  await expect(page.getByText('One order that can hurt')).toBeVisible()
  await page.getByRole('button', { name: /Use these steps/ }).click()
  await expect(page.getByRole('button', { name: /Use these steps/ })).toBeDisabled()
  // Taking apart follows when asked to, and the family's order comes back.
  await page.getByRole('button', { name: 'in reverse again' }).click()
  await page.getByRole('button', { name: 'Back to the family’s steps' }).click()
  await expect(page.getByText('that can hurt')).toHaveCount(0)
  await page.getByRole('button', { name: /Use these steps/ }).click()
  await expect(page.getByText('the stand can tip over')).toHaveCount(0)
})

test('figures that can’t be are named by their field, and nothing typed is lost @long', async ({ page, context }) => {
  await signIn(context, 'ines')
  const { modelId } = await read<{ modelId: string }>(context, '/api/kits/M-09')
  await goTo(page, `/setup/models/${modelId}/mount`)
  await page.locator('[name="mount.equatorial.shaftStartMm"]').fill('500')
  await page.locator('[name="mount.ratedLoadG"]').fill('0')
  await page.getByRole('button', { name: 'Keep these figures' }).click()
  await expect(page.getByText('the shaft must leave its housing before its end')).toBeVisible()
  await expect(page.getByText('a rated load is above 0')).toBeVisible()
  await expect(page.locator('[name="mount.equatorial.shaftStartMm"]')).toHaveValue('500')

  await goTo(page, '/setup/places')
  await page.getByRole('button', { name: 'Another place' }).click()
  await page.locator('[name=name]').fill('Behind the barn, where the long wall keeps the village lamps away')
  await page.locator('[name=latitudeDeg]').fill('91')
  await page.locator('[name=longitudeDeg]').fill('-8.1')
  await page.locator('[name=zone]').fill('Mars/Olympus')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText('a latitude lies between −90 and 90°')).toBeVisible()
  await expect(page.getByText('is no IANA zone')).toBeVisible()
  await page.locator('[name=latitudeDeg]').fill('-33.9')
  await page.locator('[name=zone]').fill('Australia/Sydney')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText('33.90° S')).toBeVisible()
})

test('the new stations and pages have no serious hurdle for screen readers or weak eyes @long', async ({
  page,
  context,
}) => {
  await signIn(context, 'ines')
  await openStation(page, 'F-02', /^Assembly/)
  expect(await hurdles(page)).toEqual([])
  const stations = page.getByRole('navigation', { name: 'Stations' })
  await stations.getByRole('button', { name: /^Balance/ }).click()
  await page.locator('[name=bare-shaft-mm]').fill('120')
  expect(await hurdles(page)).toEqual([])
  await stations.getByRole('button', { name: /^Place/ }).click()
  await choosePlace(page, 'Ferncliff field')
  await page.locator('[name=local]').fill('2026-04-17T22:00')
  await expect(firstStar(page)).toBeVisible()
  expect(await hurdles(page)).toEqual([])
  const { modelId } = await read<{ modelId: string }>(context, '/api/kits/F-02')
  for (const path of [`/setup/models/${modelId}/steps`, `/setup/models/${modelId}/mount`, '/setup/places']) {
    await goTo(page, path)
    await page.waitForLoadState('networkidle')
    expect(await hurdles(page)).toEqual([])
  }
})

test('a set-up without a place or a measured mount says what to do next', async ({ page, context }) => {
  await signIn(context, 'kofi')
  await page.route('**/api/sites', (route) =>
    route.fulfill({ json: { sites: [], nowUtc: new Date().toISOString() } }),
  )
  await page.route('**/api/kits/M-09', async (route) => {
    const reply = await route.fetch()
    const kit = (await reply.json()) as object
    await route.fulfill({ response: reply, json: { ...kit, mount: null } })
  })
  await openStation(page, 'M-09', /^Balance/)
  await expect(page.getByRole('link', { name: /Measure it once/ })).toBeVisible()
  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('button', { name: /^Place/ })
    .click()
  await expect(page.getByRole('link', { name: 'Write down where you observe' })).toBeVisible()
})
