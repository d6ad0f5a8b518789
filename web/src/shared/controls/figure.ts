/** A figure as it is typed, with a comma or a point. Nothing typed is null; what is no figure is undefined. */
export function figureFrom(text: string): number | null | undefined {
  const plain = text.trim().replace(',', '.')
  if (plain === '') return null
  const value = Number(plain)
  return Number.isFinite(value) ? value : undefined
}

/** As it stands in a field: no more places than it has, and never as a power of ten. */
export const figureText = (value: number | null): string =>
  value === null ? '' : String(Number(value.toFixed(6))).replace(/e.*/, '')
