/** Nothing that this program sends is nested deeper. */
export const DEEPEST = 32

/** How many brackets stand open at once, in one walk over the text. */
export function depthOf(text: string): number {
  let depth = 0
  let deepest = 0
  let inText = false
  for (let at = 0; at < text.length; at++) {
    const sign = text[at]
    if (inText) {
      if (sign === '\\') at++
      else if (sign === '"') inText = false
    } else if (sign === '"') inText = true
    else if (sign === '{' || sign === '[') deepest = Math.max(deepest, ++depth)
    else if (sign === '}' || sign === ']') depth--
  }
  return deepest
}

/** Half of a letter that UTF-16 writes in two. */
const LONE_HALF = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/
const isStorable = (text: string) => !text.includes('\0') && !LONE_HALF.test(text)

/** Where a text stands that PostgreSQL keeps neither as text nor as JSON; null where there is none. */
export function unstorableIn(value: unknown, path = ''): string | null {
  if (typeof value === 'string') return isStorable(value) ? null : path
  if (typeof value !== 'object' || value === null) return null
  for (const [key, each] of Object.entries(value)) {
    const own = path === '' ? key : `${path}.${key}`
    if (!isStorable(key)) return path
    const found = unstorableIn(each, own)
    if (found !== null) return found
  }
  return null
}
