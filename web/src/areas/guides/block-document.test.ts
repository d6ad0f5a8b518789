import { blocks } from '@binoculum/core'
import { toDocument, toText } from './block-document.ts'

test('a line becomes a paragraph with what it hangs on, and the kit’s words stand apart', () => {
  expect(toDocument('[barlow] [!seated] The {barlow} comes last.')).toEqual({
    type: 'doc',
    content: [
      {
        type: 'paragraph',
        attrs: { tags: ['barlow', '!seated'] },
        content: [
          { type: 'text', text: 'The ' },
          { type: 'kitWord', attrs: { name: 'barlow' } },
          { type: 'text', text: ' comes last.' },
        ],
      },
    ],
  })
})

test.each(blocks.map(({ key, text, stays }) => [key, `${stays}\n${text}`]))(
  '%s comes back from the editor as it went in',
  (_key, text) => {
    expect(toText(toDocument(text))).toBe(text)
  },
)

test.each([
  ['', ''],
  ['one\n\nthree', 'one\n\nthree'],
  ['braces { that } are {}', 'braces { that } are {}'],
  ['{kit}', '{kit}'],
  ['[child]', '[child]'],
  ['a [child] inside', 'a [child] inside'],
])('%j stays %j', (text, back) => {
  expect(toText(toDocument(text))).toBe(back)
})
