import { everyHurdle } from '../support/hurdles.ts'
import { expect, test } from '../support/people.ts'
import { goChapter, here, openGuide } from '../support/guides.ts'

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

test('a driven equatorial kit: the pole’s star on its ring tonight, stars to line up on, no hurdle in either scheme @long', async ({
  page,
  context,
}) => {
  await openGuide(context, page, 'F-02')
  for (const scheme of ['paper', 'ember']) {
    if (scheme === 'ember') await page.getByRole('button', { name: 'Ember' }).tap()
    await goChapter(page, 'Point the axis at the pole')
    await expect(here(page)).toContainText(/In the sighting scope, \w+ \d+ \w+ about \d\d:\d\d/)
    await expect(here(page)).toContainText(/(Polaris|Sigma Octantis) belongs at \d+:\d\d on the ring/)
    expect(await everyHurdle(page)).toEqual([])
    await goChapter(page, 'The hand controller')
    await expect(here(page)).toContainText(/tube on the (east|west) side of its mount/)
    expect(await everyHurdle(page)).toEqual([])
  }
  // Another night chosen speaks for these pages too.
  const stars = await here(page).getByRole('heading', { level: 2 }).last().innerText()
  await goChapter(page, 'Tonight')
  await page.getByRole('button', { name: 'Other nights' }).tap()
  await here(page).getByRole('group', { name: 'Other nights' }).getByRole('button').last().tap()
  await goChapter(page, 'The hand controller')
  await expect(here(page).getByRole('heading', { level: 2 }).last()).not.toHaveText(stars)
})
