import { z } from 'zod'

/** Where a page of a list ended: by what it is ordered, and what tells rows of the same apart. A list is walked by the key of
 * its last row, so that its hundredth page costs what its first does, and nothing is shown twice that came in meanwhile. */
export interface PageKey {
  readonly at: string
  readonly id: string
}

const CURSOR = /^([\d:.TZ-]{1,40})_([\w-]{1,40})$/
/** Of a list's address: what comes after the row of this key. */
export const pageQuery = z.object({
  before: z.string().regex(CURSOR, 'must be what a page said comes next').optional(),
})

export function pageKey(before: string | undefined): PageKey | null {
  const [, at, id] = CURSOR.exec(before ?? '') ?? []
  return at && id ? { at, id } : null
}

/** A page of rows of which one more than fits was asked for. @returns next: what to ask for what comes after; null at the end */
export function pageOf<T extends { readonly key: PageKey }>(
  rows: readonly T[],
  most: number,
): { readonly rows: Omit<T, 'key'>[]; readonly next: string | null } {
  const shown = rows.slice(0, most)
  const last = rows.length > most ? shown.at(-1)?.key : undefined
  return { rows: shown.map(({ key: _key, ...row }) => row), next: last ? `${last.at}_${last.id}` : null }
}
