import type { Page } from '@playwright/test'
import axe from 'axe-core'

interface Finding {
  readonly impact: string | null
  readonly words: string
}

/** WCAG 2.2 A and AA. The checker is put into a page once: some are asked forty times in a row. */
async function findings(page: Page, within: string, { strict = false } = {}): Promise<readonly Finding[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source)
  // Beyond the standard: headings in order, names that say what is seen.
  const tags = ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']
  const rules: Record<string, { enabled: boolean }> = strict
    ? { 'heading-order': { enabled: true }, 'label-content-name-mismatch': { enabled: true } }
    : {}
  return page.evaluate(
    async ([part, values, more]) => {
      const { axe: checker } = window as unknown as { axe: typeof axe }
      const { violations } = await checker.run(part, {
        runOnly: { type: 'tag', values },
        rules: more,
        resultTypes: ['violations'],
      })
      return violations.map(({ id, impact = null, nodes }) => ({
        impact,
        words: `${id}: ${nodes.map(({ html }) => html.slice(0, 120)).join(' | ')}`,
      }))
    },
    [within, tags, rules] as const,
  )
}

/** What keeps weak eyes or a screen reader from a page of the rooms: serious findings. */
export async function hurdles(page: Page): Promise<readonly string[]> {
  const serious = (await findings(page, 'html')).filter(({ impact }) => impact === 'serious' || impact === 'critical')
  return serious.map(({ words }) => words)
}

/** Every finding, small ones too. */
export const everyHurdle = async (page: Page, within = 'main'): Promise<readonly string[]> =>
  (await findings(page, within, { strict: true })).map(({ words }) => words)
