import { AxeBuilder } from '@axe-core/playwright'
import type { BrowserContext, Page } from '@playwright/test'
import { expect, goTo, signIn, test } from '../support/people.ts'

/** A new link for a kit that is out, and the phone that opens it. */
async function openGuide(context: BrowserContext, phone: Page, code: string): Promise<void> {
  await signIn(context, 'ines')
  const kit = await context.request.get(`${process.env.BASE_URL}/api/kits/${code}`)
  const { loan } = (await kit.json()) as { loan: { id: string } }
  const renewed = await context.request.post(`${process.env.BASE_URL}/api/loans/${loan.id}/link`, { data: {} })
  const { guidePath } = (await renewed.json()) as { guidePath: string }
  await goTo(phone, guidePath)
  await expect(phone.locator('.warning')).toContainText('Never point')
}

async function hurdles(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page }).include('main').withTags(['wcag2aa']).analyze()
  return violations.map(({ id, nodes }) => `${id} ${nodes[0]?.html.slice(0, 100)}`)
}

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

for (const scheme of ['paper', 'ember'] as const) {
  test(`every page of a guide fits a phone and can be read, in ${scheme}`, async ({ page, context }) => {
    await openGuide(context, page, 'M-11')
    if (scheme === 'ember') await page.getByRole('button', { name: 'Ember' }).tap()
    const titles: string[] = []
    for (let pages = 0; pages < 40; pages++) {
      titles.push((await page.locator('main h1').textContent()) ?? '')
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
      // Pages of a kind look alike; every tenth is looked at by the checker.
      if (pages % 10 === 0) expect(await hurdles(page)).toEqual([])
      const next = page.getByRole('button', { name: /^(Next|I understand)/ })
      if (!(await next.isVisible())) break
      await next.tap()
    }
    expect(titles[0]).toBe('Before anything else')
    expect(titles).toContain('Give it power')
    expect(titles.at(-1)).toBe('Pack the case')
    for (const button of await page.locator('footer button').all()) {
      const box = await button.boundingBox()
      expect(box?.height).toBeGreaterThanOrEqual(40)
    }
  })
}

test('it doesn’t work: signs open their tries; the chosen scheme stays', async ({ page, context }) => {
  await openGuide(context, page, 'M-11')
  await page.getByRole('button', { name: 'Ember' }).tap()
  await page.getByRole('button', { name: 'It doesn’t fit, or doesn’t work' }).tap()
  await page.getByRole('button', { name: 'You see nothing but black' }).tap()
  await expect(page.locator('main')).toContainText('Diagonal in?')
  await page.reload()
  await expect(page.locator('html')).toHaveAttribute('data-scheme', 'ember')
})

test('on paper the whole guide is there, black on white', async ({ page, context }) => {
  await openGuide(context, page, 'M-11')
  await page.emulateMedia({ media: 'print' })
  await expect(page.locator('.guide-print')).toBeVisible()
  await expect(page.locator('main.phone')).toBeHidden()
  for (const chapter of ['What is in the case', 'Which eyepiece', 'Put it away'])
    await expect(page.locator('.guide-print h2', { hasText: chapter })).toBeVisible()
})

test('a link that is over says what to do', async ({ page }) => {
  await goTo(page, `/g/${'o'.repeat(27)}`)
  await expect(page.getByRole('alert')).toContainText('This link is used up or over. Ask for a new one.')
})
