import type { Logger } from 'typeorm'

export interface SlowStatement {
  readonly statement: string
  readonly ms: number
}

/** A database in trouble is slow at everything: each statement is named once a minute. */
const SAID_AGAIN_MS = 60_000

/** Keeps how many statements took too long, and says which: their text, never the values in them. */
export class SlowStatements implements Logger {
  count = 0
  private readonly said = new Map<string, number>()
  private readonly latest: (SlowStatement & { at: Date })[] = []

  constructor(private readonly say: (line: SlowStatement) => void = () => undefined) {}

  logQuerySlow(ms: number, statement: string): void {
    this.count++
    const line = { statement: statement.replaceAll(/\s+/g, ' ').slice(0, 400), ms: Math.round(ms) }
    this.latest.push({ ...line, at: new Date() })
    if (this.latest.length > 50) this.latest.shift()
    const now = Date.now()
    if (now - (this.said.get(line.statement) ?? 0) < SAID_AGAIN_MS) return
    this.said.set(line.statement, now)
    this.say(line)
  }

  /** How many took too long since then, of the last fifty. */
  since(at: Date): number {
    return this.latest.filter((line) => line.at >= at).length
  }

  logQuery(): void {}
  logQueryError(): void {}
  logSchemaBuild(): void {}
  logMigration(): void {}
  log(): void {}
}
