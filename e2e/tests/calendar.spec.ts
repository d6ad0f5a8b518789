import type { BrowserContext, Page } from '@playwright/test'
import { choose } from '../support/choose.ts'
import { read } from '../support/loans.ts'
import { expect, goTo, press, signIn, test } from '../support/people.ts'

/** Promised by nights, refused at a second desk, dragged, cancelled, and a kit that is out put off. */

const library = /Marrowdale/
const bar = (page: Page, words: RegExp) => page.getByRole('button', { name: words })

async function openCalendar(page: Page) {
  await goTo(page, '/calendar')
  await choose(page, 'Branch', library)
  await expect(page.getByRole('link', { name: 'Juniper', exact: true })).toBeVisible()
}

/** Chooses days by what somebody wants to see, and gives them to somebody known. @returns the days chosen */
async function promiseByNights(page: Page, name: string) {
  await page.getByRole('button', { name: 'Promise a kit' }).click()
  await page.getByText('faint things').click()
  const first = page.getByRole('region', { name: 'Find days for somebody' }).getByRole('listitem').first()
  await expect(first).toContainText('dark hours without the Moon')
  await first.getByRole('button').click()
  const panel = page.getByRole('region', { name: 'New promise' })
  await panel.getByLabel('Find the borrower').fill(name)
  await panel.locator('li button').first().click()
  await panel.getByRole('button', { name: 'Promise it' }).click()
  return panel
}

/** A borrower of the library who has had a kit and has nothing any more. */
async function somebodyClosed(context: BrowserContext): Promise<{ id: string; name: string }> {
  const { memberships } = (
    await read<{ session: { memberships: { branchId: string; branchName: string }[] } }>(context, '/api/session')
  ).session
  const branchId = memberships.find(({ branchName }) => library.test(branchName))?.branchId
  const today = new Date().toISOString().slice(0, 10)
  for (const letter of ['a', 'e', 'i', 'o']) {
    const found = await read<{ borrowers: { id: string; branchName: string }[] }>(
      context,
      `/api/borrowers?branchId=${branchId}&text=${letter}`,
    )
    for (const { id } of found.borrowers.filter(({ branchName }) => library.test(branchName))) {
      const sheet = await read<{ id: string; name: string; unlinksOn: string | null }>(
        context,
        `/api/borrowers/${id}`,
      )
      if (sheet.unlinksOn && sheet.unlinksOn < today) return sheet
    }
  }
  throw new Error('everybody has something open')
}

test('promised by nights, conflict at a second desk, dragged, and cancelled', async ({ page, context, browser }) => {
  await signIn(context, 'ines')
  await openCalendar(page)
  const desk = await browser.newContext()
  await signIn(desk, 'kofi')
  const other = await desk.newPage()
  await openCalendar(other)

  // The second desk has the same days open before it when the first one takes them.
  await other.getByRole('button', { name: 'Promise a kit' }).click()
  await other.getByText('faint things').click()
  const offered = other.getByRole('region', { name: 'Find days for somebody' }).getByRole('listitem').first()
  await expect(offered).toContainText('dark hours')
  await offered.getByRole('button').click()
  const panel = other.getByRole('region', { name: 'New promise' })
  await panel.getByLabel('Find the borrower').fill('Teo')
  await panel.locator('li button').first().click()

  const mine = await promiseByNights(page, 'Umber')
  await expect(mine).toBeHidden()
  await panel.getByRole('button', { name: 'Promise it' }).click()
  await expect(panel.getByRole('alert')).toContainText('belongs to somebody else')
  await expect(panel).toContainText(/Umber gets it from/)
  // What would do instead is offered, and taken.
  await panel.getByRole('group', { name: 'What would do instead' }).getByRole('button').first().click()
  await panel.getByRole('button', { name: 'Promise it' }).click()
  await expect(panel).toBeHidden()
  await desk.close()

  // Its own bar, dragged by a week: said before it is let go.
  await page.getByText('ten weeks').click()
  await expect(page.locator('[data-day]')).toHaveCount(70)
  await expect(page.getByRole('button', { name: /promised to/ }).nth(20)).toBeVisible()
  const own = bar(page, /promised to .* Umber/).first()
  await own.click()
  const chosen = page.getByRole('region', { name: 'Chosen loan' })
  const before = await chosen.getByRole('paragraph').first().textContent()
  await own.hover()
  const box = (await own.boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 }
  const dayPx = box.width / 15
  await page.mouse.move(box.x + box.width / 2, box.y + 8)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 + dayPx * 3, box.y + 8, { steps: 4 })
  await page.mouse.move(box.x + box.width / 2 + dayPx * 7, box.y + 8, { steps: 4 })
  await expect(chosen.getByRole('status')).toContainText('Now:')
  await page.mouse.up()
  await press(page, 'Escape')
  expect(await chosen.getByRole('paragraph').first().textContent()).toBe(before)

  await chosen.getByRole('button', { name: 'Cancel it' }).click()
  await chosen.getByLabel('Why it is cancelled').fill('fell ill')
  await chosen.getByRole('button', { name: 'Cancel the promise' }).click()
  await expect(chosen).toBeHidden()
})

test('a kit that is out is put off by keys, on record', async ({ page, context }) => {
  await signIn(context, 'kofi')
  await openCalendar(page)
  const out = bar(page, /^Larkspur: out with/)
  await out.click()
  const chosen = page.getByRole('region', { name: 'Chosen loan' })
  await expect(chosen).toContainText('Larkspur is out')
  // To the next day on which the desk is open.
  await press(page, '+')
  if (await chosen.getByText('The desk is closed').isVisible()) await press(page, '+')
  await expect(chosen.getByText('Nobody else is affected.')).toBeVisible()
  await press(page, 'Enter')
  await expect(chosen).not.toContainText('about to be changed')
  const kit = await read<{ history: { act: string }[] }>(context, '/api/kits/M-11')
  expect(kit.history[0]?.act).toBe('extended')
})

test('a closing is put over loans: they are named, none is changed', async ({ page, context }) => {
  await signIn(context, 'ines')
  await goTo(page, '/setup/opening')
  await page.getByText('Marrowdale Library').click()
  await page.getByLabel('why').fill('the roof')
  const closing = page.getByRole('form', { name: 'New closing' })
  // Twelve weeks from today on meet some promise.
  await closing.getByLabel('Closed until').fill(new Date(Date.now() + 84 * 86_400_000).toISOString().slice(0, 10))
  await closing.getByLabel('Closed until').press('Enter')
  await closing.getByRole('button', { name: 'Close these days' }).click()
  await expect(page.getByRole('heading', { name: /Loans that meet a closed day/ })).toBeVisible()
  await expect(page.getByText('pick-up on').first()).toBeVisible()
  await page
    .getByRole('button', { name: /Open again on .*/ })
    .first()
    .click()
})

test('a plan suggests, a person offers, and whoever waited takes it', async ({ page, context }) => {
  await signIn(context, 'ines')
  await goTo(page, '/calendar/waiting')
  await choose(page, 'Branch', library)
  await page.getByRole('button', { name: 'Work out a plan' }).click()
  const suggested = page.locator('section', { hasText: 'Suggested' }).getByRole('listitem').first()
  const name = (await suggested.locator('strong').textContent()) ?? ''
  await suggested.getByRole('button', { name: 'Offer it' }).click()
  const line = page
    .getByRole('list')
    .last()
    .getByRole('listitem')
    .filter({ hasText: name })
    .filter({ hasText: 'offered' })
  await expect(line).toContainText('kept until')
  await line.getByRole('button', { name: 'They take it' }).click()
  await expect(line).toBeHidden()
})

test('who is late is written to by the house, once, and the letter stands in the outbox', async ({
  page,
  context,
}) => {
  await signIn(context, 'ines')
  await goTo(page, '/setup/reminders')
  await page.getByText('Marrowdale Library').click()
  await page.getByRole('group', { name: 'written when' }).getByText('late, first letter').click()
  // Whatever the hour is on which this runs.
  await page.getByLabel('not before').fill('0')
  await page.getByLabel('not after').fill('24')
  await page.getByLabel('not after').press('Tab')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  const write = page.getByRole('button', { name: 'Write what is due now' })
  await write.click()
  await expect(page.getByText('What was due is written')).toBeVisible()
  await write.click()
  await goTo(page, '/desk/letters')
  const letters = page.getByRole('listitem').filter({ hasText: 'Thistle was due back on' })
  await expect(letters).toHaveCount(1)
  await expect(letters).toContainText('sent')
})

test('another calendar reads a kit’s days at an address that is shown once', async ({ page, context, request }) => {
  await signIn(context, 'ines')
  await goTo(page, '/setup/opening')
  await page.getByText('Marrowdale Library').click()
  await page.getByRole('button', { name: 'Make an address' }).click()
  const address = (await page.locator('code', { hasText: '/feeds/' }).textContent()) ?? ''
  const file = await (await request.get(address)).text()
  expect(file).toContain('BEGIN:VCALENDAR')
  expect(file).toMatch(/SUMMARY:Juniper \(M-12\) is due back/)
  await page.getByRole('button', { name: 'end it' }).click()
  await expect(page.getByRole('button', { name: 'end it' })).toBeHidden()
  expect((await request.get(address)).status()).toBe(404)
})

test('an evening at the bench is planned: what will be late is told, and another place helps', async ({
  page,
  context,
}) => {
  await signIn(context, 'kofi')
  await goTo(page, '/bench/plan')
  const late = page.getByRole('status')
  await expect(late).toContainText(/won’t be ready in time/)
  const minutes = async () =>
    Number(/(\d+) more minutes/.exec((await late.textContent({ timeout: 1000 })) ?? '')?.[1])
  const before = await minutes()
  // Today, with room for all of it.
  const form = page.getByRole('form', { name: 'Another evening' })
  await form.getByLabel('places').fill('6')
  await form.getByLabel('minutes each').fill('240')
  await form.getByRole('button', { name: 'Add the evening' }).click()
  await expect(async () => expect((await late.count()) === 0 || (await minutes()) < before).toBe(true)).toPass()
})

test('a borrower of whom everything is closed is known by name no more', async ({ page, context }) => {
  await signIn(context, 'ines')
  await goTo(page, '/setup/branches')
  const line = page.locator('p', { hasText: 'Marrowdale Library' }).filter({ hasText: 'known by name' })
  const known = async () => Number(/(\d+) borrowers known/.exec((await line.textContent()) ?? '')?.[1])
  await expect(line).toBeVisible()
  const before = await known()
  // Somebody whose days are over before they are counted as thirty: one will do.
  await line.getByRole('spinbutton').fill('1')
  await line.getByRole('spinbutton').press('Tab')
  const someone = await somebodyClosed(context)
  await line.getByRole('button', { name: 'Take out now what is due' }).click()
  await expect(async () => expect(await known()).toBeLessThan(before)).toPass()
  await goTo(page, `/desk/borrowers/${someone.id}`)
  await expect(page.getByText('The name was taken out on')).toBeVisible()
  await expect(page.getByRole('heading', { name: someone.name })).toBeHidden()
})

test('a kit that goes to the other branch with the van stands in both calendars, and nothing is sent that somebody has @long', async ({
  page,
  context,
}) => {
  await signIn(context, 'ines')
  await goTo(page, '/calendar/van')
  const line = page.getByRole('listitem').filter({ hasText: 'Foxglove' })
  await expect(line).toContainText('Ferncliff Sky Circle to Marrowdale Library')
  await expect(line.getByRole('button', { name: 'It has come' })).toBeEnabled()
  // One that somebody has isn't sent: whose loan it is stands there.
  await choose(page, 'kit', /Juniper/)
  await page.getByRole('button', { name: 'Send it' }).click()
  await expect(page.getByRole('alert')).toContainText('aren’t over by then')
  await expect(page.getByText(/L-\d+: /).first()).toBeVisible()
  await openCalendar(page)
  await expect(page.getByRole('row').filter({ hasText: 'Foxglove' })).toContainText('comes with the van')
  await choose(page, 'Branch', /Ferncliff/)
  await page.getByText('ten weeks').click()
  await expect(page.getByRole('row').filter({ hasText: 'Foxglove' })).toContainText('gone with the van')
})
