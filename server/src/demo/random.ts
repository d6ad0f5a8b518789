/** A small repeatable source of chance: the same seed gives the same demo. mulberry32, public domain. */
export class Chance {
  private state: number

  constructor(seed: string) {
    this.state = [...seed].reduce((hash, sign) => Math.imul(hash ^ sign.charCodeAt(0), 16_777_619), 2_166_136_261)
  }

  /** Even in [0, 1). */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) | 0
    let t = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296
  }

  between(low: number, high: number): number {
    return low + this.next() * (high - low)
  }

  whole(low: number, high: number): number {
    return Math.floor(this.between(low, high + 1))
  }

  pick<T>(items: readonly T[]): T {
    const item = items[Math.floor(this.next() * items.length)]
    if (item === undefined) throw new RangeError('pick needs at least one item')
    return item
  }

  /** Normal with mean 0 [Box & Muller 1958]. */
  normal(sigma: number): number {
    return sigma * Math.sqrt(-2 * Math.log(1 - this.next())) * Math.cos(2 * Math.PI * this.next())
  }

  /** A version-4 shaped identifier that is the same in every installation. */
  id(): string {
    const hex = Array.from({ length: 32 }, () => Math.floor(this.next() * 16).toString(16)).join('')
    return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20, 32)}`
  }
}
