/** Directions as on a dial, to half an hour: 12 is up. */
export const clockHours: readonly { readonly value: number; readonly words: string }[] = Array.from(
  { length: 24 },
  (_each, index) => ({ value: (index + 1) / 2, words: String((index + 1) / 2) }),
)
