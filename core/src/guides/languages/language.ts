/** A language of the guides: one file each, its texts keyed by the English sentence they stand for. */
export interface Language {
  readonly code: string
  /** As its speakers write it. */
  readonly name: string
  readonly texts: Readonly<Record<string, string>>
}
