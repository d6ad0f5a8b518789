import type { StoryCheck } from '@binoculum/contract'
import { kindWords, readingFigureText } from '@binoculum/core'
import { stationWords } from './trend-words.ts'
import { logbookWords } from './words.ts'

const t = logbookWords('compareWords')

/** What two checks of one kit say when they are held side by side. */

type Reading = StoryCheck['readings'][number]

const figure = (value: number, { unit, kind }: Reading): string => readingFigureText(unit, value, kind)

/** A word, not a figure: nothing lies between two of them. */
const isJudged = ({ unit, kind }: Reading) => unit === 'judged' || kind === 'repeat'

const foundAndLeft = (reading: Reading | undefined): string => {
  if (!reading) return '–'
  const left = figure(reading.asLeft, reading)
  if (reading.asFound === null) return t('leftLeft', { left })
  const found = figure(reading.asFound, reading)
  return found === left ? left : t('foundLeft', { found, left })
}

/** What became of it from when it was left until it was found again. */
function between(earlier: Reading | undefined, later: Reading | undefined): string {
  if (!earlier || !later || later.asFound === null) return ''
  if (isJudged(earlier) || earlier.unit !== later.unit) return ''
  const change = later.asFound - earlier.asLeft
  return `${change < 0 ? '−' : '+'}${figure(Math.abs(change), later)}`
}

export interface ComparedRow {
  readonly what: string
  readonly earlier: string
  readonly later: string
  readonly limit: string
  readonly between: string
}

/** A row for each figure that either check has, then the minutes and notes of the stations. */
export function checkRows(earlier: StoryCheck, later: StoryCheck): ComparedRow[] {
  const kinds = [...new Set([...earlier.readings, ...later.readings].map(({ kind }) => kind))]
  const of = (check: StoryCheck, kind: Reading['kind']) => check.readings.find((reading) => reading.kind === kind)
  const figures = kinds.map((kind) => {
    const [was, is] = [of(earlier, kind), of(later, kind)]
    const limits = [
      ...new Set(
        [was, is].flatMap((reading) =>
          reading && reading.unit !== 'judged' ? [figure(reading.limit, reading)] : [],
        ),
      ),
    ]
    return {
      what: kindWords[kind],
      ...{ earlier: foundAndLeft(was), later: foundAndLeft(is) },
      // A model that changed has another limit since: both are said.
      ...{ limit: limits.join(t('then')), between: between(was, is) },
    }
  })
  const stations = [...new Set([...earlier.stations, ...later.stations].map(({ station }) => station))]
  const at = (check: StoryCheck, name: string) => {
    const station = check.stations.find((each) => each.station === name)
    if (!station) return '–'
    const minutes = station.minutes ? t('minutesMin', { minutes: Math.round(station.minutes) }) : ''
    return [minutes, station.note].filter(Boolean).join(', ') || t('done')
  }
  const work = stations.map((name) => ({
    what: t('stationWordsWork', { stationWords: stationWords[name] ?? name }),
    ...{ earlier: at(earlier, name), later: at(later, name), limit: '', between: '' },
  }))
  return [...figures, ...work]
}

/** What moved furthest against its limit between the two. */
export function comparedSentence(earlier: StoryCheck, later: StoryCheck): string {
  const moved = later.readings.flatMap((is) => {
    const was = earlier.readings.find(({ kind }) => kind === is.kind)
    if (!was || is.asFound === null || isJudged(is) || is.unit !== was.unit || is.limit <= 0) return []
    return [{ is, was, found: is.asFound, share: Math.abs(is.asFound - was.asLeft) / is.limit }]
  })
  const [most] = moved.sort((a, b) => b.share - a.share)
  if (!most) return t('noFigureWasTakenBoth')
  const { is, was, found } = most
  const name = kindWords[is.kind]
  return t('movedMostLeftAtFound', {
    first: name.charAt(0).toUpperCase(),
    name: name.slice(1),
    asLeft: figure(was.asLeft, was),
    found: figure(found, is),
    side: found > is.limit ? t('beyond') : t('within'),
    limit: figure(is.limit, is),
  })
}
