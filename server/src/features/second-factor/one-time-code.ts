import { Secret, TOTP } from 'otpauth'

const PERIOD_S = 30
/** Of the half minutes before and after: phones' clocks are a little off [RFC 6238, 5.2]. */
const STEPS_EITHER_SIDE = 1

const totp = (secret: string, label = '') =>
  new TOTP({
    ...{ issuer: 'Binoculum', label, algorithm: 'SHA1', digits: 6, period: PERIOD_S },
    secret: Secret.fromBase32(secret),
  })

/** 160 random bits in base 32 [RFC 4226, 4: 160 bits are recommended]. */
export const newSecret = (): string => new Secret({ size: 20 }).base32

/** What an app reads from a screen: who gives the codes and for whom. */
export const secretAddress = (secret: string, email: string): string => totp(secret, email).toString()

/** @returns the number of the half minute that the code belongs to; null for a wrong one */
export function stepOfCode(secret: string, code: string, at: Date): number | null {
  if (!/^\d{6}$/.test(code)) return null
  const delta = totp(secret).validate({ token: code, timestamp: at.getTime(), window: STEPS_EITHER_SIDE })
  return delta === null ? null : Math.floor(at.getTime() / 1000 / PERIOD_S) + delta
}
