import { kitOf, loanOut, read } from '../support/loans.ts'
import { expect, goTo, signIn, test } from '../support/people.ts'
import { unreadable } from '../support/readable.ts'

/** A phone, what 1280 by 800 becomes at 200 %, and a tablet. */
const SIZES = [
  [390, 844],
  [640, 400],
  [1024, 768],
] as const

test('every area is used without sideways scrolling on a phone, magnified, and on a tablet @long', async ({
  page,
  context,
}) => {
  test.slow()
  await signIn(context, 'ines')
  await loanOut(context, 'M-11')
  const loan = (await kitOf(context, 'M-11')).loan?.id
  const { models } = await read<{ models: { id: string }[] }>(context, '/api/models')
  const wide: string[] = []
  for (const path of [
    '/shelf',
    '/kits/M-04',
    '/kits/M-04/weigh',
    '/kits/M-11',
    '/desk',
    '/desk/follow-up',
    '/desk/letters',
    '/desk/hand-out/M-04',
    `/desk/take-back/${loan}`,
    `/desk/loans/${loan}`,
    '/bench',
    '/bench/plan',
    '/bench/M-04',
    '/guides',
    `/guides/${loan}`,
    '/guides/texts/M-11',
    '/guides/help-sheet/M-01',
    '/calendar',
    '/calendar/waiting',
    '/calendar/van',
    '/logbook',
    '/logbook/M-01',
    '/practice',
    '/practice/telescope',
    '/practice/results',
    '/setup/kits',
    '/setup/bring-in',
    '/setup/models',
    `/setup/models/${models[0]?.id}`,
    '/setup/places',
    '/setup/drawer',
    '/setup/labels',
    '/setup/devices',
    '/setup/people',
    '/setup/branches',
    '/setup/opening',
    '/setup/reminders',
    '/setup/agreement',
    '/setup/archive',
  ]) {
    await page.setViewportSize({ width: SIZES[0][0], height: SIZES[0][1] })
    await goTo(page, path)
    await page.waitForLoadState('networkidle')
    await expect(page.getByRole('heading', { name: 'There is nothing here.' }), path).toBeHidden()
    for (const [width, height] of SIZES) {
      await page.setViewportSize({ width, height })
      // What is laid out by the page's own script follows a frame later.
      await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn))))
      const over = await page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      )
      const where = `${path} at ${width} by ${height}`
      if (over > 0) wide.push(`${where}: ${over} px`)
      wide.push(...(await unreadable(page)).map((fault) => `${where}: ${fault}`))
    }
  }
  expect(wide).toEqual([])
})
