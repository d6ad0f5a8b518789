import { createI18n } from 'vue-i18n'

type Shown = string | number | null | undefined
/** Blanks of a sentence, `{name}`; what stands in quotes, `{'@'}`, is a sign. One of `one | more` is chosen by `n`. */
type Blanks<Sentence extends string> =
  | (Sentence extends `${string}{${infer Blank}}${infer Rest}`
      ? (Blank extends `'${string}` ? never : Blank) | Blanks<Rest>
      : never)
  | (Sentence extends `${string} | ${string}` ? 'n' : never)
type Given<Blank extends string> = [Blank] extends [never]
  ? []
  : [{ readonly [Each in Blank]: Each extends 'n' ? number : Shown }]

type Sentences = Readonly<Record<string, string>>
type Room = Readonly<Record<string, Sentences>>
/** The same sections and keys in another language, with what isn't translated left out. */
export type Translation<English extends Room> = {
  readonly [Section in keyof English]?: { readonly [Key in keyof English[Section]]?: string }
}
export type Say<S extends Sentences> = <Key extends keyof S & string>(
  key: Key,
  ...given: Given<Blanks<S[Key]>>
) => string

const i18n = createI18n({
  legacy: false,
  locale: 'en',
  fallbackLocale: 'en',
  fallbackWarn: false,
  missingWarn: false,
  messages: { en: {} },
})

/** Rooms speak the page's language, `<html lang>`, from when they are opened; what it lacks is said in English. */
export function speak(language: string): void {
  i18n.global.locale.value = language as 'en'
}
speak(globalThis.document?.documentElement.lang || 'en')

/** The words of a room, from its one file; each of its pages and parts takes its own section.
 * @param room its name among the areas
 * @param languages English, and what it was put into */
export function wordsOf<const English extends Room>(
  room: string,
  languages: { readonly en: English } & Readonly<Record<string, Translation<English>>>,
) {
  for (const [language, words] of Object.entries(languages))
    i18n.global.mergeLocaleMessage(language, { [room]: words })
  return <Section extends keyof English & string>(section: Section): Say<English[Section]> =>
    (key, ...[given = {}]) => {
      const blanks = given as Readonly<Record<string, Shown>>
      const path = `${room}.${section}.${key}`
      return typeof blanks.n === 'number' ? i18n.global.t(path, blanks, blanks.n) : i18n.global.t(path, blanks)
    }
}
