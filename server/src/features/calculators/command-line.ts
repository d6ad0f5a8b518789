import { readFile } from 'node:fs/promises'
import { calculate, calculators, type CalculatorAnswer } from '@binoculum/contract'
import { calculateWithPictures, type BytesOf } from './calculate-pictures.ts'

/**
 * The register on the command line: JSON in, JSON out, nothing else.
 * @param name of the calculator; without one they are listed, one a line
 * @param input gives the JSON, asked for only where there is a calculator
 * @returns what is written, and the status the program ends with: 0, or 2 for bad input
 */
export async function commandLine(
  name: string | undefined,
  input: () => string,
): Promise<{ readonly status: 0 | 2; readonly output: string }> {
  if (name === undefined)
    return {
      status: 0,
      output: [...calculators.values()].map(({ name, summary }) => `${name}  ${summary}\n`).join(''),
    }
  const answer = await answerTo(name, input())
  const output = `${JSON.stringify(answer.ok ? answer.output : { error: answer.error })}\n`
  return { status: answer.ok ? 0 : 2, output }
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
