import { readFileSync } from 'node:fs'
import { guideSentencesPage } from './sentences-page.ts'

it('docs/guide-sentences.md says what the guides say; npm run docs makes it anew', () => {
  const page = readFileSync(new URL('../../../docs/guide-sentences.md', import.meta.url), 'utf8')
  expect(page).toBe(guideSentencesPage())
})
