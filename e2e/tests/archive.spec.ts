import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import pg from 'pg'
import { choose } from '../support/choose.ts'
import { makeDemo, startOn } from '../support/server.ts'

/** A branch goes out as files and comes in again elsewhere: whoever opens its screens sees what was there. */

const codes = ['M-01', 'M-04', 'M-09']
const screenOf = async (page: Page, path: string): Promise<string> => {
  await page.goto(path)
  await page.waitForLoadState('networkidle')
  // Loans are counted on where a house has some already.
  return (await page.locator('main').innerText()).replaceAll(/L-\d{4}/g, 'L-…')
}
const saved = async (page: Page, name: string): Promise<{ name: string; mimeType: string; buffer: Buffer }> => {
  const waiting = page.waitForEvent('download')
  await page.getByRole('link', { name }).click()
  const download = await waiting
  const buffer = readFileSync(await download.path())
  return { name: download.suggestedFilename(), mimeType: 'application/octet-stream', buffer }
}
const give = async (page: Page, button: string, file: { name: string; mimeType: string; buffer: Buffer }) => {
  const choosing = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: button }).click()
  await (await choosing).setFiles(file)
}

test('a branch is taken out and read into an empty one, and its screens are the same @long', async ({ browser }) => {
  const database = await makeDemo()
  const server = await startOn(database)
  const owner = new pg.Client({ connectionString: database.ownerUrl })
  await owner.connect()
  const context = await browser.newContext({ baseURL: server.base })
  const page = await context.newPage()
  try {
    const people = JSON.parse(readFileSync(server.signInsPath, 'utf8')) as { email: string; password: string }[]
    const data = people.find(({ email }) => email.startsWith('ines'))
    expect((await context.request.post('/api/session', { data })).ok()).toBe(true)
    const paths = codes.flatMap((code) => [`/kits/${code}`, `/logbook/${code}`])
    const before: string[] = []
    for (const path of paths) before.push(await screenOf(page, path))

    await page.goto('/setup/archive')
    await choose(page, 'Branch', /Marrowdale/)
    await page.getByText('with borrowers: names').click()
    await expect(page.getByText('These files name people.')).toBeVisible()
    const everything = await saved(page, 'Everything as JSON')
    const pictures = await saved(page, 'Its pictures as a zip')
    const catalogue = await saved(page, 'For the library’s catalogue')
    expect(catalogue.buffer.toString()).toContain('<subfield code="p">M-01</subfield>')

    // Where it stands already it isn't read in a second time.
    await give(page, 'Everything (JSON) …', everything)
    await expect(page.getByText('A whole branch comes into an empty one only.')).toBeVisible()

    // Its codes are free again, and there is a branch with nothing in it.
    await owner.query(`UPDATE kit SET code = code || '-old'`)
    await page.goto('/setup/branches')
    await page.getByRole('button', { name: 'Add a branch' }).click()
    await page.locator('input[name="branch-name"]').fill('A new house')
    await page.getByLabel('emergency line').fill('112')
    await page.getByRole('button', { name: 'Keep it' }).click()
    await expect(page.getByText('A new house')).toBeVisible()
    await page.goto('/setup/archive')
    await choose(page, 'Branch', 'A new house')
    await give(page, 'Everything (JSON) …', { ...everything, buffer: everything.buffer.subarray(0, 90_000) })
    await expect(page.getByText(/not JSON|ends before its end/)).toBeVisible()
    await give(page, 'Everything (JSON) …', everything)
    await expect(page.getByText(/^13 kits and \d+ loans are in\./)).toBeVisible({ timeout: 60_000 })
    await give(page, 'Then its pictures (zip) …', pictures)
    await expect(page.getByText(/pictures? came in\./)).toBeVisible({ timeout: 60_000 })

    for (const [index, path] of paths.entries()) expect(await screenOf(page, path)).toBe(before[index])
  } finally {
    await context.close()
    await owner.end()
    await server.stop()
  }
})
