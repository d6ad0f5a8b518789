import type { CaseRefusal, CaseWarning, ComparedCompartment } from '../contents/open-case/compare-case.ts'
import type { WeightVerdict } from '../contents/weigh-in.ts'
import type { Explanation } from '../contents/weighing.ts'
import { massText } from './figures.ts'
import { explanationClause } from './weigh-in.ts'

/** What a picture of the open case can’t be used for, and what to do. */
export const caseRefusalWords: Readonly<Record<CaseRefusal, string>> = {
  'no-marks':
    'Fewer than three of the case’s four marks can be read. Take the whole case from above, all corners in the picture, nothing on them.',
  'other-case': 'These are another kit’s marks. Is it the right case?',
  mirrored: 'This picture is mirrored. Take it with the camera at the phone’s back.',
  slanted:
    'This picture is taken too much from the side. Hold the phone level, straight above the middle of the case.',
  'too-small': 'The case is too small in this picture. Go nearer, until it fills the picture.',
  'too-dark': 'This picture is too dark. Put a lamp on, or go to the window.',
  'kept-before':
    'This is a picture that is kept of this case already, or a picture of it. Take one of the case itself, as it lies here.',
  'marks-off':
    'The marks don’t lie where they should. Is one glued elsewhere, or do the case’s width and height in Set-up not fit?',
}

export const caseWarningWords: Readonly<Record<CaseWarning, string>> = {
  'mark-missing': 'One mark can’t be seen; the other three do.',
  glare: 'A lamp is mirrored in it: tilt the case or move the lamp to see the rest.',
  covered: 'Something lies over part of it. Take it away for the rest.',
}

/** What the scale says beside the picture. */
export interface Weighed {
  readonly verdict: WeightVerdict
  readonly differenceG: number
  readonly nameOf: (partId: string) => string
}

const joined = (names: readonly string[]) =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`

/** Picture and weight in one sentence: where it differs, how much is missing, and what both come to.
 * @param nameOf a compartment's part, as it is called on the card */
export function caseSentence(given: {
  readonly compared: readonly ComparedCompartment[]
  readonly nameOf: (id: string) => string
  /** The card's line that lies in a compartment. */
  readonly partOf: (id: string) => string | null
  readonly weight: Weighed | null
}): string {
  const { compared, nameOf, partOf, weight } = given
  const of = (verdict: ComparedCompartment['verdict']) => compared.filter((each) => each.verdict === verdict)
  const different = of('different').map(({ id }) => nameOf(id))
  const unsure = of('can’t-tell').length
  const seen =
    different.length === 0
      ? `Nothing looks different${unsure > 0 ? ' of what can be told' : ''}`
      : `It looks different at ${joined(different)}`
  const rest = unsure > 0 ? ` ${unsure} of ${compared.length} compartments can’t be told: look yourself.` : ''
  return `${seen}${
    weight
      ? weighed(
          weight,
          of('different').map(({ id }) => partOf(id)),
        )
      : ''
  }.${rest}`
}

function weighed({ verdict, differenceG, nameOf }: Weighed, different: readonly (string | null)[]): string {
  if (verdict.code === 'ALL_THERE') return ', and the weight fits'
  if (verdict.code === 'CANNOT_TELL') return '; the weight can’t tell'
  const amount = `${massText(Math.abs(differenceG))} ${differenceG < 0 ? 'are missing' : 'are too many'}`
  if (verdict.code === 'NOTHING_FITS') return `, and ${amount}`
  // Where the weight alone can't choose, what the picture shows as well is meant.
  const both = verdict.code === 'ONE_OF_SEVERAL' ? verdict.explanations.find((each) => agrees(each, different)) : null
  const explanation = verdict.code === 'LIKELY' ? verdict.explanation : both
  if (!explanation) return `, and ${amount}`
  const { missing, swapped, extra } = explanation
  if (missing.length + swapped.length + extra.length === 0) return ', and the weight fits'
  // That something is missing was just said.
  const onlyGone = swapped.length + extra.length === 0
  const what = onlyGone
    ? joined(missing.map(({ id, count }) => (count > 1 ? `${count} × ${nameOf(id)}` : nameOf(id))))
    : explanationClause(explanation, nameOf)
  return `, and ${amount}: ${what}`
}

const agrees = ({ missing, swapped, extra }: Explanation, different: readonly (string | null)[]) =>
  missing.length > 0 && swapped.length + extra.length === 0 && missing.every(({ id }) => different.includes(id))
