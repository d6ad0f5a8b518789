import { english, type Language } from './languages/language.ts'

/** A sentence in the language asked for, or its English where nobody translated it yet: said visibly as English. */
export type Said = string | { readonly en: string }

/** A key without the sense that tells it from another of the same English. */
const englishOf = (key: string): string => key.replace(/\|[a-z-]+$/, '')

export type Variables = Readonly<Record<string, string | number>>

/** Says English sentences in a language. `{name}` in a sentence stands for a variable. */
export interface Translator {
  readonly language: string
  say(english: string, variables?: Variables): Said
  /** Whether a sentence is said in the language itself. */
  knows(english: string): boolean
  /** For places that can't mark English, such as a label: the plain text. */
  text(english: string, variables?: Variables): string
  /** A figure as the language writes it: 2,5 kg. */
  figure(text: string): string
  /** English sentences that this language lacks, in the order they were asked for. */
  readonly missing: readonly string[]
}

const filled = (sentence: string, variables: Variables, figure: (text: string) => string): string =>
  sentence.replace(/\{([\w -]+)\}/g, (whole, name: string) => {
    const value = variables[name]
    return value === undefined ? whole : figure(String(value))
  })

/** A point between two digits; clock times and dates have none. */
const withComma = (text: string): string => text.replace(/(\d)\.(?=\d)/g, '$1,')

/** @param own translations that the programme's coordinators typed; they come before the language's file */
export function translatorInto(language: Language, own: Readonly<Record<string, string>> = {}): Translator {
  const isEnglish = language.code === english.code
  const missing = new Set<string>()
  const figure = (text: string) => (language.decimalComma ? withComma(text) : text)
  const say = (key: string, variables: Variables = {}): Said => {
    const sentence = englishOf(key)
    if (isEnglish) return filled(sentence, variables, figure)
    const known = own[key] ?? own[sentence] ?? language.texts[key]
    if (known !== undefined) return filled(known, variables, figure)
    // What holds no words, such as a figure with its unit, is the same everywhere.
    if (!/\p{L}{3}/u.test(sentence.replace(/\{[\w -]+\}/g, ''))) return filled(figure(sentence), variables, figure)
    missing.add(sentence)
    return { en: filled(sentence, variables, (text) => text) }
  }
  return {
    language: language.code,
    say,
    figure,
    knows: (key) => isEnglish || own[key] !== undefined || language.texts[key] !== undefined,
    text: (sentence, variables) => plain(say(sentence, variables)),
    get missing() {
      return [...missing]
    },
  }
}

export const plain = (said: Said): string => (typeof said === 'string' ? said : said.en)
export const isEnglish = (said: Said): boolean => typeof said !== 'string'

/** “Fri 12 Mar”, “vie 12 mar”: a date in a language. @param iso a date, or an instant whose date counts */
export function guideDate(iso: string, language: string): string {
  const day = new Date(`${iso.slice(0, 10)}T00:00:00Z`)
  if (Number.isNaN(day.getTime())) throw new RangeError(`iso must begin with a date yyyy-mm-dd; got ${iso}`)
  const part = (options: Intl.DateTimeFormatOptions) =>
    new Intl.DateTimeFormat(language === 'en' ? 'en-GB' : language, { ...options, timeZone: 'UTC' })
      .format(day)
      .replace(/[.,]/g, '')
  return `${part({ weekday: 'short' })} ${day.getUTCDate()} ${part({ month: 'short' }).replace('Sept', 'Sep')}`
}

/** “21:35” in the place's zone. */
export const guideTime = (utc: string, zone: string): string =>
  new Intl.DateTimeFormat('en-GB', { timeZone: zone, hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }).format(
    new Date(utc),
  )
