import { english } from './english.ts'
import { french } from './french.ts'
import { german } from './german.ts'
import type { ListWords } from './language.ts'
import { spanish } from './spanish.ts'

/** Adding a language is adding its file here. */
export const listLanguages: readonly ListWords[] = [english, german, spanish, french]

/** Lower case, accents taken off, ß as ss: “Größe” and “GROESSE” differ by one letter then, not by four. */
export const plainWords = (text: string): string =>
  text.toLowerCase().replaceAll('ß', 'ss').normalize('NFD').replaceAll(/\p{M}/gu, '').replaceAll(/\s+/g, ' ').trim()
