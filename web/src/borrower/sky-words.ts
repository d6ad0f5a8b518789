const eighths = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'] as const

/** The nearest of eight directions. */
export const directionWord = (azimuthDeg: number): string => eighths[Math.round(azimuthDeg / 45) % 8] ?? 'north'

const shorts = ['north', 'NE', 'east', 'SE', 'south', 'SW', 'west', 'NW'] as const

/** For narrow places: the four winds by name, those between by letters. */
export const shortDirection = (azimuthDeg: number): string => shorts[Math.round(azimuthDeg / 45) % 8] ?? 'north'

/** Heights in fists at arm's length, ten degrees each, to half a fist. */
export function fistsWords(
  altitudeDeg: number,
  say: (sentence: string, variables?: Record<string, string | number>) => string,
): string {
  if (altitudeDeg > 80) return say('overhead')
  const halves = Math.max(1, Math.round(altitudeDeg / 5))
  const whole = Math.floor(halves / 2)
  const text = `${whole === 0 ? '' : whole}${halves % 2 === 1 ? '½' : ''}`
  return say(halves <= 2 ? '{count} fist up' : '{count} fists up', { count: text })
}
