/** Words that lists of leaked passwords are made of, from memory; with twelve signs asked for, most others are too short. */
const COMMON = [
  'password',
  'passwort',
  'contrasena',
  'qwertyuiop',
  'asdfghjkl',
  'zxcvbnm',
  'qwerty',
  'iloveyou',
  'letmein',
  'welcome',
  'administrator',
  'admin',
  'changeme',
  'football',
  'baseball',
  'sunshine',
  'princess',
  'superman',
  'trustno',
  'monkey',
  'dragon',
  'master',
  'abcdefghijkl',
  'abcdef',
  'telescope',
  'library',
  'astronomy',
  'binoculum',
]
const LEAST_LETTERS = 5

const plain = (text: string) =>
  text
    .toLowerCase()
    .normalize('NFKD')
    .replaceAll(/[@4]/g, 'a')
    .replaceAll('3', 'e')
    .replaceAll(/[1!|]/g, 'i')
    .replaceAll('0', 'o')
    .replaceAll(/[5$]/g, 's')
    .replaceAll('7', 't')
    .replaceAll(/[^a-z]/g, '')

/** True for what is guessed first: a common word or one's own name with signs about it, a few signs again and again, a run
 * of the keyboard or of numbers. Compared against a list and the context [NIST SP 800-63B, 5.1.1.2]; no rule of what kinds
 * of signs it must hold. */
export function isCommonPassword(password: string, own: readonly string[]): boolean {
  if (new Set(password.toLowerCase()).size < LEAST_LETTERS) return true
  if (isRun(password)) return true
  const words = own.flatMap((text) => text.split(/[\s@._-]+/)).map(plain)
  let left = plain(password)
  for (const word of [...COMMON, ...words].filter(({ length }) => length >= LEAST_LETTERS - 1))
    left = left.replaceAll(word, '')
  // Nothing of its own is left beside such words and figures.
  return left.length < LEAST_LETTERS && plain(password).length - left.length >= LEAST_LETTERS - 1
}

/** 123456789012, abcdefghijkl, or the same backwards. */
function isRun(text: string): boolean {
  const steps = Array.from(text.slice(1), (sign, at) => sign.charCodeAt(0) - text.charCodeAt(at))
  const [first] = steps
  return (
    steps.filter((step) => step === first || Math.abs(step) === 9).length === steps.length &&
    Math.abs(first ?? 2) <= 1
  )
}
