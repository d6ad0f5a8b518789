import { createHash } from 'node:crypto'
import { readFileSync, writeFileSync } from 'node:fs'

const LONGEST = 700

/** What was answered when somebody last looked, in `e2e/samples/<name>.txt`, one line each that begins with its key. Whether it
 * is true is asked elsewhere; here whether it is still the same. `UPDATE_KEPT=1` writes down what is answered now.
 * @returns of a key, the lines as they are and as they were */
export function keptLines(name: string, lines: readonly string[]) {
  const file = new URL(`../../../e2e/samples/${name}.txt`, import.meta.url)
  if (process.env.UPDATE_KEPT) writeFileSync(file, `${lines.join('\n')}\n`)
  const before = readFileSync(file, 'utf8').trimEnd().split('\n')
  const of = (key: string) => (line: string) => line.startsWith(`${key} `)
  return (key: string) => ({ now: lines.filter(of(key)), before: before.filter(of(key)) })
}

/** JSON of seven figures; what is long ends in a digest. */
export function keptJson(value: unknown): string {
  const text = JSON.stringify(value, (_key, each: unknown) =>
    typeof each === 'number' ? Number(each.toPrecision(7)) : each,
  )
  if (text.length <= LONGEST) return text
  return `${text.slice(0, LONGEST)}… ${createHash('sha256').update(text).digest('hex').slice(0, 16)}`
}
