/** Guards for a caller's mistakes: they throw RangeError with name and value. */

export function requirePositive(figures: Readonly<Record<string, number>>): void {
  for (const [name, value] of Object.entries(figures)) {
    if (!(Number.isFinite(value) && value > 0))
      throw new RangeError(`${name} must be a positive number; got ${value}`)
  }
}

export function requireNotNegative(figures: Readonly<Record<string, number>>): void {
  for (const [name, value] of Object.entries(figures)) {
    if (!(Number.isFinite(value) && value >= 0)) throw new RangeError(`${name} must be 0 or more; got ${value}`)
  }
}

export function requireFinite(figures: Readonly<Record<string, number>>): void {
  for (const [name, value] of Object.entries(figures)) {
    if (!Number.isFinite(value)) throw new RangeError(`${name} must be a finite number; got ${value}`)
  }
}
