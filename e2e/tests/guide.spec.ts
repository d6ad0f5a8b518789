import { HtmlValidate } from 'html-validate'
import { everyHurdle } from '../support/hurdles.ts'
import { expect, goTo, test } from '../support/people.ts'
import {
  drawings,
  goChapter,
  here,
  isLive,
  linkOf,
  next,
  openGuide,
  stepPages,
  tickAll,
  titleHere,
} from '../support/guides.ts'

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

for (const scheme of ['paper', 'ember'] as const) {
  test(`every page of a guide fits a phone and has no hurdle, in ${scheme} @long`, async ({ page, context }) => {
    test.slow()
    await openGuide(context, page, 'M-11')
    if (scheme === 'ember') await page.getByRole('button', { name: 'Ember' }).tap()
    const titles: string[] = []
    const found: string[] = []
    for (let pages = 0; pages < 60; pages++) {
      const title = (await titleHere(page).textContent()) ?? ''
      titles.push(title)
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
      found.push(...(await everyHurdle(page)).map((each) => `${title}: ${each}`))
      if (!(await next(page).innerText()).startsWith('Next') && pages > 0) break
      await next(page).tap()
      await expect(titleHere(page)).not.toHaveText(title)
    }
    expect(found).toEqual([])
    expect(titles[0]).toBe('Before anything else')
    expect(titles).toEqual(
      expect.arrayContaining(['Give it power', 'Tonight', 'The hand controller', 'Pack the case']),
    )
    for (const button of await page.locator('footer button').all()) {
      const box = await button.boundingBox()
      expect(box?.height).toBeGreaterThanOrEqual(40)
    }
  })
}

test('each step has its words in the page as served, and valid HTML; its drawing comes with the script', async ({
  page,
  context,
}) => {
  const path = await linkOf(context, 'M-08')
  const html = await (await context.request.get(`${process.env.BASE_URL}${path}`)).text()
  expect(html).toContain('Two people lift. Both round discs lie in their half-round cradles.')
  expect(html).not.toMatch(/data-drawing/)
  const rules = {
    'no-inline-style': 'off',
    'long-title': 'off',
    'void-style': 'off',
    'doctype-style': 'off',
  } as const
  const validator = new HtmlValidate({
    extends: ['html-validate:standard'],
    rules: {
      ...rules,
      'no-trailing-whitespace': 'off',
      'attribute-boolean-style': 'off',
      'attribute-empty-style': 'off',
    },
  })
  const faults = (await validator.validateString(html)).results.flatMap(({ messages }) =>
    messages.map(({ message }) => message),
  )
  expect(faults).toEqual([])
  expect((await validator.validateString('<p><div></p>')).valid).toBe(false)
  await goTo(page, path)
  await expect(drawings(stepPages(page)).first()).toBeAttached()
})

test('without scripts it reads from the Sun to the mirrors', async ({ browser, context }) => {
  const path = await linkOf(context, 'M-08')
  const bare = await browser.newContext({ javaScriptEnabled: false, viewport: { width: 390, height: 844 } })
  const page = await bare.newPage()
  await page.goto(`${process.env.BASE_URL}${path}`)
  await expect(page.getByRole('heading', { name: 'Lift the tube into its cradles' }).first()).toBeVisible()
  await expect(page.getByText('Never point the telescope')).toBeVisible()
  await bare.close()
})

test('opened once it opens without a network, where one was, and what is said then goes out later', async ({
  page,
  context,
}) => {
  const path = await openGuide(context, page, 'M-11')
  await page.evaluate(() => navigator.serviceWorker.ready)
  // The copy is there when the page itself is in it.
  await expect.poll(() => page.evaluate(async (url) => (await caches.match(url)) !== undefined, path)).toBe(true)
  for (let pages = 0; pages < 5; pages++) await next(page).tap()
  const title = await titleHere(page).innerText()
  await context.setOffline(true)
  // A link in another language opens in it, though the copy was kept in the guide's own.
  await goTo(page, `${path}?lang=es`)
  await expect(page.getByRole('main')).toHaveAttribute('lang', 'es')
  await goTo(page, `${path}?lang=en`)
  await expect(page.getByRole('main')).toHaveAttribute('lang', 'en')
  await page.reload()
  await isLive(page)
  await expect(titleHere(page)).toHaveText(title)
  await expect(drawings(here(page))).toBeVisible()

  await page.getByRole('button', { name: 'It doesn’t fit' }).tap()
  await page.getByRole('button', { name: 'You see a blur' }).tap()
  await tickAll(page)
  await page.getByRole('button', { name: /^Never/ }).tap()
  await expect(here(page)).toContainText('Hold the eyepiece in your warm hand')
  await page.getByRole('button', { name: 'Ask the library' }).tap()
  await here(page).getByLabel('What do you see?').fill('Blurred all the way.')
  await here(page)
    .getByLabel('A picture helps')
    .setInputFiles({
      name: 'view.png',
      mimeType: 'image/png',
      buffer: await page.screenshot(),
    })
  await expect(page.getByAltText('Your picture')).toBeVisible()
  await here(page).getByRole('button', { name: 'Send it' }).tap()
  await expect(page.getByRole('status')).toContainText('kept here')
  await context.setOffline(false)
  await page.evaluate(() => window.dispatchEvent(new Event('online')))

  const bench = await context.newPage()
  await bench.setViewportSize({ width: 1280, height: 800 })
  await expect(async () => {
    await goTo(bench, '/bench')
    await expect(bench.getByText('“Blurred all the way.”')).toBeVisible({ timeout: 1500 })
  }).toPass()
  const report = bench.locator('article', { hasText: 'Blurred all the way.' })
  await expect(report).toContainText('You see a blur')
  await expect
    .poll(() => report.locator('img').evaluate((img) => (img as HTMLImageElement).naturalWidth))
    .toBeGreaterThan(100)
  await report.getByRole('button', { name: 'Seen to' }).click()
  await expect(report).toBeHidden()
})

test('a revoked link leaves nothing on the phone', async ({ page, context }) => {
  const path = await openGuide(context, page, 'M-11')
  await page.evaluate(() => navigator.serviceWorker.ready)
  await expect.poll(() => page.evaluate(async (url) => (await caches.match(url)) !== undefined, path)).toBe(true)
  const kit = await context.request.get(`${process.env.BASE_URL}/api/kits/M-11`)
  const { loan } = (await kit.json()) as { loan: { id: string } }
  await context.request.delete(`${process.env.BASE_URL}/api/loans/${loan.id}/link`)
  await page.goto(`${process.env.BASE_URL}${path}`)
  await expect(page.getByRole('alert')).toContainText('This link has expired or was already used')
  await expect.poll(() => page.evaluate(() => caches.keys())).toEqual([])
  await expect.poll(() => page.evaluate(() => indexedDB.databases())).toEqual([])
})

test('in Spanish to the end: pages, drawings’ words, dates, and what the library gets is English', async ({
  page,
  context,
}) => {
  await openGuide(context, page, 'M-11', '?lang=es')
  await expect(page.locator('html')).toHaveAttribute('lang', 'es')
  const said: string[] = []
  for (let pages = 0; pages < 60; pages++) {
    const title = (await titleHere(page).textContent()) ?? ''
    said.push(title)
    // What is still English is marked as such.
    for (const text of await here(page).locator('[lang=en]').allTextContents()) said.push(`en: ${text}`)
    if ((await next(page).innerText()) === 'Al principio') break
    await next(page).tap()
    await expect(titleHere(page)).not.toHaveText(title)
  }
  expect(said[0]).toBe('Antes de nada')
  expect(said).toEqual(expect.arrayContaining(['Esta noche', 'No funciona', 'Guarda todo en la maleta']))
  const english = said.filter((each) => each.startsWith('en: '))
  expect(english).toEqual([])
  expect(said).toContain('El mando de mano')
  await page.getByRole('button', { name: 'No encaja' }).tap()
  await page.getByRole('button', { name: 'Solo ves negro' }).tap()
  await tickAll(page)
  await page.getByRole('button', { name: 'Preguntar a la biblioteca' }).tap()
  await here(page).getByLabel('¿Qué ves?').fill('Todo negro.')
  await here(page).getByRole('button', { name: 'Enviar', exact: true }).tap()
  await expect(page.getByRole('status')).toContainText('Enviado')
  const messages = await context.request.get(`${process.env.BASE_URL}/api/borrower-messages`)
  expect(await messages.text()).toContain('You see nothing but black')
})

test('tonight: nothing before its hour, other nights by a tap, a drawing of where to look', async ({
  page,
  context,
}) => {
  await openGuide(context, page, 'M-11')
  await goChapter(page, 'Tonight')
  const tonight = here(page)
  await expect(tonight).toContainText(/Never before \d\d:\d\d/)
  expect(await tonight.getByRole('listitem').count()).toBeGreaterThan(0)
  await tonight.getByText('How to find it').first().tap()
  await expect(tonight.locator('details[open] p').first()).not.toBeEmpty()
  const before = await tonight.locator('p > b').first().innerText()
  await tonight.getByRole('button', { name: 'Other nights' }).tap()
  await tonight.getByRole('group', { name: 'Other nights' }).getByRole('button').last().tap()
  await expect(tonight.locator('p > b').first()).not.toHaveText(before)
  await tonight.getByRole('button', { name: 'I can’t find it' }).tap()
  await expect(titleHere(page)).toHaveText('It doesn’t work')
})

test('is tonight good enough: what was seen of air and sky stays on the phone and takes out what it hides', async ({
  page,
  context,
}) => {
  await openGuide(context, page, 'M-11')
  await goChapter(page, 'Tonight')
  const shown = here(page)
  const faint = shown.locator('li', { hasText: /Nebula|Galaxy|\(M13\)/ })
  const before = await faint.count()
  await shown.getByText('Is tonight good enough?').tap()
  await shown.getByRole('button', { name: 'hard, in colours' }).tap()
  await expect(shown.getByText(/The air is restless. (Stay at|Use the lowest)/)).toBeVisible()
  await shown.getByRole('button', { name: '2', exact: true }).tap()
  await expect(shown.getByText('The sky is bright.')).toBeVisible()
  if (before > 0) await expect(shown.getByText('the sky is too bright for it').first()).toBeVisible()
  await page.reload()
  await expect(shown.getByText('The sky is bright.')).toBeVisible()
  // Another evening has another air; the sky over the place stays as it is.
  await shown.getByRole('button', { name: 'Other nights' }).tap()
  await shown.getByRole('group', { name: 'Other nights' }).getByRole('button').nth(1).tap()
  await expect(shown.getByText('The air is restless.')).toBeHidden()
  await expect(shown.getByText('The sky is bright.')).toBeVisible()
})

test('the borrower’s own look through the case: a tap each, the coin cell never by the handful', async ({
  page,
  context,
}) => {
  await openGuide(context, page, 'M-11')
  await goChapter(page, 'What is in the case')
  const room = here(page)
  await room.getByRole('button', { name: 'All the rest is there' }).tap()
  await expect(room.getByRole('button', { name: /Coin cell.*not looked at yet/ })).toBeVisible()
  await expect(room).toContainText('Look at this one yourself: Coin cell')
  await room.getByRole('button', { name: /^Coin cell/ }).tap()
  const cap = room.getByRole('button', { name: /^Focuser cap/ })
  await cap.tap()
  await expect(cap).toHaveAccessibleName('Focuser cap: missing')
  await room.getByRole('button', { name: 'Tell the library' }).tap()
  await expect(room.getByRole('status')).toContainText('Sent')
  await page.reload()
  await expect(room.getByRole('button', { name: 'Focuser cap: missing' })).toBeVisible()
  // Before the return it is looked through anew.
  await room.getByRole('button', { name: 'Once more, before you bring it back' }).tap()
  await expect(room).toContainText(/^.*0 of \d+ looked at/s)
  await expect(room.getByRole('button', { name: 'Tell the library' })).toBeDisabled()
})

test('text grows and stays so; the chosen scheme stays', async ({ page, context }) => {
  await openGuide(context, page, 'M-11')
  const size = () => here(page).evaluate((element) => parseFloat(getComputedStyle(element).fontSize))
  const before = await size()
  await page.getByRole('button', { name: 'Bigger text' }).tap()
  expect(await size()).toBeGreaterThan(before * 1.15)
  await page.getByRole('button', { name: 'Ember' }).tap()
  await page.reload()
  await expect(page.locator('html')).toHaveAttribute('data-scheme', 'ember')
  await expect.poll(size).toBeGreaterThan(before * 1.15)
})

for (const [code, format] of [
  ['M-11', 'A4'],
  ['M-08', 'Letter'],
] as const)
  test(`${code} on ${format}: the whole guide, every step with its drawing, nothing cut off`, async ({
    page,
    context,
  }) => {
    await openGuide(context, page, code)
    await expect(drawings(stepPages(page)).first()).toBeAttached()
    await page.emulateMedia({ media: 'print' })
    await page.setViewportSize(format === 'A4' ? { width: 690, height: 1000 } : { width: 712, height: 940 })
    for (const chapter of ['What is in the case', 'Lowest power first', 'Tonight', 'Close it up'])
      await expect(page.getByRole('heading', { name: chapter }).first()).toBeVisible()
    await expect(page.locator('footer')).toBeHidden()
    const steps = await stepPages(page).count()
    await expect(drawings(stepPages(page)).filter({ visible: true })).toHaveCount(steps)
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(712)
    const pdf = await page.pdf({ format })
    const sheets = pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)?.length ?? 0
    expect(sheets).toBeGreaterThan(5)
    expect(sheets).toBeLessThan(26)
    // A step is never torn apart: it is lower than a sheet.
    const heights = await stepPages(page).evaluateAll((all) => all.map((each) => each.getBoundingClientRect().height))
    expect(Math.max(...heights)).toBeLessThan(900)
  })

test('printed straight after it has loaded, every step has its drawing, and each chapter one heading', async ({
  page,
  context,
}) => {
  // A phone that is slow to say what it remembers: the page doesn't live yet when it counts as loaded.
  await page.addInitScript(() => {
    const open = IDBFactory.prototype.open
    IDBFactory.prototype.open = function (...asked) {
      return Object.assign(open.apply(this, asked), { addEventListener: () => undefined })
    }
    addEventListener('afterprint', () => {
      const steps = document.querySelectorAll('h1[data-number]').length
      const drawn = document.querySelectorAll('section:has(h1[data-number]) [data-drawing]').length
      document.documentElement.dataset.printed = `${drawn} of ${steps}`
    })
  })
  await page.goto(process.env.BASE_URL + (await linkOf(context, 'M-11')))
  await page.pdf({ format: 'A4' })
  const [drawn, steps] = (await page.locator('html').getAttribute('data-printed'))?.split(' of ').map(Number) ?? []
  expect(steps).toBeGreaterThan(8)
  expect(drawn).toBe(steps)
  await expect(drawings(stepPages(page))).toHaveCount(steps ?? NaN)
  const headings = await page
    .locator('h1, section > h2:first-child')
    .evaluateAll((all) => all.map(({ textContent }) => textContent?.trim() ?? ''))
  expect(headings.filter((text, at) => headings.indexOf(text) !== at)).toEqual([])
})

test('a link that is over says what to do', async ({ page }) => {
  const reply = await page.goto(`${process.env.BASE_URL}/g/${'o'.repeat(27)}`)
  expect(reply?.status()).toBe(404)
  await expect(page.getByRole('alert')).toContainText('Ask the library for a new one')
})
