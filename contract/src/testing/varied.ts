import { z } from 'zod'
import type { JsonSchema } from '../calculators/page.ts'

const MS_PER_HOUR = 3_600_000
/** A recording stays one: its samples belong together. */
const LONGEST_LIST = 20
const MOST = 1e9

/** Another input like a good one: numbers somewhat other, words chosen anew, lists cut, another time of the year, and some of
 * what may be left out. Not every one is sensible: a refusal is an answer too.
 * @param chance numbers in [0, 1) */
export function varied(input: z.ZodType, good: unknown, chance: () => number): unknown {
  const schema = z.toJSONSchema(input, { io: 'input', unrepresentable: 'any' }) as JsonSchema
  return new Variation(chance).of(schema, good)
}

class Variation {
  /** All times of one input move by about as much, so that what comes after the other mostly still does. */
  private readonly laterHours: number

  constructor(private readonly chance: () => number) {
    this.laterHours = Math.round(chance() * 330 * 24)
  }

  of(schema: JsonSchema, good: unknown): unknown {
    if (schema.anyOf) return this.of(fitting(schema.anyOf, good) ?? this.one(schema.anyOf) ?? {}, good)
    if (schema.enum) return good === undefined || this.happens(0.4) ? this.one(schema.enum) : good
    if (schema.type === 'boolean') return this.happens(0.5)
    if (schema.type === 'number' || schema.type === 'integer') return this.aNumber(schema, good)
    if (schema.type === 'array') return this.aList(schema, Array.isArray(good) ? good : [undefined])
    if (schema.properties) return this.anObject(schema, (good ?? {}) as Readonly<Record<string, unknown>>)
    return typeof good === 'string' ? this.aTime(good) : good
  }

  private happens(share: number): boolean {
    return this.chance() < share
  }

  private one<T>(of: readonly T[]): T | undefined {
    return of[Math.floor(this.chance() * of.length)]
  }

  private aList({ items = {}, minItems = 0 }: JsonSchema, good: readonly unknown[]): unknown {
    if (good.length > LONGEST_LIST) return good
    const kept = good.filter((_each, index) => index < minItems || this.happens(0.85))
    return kept.map((each) => this.of(items, each)).filter((each) => each !== undefined)
  }

  private anObject({ properties = {}, required = [] }: JsonSchema, good: Readonly<Record<string, unknown>>): unknown {
    // A name can't be made up, nor what needs one.
    const isNameless = required.some((name) => properties[name]?.type === 'string' && good[name] === undefined)
    if (isNameless) return undefined
    const wanted = Object.entries(properties).filter(
      ([name]) => required.includes(name) || this.happens(name in good ? 0.85 : 0.4),
    )
    const made = wanted.map(([name, inner]) => [name, this.of(inner, good[name])] as const)
    return Object.fromEntries(made.filter(([, value]) => value !== undefined))
  }

  private aNumber({ type, ...limits }: JsonSchema, good: unknown): number {
    const least = Math.max(limits.minimum ?? -MOST, -MOST)
    const most = Math.min(limits.maximum ?? MOST, limits.exclusiveMaximum ?? MOST, MOST)
    // As many stay as they are, so that what belongs together mostly still fits.
    if (typeof good === 'number' && this.happens(0.5)) return good
    const usual = typeof good === 'number' ? good : Math.min(10, (Math.max(least, 0) + most) / 2)
    const turned = usual < 0 && this.happens(0.5) ? -usual : usual
    const other = Math.min(most, Math.max(least, turned * (0.5 + 1.2 * this.chance())))
    if (type === 'integer') return Math.round(other)
    return Number((other === limits.exclusiveMaximum ? usual : other).toPrecision(4))
  }

  /** Another day, or hour, where a text tells one. */
  private aTime(text: string): string {
    const ms = /^\d{4}-\d{2}-\d{2}/.test(text) ? Date.parse(text) : NaN
    if (Number.isNaN(ms)) return text
    const iso = new Date(ms + (this.laterHours + Math.round(this.chance() * 36)) * MS_PER_HOUR).toISOString()
    return text.endsWith('Z') ? `${iso.slice(0, 19)}Z` : iso.slice(0, text.length)
  }
}

function fitting(schemas: readonly JsonSchema[], good: unknown): JsonSchema | undefined {
  const type = Array.isArray(good) ? 'array' : good === null ? 'null' : typeof good
  return schemas.find((each) => each.type === type)
}
