import { everyHurdle } from '../support/hurdles.ts'
import { kitOf, send } from '../support/loans.ts'
import { peepholePhoto } from '../support/peephole-photo.ts'
import { baseUrl, expect, goTo, signIn, test } from '../support/people.ts'
import { goChapter, here, openGuide } from '../support/guides.ts'

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

test('a photo through the peephole is measured while the borrower waits; the bench has figure and picture @long', async ({
  page,
  context,
}) => {
  // Another test may have left its screws to borrowers.
  await signIn(context, 'ines')
  const { id, version } = await kitOf(context, 'M-12')
  await send(context, `/api/kits/${id}/collimation-policy`, { policy: 'leave-it-to-us', kitVersion: version })
  await openGuide(context, page, 'M-12')
  await goChapter(page, 'The glass and its screws')
  const shown = here(page)
  await shown.getByText('Is the mirror lined up? Take a photo').tap()
  // By day the question of the Sun comes first; at night it falls away.
  const safe = shown.locator('[name=sun-safe]')
  if (await safe.count()) await safe.check()
  await shown
    .locator('input[type=file]')
    .first()
    .setInputFiles({
      name: 'hole.jpg',
      mimeType: 'image/jpeg',
      buffer: await peepholePhoto({ model: 'table-110', axisErrorMm: { x: 1.7, y: 0.6 }, px: 1000 }),
    })
  await expect(shown.getByAltText('Your picture')).toBeVisible()
  await shown.getByRole('button', { name: 'Send it' }).first().tap()
  const answer = shown.getByRole('status')
  await expect(answer).toContainText('The Moon and low powers still work tonight')
  await expect(answer).toContainText('Turn nothing. We will line it up when it is back.')
  await expect(answer).toContainText(/Measured: 1\.[6-9] mm off/)
  expect(await everyHurdle(page)).toEqual([])

  const bench = await context.newPage()
  await bench.setViewportSize({ width: 1280, height: 800 })
  await signIn(context, 'ines')
  await goTo(bench, '/bench')
  const message = bench.locator('article', { hasText: 'Juniper' }).filter({ hasText: 'Through the peephole' })
  await expect(message).toContainText('the figure and the picture wait at its station')
  const looks = await context.request.get(`${baseUrl()}/api/kits/M-12/remote-looks`)
  expect(((await looks.json()) as { looks: { meaning: string }[] }).looks[0]?.meaning).toBe('off')
  await message.getByRole('button', { name: 'Seen to' }).click()
  await expect(message).toBeHidden()
})

test('the finder at something far away: nothing without the Sun’s answer, then a figure in the borrower’s language', async ({
  page,
  context,
}) => {
  await openGuide(context, page, 'F-03', '?lang=es')
  await goChapter(page, 'El buscador, luego el enfoque')
  const shown = here(page)
  await shown.getByText('¿Apunta bien el buscador?').tap()
  const send = shown.getByRole('button', { name: 'Enviar' })
  await expect(send).toBeDisabled()
  await shown.locator('[name=sun-safe]').check()
  await shown.locator('[name=distance]').selectOption('500')
  const view = shown.getByRole('application')
  await view.scrollIntoViewIfNeeded()
  const box = await view.boundingBox()
  if (!box) throw new Error('the eyepiece’s view isn’t shown')
  await page.touchscreen.tap(box.x + box.width * 0.55, box.y + box.height * 0.45)
  await send.tap()
  await expect(shown.getByRole('status')).toContainText('El buscador apunta adonde apunta el telescopio')
  await shown.getByRole('button', { name: 'No se ve' }).tap()
  await send.tap()
  await expect(shown.getByRole('status')).toContainText('No se ve: el buscador se desvía más de')
})
