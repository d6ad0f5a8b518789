import type { Clash, ClashCode } from '../loans/clash.ts'
import type { SlotNights, SlotWish } from '../loans/suggest-slots.ts'

export const wishWords: Readonly<Record<SlotWish, string>> = {
  any: 'anything',
  faint: 'faint things',
  moon: 'the Moon',
  planets: 'planets',
  children: 'children at eight',
}

const clashWords: Readonly<Record<ClashCode, string>> = {
  late: 'is late, so this can’t be kept',
  turnaround: 'comes back too close to this',
  bench: 'needs the bench first',
  held: 'is held',
  overlap: 'is promised twice',
  closed: 'falls on a day on which the desk is closed',
}

export const clashText = ({ code }: Pick<Clash, 'code'>): string => clashWords[code]

const nights = (count: number, words: string) => `${count} ${count === 1 ? 'evening' : 'evenings'} ${words}`

/** Why these days: the evenings that suit the wish, and the dark hours. */
export function slotReason(wish: SlotWish, { darkHours, evenings }: SlotNights): string {
  const dark = `${Math.round(darkHours)} dark hours without the Moon`
  switch (wish) {
    case 'any':
      return dark
    case 'faint':
      return `${dark}, ${nights(evenings, 'with three or more')}`
    case 'moon':
      return nights(evenings, 'with shadows along the Moon’s edge')
    case 'planets':
      return nights(evenings, 'with a planet well up')
    case 'children':
      return nights(evenings, 'with something to see by eight')
  }
}
