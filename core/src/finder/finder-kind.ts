import type { Role } from '../contents/roles.ts'
import { usualKnobs, type FinderData, type FinderKind } from './finder-data.ts'

/** A part of a card, as far as it says what finder a kit has. */
export interface FinderPart {
  readonly name: string
  readonly role: Role
  readonly optics?: { readonly finderKind?: FinderKind | undefined } | undefined
  readonly finderKind?: FinderKind | undefined
}

const named: readonly (readonly [RegExp, FinderKind])[] = [
  [/\b(red[- ]?dot|rdf|reflex|leuchtpunkt|punto rojo|point rouge)/i, 'red-dot'],
  [/\bpeep|kimme|mire/i, 'peep'],
  [/\d\s*[x×]\s*\d{2}|optical|bracket|scope|sucher|viseur|chercheur|buscador [oó]ptico/i, 'two-screws'],
]

/** What finder a kit has: the part on its card says it, by its kind, else by its name, else by the coin cell beside it.
 * @returns null where the card has no finder, or none that tells */
export function finderKindOnCard(parts: readonly FinderPart[]): FinderKind | null {
  const finder = parts.find(({ role }) => role === 'finder')
  if (!finder) return null
  const said = finder.finderKind ?? finder.optics?.finderKind
  if (said) return said
  const [, byName] = named.find(([pattern]) => pattern.test(finder.name)) ?? []
  return byName ?? (parts.some(({ role }) => role === 'coin-cell') ? 'red-dot' : null)
}

/** The model's finder as this card has it. Where the card holds another kind than was described, its knobs are those
 * that such a finder usually has, until somebody measures them. */
export function finderOnCard(described: FinderData, parts: readonly FinderPart[]): FinderData {
  const kind = finderKindOnCard(parts)
  if (kind === null || kind === described.kind) return described
  const view =
    kind === 'red-dot' || kind === 'peep'
      ? 'correct'
      : described.kind === 'red-dot' || described.kind === 'peep'
        ? 'turned'
        : described.view
  return { ...described, kind, view, knobs: usualKnobs(kind), arcminPerMark: null }
}
