import {
  caseMarksSchema,
  comparedPlaceSchema,
  type CasePlace,
  type ComparedPlace,
  type Part,
} from '@binoculum/contract'
import { z } from 'zod'

/** A picture of the open case that was taken while it came back, as all desks share it. */
export const caseLookSchema = z.object({
  pictureId: z.uuid(),
  marks: caseMarksSchema,
  compared: z.array(comparedPlaceSchema),
})
export type CaseLook = z.infer<typeof caseLookSchema>

const verdictAt = (compared: readonly ComparedPlace[], placeId: string) =>
  compared.find(({ id }) => id === placeId)?.verdict

/** Parts whose place looks as it should, and that nobody has to look at by themselves each time. */
export function sameParts(
  { compared }: Pick<CaseLook, 'compared'>,
  places: readonly CasePlace[],
  parts: readonly Part[],
): Part[] {
  const same = new Set(
    places.flatMap(({ id, partId }) => (partId !== null && verdictAt(compared, id) === 'same' ? [partId] : [])),
  )
  // More pieces in a place than one can lie under each other: only a count tells.
  return parts.filter((part) => same.has(part.id) && !part.lookEveryTime && part.count === 1)
}

/** What the picture says of the card's lines. */
export interface CaseTold {
  /** Chance that each is not as it should be, for the scale to reckon with. */
  readonly chances: Readonly<Record<string, number>>
  /** Lines to look at first. */
  readonly differs: ReadonlySet<string>
}

export const toldBy = (look: Pick<CaseLook, 'compared'>, places: readonly CasePlace[]): CaseTold => ({
  chances: chancesOf(look, places),
  differs: new Set(
    places.flatMap(({ id, partId }) =>
      partId !== null && verdictAt(look.compared, id) === 'different' ? [partId] : [],
    ),
  ),
})

const chancesOf = (
  { compared }: Pick<CaseLook, 'compared'>,
  places: readonly CasePlace[],
): Readonly<Record<string, number>> =>
  Object.fromEntries(
    places.flatMap(({ id, partId }) => {
      const seen = compared.find((each) => each.id === id)
      return partId !== null && seen && seen.verdict !== 'can’t-tell' ? [[partId, seen.chanceDifferent]] : []
    }),
  )

/** Places that looked different and were found in order all the same: they look like that as well. */
export const taughtPlaces = (
  { compared }: Pick<CaseLook, 'compared'>,
  places: readonly CasePlace[],
  isPresent: (partId: string) => boolean,
): string[] =>
  places.flatMap(({ id, partId }) =>
    partId !== null && verdictAt(compared, id) === 'different' && isPresent(partId) ? [id] : [],
  )
