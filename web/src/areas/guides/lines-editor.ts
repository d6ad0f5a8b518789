import { Extension, Node, nodeInputRule, nodePasteRule, type Editor } from '@tiptap/core'
import { Document } from '@tiptap/extension-document'
import { Paragraph } from '@tiptap/extension-paragraph'
import { Text } from '@tiptap/extension-text'
import { UndoRedo } from '@tiptap/extensions'
import { Plugin } from '@tiptap/pm/state'
import { Decoration, DecorationSet } from '@tiptap/pm/view'
import { blockVariables, fittingLines, tagWords } from '@binoculum/core'
import { toText } from './block-document.ts'

/** What a block's lines are looked at against. */
export interface KitWords {
  readonly variables: Readonly<Record<string, string>>
  readonly tags: readonly string[]
}

/** Words from the kit: shown as they read for this kit, one piece under the cursor. Typed or pasted in braces. */
const kitWord = (kit: () => KitWords) =>
  Node.create({
    name: 'kitWord',
    group: 'inline',
    inline: true,
    atom: true,
    addAttributes: () => ({ name: { default: '' } }),
    parseHTML: () => [
      { tag: 'span[data-kit-word]', getAttrs: (element) => ({ name: element.getAttribute('data-kit-word') }) },
    ],
    renderHTML({ node }) {
      const name = String(node.attrs.name)
      const known = blockVariables.some((each) => each === name)
      const value = kit().variables[name]
      const look = known ? (value === undefined ? 'kit-word lacking' : 'kit-word') : 'kit-word unknown'
      return ['span', { 'data-kit-word': name, class: look, title: name }, value ?? name]
    },
    renderText: ({ node }) => `{${String(node.attrs.name)}}`,
    addInputRules() {
      return [nodeInputRule({ find: /\{([\w -]+)\}$/, type: this.type, getAttributes: ([, name]) => ({ name }) })]
    },
    addPasteRules() {
      return [nodePasteRule({ find: /\{([\w -]+)\}/g, type: this.type, getAttributes: ([, name]) => ({ name }) })]
    },
  })

/** A line, with what it hangs on before it. */
const Line = Paragraph.extend({
  addAttributes: () => ({
    tags: {
      default: [] as string[],
      parseHTML: (element) => (element.dataset.tags ?? '').split(' ').filter(Boolean),
      renderHTML: ({ tags }) => {
        const all = tags as string[]
        return all.length === 0 ? {} : { 'data-tags': all.join(' '), 'data-when': all.map(tagWords).join(', ') }
      },
    },
  }),
})

/** Lines that this kit's guide leaves out stand paler. */
const leftOut = (kit: () => KitWords) =>
  Extension.create({
    name: 'leftOut',
    addProseMirrorPlugins: () => [
      new Plugin({
        props: {
          decorations: ({ doc }) => {
            const { variables, tags } = kit()
            const facts = { variables, tags: new Set(tags) }
            const pale: Decoration[] = []
            doc.forEach((line, offset) => {
              const text = toText({ content: [line.toJSON() as object] })
              if (text !== '' && fittingLines(text, facts).length === 0)
                pale.push(Decoration.node(offset, offset + line.nodeSize, { class: 'left-out' }))
            })
            return DecorationSet.create(doc, pale)
          },
        },
      }),
    ],
  })

export const linesExtensions = (kit: () => KitWords) => [Document, Line, Text, UndoRedo, kitWord(kit), leftOut(kit)]

/** What the line under the cursor hangs on. */
export const tagsHere = (editor: Editor): readonly string[] =>
  (editor.getAttributes('paragraph') as { tags?: readonly string[] }).tags ?? []
