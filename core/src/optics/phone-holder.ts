import type { Role } from '../contents/roles.ts'

export interface HeldPart {
  readonly name: string
  readonly role?: Role | undefined
  /** An eyepiece at its eye end, where a holder grips it, mm; left out, nobody measured it. */
  readonly outerMm?: number | undefined
  /** Widths that a holder's clamp closes on, mm; left out, nobody measured it. */
  readonly gripsFromMm?: number | undefined
  readonly gripsUntilMm?: number | undefined
}

export interface PhoneFit {
  readonly fits: readonly string[]
  readonly tooWide: readonly string[]
  readonly tooThin: readonly string[]
  readonly unmeasured: readonly string[]
}

/** Which of a case's eyepieces its phone holder closes on.
 * @returns null where the case has no holder, or nobody measured its clamp */
export function phoneFit(parts: readonly HeldPart[]): PhoneFit | null {
  const holder = parts.find(({ role }) => role === 'phone-holder')
  if (holder?.gripsFromMm === undefined || holder.gripsUntilMm === undefined) return null
  const { gripsFromMm, gripsUntilMm } = holder
  const eyepieces = parts.filter(({ role }) => role === 'low-eyepiece' || role === 'eyepiece')
  const named = (is: (outerMm: number) => boolean) =>
    eyepieces.flatMap(({ name, outerMm }) => (outerMm !== undefined && is(outerMm) ? [name] : []))
  return {
    fits: named((mm) => mm >= gripsFromMm && mm <= gripsUntilMm),
    tooWide: named((mm) => mm > gripsUntilMm),
    tooThin: named((mm) => mm < gripsFromMm),
    unmeasured: eyepieces.flatMap(({ name, outerMm }) => (outerMm === undefined ? [name] : [])),
  }
}
