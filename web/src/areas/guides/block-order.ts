/** Moves a block among those that this kit's guide shows. The others, which the order counts for too, stay behind what
 * they stood behind: what is moved for one kit must not send another kit's controller to the end.
 * @param all keys in their order; @param shown those of them that are seen, in the same order
 * @returns all keys anew; the first shown block stays first, for the Sun opens every guide */
export function movedBlock(
  all: readonly string[],
  shown: readonly string[],
  from: number,
  to: number,
): readonly string[] {
  const key = shown[from]
  if (key === undefined || from === 0 || from === to) return all
  const left = shown.filter((each) => each !== key)
  const before = left[Math.min(Math.max(to, 1), left.length) - 1]
  const others = all.filter((each) => each !== key)
  const place = before === undefined ? 0 : others.indexOf(before) + 1
  return [...others.slice(0, place), key, ...others.slice(place)]
}
