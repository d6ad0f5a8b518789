import type { JSONContent } from '@tiptap/core'
import { blockLine, lineText } from '@binoculum/core'

/** A block's text as an editor holds it: a paragraph for each line with the tags it hangs on, and a node for each word that
 * comes from the kit. The text stays as `block-text` says; nothing else is stored. */

const WORD = /\{([\w -]+)\}/g

export function toDocument(text: string): JSONContent {
  return { type: 'doc', content: text.split('\n').map(paragraph) }
}

function paragraph(line: string): JSONContent {
  const { tags, text } = blockLine(line)
  const content = inline(text)
  return { type: 'paragraph', attrs: { tags }, ...(content.length > 0 ? { content } : {}) }
}

function inline(text: string): JSONContent[] {
  const nodes: JSONContent[] = []
  let from = 0
  const say = (words: string) => words !== '' && nodes.push({ type: 'text', text: words })
  for (const found of text.matchAll(WORD)) {
    say(text.slice(from, found.index))
    nodes.push({ type: 'kitWord', attrs: { name: found[1] } })
    from = found.index + found[0].length
  }
  say(text.slice(from))
  return nodes
}

/** @param document as the editor gives it */
export const toText = (document: JSONContent): string =>
  (document.content ?? [])
    .map((each) =>
      lineText({
        tags: ((each.attrs?.tags as string[] | undefined) ?? []).map(String),
        text: (each.content ?? [])
          .map((node) => (node.type === 'kitWord' ? `{${String(node.attrs?.name)}}` : (node.text ?? '')))
          .join(''),
      }),
    )
    .join('\n')
