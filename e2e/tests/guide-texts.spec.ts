import { AxeBuilder } from '@axe-core/playwright'
import { expect, goTo, signIn, test } from '../support/people.ts'

test('a block is changed, graded, looked at and used; an unknown word is refused with nothing lost', async ({
  page,
  context,
}) => {
  await signIn(context, 'ines')
  await goTo(page, '/guides')
  await page.getByRole('link', { name: 'Change their texts' }).click()
  await goTo(page, '/guides/texts/M-09')
  await page.getByRole('button', { name: /The mirrors/ }).click()
  const words = page.getByLabel('Its words, one sentence or two a line')
  await expect(words).toHaveValue(/Leave the/)
  await words.fill('Leave the mirrors of {kit} to us. {nobody} may touch them.')
  await expect(page.getByRole('alert')).toContainText('Nothing stands behind {nobody}')
  await expect(page.getByRole('button', { name: 'Use from the next hand-out' })).toBeDisabled()
  await words.fill('Leave the mirrors of {kit} to us.')
  await expect(page.locator('aside.phone')).toContainText(/Leave the mirrors of \w+ to us\./)
  await words.fill(
    'The responsibility for the adjustment of the optical components remains exclusively with the administration of the institution.',
  )
  await expect(page.locator('.editor')).toContainText('hard to read')
  await words.fill('Leave the mirrors of {kit} to us.')
  await expect(page.locator('.editor')).not.toContainText('hard to read')
  // Another block and back: what was typed is there.
  await page.getByRole('button', { name: /A good place/ }).click()
  await page.getByRole('button', { name: /The mirrors/ }).click()
  await expect(words).toHaveValue('Leave the mirrors of {kit} to us.')
  await page.getByLabel('Which kits').selectOption('kit')
  await page.getByRole('button', { name: 'Use from the next hand-out' }).click()
  await expect(page.locator('.editor')).toContainText('Before: 1 versions')
  await expect(page.getByRole('button', { name: 'Use from the next hand-out' })).toBeDisabled()

  await page.getByRole('button', { name: 'Español' }).click()
  await expect(page.locator('.editor')).toContainText('Still in English')
  const { violations } = await new AxeBuilder({ page }).include('main').withTags(['wcag2aa']).analyze()
  expect(violations.map(({ id, nodes }) => `${id} ${nodes[0]?.html.slice(0, 120)}`)).toEqual([])
})

test('the Sun stays, others go with a reason', async ({ page, context }) => {
  await signIn(context, 'ines')
  await goTo(page, '/guides/texts/M-09')
  await page.getByRole('button', { name: /Before anything else/ }).click()
  await expect(page.locator('.stays').first()).toContainText('Never point')
  await expect(page.getByRole('button', { name: /Take this block out/ })).toBeHidden()
  await page.getByRole('button', { name: /What you will see/ }).click()
  await page.getByRole('button', { name: /Take this block out/ }).click()
  await expect(page.getByRole('button', { name: 'Take out', exact: true })).toBeDisabled()
  await page.getByLabel('Why it is left out').fill('said at the desk')
  await page.getByLabel('Which kits').selectOption('kit')
  await page.getByRole('button', { name: 'Take out', exact: true }).click()
  await expect(page.getByRole('button', { name: /What you will see/ })).toContainText('left out: said at the desk')
})
