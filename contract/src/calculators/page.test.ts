import { readFileSync } from 'node:fs'
import { calculatorsPage } from './page.ts'

it('docs/calculators.md says what the register says; npm run docs makes it anew', () => {
  const page = readFileSync(new URL('../../../docs/calculators.md', import.meta.url), 'utf8')
  expect(page).toBe(calculatorsPage())
})
