import type { ScaleDriver } from './scale-driver.ts'
import { sharedWords } from '../words.ts'

const t = sharedWords('simulatedScale')

const CHANNEL = 'binoculum scale'

/** The stand-in's lines come from its page, in whatever window that is open. */
export const simulatedScale: ScaleDriver = {
  async open(onLine, onEnd) {
    const channel = new BroadcastChannel(CHANNEL)
    channel.onmessage = ({ data }: MessageEvent<{ line?: string; unplugged?: true }>) => {
      if (data.unplugged) onEnd(t('theScaleWasUnplugged'))
      else if (data.line !== undefined) onLine(data.line)
    }
    return () => channel.close()
  },
}

export interface SimulatedPan {
  /** What lies on it, g. */
  readonly loadG: number
  readonly unit: 'g' | 'kg' | 'lb' | 'oz'
  /** Smallest step it shows, in grams. */
  readonly stepG: number
  readonly mostG: number
  readonly driftGPerS: number
}

const gramsPer = { g: 1, kg: 1000, lb: 453.59237, oz: 28.349523125 } as const
const LINES_PER_S = 5
/** A pan comes to rest: what is left of a change after each line. */
const SWING = 0.55

/** A pan as a scale sees it: it swings to its load, drifts, trembles by a third of a step, and writes a line five times a
 * second. */
export class SimulatedScale {
  private readonly channel = new BroadcastChannel(CHANNEL)
  private shownG = 0
  private driftG = 0
  private tareG = 0
  private timer: ReturnType<typeof setInterval> | null = null

  constructor(
    private readonly pan: () => SimulatedPan,
    private readonly onLine: (line: string) => void,
  ) {}

  get isOn(): boolean {
    return this.timer !== null
  }

  plugIn(): void {
    this.timer ??= setInterval(() => this.write(), 1000 / LINES_PER_S)
  }

  unplug(): void {
    if (this.timer) clearInterval(this.timer)
    this.timer = null
    this.channel.postMessage({ unplugged: true })
  }

  tare(): void {
    this.tareG = this.pan().loadG + this.driftG
  }

  close(): void {
    this.unplug()
    this.channel.close()
  }

  private write(): void {
    const { loadG, driftGPerS } = this.pan()
    this.driftG = driftGPerS === 0 ? 0 : this.driftG + driftGPerS / LINES_PER_S
    this.shownG += (loadG - this.shownG) * (1 - SWING)
    const line = this.lineOf(loadG)
    this.onLine(line)
    this.channel.postMessage({ line })
  }

  private lineOf(loadG: number): string {
    const { unit, stepG, mostG } = this.pan()
    if (loadG > mostG) return 'OL'
    const trembleG = (Math.random() - 0.5) * stepG * 0.6
    const massG = this.shownG + this.driftG - this.tareG + trembleG
    const atRest = Math.abs(this.shownG - loadG) < stepG
    const inUnit = (Math.round(massG / stepG) * stepG) / gramsPer[unit]
    const decimals = Math.max(0, Math.ceil(-Math.log10(stepG / gramsPer[unit]) - 1e-9))
    return `${atRest ? 'rest' : 'moving'} ${inUnit < 0 ? '-' : '+'}${Math.abs(inUnit).toFixed(decimals)} ${unit}`
  }
}
