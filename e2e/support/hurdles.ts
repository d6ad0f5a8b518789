import { AxeBuilder } from '@axe-core/playwright'
import type { Page } from '@playwright/test'

/** What keeps weak eyes or a screen reader from a page: serious findings of axe, WCAG 2.1 A and AA. */
export async function hurdles(page: Page): Promise<readonly string[]> {
  const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21aa']).analyze()
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 120)).join(' | ')}`)
}
