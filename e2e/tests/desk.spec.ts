import { randomUUID } from 'node:crypto'
import { choose } from '../support/choose.ts'
import { kitOf, send } from '../support/loans.ts'
import { expect, fillHandOut, goTo, press, signIn, signInOf, test } from '../support/people.ts'
import { history, partRow, unseenParts } from '../support/seen.ts'

const DAY_MS = 86_400_000

test('a session that ends in the middle of a form loses nothing', async ({ page, context }) => {
  const { email, password } = signInOf('petra')
  await context.request.post(`${process.env.BASE_URL}/api/session`, { data: { email, password } })
  await goTo(page, '/desk/hand-out/F-05')
  await fillHandOut(page, { name: 'Dara Umber', contact: 'dara@post.example' })
  await context.clearCookies()
  await page.getByRole('button', { name: /Hand out/ }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('Nothing is lost')
  await dialog.getByLabel('password').fill(password)
  await dialog.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('heading', { name: 'Foxglove is out.' })).toBeVisible()
  await expect(page.getByText('Dara Umber')).toBeVisible()
})

test('a form that is left is taken up again where it was, on this machine', async ({ page, context }) => {
  await signIn(context, 'kofi')
  await goTo(page, '/desk/hand-out/M-01')
  await page.getByLabel('An adult stands here').check()
  await page.reload()
  await expect(page.getByText('Picked up where you left off.')).toBeVisible()
  await expect(page.getByLabel('An adult stands here')).toBeChecked()
})

test('a double click hands out once', async ({ page, context }) => {
  await signIn(context, 'kofi')
  await goTo(page, '/desk/hand-out/M-02')
  await fillHandOut(page)
  await page.getByText('looks from near here').click()
  await choose(page, 'Where', 'another town …')
  await expect(page.getByText('until then the guide is for near here')).toBeVisible()
  await page.getByLabel('Town', { exact: true }).fill('Little Umber')
  await page.getByLabel('km from here').fill('111,2')
  await choose(page, /^to the/, /^south$/)
  await choose(page, 'Language', 'Español')
  await expect(page.getByText('looks from Little Umber')).toBeVisible()
  await page.getByRole('button', { name: /Hand out/ }).dblclick()
  await expect(page.getByRole('heading', { name: 'Tansy is out.' })).toBeVisible()
  const reply = await context.request.get(`${process.env.BASE_URL}/api/kits/M-02`)
  const { history, loan, branchId } = (await reply.json()) as {
    history: { act: string; atUtc: string }[]
    loan: { id: string }
    branchId: string
  }
  const guide = await context.request.get(`${process.env.BASE_URL}/api/loans/${loan.id}/guide`)
  const { place, language } = (await guide.json()) as {
    place: { name: string; latitudeDeg: number }
    language: string
  }
  const { sites } = (await (await context.request.get(`${process.env.BASE_URL}/api/sites`)).json()) as {
    sites: { branchId: string; latitudeDeg: number }[]
  }
  const here = sites.find((site) => site.branchId === branchId)
  expect(place.name).toBe('Little Umber')
  expect(language).toBe('es')
  expect(place.latitudeDeg).toBeCloseTo((here?.latitudeDeg ?? 0) - 1, 1)
  const today = new Date().toISOString().slice(0, 10)
  expect(history.filter(({ act, atUtc }) => act === 'handed-out' && atUtc.startsWith(today))).toHaveLength(1)
})

test('a kit that is out already says so', async ({ page, context }) => {
  await signIn(context, 'kofi')
  await goTo(page, '/desk/hand-out/M-08')
  await expect(page.getByRole('alert')).toContainText('Thistle is out to')
  await expect(page.getByRole('button', { name: /Hand out/ })).toBeDisabled()
})

// Here and not beside the bench's plan, because the next test needs the same kit as it was: tests of one file take turns.
test('an evening at the bench is worked off: what is put right falls out of the plan, what isn’t comes back @long', async ({
  page,
  context,
}) => {
  await signIn(context, 'kofi')
  const line = page.getByRole('group', { name: /^Places on/ }).getByRole('link', { name: 'Bilberry', exact: true })
  const heading = page.getByRole('heading', { name: 'Who can do what' })
  // An evening with room for whatever other desks have sent to the bench meanwhile, too late to change what is late.
  const { branchId } = await kitOf(context, 'M-09')
  const onDay = new Date(Date.now() + 60 * DAY_MS).toISOString().slice(0, 10)
  await send(context, `/api/branches/${branchId}/bench-evenings`, { onDay, seats: 20, minutesEach: 600 })
  // Other desks bring kits in: the branch with most to do is shown first, and it may be another than this kit's.
  const ours = page.locator('label', { has: page.locator(`input[value="${branchId}"]`) })
  const showOurs = async () => {
    await expect(heading).toBeVisible()
    if (await ours.count()) await ours.click()
  }
  await goTo(page, '/bench/plan')
  await showOurs()
  await expect(line).toHaveCount(1)
  const check = async (misalignmentArcmin: number, backToShelf: boolean) => {
    const { id, version, jobs } = await kitOf(context, 'M-09')
    const target = { kind: 'landmark', name: 'mast', distanceM: 3000, shaded: true }
    const reading = { way: 'typed', misalignmentArcmin, target }
    await send(context, `/api/kits/${id}/checks`, {
      ...{ idempotencyKey: randomUUID(), kitVersion: version, doneJobIds: jobs.map((job) => job.id), backToShelf },
      stations: [{ station: 'finder', asFound: reading, asLeft: reading, note: '', minutes: 4 }],
      deviceUtc: null,
    })
    await page.reload()
    await showOurs()
  }
  await check(2, true)
  await expect(line).toHaveCount(0)
  await check(41, false)
  await expect(line).toHaveCount(1)
})

test('an unfit kit: a volunteer can’t, a coordinator may with a reason', async ({ page, context, browser }) => {
  await signIn(context, 'kofi')
  await goTo(page, '/desk/hand-out/M-09')
  await expect(page.getByText('A coordinator may overrule this with a reason.')).toBeVisible()
  await expect(page.getByRole('button', { name: /Hand out/ })).toBeDisabled()
  const other = await browser.newContext()
  await signIn(other, 'ines')
  const ines = await other.newPage()
  await goTo(ines, '/desk/hand-out/M-09')
  await ines.locator('[name=overrule]').fill('knows how to line up a finder')
  await fillHandOut(ines)
  await ines.getByRole('button', { name: /Hand out/ }).click()
  await expect(ines.getByRole('heading', { name: 'Bilberry is out.' })).toBeVisible()
  await goTo(ines, '/kits/M-09')
  await expect(history(ines).first()).toContainText('overruled: “knows how to line up a finder”')
  await other.close()
})

test('two desks take the same kit back: both versions are shown, and a mark is corrected', async ({
  page,
  context,
  browser,
}) => {
  const other = await browser.newContext()
  await signIn(context, 'kofi')
  await signIn(other, 'ines')
  const second = await other.newPage()
  const loan = await context.request.get(`${process.env.BASE_URL}/api/kits/M-12`)
  const { loan: open } = (await loan.json()) as { loan: { id: string } }
  for (const desk of [page, second]) {
    await goTo(desk, `/desk/take-back/${open.id}`)
    await expect(desk.getByRole('heading', { name: 'Juniper is back' })).toBeVisible()
  }
  const allPresent = async (desk: typeof page) => {
    for (let i = 0; i < 10 && (await unseenParts(desk).count()) > 0; i++) {
      await press(desk, 'a')
      await press(desk, 'Space')
    }
  }
  await allPresent(page)
  await press(page, 'Enter')
  await expect(page.getByRole('heading', { name: /Juniper: back to the shelf/ })).toBeVisible()

  await partRow(second, 'Moon filter, grey').click()
  await press(second, 'm')
  await allPresent(second)
  await press(second, 'Enter')
  await expect(second.getByRole('heading', { name: 'Two desks took Juniper back.' })).toBeVisible()
  await expect(second.getByRole('row', { name: /Moon filter, grey/ })).toContainText('present missing')
  await second.getByLabel('take your mark of Moon filter, grey').click()
  await second.getByRole('button', { name: 'Correct 1 mark' }).click()
  await expect(history(second).first()).toContainText('take-back corrected; Moon filter, grey missing')
  await other.close()
})

test('a missing coin cell interrupts: speak to the borrower now', async ({ page, context }) => {
  await signIn(context, 'ines')
  const reply = await context.request.get(`${process.env.BASE_URL}/api/kits/F-03`)
  const { loan } = (await reply.json()) as { loan: { id: string } }
  await goTo(page, `/desk/take-back/${loan.id}`)
  await partRow(page, 'Coin cell CR2032, in the finder').click()
  await press(page, 'm')
  await expect(page.getByRole('alertdialog')).toContainText('Speak to the borrower now')
  await expect(page.getByRole('alertdialog')).toContainText('emergency number')
})
