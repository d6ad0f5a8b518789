const { mkdirSync, readFileSync, writeFileSync } = require('node:fs')
const { register } = require('node:module')
const { join } = require('node:path')
const { fileURLToPath, pathToFileURL } = require('node:url')
const { default: Runtime } = require('jest-runtime')
const { compileTs } = require('./compile-ts.cjs')

register('./shared-loader.mjs', pathToFileURL(__filename))

const HANDLERS = Symbol.for('EVENT_HANDLERS')

/** Where in the source something failed: made when it is asked for. */
class SourceMaps extends Map {
  constructor(folder) {
    super()
    this.folder = folder
  }

  get(url) {
    if (!url?.startsWith('file:') || !url.endsWith('.ts')) return undefined
    const path = fileURLToPath(url)
    const file = join(this.folder, encodeURIComponent(path).slice(-200))
    mkdirSync(this.folder, { recursive: true })
    writeFileSync(file, compileTs(readFileSync(path, 'utf8'), path, true).map)
    return file
  }
}

/** Loads test files as Node loads any module, instead of everything anew in a context of its own for each of them: the house
 * is read once a worker. What a test file needs of its own is its list of tests, and the functions that write into it. */
class SharedRuntime extends Runtime {
  unstable_importModule(path) {
    return import(pathToFileURL(path).href)
  }

  requireInternalModule(path) {
    // What kept the functions of an earlier file would write tests that nobody runs.
    globalThis[HANDLERS]?.unshift(() => {
      throw new Error('This “it” belongs to a test file that is done. Ask for it where the test is written.')
    })
    delete globalThis[HANDLERS]
    delete require.cache[path]
    return require(path)
  }

  getSourceMaps() {
    return new SourceMaps(join(this._config.cacheDirectory, 'source-maps'))
  }
}

Object.defineProperty(exports, '__esModule', { value: true })
exports.default = SharedRuntime
