import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { choose } from '../support/choose.ts'
import { hurdles } from '../support/hurdles.ts'
import { bringIn, kitOf, loanOut, read, replace } from '../support/loans.ts'
import { expect, goTo, press, signIn, test } from '../support/people.ts'
import { partRows } from '../support/seen.ts'

/** A rendered case with known truth; its marks name the kit KA. */
const folder = new URL('../../server/test/pictures/case/', import.meta.url)
const picture = (name: string) => fileURLToPath(new URL(`A-${name}.jpg`, folder))
const { cases } = JSON.parse(readFileSync(new URL('truth.json', folder), 'utf8')) as {
  cases: { A: { compartments: { id: string; outlineMm: [number, number][] }[] } }
}
const CODE = 'KA'

test('a complete case is photographed and drawn; a missing eyepiece is then seen, weighed, and taken back in seconds @long', async ({
  page,
  context,
}) => {
  await signIn(context, 'ines')
  await bringIn(context, CODE, 13)
  const kit = await kitOf(context, CODE)

  // Set-up: its size, three pictures and one more, and a first compartment drawn by hand.
  await goTo(page, `/setup/open-case/${CODE}`)
  await page.locator('[name=case-width]').fill('560')
  await page.locator('[name=case-height]').fill('400')
  const upload = page.locator('input[type=file]')
  const views = page.getByRole('list', { name: 'Pictures of the complete case' }).getByRole('listitem')
  const outlines = page.getByRole('list', { name: 'What lies where' }).getByRole('listitem')
  for (const name of ['ref-1', 'ref-2', 'ref-3', 'ref-4']) {
    const before = await views.count()
    await upload.setInputFiles(picture(name))
    await expect(views).toHaveCount(before + 1)
  }
  await expect(page.getByText('enough to compare')).toBeVisible()
  await upload.setInputFiles(
    fileURLToPath(new URL('../../server/test/pictures/star/pub_star_01.png', import.meta.url)),
  )
  await expect(page.getByRole('alert')).toContainText('Fewer than three of the case’s four marks')
  // From the side: no later picture could be compared with it, so it isn't kept.
  await upload.setInputFiles(picture('test-2'))
  await expect(page.getByRole('alert')).toContainText('too much from the side')
  await expect(views).toHaveCount(4)
  const sheet = page.getByRole('group', { name: 'The open case from above' })
  await expect(sheet.locator('image')).toBeVisible()
  const box = await sheet.boundingBox()
  if (!box) throw new Error('the case isn’t shown')
  const at = (x: number, y: number) => [box.x + (x / 560) * box.width, box.y + (y / 400) * box.height] as const
  await page.mouse.move(...at(60, 56))
  await page.mouse.down()
  await page.mouse.move(...at(150, 100), { steps: 4 })
  await page.mouse.move(...at(156, 108))
  await page.mouse.up()
  await expect(outlines).toHaveCount(1)
  await choose(page, 'What lies in compartment 1', /^2 /)
  // One that is no rectangle goes from corner to corner, and back to the first.
  await page
    .getByRole('radiogroup', { name: 'How a compartment is drawn' })
    .getByText('outline', { exact: true })
    .click()
  for (const [x, y] of [
    [300, 200],
    [360, 200],
    [360, 240],
    [330, 240],
    [330, 280],
    [300, 280],
    [301, 201],
  ] as const)
    await page.mouse.click(...at(x, y))
  await expect(outlines).toHaveCount(2)
  await page.getByRole('button', { name: 'Keep it so' }).click()
  await expect(page.getByText('Ready: at the next take-back')).toBeVisible()
  expect(await hurdles(page)).toEqual([])

  // The others as the truth has them, line by line; the last one is empty.
  const drawn = await read<{ version: number }>(context, `/api/kits/${CODE}/open-case`)
  const places = cases.A.compartments.map(({ id, outlineMm }, i) => ({
    ...{ id: randomUUID(), partId: id === 'spare' ? null : (kit.parts[i + 1]?.id ?? null) },
    outlineMm: outlineMm.map(([x, y]) => ({ x, y })),
  }))
  const caseMm = { width: 560, height: 400 }
  await replace(context, `/api/kits/${kit.id}/case-drawing`, { version: drawn.version, caseMm, places })

  // The desk: from the open page to done.
  const loanId = await loanOut(context, CODE)
  await goTo(page, `/desk/take-back/${loanId}`)
  const look = page.getByRole('region', { name: 'The open case, seen' })
  await expect(look).toBeVisible()
  const began = Date.now()
  await look.locator('input[type=file]').setInputFiles(picture('test-3'))
  const missing = kit.parts[2]
  await expect(partRows(page).filter({ hasText: 'looks different' })).toHaveAttribute(
    'data-part',
    missing?.name ?? '',
  )
  await expect(look.getByRole('status')).toContainText(`It looks different at ${missing?.name}`)
  // Its place as it was, beside how it is.
  for (const when of ['complete', 'now'])
    await expect(look.getByRole('img', { name: `${missing?.name}, ${when}` })).toBeVisible()
  await press(page, 's')
  const weight = kit.parts.reduce((sum, { massG }) => sum + massG, 0) - (missing?.massG ?? 0)
  await page.getByLabel('Weight of the whole kit').fill(String(weight))
  await page.getByLabel('Weight of the whole kit').press('Enter')
  await expect(look.getByRole('status')).toContainText(`g are missing: ${missing?.name}`)
  await look.getByRole('button', { name: new RegExp(`${missing?.name}: different`) }).click()
  await press(page, 'm')
  await press(page, 'a')
  await press(page, 'Enter')
  await expect(page.getByRole('heading', { name: /KA/ }).first()).toBeVisible()
  await expect(page.getByRole('group', { name: 'Contents card' })).toBeHidden()
  expect(Date.now() - began).toBeLessThan(20_000)
  expect((await kitOf(context, CODE)).parts.filter(({ mark }) => mark !== 'present').map(({ name }) => name)).toEqual(
    [missing?.name],
  )
})
