import { parseMassG } from '@binoculum/core'

/** A mass as somebody types it: grams unless a unit is named, comma or point. */
export const typedMassG = (text: string) =>
  parseMassG(text, 'g', text.includes(',') && !text.includes('.') ? ',' : '.')
