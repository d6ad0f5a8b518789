const { transformSync } = require('@swc/core')

/** One module of TypeScript as JavaScript; decorators as TypeORM wants them.
 * @param {boolean | 'inline'} sourceMaps
 * @returns {{ code: string, map?: string }} */
exports.compileTs = (source, path, sourceMaps) =>
  transformSync(source, {
    filename: path,
    sourceMaps,
    jsc: {
      parser: { syntax: 'typescript', decorators: true },
      transform: { legacyDecorator: true, useDefineForClassFields: false },
      target: 'es2022',
    },
    module: { type: 'es6' },
  })
