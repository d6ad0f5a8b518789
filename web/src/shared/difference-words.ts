import type { KitSheet } from '@binoculum/contract'
import { templateFields } from '@binoculum/core'

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
  if (kind === 'lacks') return `has no ${name}`
  if (kind === 'has-besides') return `has ${name} as well`
  return `${name}: ${fieldWords[field] ?? field} ${own}, not ${model}`
}
