import type { Explanation } from '../contents/weighing.ts'
import type { WeightVerdict } from '../contents/weigh-in.ts'
import { massText } from './figures.ts'

/** What the names of parts and foreign things are. */
export type NameOf = (id: string) => string

const joined = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`

/** “both slow-motion rods”, “2 of the eyepiece caps” … as a clause: what is gone, exchanged, too many. */
export function explanationClause(
  explanation: Omit<Explanation, 'residualG' | 'probability'>,
  nameOf: NameOf,
): string {
  const { missing, swapped, extra } = explanation
  const gone = missing.map(({ id, count }) => (count > 1 ? `${count} × ${nameOf(id)}` : nameOf(id)))
  return joined([
    ...(gone.length > 0 ? [`${joined(gone)} missing`] : []),
    ...swapped.map(({ id, by }) => `${nameOf(by)} in place of ${nameOf(id)}`),
    ...extra.map((id) => `${nameOf(id)} in the case as well`),
  ])
}

/** Difference with its sign as printed: −126 g. */
export const differenceText = (differenceG: number): string => {
  const text = massText(Math.abs(differenceG))
  if (/^0(\.0+)? /.test(text)) return text
  return `${differenceG < 0 ? '−' : '+'}${text}`
}

/** Nothing that was only weighed is sure: “over 99 %”. */
export const percentText = (probability: number): string =>
  probability > 0.99 ? 'over 99 %' : `${Math.round(probability * 100)} %`

/** One sentence that says what the weight says, and what to do next. */
export function weightSentence(verdict: WeightVerdict, nameOf: NameOf): string {
  switch (verdict.code) {
    case 'ALL_THERE':
      return `The weight fits: nothing heavier than ${massText(verdict.smallestVisibleG)} is missing.`
    case 'LIKELY': {
      const { explanation } = verdict
      return `Most likely: ${explanationClause(explanation, nameOf)} (${percentText(explanation.probability)}). Look there first.`
    }
    case 'ONE_OF_SEVERAL': {
      const ways = verdict.explanations.map((each) =>
        each.missing.length + each.swapped.length + each.extra.length === 0
          ? `nothing missing (${percentText(each.probability)})`
          : `${explanationClause(each, nameOf)} (${percentText(each.probability)})`,
      )
      const look =
        verdict.lookAt.length > 0 ? `Look at ${joined(verdict.lookAt.map(nameOf))} to tell.` : 'Look for each.'
      return `One of these: ${ways.join('; ')}. ${look}`
    }
    case 'CANNOT_TELL':
      return `The weight can’t tell: a loss under ${massText(verdict.smallestVisibleG)} does not show. Look at each part.`
    case 'NOTHING_FITS': {
      const way = verdict.differenceG < 0 ? 'light' : 'heavy'
      return `${massText(Math.abs(verdict.differenceG))} too ${way}, and no likely set of parts explains it. Is all of it on the scale, and nothing else? Tare, then weigh again.`
    }
  }
}
