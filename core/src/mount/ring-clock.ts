/** What a sighting scope does to the ring: an upright one shows what the eye sees, a turning one half a turn further. */
export type SightingScope = 'upright' | 'turned'

export const ringInScope = (ringClock: number, scope: SightingScope): number =>
  scope === 'turned' ? (ringClock + 6) % 12 : ringClock

/** “2:10” on a clock's face, to the nearest ten minutes of the hour hand; a ring is no finer by eye. */
export function clockText(ringClock: number): string {
  const minutes = (Math.round((ringClock * 60) / 10) * 10) % (12 * 60)
  return `${Math.floor(minutes / 60) || 12}:${String(minutes % 60).padStart(2, '0')}`
}
