import { readdirSync, readFileSync } from 'node:fs'
import { pageLanguages, pageTranslator } from '@binoculum/core'
import { aimWords, directions, lookTitles } from './looks/look-words.ts'

/** Every sentence that the page's own files say, read from their source: also those that no test opens. */
const folders = [
  new URL('./', import.meta.url),
  new URL('./looks/', import.meta.url),
  new URL('./lesson/', import.meta.url),
]
const sources = folders
  .flatMap((folder) =>
    readdirSync(folder)
      .filter((name) => name.endsWith('.vue') || (name.endsWith('.ts') && !name.endsWith('.test.ts')))
      .map((name) => new URL(name, folder)),
  )
  .map((url) => readFileSync(url, 'utf8'))

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

/** Those that forms choose from. */
const chosen = [...Object.values(lookTitles), ...directions, ...Object.values(aimWords)]

it('finds the page’s sentences', () => {
  expect(said).toEqual(
    expect.arrayContaining(['I understand', 'Never before {time}:', 'put away, step {at} of {all}']),
  )
  expect(said.length).toBeGreaterThan(70)
})

it.each(pageLanguages.filter(({ code }) => code !== 'en').map(({ code, name }) => [name, code] as const))(
  'says all of them in %s',
  (_name, code) => {
    const t = pageTranslator(code)
    for (const sentence of [...said, ...chosen]) t.say(sentence)
    expect(t.missing).toEqual([])
  },
)
