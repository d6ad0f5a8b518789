/** Forms as tables: what a field is called, where it stands in the form, and what it takes. The pages say the tables, one
 * component draws them. */

export interface Choice {
  readonly value: string | number | null
  readonly words: string
}

interface Named {
  /** Its place in the form, and its name on the page: `mirror.cell.screws.0.angleDeg`. */
  readonly path: string
  readonly words: string
}

export type ModelField =
  | (Named & { readonly kind: 'figure'; readonly placeholder?: string })
  | (Named & { readonly kind: 'choice'; readonly options: readonly Choice[] })
  | (Named & { readonly kind: 'tick' })
  | (Named & { readonly kind: 'day' })
  | (Named & { readonly kind: 'suggest'; readonly suggestions: readonly string[] })
  | (Named & { readonly kind: 'text'; readonly most?: number; readonly placeholder?: string })

export interface FieldSection {
  /** Names the slot for whatever stands in it besides. */
  readonly key: string
  readonly title: string
  readonly fields: readonly ModelField[]
  /** A part that a model may lack: its words while it is there and while it isn't, and what changes that. */
  readonly optional?: { readonly isThere: boolean; readonly words: readonly [there: string, lacking: string] }
}

export const figure = (path: string, words: string, placeholder?: string): ModelField => ({
  kind: 'figure',
  path,
  words,
  ...(placeholder === undefined ? {} : { placeholder }),
})
export const choice = (path: string, words: string, options: readonly Choice[]): ModelField => ({
  kind: 'choice',
  path,
  words,
  options,
})
export const tick = (path: string, words: string): ModelField => ({ kind: 'tick', path, words })
export const text = (path: string, words: string, most?: number): ModelField & { readonly kind: 'text' } => ({
  kind: 'text',
  path,
  words,
  ...(most === undefined ? {} : { most }),
})

export const day = (path: string, words: string): ModelField => ({ kind: 'day', path, words })
/** Free text with words to choose from. */
export const suggest = (path: string, words: string, suggestions: readonly string[]): ModelField => ({
  kind: 'suggest',
  path,
  words,
  suggestions,
})

/** Pairs of value and words as choices. */
export const choices = <T extends string | number | null>(
  pairs: readonly (readonly [T, string])[],
): readonly Choice[] => pairs.map(([value, words]) => ({ value, words }))

export function valueAt(form: unknown, path: string): unknown {
  return path.split('.').reduce<unknown>((at, key) => (at as Record<string, unknown> | null | undefined)?.[key], form)
}

/** @throws RangeError where the form has nothing that the path leads through */
export function setValueAt(form: unknown, path: string, value: unknown): void {
  const keys = path.split('.')
  const last = keys.pop() ?? ''
  const owner = valueAt(form, keys.join('.')) ?? (keys.length === 0 ? form : undefined)
  if (typeof owner !== 'object' || owner === null) throw new RangeError(`the form has no ${path}`)
  ;(owner as Record<string, unknown>)[last] = value
}
