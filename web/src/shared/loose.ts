/** A form under a hand: numbers that are still missing are null, and the schema says what is wrong with them. */
export type Loose<T> = T extends number
  ? T | null
  : T extends readonly (infer E)[]
    ? Loose<E>[]
    : T extends object
      ? { -readonly [K in keyof T]: Loose<T[K]> }
      : T
