import { roles, type Role } from '../contents/roles.ts'
import type { Interval } from '../trends/rates.ts'
import { moneyText } from './figures.ts'

/** What a branch's models cost and which parts it should keep, as page, report and table say it. */
export interface BuyingFacts {
  readonly currency: string
  readonly assumed: { readonly lifeYears: number; readonly leadWeeks: number; readonly serviceLevel: number }
  readonly models: readonly {
    readonly modelName: string
    readonly kits: number
    readonly kitsWithoutPrice: number
    readonly loans: number
    readonly years: number
    readonly costMinor: (Interval & { readonly middle: number }) | null
    /** How often its mirrors came back beyond their limit; null where too few were looked at. */
    readonly beyond: (Interval & { readonly share: number }) | null
    readonly benchMinutes: number | null
  }[]
  readonly spares: readonly {
    readonly role: Role
    readonly losses: number
    readonly aYear: Interval & { readonly rate: number }
    readonly keep: number
    readonly have: number
    readonly order: number
    readonly pieceMinor: number | null
  }[]
}

/** The models of which a loan costs least and most, and whether that can be told. */
export function costSentence({ models, currency }: BuyingFacts): string {
  const judged = models.flatMap(({ costMinor, modelName }) => (costMinor ? [{ modelName, ...costMinor }] : []))
  const sorted = judged.sort((a, b) => b.middle - a.middle)
  const [most, least] = [sorted[0], sorted.at(-1)]
  if (!most || !least) return 'No model has prices for all its kits, and loans enough to say what one costs.'
  const money = (minor: number) => moneyText(Math.round(minor), currency)
  if (most === least) return `A loan of ${most.modelName} costs ${money(most.middle)}.`
  const surely = most.low > least.high ? '' : ' They may cost the same: there are too few loans to tell them apart.'
  return `A loan costs from ${money(least.middle)} (${least.modelName}) to ${money(most.middle)} (${most.modelName}).${surely}`
}

/** What to order, so that parts are there when they are wanted. */
export function sparesSentence({ spares, currency, assumed }: BuyingFacts): string {
  const order = spares.filter((spare) => spare.order > 0)
  if (spares.length === 0) return 'Nothing has gone missing: no part needs to be kept.'
  const often = `there ${Math.round(100 * assumed.serviceLevel)} times in 100`
  if (order.length === 0) return `What lies in the drawer is enough: each part is ${often}.`
  const pieces = order.reduce((sum, each) => sum + each.order, 0)
  const cost = order.reduce((sum, each) => sum + each.order * (each.pieceMinor ?? 0), 0)
  const unpriced = order.filter(({ pieceMinor }) => pieceMinor === null).length
  const about =
    unpriced === order.length
      ? ''
      : ` for about ${moneyText(cost, currency)}${unpriced > 0 ? ` and what ${unpriced} without a price cost` : ''}`
  return `Order ${pieces === 1 ? 'one piece' : `${pieces} pieces`}${about}: then each part is ${often}.`
}

/** What a loan of a model costs and between what, or why nobody can say. */
export function costText({ costMinor, kitsWithoutPrice }: BuyingFacts['models'][number], currency: string): string {
  if (!costMinor) return kitsWithoutPrice > 0 ? 'a price is missing' : 'too few loans'
  const money = (minor: number) => moneyText(Math.round(minor), currency)
  return `${money(costMinor.middle)} (${money(costMinor.low)} to ${money(costMinor.high)})`
}

export const partWords = (role: Role): string => roles[role].words
