/** A tube let go at three heights, bare and with what weighs most: which end falls (DOMAIN, section 14). */
export const letGoAltitudesDeg = [20, 45, 70] as const
export const letGoSetUps = ['bare', 'heaviest'] as const
export type LetGoSetUp = (typeof letGoSetUps)[number]
export const fallingEnds = ['stays', 'front', 'back'] as const
export type FallingEnd = (typeof fallingEnds)[number]

export interface LetGo {
  readonly setUp: LetGoSetUp
  readonly altitudeDeg: number
  readonly fell: FallingEnd
}

export type LetGoAdvice = 'stays' | 'towards-back' | 'towards-front' | 'tension' | 'set-for-heaviest'

/** What to do about a tube that doesn't stay.
 *
 * One end falls wherever it is let go: the tube sits too far that way in its clamp, whatever rides on it. Bare it stays and
 * loaded it doesn't: its friction is set for the lightest. Anything else is too little friction, for a moment that changes
 * sign with the height is the tube's own. @throws RangeError for no look */
export function letGoAdvice(looks: readonly LetGo[]): LetGoAdvice {
  if (looks.length === 0) throw new RangeError('let it go once at least')
  const falls = looks.filter(({ fell }) => fell !== 'stays')
  if (falls.length === 0) return 'stays'
  const ends = new Set(falls.map(({ fell }) => fell))
  const bareFalls = falls.some(({ setUp }) => setUp === 'bare')
  const bareSeen = looks.some(({ setUp }) => setUp === 'bare')
  if (bareSeen && !bareFalls) return 'set-for-heaviest'
  if (ends.size === 1 && falls.length > looks.length / 2) return ends.has('front') ? 'towards-back' : 'towards-front'
  return 'tension'
}
