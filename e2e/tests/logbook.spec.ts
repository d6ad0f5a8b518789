import { readFileSync } from 'node:fs'
import { choose } from '../support/choose.ts'
import { read } from '../support/loans.ts'
import { expect, goTo, signIn, test } from '../support/people.ts'
import { history } from '../support/seen.ts'

/** What the records tell along time: models compared, loans against nights, a kit's story, and a look that is due. */

test('models are compared, and loans held against nights, with the same figures in a table @long', async ({
  page,
  context,
}) => {
  const refused: string[] = []
  page.on('console', (message) => message.text().includes('Content Security Policy') && refused.push(message.text()))
  await signIn(context, 'ines')
  await goTo(page, '/logbook')
  await choose(page, 'Branch', /Marrowdale/)
  await expect(page.getByText(/comes back beyond its limit most often: \d+ % of \d+ looks/)).toBeVisible()
  const chart = page.getByRole('figure', { name: 'Loans by month' })
  await expect(chart.locator('path[val]').first()).toBeVisible()
  // The nights are reckoned beside the page, and the chart takes them up.
  await expect(chart.locator('[seriesName^=dark] path').first()).toBeVisible({ timeout: 30_000 })
  const { branches } = await read<{ branches: { branchName: string; months: { loans: number }[] }[] }>(
    context,
    '/api/logbook',
  )
  const months = branches.find(({ branchName }) => branchName.startsWith('Marrowdale'))?.months ?? []
  await page.getByText('The same figures').first().click()
  const cells = page.locator('details').first().locator('td:nth-child(2)')
  expect((await cells.allTextContents()).map(Number)).toEqual(months.map(({ loans }) => loans))
  // A year is played through beside the page; a table goes into a file as it is seen.
  await page.getByRole('button', { name: 'Play a year through' }).click()
  await expect(page.getByText(/Looking when a look is due takes \d+\.\d hours a year/)).toBeVisible({
    timeout: 30_000,
  })
  const download = page.waitForEvent('download')
  await page.getByRole('region', { name: 'What if' }).getByRole('button', { name: 'As CSV' }).click()
  const file = readFileSync(await (await download).path(), 'utf8')
  expect(file).toContain('rule,hours,looks,spoilt')
  expect(file).toContain('when a look is due')
  expect(refused).toEqual([])
})

test('a look that is due stands on the shelf with its reason, and leads to the story', async ({ page, context }) => {
  await signIn(context, 'ines')
  await goTo(page, '/shelf')
  const row = page.locator('[data-code="F-02"]')
  await expect(row).toContainText('Look at the mirror first')
  await row.click()
  const glance = page.getByRole('complementary', { name: 'Teasel' })
  await expect(glance).toContainText(
    /Not looked at for \d+ loans: by what it did before, its mirror is beyond the limit/,
  )
  await glance.getByRole('link', { name: 'Its story' }).click()
  await expect(page.getByRole('heading', { name: /Look at the mirror before its next loan/ })).toBeVisible()
  for (const name of ['mirror', 'finder', 'judged by eye'])
    await expect(page.getByRole('region', { name, exact: true }).getByRole('figure')).toBeVisible()
  await expect(page.getByText('after 3 loans')).toBeVisible()
  // Earlier years are asked for; words find lines of its history.
  await page.getByRole('button', { name: 'A year earlier' }).click()
  await expect(page.getByRole('button', { name: 'A year earlier' })).toBeHidden()
  await page.getByLabel('Words in its history').fill('checked')
  await expect(history(page).first()).toContainText('checked')
  await expect(history(page).filter({ hasText: 'handed out' })).toHaveCount(0)
})

test('where the days go, what models cost and which parts to keep, on screen and for the committee @long', async ({
  page,
  context,
}) => {
  await signIn(context, 'ines')
  await goTo(page, '/logbook')
  await choose(page, 'Branch', /Marrowdale/)
  await expect(page.getByText(/Of a kit’s days \d+ % were with borrowers/)).toBeVisible()
  await expect(page.getByText(/\d+ of \d+ loans came back late/)).toBeVisible()
  await page.getByRole('link', { name: 'What models cost, and which parts to keep' }).click()
  await expect(page.getByText(/^A loan costs from \d/)).toBeVisible()
  const dear = page
    .getByRole('figure', { name: /a loan$/ })
    .locator('text')
    .first()
  const before = await page.getByText(/^A loan costs from/).textContent()
  await page.getByLabel('years that a kit lasts').fill('4')
  await page.getByLabel('years that a kit lasts').press('Enter')
  await expect(page.getByText(/^A loan costs from/)).not.toHaveText(before ?? '')
  await expect(dear).toBeVisible()
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Report for the committee (PDF)' }).click()
  expect(
    readFileSync(await (await download).path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-')
})

test('two checks side by side, and a history of one kind', async ({ page, context }) => {
  await signIn(context, 'ines')
  await goTo(page, '/logbook/M-03')
  const compared = page.getByRole('region', { name: 'Two checks side by side' })
  await expect(compared.getByText(/moved most: left at .* found at/)).toBeVisible()
  await expect(compared.getByRole('row').filter({ hasText: 'mirror' }).first()).toContainText('mm')
  await choose(page, 'Kinds of what was done', 'bench checks')
  await page.keyboard.press('Escape')
  await expect(history(page).first()).toContainText('checked')
  await expect(history(page).filter({ hasText: 'handed out' })).toHaveCount(0)
})
