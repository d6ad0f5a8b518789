/** A language of the guides: one file each, its texts keyed by the English sentence they stand for. */
export interface Language {
  readonly code: string
  /** As its speakers write it. */
  readonly name: string
  /** 2,5 instead of 2.5. */
  readonly decimalComma: boolean
  /** Keyed by the English sentence; where one English word has two senses, by the word and its sense: `power|supply`. */
  readonly texts: Readonly<Record<string, string>>
}

/** What every sentence is written in: it needs no texts. */
export const english: Language = { code: 'en', name: 'English', decimalComma: false, texts: {} }

/** A language by its code; English where nobody wrote it yet. */
export const languageOf = (languages: readonly Language[], code: string): Language =>
  languages.find((each) => each.code === code) ?? english
