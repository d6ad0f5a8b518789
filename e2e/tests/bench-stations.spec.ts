import { choose, pick } from '../support/choose.ts'
import { everyHurdle } from '../support/hurdles.ts'
import { expect, goTo, signIn, test } from '../support/people.ts'

test('a driven kit: where objects land, what comes to focus, how long its power lasts @long', async ({
  page,
  context,
}) => {
  test.slow()
  await signIn(context, 'petra')
  await goTo(page, '/bench/F-02')
  const stations = page.getByRole('navigation', { name: 'Stations' })
  await stations.getByRole('button', { name: /^Place/ }).click()
  await page.locator('[name=object-found-0]').fill('Vega')
  await choose(page, 'where object 1 landed as found', 'not in the field')
  await page.getByLabel('how far aside, object 1 as found').fill('15')
  await expect(page.getByRole('status').filter({ hasText: 'daylight saving was answered wrong' })).toBeVisible()
  await page.locator('[name=drift-found-0]').fill('1')
  await page.locator('[name=minutes-found-0]').fill('5')
  await expect(page.getByText('beside the pole')).toContainText(/4[56]′/)
  await expect(page.getByText(/Side bolts: turn the head west by/)).toBeVisible()
  expect(await everyHurdle(page)).toEqual([])

  await stations.getByRole('button', { name: /^Focus/ }).click()
  await page.locator('[name=travel]').fill('60')
  await page
    .getByLabel(/^drawtube with/)
    .first()
    .fill('75')
  await expect(page.getByText('the drawtube’s scale goes from 0 to 60 mm')).toBeVisible()
  await page
    .getByLabel(/^drawtube with/)
    .first()
    .fill('30')
  await expect(page.getByText(/comes to focus, 30(\.0)? mm to spare/)).toBeVisible()
  await choose(page, 'its rack, as found', 'smooth')
  expect(await everyHurdle(page)).toEqual([])

  await stations.getByRole('button', { name: /^Power/ }).click()
  await pick(page, 'volts, at rest')
  await page.locator('[name=volts-found]').fill('3')
  await expect(page.getByRole('alert')).toContainText('look at the kind of cells')
  await page.locator('[name=volts-found]').fill('12,9')
  await expect(page.getByRole('status').filter({ hasText: 'enough' })).toBeVisible()
  expect(await everyHurdle(page)).toEqual([])

  await stations.getByRole('button', { name: /^End/ }).click()
  const measured = page.getByLabel('What was measured')
  await expect(measured).toContainText('going to objects')
  await expect(measured).toContainText('axis to the pole')
  await expect(measured).toContainText('focus')
  await expect(measured).toContainText('power')
})

test('the glass by torch: nothing is claimed before all was looked for; mostly it is not cleaned', async ({
  page,
  context,
}) => {
  await signIn(context, 'ines')
  await goTo(page, '/bench/M-01')
  const glass = page.getByRole('region', { name: 'The glass by torch' })
  const grade = (trouble: RegExp, chosen: string) =>
    glass.getByRole('radiogroup', { name: trouble }).getByText(chosen, { exact: true }).click()
  await grade(/^dust/, 'little')
  await expect(glass).toContainText('Still to look for: fungus, scratches, coating.')
  await expect(page.getByRole('button', { name: /^Leave it out/ })).toBeVisible()
  for (const trouble of [/^fungus/, /^scratches/, /^coating/]) await grade(trouble, 'none')
  await expect(glass.getByRole('status')).toContainText('Not now: so little dust hardly costs light')
  await expect(page.getByRole('button', { name: /^Next station/ })).toBeVisible()
  await grade(/^fungus/, 'little')
  await expect(glass.getByRole('status')).toContainText('keep it apart from other kits')
  expect(await everyHurdle(page)).toEqual([])
})

test('let go at three heights: which end falls, and what to do about it @long', async ({ page, context }) => {
  await signIn(context, 'ines')
  await goTo(page, '/bench/F-05')
  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('button', { name: /^Let go/ })
    .click()
  const status = page.getByRole('status').filter({ hasText: /./ })
  await choose(page, 'bare at 20° as found', 'front falls')
  await choose(page, 'bare at 45° as found', 'front falls')
  await expect(page.getByRole('button', { name: /^Leave it out/ })).toBeVisible()
  await choose(page, 'bare at 70° as found', 'front falls')
  await expect(status).toContainText('Its front is too heavy: a magnet or a weight at its back end.')
  await expect(page.getByRole('button', { name: /^Next station/ })).toBeVisible()
  await page.getByRole('button', { name: 'Put right: look again' }).click()
  for (const deg of [20, 45, 70]) await choose(page, `bare at ${deg}° as left`, 'stays')
  await expect(status).toContainText('It stays wherever it is left.')
  expect(await everyHurdle(page)).toEqual([])
})
