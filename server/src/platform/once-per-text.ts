const REMEMBERED = 2000

/**
 * Remembers what was made from a text: a model's optics as JSON is the same text for many kits, and is parsed and
 * worked out once. Results are shared between callers and must not be changed.
 */
export function oncePerText<T>(make: (text: string) => T): (text: string) => T {
  const known = new Map<string, T>()
  return (text) => {
    const remembered = known.get(text)
    if (remembered !== undefined) return remembered
    const made = make(text)
    if (known.size >= REMEMBERED) known.clear()
    known.set(text, made)
    return made
  }
}
