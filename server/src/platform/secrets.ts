import { createHash, randomBytes, randomInt } from 'node:crypto'
import { hash, verify } from '@node-rs/argon2'

/** 160 random bits, safe in addresses. */
export const newToken = (): string => randomBytes(20).toString('base64url')

/** Tokens are random, so one round of SHA-256 keeps them; passwords get argon2id. */
export const hashToken = (token: string): string => createHash('sha256').update(token).digest('hex')

/** argon2id with 19 MiB, two passes, one lane [OWASP Password Storage Cheat Sheet; from memory]. */
const argon2id = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const

export const hashPassword = (password: string): Promise<string> => hash(password, argon2id)

/** A hash of nothing anyone knows: signing in as nobody takes as long as with a wrong password. */
const nobodysHash = hashPassword(newToken())

export const passwordMatches = async (stored: string | null, password: string): Promise<boolean> => {
  const matches = await verify(stored ?? (await nobodysHash), password)
  return stored !== null && matches
}

const plainLetters = 'abcdefghjkmnpqrstuvwxyz23456789'

/** A password to be read from a screen and typed: 16 of 31 characters, 79 bits. */
export const readablePassword = (): string =>
  Array.from({ length: 4 }, () =>
    Array.from({ length: 4 }, () => plainLetters[randomInt(plainLetters.length)]).join(''),
  ).join('-')
