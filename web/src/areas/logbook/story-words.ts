import type { KitStory, ModelTrend, MonthTrend, SpreadView } from '@binoculum/contract'
import {
  keptBesideWords,
  kindWords,
  readingFigureText,
  type BesideKind,
  type LookRule,
  type ReadingKind,
  type YearUnderRule,
} from '@binoculum/core'

/** Sentences that say what a chart or a forecast shows: figures first, and never more than was seen. */

export const percent = (share: number): string => `${Math.round(100 * share)} %`

/** “about three times in ten”. */
function timesInTen(chance: number): string {
  const words = [
    'hardly ever',
    'about once',
    'about twice',
    'about three times',
    'about four times',
    'about five times',
  ]
  const more = ['about six times', 'about seven times', 'about eight times', 'about nine times', 'nearly always']
  const tenths = Math.round(chance * 10)
  const said = [...words, ...more][tenths] ?? ''
  return tenths === 0 || tenths === 10 ? said : `${said} in ten`
}

export function forecastTitle(forecast: NonNullable<KitStory['forecast']>): string {
  const { chanceBeyondLimit, chanceNow, dueChance, loansSince, loansUntilDue } = forecast
  if (loansSince === 0 && chanceNow === 1) return 'It was left beyond its limit: line up the primary first.'
  if (chanceBeyondLimit === null) return 'Too few looks to say how it holds.'
  if (chanceNow !== null && chanceNow >= dueChance)
    return `Look at the mirror before its next loan: by now it is beyond the limit ${timesInTen(chanceNow)}.`
  const back = `it comes back beyond the limit ${timesInTen(chanceBeyondLimit)}`
  if (loansUntilDue === null) return `No look is needed for a long while: ${back}.`
  return loansUntilDue === 1
    ? `A look is due after its next loan: ${back}.`
    : `A look is due after ${loansUntilDue} more loans: ${back}.`
}

const pairsText = (count: number) => (count === 1 ? 'one pair' : `${count} pairs`)

export function forecastBasis({ basis, sigmaPerLoanMm, loansSince }: NonNullable<KitStory['forecast']>): string {
  const of = {
    none: 'nothing is known yet',
    own: `${pairsText(basis.pairs)} as left, as found`,
    model: 'from other kits of its model',
    both: `${pairsText(basis.pairs)} as left, as found, and other kits of its model`,
  }[basis.kind]
  return [
    of,
    ...(sigmaPerLoanMm === null ? [] : [`${sigmaPerLoanMm.toFixed(2)} mm a loan in each direction`]),
    ...(basis.lengthsOnly > 0 ? [`of ${basis.lengthsOnly} only the length is known`] : []),
    ...(loansSince > 0 ? [`${loansSince} ${loansSince === 1 ? 'loan' : 'loans'} since the last look`] : []),
  ].join(' · ')
}

type Seen = KitStory['readings'][number]

/** What a line of figures is of. */
export const seenWords = (kind: Seen['kind']): string =>
  kind in keptBesideWords ? keptBesideWords[kind as BesideKind] : kindWords[kind as ReadingKind]

const unitsOf: Readonly<
  Record<Seen['unit'], { readonly unit: string; readonly of: string; readonly digits: number }>
> = {
  mm: { unit: 'mm', of: 'mm', digits: 1 },
  arcmin: { unit: '′', of: 'arcminutes', digits: 0 },
  deg: { unit: '°', of: 'degrees', digits: 1 },
  s: { unit: 's', of: 'seconds after a tap', digits: 1 },
  V: { unit: 'V', of: 'volts', digits: 1 },
  h: { unit: 'h', of: 'hours', digits: 0 },
  judged: { unit: '', of: '', digits: 0 },
}
const ofKind: Partial<Record<Seen['kind'], string>> = {
  collimation: 'mm at the focal plane',
  balance: 'mm along the shaft',
  'ring-place': 'mm on its tape',
  place: 'degrees beside the latitude',
  alignment: 'degrees beside what it went to',
  polar: 'arcminutes beside the pole',
}
/** What a line of figures is measured in, and how finely it is drawn. */
export const unitWords = (kind: Seen['kind'], unit: Seen['unit']) => ({
  ...unitsOf[unit],
  of: ofKind[kind] ?? unitsOf[unit].of,
})

/** Whether a figure is more, or for what there must be enough of, less than its limit allows. */
export const isBeyond = (value: number, { limit, limitIsLeast }: Pick<Seen, 'limit' | 'limitIsLeast'>): boolean =>
  limit !== null && (limitIsLeast ? value < limit : value > limit)

/** How often a figure was found beyond its limit, and where it was left last. Each is judged by the limit of its day. */
export function readingsSentence(readings: readonly Seen[]): string {
  const found = readings.filter((reading) => reading.asFound !== null)
  const last = readings.at(-1)
  if (!last) return ''
  const text = (value: number) => readingFigureText(last.unit, value)
  const limit = last.limit ?? 0
  if (last.limit === null) return `Last left at ${text(last.asLeft)}.`
  const bound = last.limitIsLeast ? `the ${text(limit)} it needs` : `its limit of ${text(limit)}`
  const within = last.limitIsLeast ? ['above', 'below'] : ['within', 'beyond']
  const left = `Last left at ${text(last.asLeft)}, ${within[Number(isBeyond(last.asLeft, last))]} ${bound}.`
  if (found.length === 0) return left
  const beyond = found.filter((reading) => isBeyond(reading.asFound ?? 0, reading)).length
  const looks = found.length === 1 ? 'the one look' : `${found.length} looks`
  const off = last.limitIsLeast ? 'below what it needs' : 'beyond its limit'
  const share = found.length === 1 ? looks : `${beyond} of ${looks}`
  const often = beyond === 0 ? `Never found ${off} in ${looks}.` : `Found ${off} in ${share}.`
  return `${often} ${left}`
}

export const beyondText = ({ beyond, n }: SpreadView): string =>
  beyond
    ? `${percent(beyond.share)} (${Math.round(100 * beyond.low)}–${percent(beyond.high)})`
    : `${n}, too few to say`

/** What the table of models shows: the one that comes back beyond its limit most surely. */
export function modelsSentence(models: readonly ModelTrend[]): string {
  const judged = models.filter(({ mirrorMm }) => mirrorMm.beyond !== null)
  if (judged.length === 0) return 'Too few looks at mirrors to compare models yet.'
  const lowOf = ({ mirrorMm }: ModelTrend) => mirrorMm.beyond?.low ?? 0
  const worst = [...judged].sort((a, b) => lowOf(b) - lowOf(a))[0]
  if (!worst?.mirrorMm.beyond) return ''
  const { share, low, high } = worst.mirrorMm.beyond
  const name = worst.modelName.charAt(0).toUpperCase() + worst.modelName.slice(1)
  return `${name} comes back beyond its limit most often: ${percent(share)} of ${worst.mirrorMm.n} looks, between ${percent(low)} and ${percent(high)}.`
}

/** Whether more is lent in darker months: the rank correlation of the two [Spearman 1904]. */
export function monthsSentence(months: readonly MonthTrend[], hours: readonly number[] | null): string {
  const total = months.reduce((sum, { loans }) => sum + loans, 0)
  const late = months.reduce((sum, month) => sum + month.late, 0)
  const first = `${total} loans in ${months.length} months, ${total === 0 ? 'none' : percent(late / total)} of them late.`
  // The month that isn’t over yet would weigh as much as a whole one.
  const whole = months.slice(0, -1).map(({ loans }) => loans)
  if (!hours || whole.length < 6) return first
  const r = correlation(ranks(whole), ranks(hours.slice(0, -1)))
  const strong = 0.5
  if (r > strong) return `${first} More is lent in months with more dark hours.`
  if (r < -strong) return `${first} Less is lent in months with more dark hours.`
  return `${first} Dark hours and loans don’t go together.`
}

function ranks(values: readonly number[]): number[] {
  const sorted = [...values].sort((a, b) => a - b)
  return values.map((value) => (sorted.indexOf(value) + sorted.lastIndexOf(value)) / 2)
}

function correlation(a: readonly number[], b: readonly number[]): number {
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
  const [meanA, meanB] = [mean(a), mean(b)]
  const sum = (of: (index: number) => number) => a.reduce((total, _value, index) => total + of(index), 0)
  const da = (index: number) => (a[index] ?? 0) - meanA
  const db = (index: number) => (b[index] ?? 0) - meanB
  const spread = Math.sqrt(sum((index) => da(index) ** 2) * sum((index) => db(index) ** 2))
  return spread === 0 ? 0 : sum((index) => da(index) * db(index)) / spread
}

/** What looking by what is likely saves against a look after every loan, and what it costs. */
export function whatIfSentence(rules: readonly YearUnderRule[]): string {
  const of = (rule: LookRule) => rules.find((each) => each.rule === rule)
  const [every, third, forecast] = [of('every-loan'), of('every-third'), of('by-forecast')]
  if (!every || !third || !forecast) return ''
  const saved = every.benchHours - forecast.benchHours
  return `Looking when a look is due takes ${forecast.benchHours.toFixed(1)} hours a year instead of ${every.benchHours.toFixed(1)}, and spoils ${forecast.spoiltPerHundred.toFixed(1)} first nights in 100 loans${
    saved > 0 ? '' : ', which saves nothing here'
  }; after every third loan it would be ${third.benchHours.toFixed(1)} hours and ${third.spoiltPerHundred.toFixed(1)}.`
}
