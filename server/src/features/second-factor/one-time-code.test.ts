import { Secret } from 'otpauth'
import { stepOfCode } from './one-time-code.ts'

/** RFC 6238, appendix B, SHA-1: its codes have eight digits, of which six are the last ones. */
const secret = Secret.fromLatin1('12345678901234567890').base32
const vectors: readonly (readonly [number, string])[] = [
  [59, '94287082'],
  [1_111_111_109, '07081804'],
  [1_111_111_111, '14050471'],
  [1_234_567_890, '89005924'],
  [2_000_000_000, '69279037'],
  [20_000_000_000, '65353130'],
]

it.each(vectors)('at %d s it is the code of the standard', (seconds, eight) => {
  const at = new Date(seconds * 1000)
  expect(stepOfCode(secret, eight.slice(2), at)).toBe(Math.floor(seconds / 30))
})

it('half a minute off is taken as its own half minute, more is not, and nothing but six digits', () => {
  const step = 37_037_036
  const at = (steps: number) => new Date((step + steps) * 30_000)
  expect(stepOfCode(secret, '081804', at(1))).toBe(step)
  expect(stepOfCode(secret, '081804', at(-1))).toBe(step)
  expect(stepOfCode(secret, '081804', at(2))).toBeNull()
  for (const other of ['81804', '0818040', '08180a', '', ' 081804'])
    expect(stepOfCode(secret, other, at(0))).toBeNull()
})
