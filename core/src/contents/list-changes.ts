import type { ListedPart } from './listed.ts'

/** A part of a kit that is here already. */
export interface ExistingPart {
  readonly id: string
  readonly name: string
  readonly count: number
  readonly massG: number | null
  readonly place: string
  readonly criticality: string
  /** Weighed in the kit itself: a declared mass never replaces it. */
  readonly weighed: boolean
}

export type ListChange =
  | { readonly kind: 'new'; readonly listed: ListedPart }
  | {
      readonly kind: 'changed'
      readonly id: string
      readonly name: string
      readonly set: Readonly<Partial<ChangedFields>>
    }
  | { readonly kind: 'not-listed'; readonly id: string; readonly name: string }

interface ChangedFields {
  readonly count: number
  readonly massG: number
  readonly place: string
  readonly criticality: string
}

/** Masses in lists are rounded to the gram. */
const SAME_MASS_G = 0.5

/**
 * What bringing a list in again would change in a kit that is here. Parts go together by name, the first with the first;
 * empty cells change nothing, and nothing is ever taken away: what the list leaves out is only named.
 */
export function changesOf(existing: readonly ExistingPart[], listed: readonly ListedPart[]): readonly ListChange[] {
  const left = [...existing]
  const changes = listed.flatMap((part): ListChange[] => {
    const at = left.findIndex(({ name }) => plain(name) === plain(part.name))
    const own = at < 0 ? undefined : left.splice(at, 1)[0]
    if (!own) return [{ kind: 'new', listed: part }]
    const set: Partial<ChangedFields> = {
      ...(part.count === own.count ? {} : { count: part.count }),
      ...(isNewMass(own, part) ? { massG: part.massG ?? 0 } : {}),
      ...(part.place === '' || part.place === own.place ? {} : { place: part.place }),
      ...(part.criticalityGiven && part.criticality !== own.criticality ? { criticality: part.criticality } : {}),
    }
    return Object.keys(set).length === 0 ? [] : [{ kind: 'changed', id: own.id, name: own.name, set }]
  })
  return [...changes, ...left.map(({ id, name }) => ({ kind: 'not-listed', id, name }) as const)]
}

const plain = (name: string) => name.toLowerCase().replaceAll(/\s+/g, ' ').trim()

const isNewMass = (own: ExistingPart, part: ListedPart) =>
  part.massG !== null && !own.weighed && (own.massG === null || Math.abs(own.massG - part.massG) > SAME_MASS_G)
