import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { transformSync } from '@swc/core'

/** Each test file lives in a context of its own, whose globals are looked up through an interceptor: a loop over a
 *  picture spends most of its time asking what `Math` is. A module that asks once is as fast as outside of Jest. */
const ASKED_ONCE = [
  'Math',
  'Number',
  'Array',
  'Object',
  'Float32Array',
  'Float64Array',
  'Int16Array',
  'Int32Array',
  'Uint8Array',
  'Uint8ClampedArray',
  'Uint16Array',
  'Uint32Array',
]

const options = {
  sourceMaps: 'inline',
  jsc: {
    parser: { syntax: 'typescript', decorators: true },
    transform: { legacyDecorator: true, useDefineForClassFields: false },
    target: 'es2022',
  },
  module: { type: 'es6' },
}
const ownSource = readFileSync(fileURLToPath(import.meta.url))

export function withGlobalsAskedOnce(code) {
  const used = ASKED_ONCE.filter((name) => new RegExp(`\\b${name}\\b`).test(code))
  // On the same line, so that lines stay what they are.
  return used.length === 0 ? code : `const { ${used.join(', ')} } = globalThis; ${code}`
}

export default {
  process(source, path) {
    if (!path.endsWith('.ts')) return { code: withGlobalsAskedOnce(source) }
    const { code } = transformSync(source, { ...options, filename: path })
    return { code: withGlobalsAskedOnce(code) }
  },
  getCacheKey(source, path) {
    return createHash('sha256').update(ownSource).update('\0').update(path).update('\0').update(source).digest('hex')
  },
}
