const texts = new WeakMap<object, () => string>()

/** An answer whose JSON is made from parts that are there already: `text` must be what `JSON.stringify` would make of it. */
export function withText<T extends object>(answer: T, text: () => string): T {
  texts.set(answer, text)
  return answer
}

/** For long answers that are asked for often: they leave as they were made. Copying them through their schema took up to as
 * long as making them; `server/test/as-made.test.ts` holds every one of them to the schema of its route, with nothing
 * beside it. */
export const asMade = () => (answer: unknown) =>
  (typeof answer === 'object' && answer && texts.get(answer)?.()) || JSON.stringify(answer)
