import type { GuideInput, GuideText } from './guide.ts'
import { kitInHand, putAwaySteps } from './set-up-steps.ts'
import type { LiesSo, PackingPicture } from './packing-picture.ts'
import { plain, type Translator } from './said.ts'
import { translator } from './languages/guide-languages.ts'

/** What a picture of a kit's packing may be of. */
export interface PackingSlot {
  readonly key: string
  readonly kind: 'place' | 'step'
  readonly title: string
}

/** Parts that name no place lie in the case. */
export const placeOf = ({ place }: { readonly place: string }): string => place || 'case'
const placeKey = (place: string) => `place ${place}`
const stepKey = (step: string) => `step ${step}`

/** What a key that belongs to no place or step any more was called. */
export const packingTitle = (key: string): string => key.slice(key.indexOf(' ') + 1)

/** Places of the case in the order of its card, then the steps of putting away. */
export function packingSlots(input: GuideInput): readonly PackingSlot[] {
  const places = [...new Set(input.parts.map(placeOf))]
  const steps = putAwaySteps(kitInHand(input), translator('en'))
  // A kit's own steps may name one twice: its first picture is meant.
  const seen = new Set<string>()
  return [
    ...places.map((place): PackingSlot => ({ key: placeKey(place), kind: 'place', title: place })),
    ...steps.flatMap(({ key, title }): PackingSlot[] => {
      if (seen.has(key)) return []
      seen.add(key)
      return [{ key: stepKey(key), kind: 'step', title: plain(title) }]
    }),
  ]
}

/** Pictures that a guide shows. */
export const picturesInGuide = (guide: {
  readonly texts: Readonly<Record<string, Pick<GuideText, 'contents' | 'putAway'>>>
}): readonly string[] => [
  ...new Set(
    Object.values(guide.texts).flatMap(({ contents, putAway }) =>
      [...contents, ...putAway].flatMap(({ lies }) => (lies ? [lies.pictureId] : [])),
    ),
  ),
]

/** Finds a guide's picture of a place or of a step; null where nobody took one. */
export function liesSo(pictures: readonly PackingPicture[] = [], t: Translator) {
  const find = (key: string): LiesSo | null => {
    const picture = pictures.find((each) => each.key === key)
    return picture ? { pictureId: picture.pictureId, words: picture.words === '' ? '' : t.say(picture.words) } : null
  }
  return { inPlace: (place: string) => find(placeKey(place)), atStep: (step: string) => find(stepKey(step)) }
}
