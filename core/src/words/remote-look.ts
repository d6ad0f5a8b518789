import type { JudgedLook, LookMeaning } from '../guides/remote-look.ts'
import { arcminText, mmText } from './figures.ts'

const lookedAt = {
  peephole: 'Through the peephole',
  star: 'A star out of focus',
  finder: 'The finder, at something far away',
  case: 'The open case',
} as const

const meaningWords: Readonly<Record<LookMeaning, string>> = {
  good: 'good',
  usable: 'usable',
  off: 'beyond the limit',
  unsure: 'can’t tell',
  unreadable: 'not to be read',
}

/** What a borrower's look from afar came to, for whoever takes the kit to the bench. */
export function remoteLookWords(given: {
  readonly look: keyof typeof lookedAt
  readonly meaning: LookMeaning
  readonly figure: JudgedLook['figure']
}): string {
  const { look, meaning, figure } = given
  if (look === 'case')
    return `${lookedAt.case}: ${meaning === 'off' ? 'some places look different' : meaning === 'good' ? 'looks complete' : 'can’t tell everywhere'}`
  if (!figure) return `${lookedAt[look]}: ${meaningWords[meaning]}`
  const text = figure.unit === 'mm' ? mmText : arcminText
  const { value, uncertainty, limit } = figure
  return `${lookedAt[look]}: ${text(value)} off ± ${text(uncertainty)}, limit ${text(limit)}: ${meaningWords[meaning]}`
}
