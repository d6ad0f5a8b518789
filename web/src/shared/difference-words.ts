import type { KitSheet } from '@binoculum/contract'
import { templateFields } from '@binoculum/core'
import { sharedWords } from './words.ts'

const t = sharedWords('differenceWords')

const fieldWords: Readonly<Record<string, string>> = Object.fromEntries(
  templateFields.map((field) => [
    field,
    field
      .replaceAll(/([A-Z])/g, ' $1')
      .toLowerCase()
      .replace(/ (g|minor)$/, ''),
  ]),
)

/** Where a kit really differs from its model, in words. */
export function differenceWords({ kind, name, field = '', own, model }: KitSheet['differences'][number]): string {
  if (kind === 'lacks') return t('hasNo', { name })
  if (kind === 'has-besides') return t('hasAsWell', { name })
  return t('nameNot', { name, fieldWords: fieldWords[field] ?? field, own, model })
}
