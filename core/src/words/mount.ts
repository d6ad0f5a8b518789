import type { Balance } from '../mount/balance.ts'
import type { computedFields, ControllerField, HandController, StopMeeting } from '../mount/mount-data.ts'
import type { ControllerEntries, Dms } from '../mount/controller-entries.ts'
import type { SetUpName } from '../mount/kit-balance.ts'
import { degText, massText } from './figures.ts'

/** Plain English for balance and place. Another language is one more file like this one. */

export const setUpWords: Readonly<Record<SetUpName, string>> = {
  lightest: 'Lightest',
  usual: 'Usual',
  heaviest: 'Heaviest',
}

/** What happens above the height that stays free. */
export const stopMeetingWords: Readonly<Record<StopMeeting, string>> = {
  'motor-leg': 'the motor meets a leg',
  'motor-tube': 'the tube meets the motor',
  'tube-leg': 'the tube meets a leg',
  'tube-tray': 'the tube’s low end meets the tray',
  stand: 'the head goes no further',
}

const WHOLE_MM = 0.5

/** What to do with the weight. `nowMm`: where its middle stands, null while nobody measured; `bareMm`: bare shaft left
 * before the end stop at the right place. */
export function weightAdvice(balance: Balance, nowMm: number | null, bareMm: number | null): string {
  if (balance.reason === 'too-light')
    return `The weight is too light: ${massText(balance.extraMassG)} more at the end of the shaft.`
  if (balance.reason === 'too-heavy') return 'The weight is too heavy for this tube, even close to the axis.'
  const { positionMm } = balance
  if (positionMm === null) return ''
  const bare = bareMm === null ? '' : ` until ${Math.round(bareMm)} mm of bare shaft are left`
  if (nowMm === null) return `Set the weight${bare}.`
  const moveMm = positionMm - nowMm
  if (Math.abs(moveMm) < WHOLE_MM) return 'The weight stands right. Let go: it stays.'
  return `Slide the weight ${moveMm > 0 ? 'outward' : 'inward'} by ${Math.round(Math.abs(moveMm))} mm.`
}

/** Which side sinks when both clutches are let go at this place of the weight. */
export function whatFalls(balance: Balance, nowMm: number | null): 'tube' | 'weight' | null {
  if (balance.reason === 'too-light') return 'tube'
  if (balance.reason === 'too-heavy') return 'weight'
  if (nowMm === null || balance.positionMm === null) return null
  const moveMm = balance.positionMm - nowMm
  if (Math.abs(moveMm) <= Math.max(balance.slackMm, WHOLE_MM)) return null
  return moveMm > 0 ? 'tube' : 'weight'
}

export function tubeAdvice(shiftMm: number): string {
  if (Math.abs(shiftMm) < WHOLE_MM) return 'The tube stays at its usual line.'
  const way = shiftMm > 0 ? 'towards the sky' : 'back, towards the ground'
  return `Slide the tube ${Math.round(Math.abs(shiftMm))} mm ${way}.`
}

/** “52° 18′ N”; with seconds where they aren't 0. */
export function dmsText({ degrees, minutes, seconds, hemisphere }: Dms): string {
  const wide = hemisphere === 'E' || hemisphere === 'W' ? 3 : 2
  const text = `${String(degrees).padStart(wide, '0')}° ${String(minutes).padStart(2, '0')}′`
  return seconds === 0 ? `${text} ${hemisphere}` : `${text} ${String(seconds).padStart(2, '0')}″ ${hemisphere}`
}

/** Offset as controllers want it: “00”, “−05”, “+05:30”. */
export function zoneText(hours: number): string {
  const minutes = Math.round(Math.abs(hours) * 60)
  const whole = String(Math.floor(minutes / 60)).padStart(2, '0')
  const rest = minutes % 60 === 0 ? '' : `:${String(minutes % 60).padStart(2, '0')}`
  return `${hours < 0 ? '−' : hours > 0 ? '+' : ''}${whole}${rest}`
}

export function controllerDate(date: string, order: HandController['dateOrder']): string {
  const [year = '', month = '', day = ''] = date.split('-')
  if (order === 'month-first') return `${month}/${day}/${year}`
  return order === 'day-first' ? `${day}/${month}/${year}` : `${year}-${month}-${day}`
}

/** What each question is called; the model may ask in other words. */
export const controllerFieldWords: Readonly<Record<ControllerField, string>> = {
  date: 'date',
  time: 'time',
  zone: 'zone',
  'daylight-saving': 'daylight saving',
  longitude: 'longitude',
  latitude: 'latitude',
  elevation: 'elevation',
  'zone-place': 'zone, by a place',
  site: 'site or city',
  'mount-mode': 'mount mode',
  telescope: 'telescope',
  alignment: 'kind of alignment',
  speed: 'speed of the keys',
  sync: 'sync',
  park: 'park',
  'switch-off': 'switching off',
}

/** Where a model doesn't say. Common practice, no source. */
const usualAnswers: Readonly<Partial<Record<ControllerField, string>>> = {
  alignment: 'two stars',
  speed: 'fast to come near, slow to centre',
  sync: 'only with the star in the middle of the field',
  park: 'before you switch off, if it offers it',
  'switch-off': 'mount first, then the pack',
}

/** “Dublin” of Europe/Dublin: what a list of places is likeliest to hold. */
const cityOfZone = (zone: string): string => zone.split('/').at(-1)?.replaceAll('_', ' ') ?? zone

export interface ControllerLine {
  readonly field: HandController['asks'][number]
  readonly words: string
  readonly entry: string
  readonly hint: string
  /** The most frequent fault; stands out. */
  readonly careful: boolean
}

/** A controller's questions in its own order, with what to answer. */
export function controllerLines(
  entries: ControllerEntries,
  controller: HandController,
  heightM: number | null,
  place: { readonly name: string; readonly zone: string } | null,
): readonly ControllerLine[] {
  const line = (field: ControllerLine['field'], words: string, entry: string, hint = '', careful = false) => ({
    field,
    words,
    entry,
    hint,
    careful,
  })
  const zone = zoneText(entries.standardOffsetHours)
  const wrong = zoneText(entries.standardOffsetHours + 1)
  const lines: Readonly<Record<(typeof computedFields)[number], ControllerLine>> = {
    date: line(
      'date',
      'date',
      controllerDate(entries.date, controller.dateOrder),
      `${controller.dateOrder.replace('-', ' ')} on this one`,
    ),
    time: line(
      'time',
      'time',
      controller.clock === '24h' ? entries.time24 : entries.time12,
      controller.clock === '24h' ? '24 h' : '12 h',
    ),
    zone: line('zone', 'zone', zone, entries.daylightSaving ? `standard, never ${wrong}` : 'standard'),
    'daylight-saving': line(
      'daylight-saving',
      'daylight saving',
      entries.daylightSaving ? 'YES' : 'NO',
      'asked separately',
      true,
    ),
    longitude: line('longitude', 'longitude', dmsText(entries.longitudeDms)),
    latitude: line('latitude', 'latitude', dmsText(entries.latitudeDms)),
    elevation: line(
      'elevation',
      'elevation',
      heightM === null ? '0 m' : `${Math.round(heightM)} m`,
      heightM === null ? 'not known here; 0 will do' : '',
    ),
    'zone-place': line(
      'zone-place',
      controllerFieldWords['zone-place'],
      place === null ? '' : cityOfZone(place.zone),
      'or the nearest place on its list in your zone',
    ),
    site: line(
      'site',
      controllerFieldWords.site,
      place?.name ?? '',
      `or a site of your own: ${dmsText(entries.latitudeDms)}, ${dmsText(entries.longitudeDms)}`,
    ),
  }
  const asked = (field: ControllerField, otherwise: string) =>
    line(field, controllerFieldWords[field], controller.answers?.[field] ?? otherwise, '')
  return controller.asks.map((field) => lines[field as keyof typeof lines] ?? asked(field, usualAnswers[field] ?? ''))
}

/** Nobody reads a compass finer than this. */
const NEEDLE_TRUE_DEG = 0.25

/** How to come from the needle to the pole. `declinationDeg`: north end from true north, east +. Its south end then lies as
 * far to the *other* side of true south, so the way back is named from the end one looks along. */
export function needleSentence(declinationDeg: number, southern: boolean): string {
  const deg = degText(Math.abs(declinationDeg))
  if (Math.abs(declinationDeg) < NEEDLE_TRUE_DEG) return 'The needle points true here, within a quarter of a degree.'
  const north = declinationDeg > 0 ? 'east' : 'west'
  const back = declinationDeg > 0 === southern ? 'east' : 'west'
  return southern
    ? `The needle points ${deg} ${north} of true north: turn the axis ${deg} ${back} of where its south end points.`
    : `The needle points ${deg} ${north} of true north: turn the axis ${deg} ${back} of where it points.`
}
