import type { ModelPart, ModelSheet, WeighGroup, WriteModel } from '@binoculum/contract'
import { lookAlikeRoles, roleFacts, roles, smallestLossSeenG, type Role } from '@binoculum/core'
import { setupWords } from '../words.ts'

const t = setupWords('modelDraft')

export type DraftPart = Omit<ModelPart, 'id' | 'position'> & { readonly id: string | null; readonly key: string }

/** A model's card while it is worked on. */
export interface ModelDraft {
  name: string
  parts: DraftPart[]
  weighGroups: WeighGroup[]
}

export const draftOf = ({ name, parts, weighGroups }: ModelSheet): ModelDraft => ({
  name,
  weighGroups: weighGroups.map((group) => ({ ...group })),
  parts: parts.map(({ position: _position, ...part }) => ({ ...part, key: part.id })),
})

export const written = (draft: ModelDraft): Omit<WriteModel, 'version'> => ({
  name: draft.name,
  weighGroups: draft.weighGroups,
  parts: draft.parts.map(({ key: _key, ...part }) => part),
})

/** A new part begins with what its role says. */
export function newPart(role: Role, place: string, key: string): DraftPart {
  const { words, criticality, lookEveryTime = false } = roleFacts(role)
  return {
    id: null,
    key,
    name: words[0]?.toUpperCase() + words.slice(1),
    role,
    criticality,
    count: 1,
    massG: null,
    toleranceG: null,
    weighGroup: '',
    together: '',
    place,
    lookEveryTime,
    lookFor: '',
    costMinor: null,
    consumable: null,
    optics: {},
    pictureId: null,
  }
}

export interface PlaceOfModel {
  readonly place: string
  readonly parts: readonly (DraftPart & { readonly number: number })[]
}

/** Places in the order of their first part, each with its parts and their numbers on the card. */
export function placesOf(parts: readonly DraftPart[]): readonly PlaceOfModel[] {
  const places = [...new Set(parts.map(({ place }) => place))]
  return places.map((place) => ({
    place,
    parts: parts.flatMap((part, index) => (part.place === place ? [{ ...part, number: index + 1 }] : [])),
  }))
}

/** Moves a part before the one at `to` of another or the same place, and takes on that place. */
export function movePart(
  parts: readonly DraftPart[],
  key: string,
  to: { readonly place: string; readonly index: number },
): DraftPart[] {
  const moved = parts.find((part) => part.key === key)
  if (!moved) return [...parts]
  const rest = parts.filter((part) => part !== moved)
  const places = [...new Set([...parts.map(({ place }) => place), to.place])]
  return places.flatMap((place) => {
    const own = rest.filter((part) => part.place === place)
    if (place !== to.place) return own
    return [...own.slice(0, to.index), { ...moved, place }, ...own.slice(to.index)]
  })
}

/** One step up or down the card, over the border of its place where it stands at its end. */
export function stepPart(parts: readonly DraftPart[], key: string, step: -1 | 1): DraftPart[] {
  const places = placesOf(parts)
  const at = places.findIndex((place) => place.parts.some((part) => part.key === key))
  const here = places[at]
  if (!here) return [...parts]
  const index = here.parts.findIndex((part) => part.key === key) + step
  if (index >= 0 && index < here.parts.length) return movePart(parts, key, { place: here.place, index })
  const next = places[at + step]
  if (!next) return [...parts]
  return movePart(parts, key, { place: next.place, index: step > 0 ? 0 : next.parts.length })
}

/** What a part is most easily taken for: the sun filter first, for what it can do; empty where nothing looks like it. */
export function lookAlikeWords({ role }: { readonly role: Role }): string {
  const likes = lookAlikeRoles(role)
  if (role !== 'screw-in-sun-filter' && likes.includes('screw-in-sun-filter')) return t('sunFilter')
  if (likes.includes('eyepiece')) return t('otherEyepiece')
  const other = likes.find((each) => each !== role)
  if (other) return roles[other].words
  return likes.length > 0 ? t('anotherWords', { words: roles[role].words }) : ''
}

export interface GroupSight {
  readonly name: string
  readonly scaleStepG: number
  readonly smallestG: number
  /** The lightest part that must not be lost unseen, or the lightest of all. */
  readonly matters: { readonly name: string; readonly massG: number } | null
  readonly once: number
}

const mattersMost = ['essential', 'safety', 'consumable']

/** What weighing each group can see, from declared masses and once it was weighed complete, against the part that matters. */
export function whatWeighingSees(draft: ModelDraft): readonly GroupSight[] {
  return draft.weighGroups.flatMap(({ name, scaleStepG }): GroupSight[] => {
    const parts = draft.parts.filter(({ weighGroup, massG }) => weighGroup === name && massG !== null)
    if (parts.length === 0) return []
    const byMass = [...parts].sort((a, b) => (a.massG ?? 0) - (b.massG ?? 0))
    const essential = byMass.find(({ criticality }) => mattersMost.includes(criticality)) ?? byMass[0]
    return [
      {
        name,
        scaleStepG,
        smallestG: smallestLossSeenG(parts, { stepG: scaleStepG, weighedBefore: false }),
        once: smallestLossSeenG(parts, { stepG: scaleStepG, weighedBefore: true }),
        matters: essential ? { name: essential.name, massG: essential.massG ?? 0 } : null,
      },
    ]
  })
}

export const roleChoices = (Object.keys(roles) as Role[]).map((role) => ({ role, words: roles[role].words }))
