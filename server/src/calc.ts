import { readFileSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import { calculate, calculators, type CalculatorAnswer } from '@binoculum/contract'
import { calculateWithPictures, type BytesOf } from './features/calculators/calculate-pictures.ts'

/** The register on the command line: JSON in, JSON out, nothing else; exit 2 for bad input. */
async function main(name: string | undefined): Promise<number> {
  if (name === undefined) {
    for (const { name, summary } of calculators.values()) process.stdout.write(`${name}  ${summary}\n`)
    return 0
  }
  const answer = await answerTo(name, readFileSync(0, 'utf8'))
  process.stdout.write(`${JSON.stringify(answer.ok ? answer.output : { error: answer.error })}\n`)
  return answer.ok ? 0 : 2
}

async function answerTo(name: string, text: string): Promise<CalculatorAnswer> {
  if (!calculators.has(name)) return calculate(name, null)
  try {
    return await calculateWithPictures(name, JSON.parse(text), bytesFromFile)
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
    const issues = [{ path: '', message: `The input is not JSON: ${error.message}` }]
    return { ok: false, error: { code: 'NOT_JSON', issues } }
  }
}

/** Pictures are named by their place: `path` (of a list, `paths`) for the first one, the field itself, or its `path`, for
 * another. */
const bytesFromFile: BytesOf = async (fields, field) => {
  if (field === 'image' && typeof fields.path === 'string') {
    const { path } = fields
    delete fields.path
    return readFile(path)
  }
  if (field === 'images' && Array.isArray(fields.paths)) {
    const paths = fields.paths.map(String)
    delete fields.paths
    return Promise.all(paths.map((path) => readFile(path)))
  }
  const given = fields[field]
  if (typeof given === 'string') return readFile(given)
  const inner = typeof given === 'object' && given !== null && 'path' in given ? given.path : null
  return typeof inner === 'string' ? readFile(inner) : null
}

process.exitCode = await main(process.argv[2])
