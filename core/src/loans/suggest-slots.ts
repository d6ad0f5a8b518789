import { moonIsUp, type Evening } from '../sky/evening.ts'
import { dayNumber } from '../shared/day-number.ts'
import type { LoanDays } from './free-slots.ts'

export const slotWishes = ['any', 'faint', 'moon', 'planets', 'children'] as const
/** What somebody wants the nights of their loan for. */
export type SlotWish = (typeof slotWishes)[number]

export interface SlotNights {
  /** Dark hours without the Moon, of all nights from the pick-up to the one before the return. */
  readonly darkHours: number
  /** Evenings that suit the wish. */
  readonly evenings: number
}

/** From a quarter lit to nearly full there are shadows along the edge that a beginner sees at once. */
const MOON_WORTH = { least: 0.15, most: 0.9 }
/** The Moon is looked at in the evening: up at nine. Children look at eight. Hours after noon. */
const NINE_H = 9
const EIGHT_H = 8
/** Half an hour after sunset the Moon and the brightest planets are easy. */
const AFTER_SUNSET_H = 0.5
/** A night worth going out for faint things has three dark hours. */
const FAINT_H = 3

/** Whether a night suits what somebody wants to see. Rules of the trade, no source. */
export function suitsWish(wish: SlotWish, evening: Evening): boolean {
  const moonAt = (hours: number) => moonIsUp(evening, hours) && evening.moonLit >= MOON_WORTH.least
  switch (wish) {
    case 'any':
      return evening.moonlessDarkHours >= 1 || moonAt(NINE_H)
    case 'faint':
      return evening.moonlessDarkHours >= FAINT_H
    case 'moon':
      return moonAt(NINE_H) && evening.moonLit <= MOON_WORTH.most
    case 'planets':
      return evening.planets.length > 0
    case 'children': {
      const dusk = evening.sunsetH !== null && evening.sunsetH + AFTER_SUNSET_H <= EIGHT_H
      return dusk && (moonAt(EIGHT_H) || evening.planets.length > 0)
    }
  }
}

/** What a loan's nights hold for a wish. @param nights of every date from its pick-up to its return */
export function slotNights(
  { from, until }: LoanDays,
  wish: SlotWish,
  nights: ReadonlyMap<string, Evening>,
): SlotNights {
  let [darkHours, evenings] = [0, 0]
  for (const night of nightsOf({ from, until }, nights)) {
    darkHours += night.moonlessDarkHours
    if (suitsWish(wish, night)) evenings++
  }
  return { darkHours, evenings }
}

function nightsOf({ from, until }: LoanDays, nights: ReadonlyMap<string, Evening>): Evening[] {
  const days = dayNumber(until) - dayNumber(from)
  return [...nights.values()].filter(({ date }) => date >= from && date < until).slice(0, days)
}
