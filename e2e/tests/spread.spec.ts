import { hurdles } from '../support/hurdles.ts'
import { baseUrl, expect, goTo, signIn, test } from '../support/people.ts'

test('losses and drift go out without a name, come in from another club, and are forgotten', async ({
  page,
  context,
}) => {
  await signIn(context, 'ines')
  await goTo(page, '/setup/archive')
  const section = page.getByRole('region', { name: 'Losses and drift, between programmes' })
  await section.getByLabel('Where it comes from').fill('a library by the moor')
  const link = section.getByRole('link', { name: 'Take it out (JSON)' })
  const file = (await (await context.request.get(`${baseUrl()}${await link.getAttribute('href')}`)).json()) as object
  expect(file).toMatchObject({ format: 'binoculum-spread', origin: 'a library by the moor' })
  const upload = section.locator('input[type=file]')
  const asFile = (content: object) => ({
    ...{ name: 'theirs.json', mimeType: 'application/json' },
    buffer: Buffer.from(JSON.stringify(content)),
  })
  await upload.setInputFiles(asFile({ format: 'another' }))
  await expect(section.getByRole('alert')).toBeVisible()
  await upload.setInputFiles(asFile({ ...file, origin: 'a club by the sea' }))
  const line = section.getByRole('listitem').filter({ hasText: 'a club by the sea' })
  await expect(line).toContainText(/kinds? of parts/)
  expect(await hurdles(page)).toEqual([])
  await line.getByRole('button', { name: 'forget it' }).click()
  await expect(line).toBeHidden()
})
