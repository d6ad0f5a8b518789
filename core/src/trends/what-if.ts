import { chanceBeyond } from './forecast.ts'
import { seeded } from '../shared/seeded.ts'

/** When somebody looks at mirrors: after every loan, after every third, or when a look is due by what is likely. */
export const lookRules = ['every-loan', 'every-third', 'by-forecast'] as const
export type LookRule = (typeof lookRules)[number]

export interface SimulatedKit {
  /** Spread of one loan's change in each direction, mm. */
  readonly sigmaMm: number
  readonly limitMm: number
  /** How far off somebody leaves it who has looked, mm. */
  readonly leftMm: number
  readonly loansAYear: number
  /** Minutes of a look, and of lining up besides where it is needed. */
  readonly lookMinutes: number
}

export interface YearUnderRule {
  readonly rule: LookRule
  /** Hours at the bench in a year, for all kits, on average over the years simulated. */
  readonly benchHours: number
  /** Loans that began with a mirror beyond its limit, out of a hundred. */
  readonly spoiltPerHundred: number
  readonly looks: number
}

export interface WhatIfInput {
  readonly kits: readonly SimulatedKit[]
  /** So many years are played through for each rule. */
  readonly years: number
  readonly seed: number
  readonly dueChance: number
}

/**
 * A year of loans under each rule: every loan moves each kit's mirror by a normal change of its own spread; a look puts it
 * back to where its kit is usually left, in a direction of chance. Spoilt is a loan that begins beyond the limit.
 * @param onYear told after each year with the share that is done; false ends it
 * @returns one line for each rule, in their order; null where it was ended
 * @throws RangeError for spreads, limits or years that are none
 * Source: definition; the rules of `forecastDrift`, played through.
 */
export function whatIf(
  { kits, years, seed, dueChance }: WhatIfInput,
  onYear: (share: number) => boolean = () => true,
): readonly YearUnderRule[] | null {
  if (!(Number.isInteger(years) && years >= 1)) throw new RangeError(`${years} years can't be played through`)
  for (const { sigmaMm, limitMm, loansAYear } of kits)
    if (!(sigmaMm >= 0 && limitMm > 0 && loansAYear >= 0))
      throw new RangeError('a kit has a spread of 0 mm or more, a limit above it and no fewer than 0 loans')
  const found: YearUnderRule[] = []
  for (const [index, rule] of lookRules.entries()) {
    // The same chances for every rule: what differs is the rule.
    const random = seeded(seed)
    let [minutes, spoilt, loans, looks] = [0, 0, 0, 0]
    for (let year = 0; year < years; year++) {
      for (const kit of kits) {
        const lived = kitYear(kit, rule, dueChance, random)
        minutes += lived.looks * kit.lookMinutes
        spoilt += lived.spoilt
        loans += lived.loans
        looks += lived.looks
      }
      if (!onYear((index * years + year + 1) / (lookRules.length * years))) return null
    }
    found.push({
      rule,
      benchHours: minutes / 60 / years,
      spoiltPerHundred: loans === 0 ? 0 : (100 * spoilt) / loans,
      looks: looks / years,
    })
  }
  return found
}

function kitYear(kit: SimulatedKit, rule: LookRule, dueChance: number, random: () => number) {
  const { sigmaMm, limitMm, leftMm } = kit
  // After how many loans the chance reaches what is due: the spread is taken as known.
  const dueAfter = rule === 'by-forecast' ? firstDue(kit, dueChance) : rule === 'every-third' ? 3 : 1
  const loans = Math.round(kit.loansAYear)
  let [spoilt, looks, since] = [0, 0, 0]
  let at = { x: leftMm, y: 0 }
  for (let loan = 0; loan < loans; loan++) {
    if (Math.hypot(at.x, at.y) > limitMm) spoilt++
    const radius = sigmaMm * Math.sqrt(-2 * Math.log(1 - random()))
    const angle = 2 * Math.PI * random()
    at = { x: at.x + radius * Math.cos(angle), y: at.y + radius * Math.sin(angle) }
    if (++since < dueAfter) continue
    looks++
    since = 0
    at = { x: leftMm, y: 0 }
  }
  return { spoilt, looks, loans }
}

const MOST_LOANS = 100
/** Stands for a spread that is known: so many pairs leave no doubt of it. */
const SURE = 1e6

function firstDue({ sigmaMm, limitMm, leftMm }: SimulatedKit, dueChance: number): number {
  for (let loans = 1; loans < MOST_LOANS; loans++)
    if (chanceBeyond(leftMm, limitMm, { shape: SURE, scale: SURE * sigmaMm ** 2 * loans }) >= dueChance) return loans
  return MOST_LOANS
}
