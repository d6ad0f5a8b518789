import { readdirSync, readFileSync } from 'node:fs'
import { guideLanguages, translator } from '@binoculum/core'

/** Every sentence that the page's own files say, read from their source: also those that no test opens. */
const folder = new URL('./', import.meta.url)
const sources = [
  ...readdirSync(folder)
    .filter((name) => name.endsWith('.vue') || (name.endsWith('.ts') && !name.endsWith('.test.ts')))
    .map((name) => new URL(name, folder)),
  new URL('./HelpSheetView.vue', import.meta.url),
].map((url) => readFileSync(url, 'utf8'))

const said = [
  ...new Set(
    sources.flatMap((source) =>
      [...source.matchAll(/\bsay\(([^()]*)/g)].flatMap(([, given = '']) => {
        const beforeVariables = given.split(/,\s*\{/)[0] ?? ''
        return [...beforeVariables.matchAll(/'([^']+)'/g)].map(([, sentence = '']) => sentence)
      }),
    ),
  ),
].filter((sentence) => !['away', 'sent', 'east', 'paper', 'ember'].includes(sentence))

it('finds the page’s sentences', () => {
  expect(said).toEqual(
    expect.arrayContaining(['I understand', 'Never before {time}:', 'put away, step {at} of {all}']),
  )
  expect(said.length).toBeGreaterThan(70)
})

it.each(guideLanguages.filter(({ code }) => code !== 'en').map(({ code, name }) => [name, code] as const))(
  'says all of them in %s',
  (_name, code) => {
    const t = translator(code)
    for (const sentence of said) t.say(sentence)
    expect(t.missing).toEqual([])
  },
)
