import type { ListField } from '../contents-list.ts'
import type { Criticality, Role } from '../roles.ts'
import { english } from './english.ts'
import { french } from './french.ts'
import { german } from './german.ts'
import { spanish } from './spanish.ts'

/** Words that clubs write in their lists, one file a language. Common practice, no source. */
export interface ListWords {
  readonly language: string
  readonly headings: Readonly<Partial<Record<ListField, readonly string[]>>>
  /** Words that give a part's role away, the narrower before the wider; matched in lower case without accents. */
  readonly roles: readonly (readonly [RegExp, Role])[]
  readonly criticality: Readonly<Record<string, Criticality>>
  /** Small things that hold others: they are never the thing they hold. */
  readonly hardware: RegExp
}

/** Adding a language is adding its file here. */
export const listLanguages: readonly ListWords[] = [english, german, spanish, french]

/** Lower case, accents taken off, ß as ss: “Größe” and “GROESSE” differ by one letter then, not by four. */
export const plainWords = (text: string): string =>
  text.toLowerCase().replaceAll('ß', 'ss').normalize('NFD').replaceAll(/\p{M}/gu, '').replaceAll(/\s+/g, ' ').trim()
