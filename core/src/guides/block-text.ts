/** How a block's text is written: one sentence or two a line. A line may begin with tags in brackets, `[barlow]` or
 * `[!seated]`: it is said only where all of them fit. A variable in braces, `{barlow}`, stands for the kit's own figure or
 * name; a line whose variable this kit hasn't got falls away. */

export interface BlockLine {
  readonly tags: readonly string[]
  readonly text: string
}

const TAGS = /^((?:\[!?[\w-]+\]\s*)+)/

/** One line: what it hangs on, and what it says. */
export function blockLine(line: string): BlockLine {
  const [found = ''] = TAGS.exec(line.trim()) ?? []
  const tags = [...found.matchAll(/\[(!?[\w-]+)\]/g)].map(([, tag = '']) => tag)
  return { tags, text: line.trim().slice(found.length).trim() }
}

export const blockLines = (text: string): readonly BlockLine[] =>
  text
    .split('\n')
    .map(blockLine)
    .filter((line) => line.text !== '')

/** A line as `blockLine` reads it. */
export const lineText = ({ tags, text }: BlockLine): string =>
  [...tags.map((tag) => `[${tag}]`), text].join(' ').trim()

/** Names of the variables in a sentence. */
export const variablesIn = (text: string): readonly string[] =>
  [...text.matchAll(/\{([\w -]+)\}/g)].map(([, name = '']) => name)

export interface BlockFacts {
  readonly tags: ReadonlySet<string>
  readonly variables: Readonly<Record<string, string>>
}

/** Lines that fit a kit and a borrower, variables not yet put in.
 * @returns the lines, and those that fell away with the reason */
export function fittingLines(text: string, { tags, variables }: BlockFacts): readonly BlockLine[] {
  return blockLines(text).filter(
    (line) =>
      line.tags.every((tag) => (tag.startsWith('!') ? !tags.has(tag.slice(1)) : tags.has(tag))) &&
      variablesIn(line.text).every((name) => variables[name] !== undefined),
  )
}

/** Variables and tags that nothing stands behind: a typing error, said to the editor. */
export function unknownIn(
  text: string,
  known: { readonly variables: readonly string[]; readonly tags: readonly string[] },
): { readonly variables: readonly string[]; readonly tags: readonly string[] } {
  const lines = blockLines(text)
  const variables = lines.flatMap((line) => variablesIn(line.text)).filter((name) => !known.variables.includes(name))
  const tags = lines
    .flatMap((line) => line.tags)
    .map((tag) => tag.replace('!', ''))
    .filter((tag) => !known.tags.includes(tag))
  return { variables: [...new Set(variables)], tags: [...new Set(tags)] }
}
