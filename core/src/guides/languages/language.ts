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
