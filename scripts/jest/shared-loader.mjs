import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { compileTs } from './compile-ts.cjs'

/** Our own packages are read from their sources. */
export const resolve = (specifier, context, next) =>
  next(specifier, { ...context, conditions: [...context.conditions, '@binoculum/source'] })

export function load(url, context, next) {
  if (!url.endsWith('.ts')) return next(url, context)
  const path = fileURLToPath(url)
  return { format: 'module', source: compileTs(readFileSync(path, 'utf8'), path, false).code, shortCircuit: true }
}
