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
import { logbookWords } from './words.ts'

const t = logbookWords('storyWords')

/** Sentences that say what a chart or a forecast shows: figures first, and never more than was seen. */

export const percent = (share: number): string => `${Math.round(100 * share)} %`

/** “about three times in ten”. */
function timesInTen(chance: number): string {
  const words = [
    t('hardlyEver'),
    t('aboutOnce'),
    t('aboutTwice'),
    t('aboutThreeTimes'),
    t('aboutFourTimes'),
    t('aboutFiveTimes'),
  ]
  const more = [
    t('aboutSixTimes'),
    t('aboutSevenTimes'),
    t('aboutEightTimes'),
    t('aboutNineTimes'),
    t('nearlyAlways'),
  ]
  const tenths = Math.round(chance * 10)
  const said = [...words, ...more][tenths] ?? ''
  return tenths === 0 || tenths === 10 ? said : t('inTen', { said })
}

export function forecastTitle(forecast: NonNullable<KitStory['forecast']>): string {
  const { chanceBeyondLimit, chanceNow, dueChance, loansSince, loansUntilDue } = forecast
  if (loansSince === 0 && chanceNow === 1) return t('itWasLeftBeyondIts')
  if (chanceBeyondLimit === null) return t('tooFewLooksToSay')
  if (chanceNow !== null && chanceNow >= dueChance)
    return t('lookAtTheMirrorBefore', { chanceNow: timesInTen(chanceNow) })
  const back = t('itComesBackBeyondThe', { chanceBeyondLimit: timesInTen(chanceBeyondLimit) })
  if (loansUntilDue === null) return t('noLookIsNeededFor', { back })
  return t('aLookIsDueAfter', { back, n: loansUntilDue })
}

const pairsText = (count: number) => t('nPairs', { n: count })

export function forecastBasis({ basis, sigmaPerLoanMm, loansSince }: NonNullable<KitStory['forecast']>): string {
  const of = {
    none: t('nothingIsKnownYet'),
    own: t('asLeftAsFound', { pairs: pairsText(basis.pairs) }),
    model: t('fromOtherKitsOfIts'),
    both: t('asLeftAsFoundAnd', { pairs: pairsText(basis.pairs) }),
  }[basis.kind]
  return [
    of,
    ...(sigmaPerLoanMm === null ? [] : [t('mmALoanInEach', { sigmaPerLoanMm: sigmaPerLoanMm.toFixed(2) })]),
    ...(basis.lengthsOnly > 0 ? [t('ofOnlyTheLengthIs', { lengthsOnly: basis.lengthsOnly })] : []),
    ...(loansSince > 0 ? [t('loansSinceTheLastLook', { n: loansSince })] : []),
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
  s: { unit: 's', of: t('secondsAfterATap'), digits: 1 },
  V: { unit: 'V', of: 'volts', digits: 1 },
  h: { unit: 'h', of: 'hours', digits: 0 },
  judged: { unit: '', of: '', digits: 0 },
}
const ofKind: Partial<Record<Seen['kind'], string>> = {
  collimation: t('mmAtTheFocalPlane'),
  balance: t('mmAlongTheShaft'),
  'ring-place': t('mmOnItsTape'),
  place: t('degreesBesideTheLatitude'),
  alignment: t('degreesBesideWhatItWent'),
  polar: t('arcminutesBesideThePole'),
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
  if (last.limit === null) return t('lastLeftAt', { asLeft: text(last.asLeft) })
  const bound = last.limitIsLeast ? t('theItNeeds', { limit: text(limit) }) : t('itsLimitOf', { limit: text(limit) })
  const within = last.limitIsLeast ? [t('above'), t('below')] : [t('within'), t('beyond')]
  const left = t('lastLeftAt2', {
    asLeft: text(last.asLeft),
    within: within[Number(isBeyond(last.asLeft, last))],
    bound,
  })
  if (found.length === 0) return left
  const beyond = found.filter((reading) => isBeyond(reading.asFound ?? 0, reading)).length
  const looks = t('nLooks', { n: found.length })
  const off = last.limitIsLeast ? t('belowWhatItNeeds') : t('beyondItsLimit')
  const share = found.length === 1 ? looks : t('beyondOf', { beyond, looks })
  const often = beyond === 0 ? t('neverFoundIn', { off, looks }) : t('foundIn', { off, share })
  return `${often} ${left}`
}

export const beyondText = ({ beyond, n }: SpreadView): string =>
  beyond
    ? `${percent(beyond.share)} (${Math.round(100 * beyond.low)}–${percent(beyond.high)})`
    : t('tooFewToSay', { looks: n })

/** What the table of models shows: the one that comes back beyond its limit most surely. */
export function modelsSentence(models: readonly ModelTrend[]): string {
  const judged = models.filter(({ mirrorMm }) => mirrorMm.beyond !== null)
  if (judged.length === 0) return t('tooFewLooksAtMirrors')
  const lowOf = ({ mirrorMm }: ModelTrend) => mirrorMm.beyond?.low ?? 0
  const worst = [...judged].sort((a, b) => lowOf(b) - lowOf(a))[0]
  if (!worst?.mirrorMm.beyond) return ''
  const { share, low, high } = worst.mirrorMm.beyond
  const name = worst.modelName.charAt(0).toUpperCase() + worst.modelName.slice(1)
  return t('comesBackBeyondItsLimit', {
    name,
    share: percent(share),
    looks: worst.mirrorMm.n,
    low: percent(low),
    high: percent(high),
  })
}

/** Whether more is lent in darker months: the rank correlation of the two [Spearman 1904]. */
export function monthsSentence(months: readonly MonthTrend[], hours: readonly number[] | null): string {
  const total = months.reduce((sum, { loans }) => sum + loans, 0)
  const late = months.reduce((sum, month) => sum + month.late, 0)
  const first = t('loansInMonthsOfThem', {
    total,
    months: months.length,
    late: total === 0 ? t('none') : percent(late / total),
  })
  // The month that isn’t over yet would weigh as much as a whole one.
  const whole = months.slice(0, -1).map(({ loans }) => loans)
  if (!hours || whole.length < 6) return first
  const r = correlation(ranks(whole), ranks(hours.slice(0, -1)))
  const strong = 0.5
  if (r > strong) return t('moreIsLentInMonths', { first })
  if (r < -strong) return t('lessIsLentInMonths', { first })
  return t('darkHoursAndLoansDont', { first })
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
  return t('lookingWhenALookIs', {
    benchHours: forecast.benchHours.toFixed(1),
    everyHours: every.benchHours.toFixed(1),
    spoiltPerHundred: forecast.spoiltPerHundred.toFixed(1),
    saved: saved > 0 ? '' : t('whichSavesNothingHere'),
    thirdHours: third.benchHours.toFixed(1),
    thirdSpoilt: third.spoiltPerHundred.toFixed(1),
  })
}
