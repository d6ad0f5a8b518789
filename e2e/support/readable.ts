import type { Page } from '@playwright/test'

/**
 * What a narrow screen does to words without the page growing wider: text squeezed into a column of single letters, a list
 * that scrolls sideways inside the page, words of two elements that run together.
 */
export const unreadable = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const NARROW_PX = 52
    const LINES = 5
    const TOUCHING_PX = 3
    const faults: string[] = []
    const words = (element: Element) => `“${element.textContent?.trim().replace(/\s+/g, ' ').slice(0, 40)}”`
    const isInline = (element: Element) => getComputedStyle(element).display.startsWith('inline')
    for (const element of document.querySelectorAll('main *')) {
      const style = getComputedStyle(element)
      const own = [...element.childNodes].filter(({ nodeType }) => nodeType === Node.TEXT_NODE)
      const box = element.getBoundingClientRect()
      if (element.closest('svg') || box.width === 0) continue
      if (
        ['auto', 'scroll'].includes(style.overflowX) &&
        element.scrollWidth > element.clientWidth + 1 &&
        !element.closest('nav, [role=table], .el-scrollbar')
      )
        faults.push(`scrolls sideways: ${words(element)}`)
      const length = own.reduce((sum, { textContent }) => sum + (textContent?.trim().length ?? 0), 0)
      if (length >= 10 && box.width < NARROW_PX && box.height > LINES * parseFloat(style.lineHeight || '20'))
        faults.push(`squeezed: ${words(element)}`)
      const next = element.nextSibling
      if (!(next instanceof Element) || !isInline(element) || !isInline(next) || element.matches('label')) continue
      if (/flex|grid/.test(getComputedStyle(element.parentElement!).display)) continue
      const [before, after] = [element.textContent ?? '', next.textContent ?? '']
      const [end, start] = [[...element.getClientRects()].at(-1), next.getClientRects()[0]]
      const touch =
        end && start && Math.abs(start.left - end.right) < TOUCHING_PX && Math.abs(start.top - end.top) < 14
      if (touch && /[\p{L}\p{N}.]$/u.test(before) && /^[\p{L}\p{N}]/u.test(after))
        faults.push(`run together: ${words(element)} ${words(next)}`)
    }
    return faults
  })
