import { readFileSync } from 'node:fs'
import { calculate, calculators } from '@binoculum/contract'

/** The register on the command line: JSON in, JSON out, nothing else; exit 2 for bad input. */
function main(name: string | undefined): number {
  if (name === undefined) {
    for (const { name, summary } of calculators.values()) process.stdout.write(`${name}  ${summary}\n`)
    return 0
  }
  const answer = answerTo(name, readFileSync(0, 'utf8'))
  process.stdout.write(`${JSON.stringify(answer.ok ? answer.output : { error: answer.error })}\n`)
  return answer.ok ? 0 : 2
}

function answerTo(name: string, text: string): ReturnType<typeof calculate> {
  if (!calculators.has(name)) return calculate(name, null)
  try {
    return calculate(name, JSON.parse(text))
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
    const issues = [{ path: '', message: `The input is not JSON: ${error.message}` }]
    return { ok: false, error: { code: 'NOT_JSON', issues } }
  }
}

process.exitCode = main(process.argv[2])
