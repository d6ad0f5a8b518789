import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { compileTs } from './compile-ts.cjs'

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

const ownSources = ['isolated-ts.mjs', 'compile-ts.cjs'].map((name) =>
  readFileSync(fileURLToPath(new URL(name, import.meta.url))),
)

function withGlobalsAskedOnce(code) {
  const used = ASKED_ONCE.filter((name) => new RegExp(`\\b${name}\\b`).test(code))
  // On the same line, so that lines stay what they are.
  return used.length === 0 ? code : `const { ${used.join(', ')} } = globalThis; ${code}`
}

export default {
  process: (source, path) => ({
    code: withGlobalsAskedOnce(path.endsWith('.ts') ? compileTs(source, path, 'inline').code : source),
  }),
  getCacheKey(source, path) {
    const hash = createHash('sha256')
    for (const part of [...ownSources, path, source]) hash.update(part).update('\0')
    return hash.digest('hex')
  },
}
